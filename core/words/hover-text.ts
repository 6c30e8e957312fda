import type { Figure } from 'core/document';
import { cellAt, columnOf, isMissing, textAt, type Column } from 'core/table';
import { partName, rowName } from './row-names';
import { writerOf, type Writing } from './value-writer';
import { whyOf, type Computed } from './why';

/** What hovering a mark tells: its name, its values, what each cue computed there, and why it has its colour. */
export interface HoverText {
  readonly title: string;
  readonly lines: readonly { readonly name: string; readonly value: string }[];
  readonly why: string;
}

/** Data columns only, never a helper series; the helpers speak through the reason. */
export function hoverText(picture: Computed, row: number, figure: Figure, writing: Writing): HoverText {
  const { table, panel, series, outer, carried, measures, helpers, whatIfs } = picture.frame;
  const write = writerOf(figure, writing);
  const column = (name: string): Column => columnOf(table, name) as Column;
  const value = (name: string): string => {
    const cell = cellAt(column(name), row);
    const written = isMissing(column(name), row) ? 'missing' : typeof cell === 'number' ? write.full(name, cell) : String(cell);
    return whatIfs[name]?.[row] ? `${written}, what-if` : written;
  };
  return {
    title: rowName(picture.frame, figure, row),
    lines: [
      ...[...new Set([...outer, panel, series])].flatMap(name =>
        name === null || name === picture.frame.category ? [] : [{ name, value: partName(picture.frame, figure, name, row) }],
      ),
      ...carried.map(name => ({ name, value: textAt(column(name), row) || 'missing' })),
      ...measures.map(name => ({ name, value: value(name) })),
      ...helpers.map(name => ({ name, value: value(name) })),
    ],
    why: whyOf(picture, row, figure, writing),
  };
}
