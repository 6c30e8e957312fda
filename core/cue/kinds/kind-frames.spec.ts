import { frameOf, plainMeasure, type Frame } from 'core/frame';
import { messageFor } from 'core/result/words';
import { cellAt, makeTable, named, tableOf, valuesFrom, type Cell } from 'core/table';
import { applyCues, cueKinds, readLevel, type AppliedCue, type Cue, type CueKindName, type CueFacts, cueFactsOf } from '../index';

export const HUTS = ['A', 'B', 'C', 'D', 'E', 'F'];
const DAYS = ['2030-06-03', '2030-06-10', '2030-06-17', '2031-06-02', '2031-06-10', '2031-06-16'];
export const words: CueFacts = cueFactsOf({ category: 'hut', measures: ['a', 'b'], scopes: ['g'] });
export const along = { kind: 'along' as const, column: 'hut', descending: false, within: [] };

/** A frame of huts A to F with measures a and b, groups x x x y y y, and a date per hut. */
export function frameFor(a: Cell[], b: Cell[] = a, by = 'hut', days = DAYS): Frame {
  const rows = HUTS.slice(0, a.length);
  const table = makeTable('t', [
    ...tableOf({ hut: rows, g: ['x', 'x', 'x', 'y', 'y', 'y'].slice(0, a.length), a_: a, b_: b }).columns,
    named('day', valuesFrom('date', days.slice(0, a.length))),
  ]);
  const data = {
    table: 't',
    category: by,
    step: null,
    outer: [],
    seriesStep: null,
    empty: 'missing' as const,
    series: null,
    panel: null,
    measures: [plainMeasure('a', 'sum(a_)'), plainMeasure('b', 'sum(b_)')],
    helpers: [],
    filters: [],
    order: { by: 'table' as const },
    whatIfs: [],
  };
  const read = frameOf(table, data);
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value;
}

export const make = (kind: CueKindName, change: object): Cue => ({ ...cueKinds[kind].create('c', words), ...change });
export const applied = (cue: Cue, frame: Frame): AppliedCue => applyCues([cue], frame)[0] as AppliedCue;
export const valuesOf = ({ helpers }: AppliedCue, part: string): Cell[] | undefined => {
  const column = helpers.find(helper => helper.part === part)?.column;
  return column && Array.from({ length: column.data.length }, (_, row) => cellAt(column, row));
};
export const close = (cells: Cell[] | undefined): Cell[] | undefined =>
  cells?.map(value => (typeof value === 'number' ? Number(value.toFixed(6)) : value));

export const n = null;
export const level = (text: string) => readLevel(text, ['a', 'b']);

/** A cue's name, kind and changes; measures a and b; and what its helper columns must hold. */
export type ValueCase = readonly [name: string, kind: CueKindName, change: object, a: Cell[], b: Cell[], parts: Record<string, Cell[]>];

export const checkValues = (cases: readonly ValueCase[]): void => {
  for (const [name, kind, change, a, b, parts] of cases)
    it(name, () => {
      const result = applied(make(kind, change), frameFor(a, b));
      expect(result.helpers.length).toBeGreaterThan(0);
      for (const [part, expected] of Object.entries(parts)) expect([part, close(valuesOf(result, part))]).toEqual([part, expected]);
    });
};
