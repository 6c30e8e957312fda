import { whyOf, writerOf, type Picture } from 'core/plan';
import type { Figure } from 'core/project';
import { cellAt, columnOf, isMissing, textAt, type Column } from 'core/table';

/** What hovering a mark tells: its name, its values, what each cue computed there, and why it has its colour. */
export interface HoverText {
  readonly title: string;
  readonly lines: readonly { readonly name: string; readonly value: string }[];
  readonly why: string;
}

/** Data columns only, never a helper series; the helpers speak through the reason. */
export function hoverText(picture: Picture, row: number, figure: Figure, units: Readonly<Record<string, string>>): HoverText {
  const { table, category, carried, measures, whatIfs } = picture.frame;
  const write = writerOf(figure, units);
  const column = (name: string): Column => columnOf(table, name) as Column;
  const value = (name: string): string => {
    const written = isMissing(column(name), row) ? 'missing' : write.full(name, cellAt(column(name), row) as number);
    return whatIfs[name]?.[row] ? `${written}, what-if` : written;
  };
  return {
    title: textAt(column(category), row) || '(missing)',
    lines: [
      ...carried.map(name => ({ name, value: textAt(column(name), row) || 'missing' })),
      ...measures.map(name => ({ name, value: value(name) })),
    ],
    why: whyOf(picture, row, figure, units),
  };
}
