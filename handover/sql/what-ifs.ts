import { nameText } from 'core/formula';
import type { FigureData, WhatIf } from 'core/frame';
import { columnOf, type Table } from 'core/table';
import { literalOf } from './filter-stages';

/** The columns that a row of the frame is told by: category, panel, series, outer columns, each once. */
export const keyNames = ({ category, panel, series, outer }: FigureData): string[] => [
  ...new Set([category, panel, series, ...outer.map(({ column }) => column)].filter((name): name is string => name !== null)),
];

/** The values that stand in for computed ones of a measure, as the figure is split now. */
export const whatIfsOf = (data: FigureData, measure: string): WhatIf[] =>
  data.whatIfs.filter(item => item.measure === measure && item.by === data.category && item.split.length === keyNames(data).length - 1);

/** Whether a row is the one that such a value was given to. */
export function isAt({ category, split }: WhatIf, data: FigureData, frame: Table): string {
  const texts = [category, ...split];
  return keyNames(data)
    .map((name, i) => {
      const text = texts[i] ?? null;
      if (text === null) return `${nameText(name)} is null`;
      const [literal] = literalOf(columnOf(frame, name)?.type ?? 'text', text);
      return literal === undefined ? '1 = 0' : `${nameText(name)} = ${literal}`;
    })
    .join(' and ');
}
