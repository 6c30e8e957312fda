import { DuckDBInstance } from '@duckdb/node-api';
import { functionReference } from 'core/formula';
import { tableOf, type Cell } from 'core/table';
import { readFileSync } from 'node:fs';
import { columnCases, measureCases } from './cases';
import { differences } from './differences';
import { formulaDocs } from './docs';
import { agree, compiled, ourValues, SqlEngine } from './engine';
import { troubledRows } from './rows';

const table = troubledRows();

async function compared(formula: string, engine: SqlEngine, by?: string): Promise<string> {
  const typed = compiled(formula, table, by ? 'measure' : 'column');
  const [ours, theirs] = [ourValues(typed, table, by), await engine.values(typed, by)];
  if (ours.length !== theirs.length) return `${ours.length} values, the engine has ${theirs.length}`;
  const at = ours.findIndex((value, row) => !agree(value, theirs[row] as Cell));
  return at === -1 ? 'equal' : `row ${at}: ${String(ours[at])}, the engine has ${String(theirs[at])}`;
}

describe('formulas give what a real SQL engine gives', () => {
  let engine: SqlEngine;
  beforeAll(async () => (engine = await SqlEngine.over(table)));

  it('over four hundred cases', () => expect(new Set([...columnCases, ...measureCases]).size).toBeGreaterThanOrEqual(400));
  it('every function of the language among them', () => {
    const all = [...columnCases, ...measureCases, ...differences.map(({ formula }) => formula)].join('\n');
    expect(functionReference.map(({ name }) => name).filter(name => !all.includes(`${name}(`))).toEqual([]);
  });
  for (const formula of new Set(columnCases)) it(formula, async () => expect(await compared(formula, engine)).toBe('equal'));
  for (const formula of measureCases) it(`measure ${formula}`, async () => expect(await compared(formula, engine, 'g')).toBe('equal'));
});

describe('formulas over no rows and over one', () => {
  for (const rows of [0, 1]) {
    const small = tableOf({
      id: Array.from({ length: rows }, (_, i) => i),
      g: Array<string>(rows).fill('a'),
      x: Array<number>(rows).fill(4),
    });
    for (const formula of [
      'x + 1',
      'sum(x) over ()',
      'rank() over (order by id)',
      'lag(id) over (order by id)',
      'median(id) over (order by id rows 1 preceding)',
    ])
      it(`${formula} over ${rows}`, async () => {
        const retyped =
          rows === 0
            ? {
                ...small,
                columns: small.columns.map(column => ({ name: column.name, type: 'number' as const, data: new Float64Array(0) })),
              }
            : small;
        const typed = compiled(formula, retyped, 'column');
        expect(ourValues(typed, retyped)).toEqual(await (await SqlEngine.over(retyped)).values(typed));
      });
  }
});

describe('the most frequent value', () => {
  // Engines choose freely among equally frequent values; ours is the first in order.
  const ties = tableOf({ id: [0, 1, 2, 3, 4], g: ['a', 'a', 'a', 'a', 'b'], x: [3, 1, 3, 1, null] });
  const cases: readonly [formula: string, values: Cell[]][] = [
    ['mode() within group (order by x)', [1, null]],
    ['mode() within group (order by x desc)', [3, null]],
  ];
  for (const [formula, values] of cases)
    it(formula, () => expect(ourValues(compiled(formula, ties, 'measure'), ties, 'g')).toEqual(values));
  it('moves with a window', () =>
    expect(ourValues(compiled('mode() within group (order by x) over (order by id rows 2 preceding)', ties, 'column'), ties)).toEqual([
      3, 1, 3, 1, 1,
    ]));
});

describe('deliberate differences, each with both values', () => {
  const one = tableOf({ id: [0] });
  it('stand in the docs, which are current', () =>
    expect(readFileSync(new URL('../docs/FORMULAS.md', import.meta.url), 'utf8')).toBe(formulaDocs()));
  for (const { formula, asked, ours, engine } of differences)
    it(formula, async () => {
      expect(ourValues(compiled(formula, one, 'column'), one)[0] as Cell).toEqual(ours);
      const connection = await (await DuckDBInstance.create(':memory:')).connect();
      const [row] = (await connection.runAndReadAll(`select ${asked}`)).getRows();
      expect(row?.[0] as Cell).toEqual(engine);
    });
});
