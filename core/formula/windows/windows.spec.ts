import { cellAt, tableOf, type Cell, type Table } from 'core/table';
import { compileFormula, Evaluator, scopeOf } from '../index';
import { radixSort } from './radix-sort';
import { sortRows, sortWindow } from './sort-rows';

/** Numbers from 0 to 1 from a fixed seed. Method: mulberry32. */
let state = 12;
function random(): number {
  state = (state + 0x6d2b79f5) >>> 0;
  let mixed = Math.imul(state ^ (state >>> 15), state | 1);
  mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
  return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
}
const ROWS = 160;
const table = tableOf({
  id: Array.from({ length: ROWS }, (_, i) => i),
  part: Array.from({ length: ROWS }, () => 'abc'.charAt(Math.floor(random() * 3))),
  key: Array.from({ length: ROWS }, () => Math.floor(random() * 40)),
  x: Array.from({ length: ROWS }, () => (random() < 0.2 ? NaN : Math.round(random() * 200) / 4 - 20)),
});

function run(formula: string, over: Table = table): Cell[] {
  const read = compileFormula(formula, scopeOf(over));
  if (!read.ok) throw new Error(`${formula}: ${JSON.stringify(read.problems)}`);
  const values = new Evaluator(over).values(read.value);
  return Array.from({ length: over.rowCount }, (_, row) => cellAt(values, row));
}
const column = (name: string): Cell[] => run(name);

/** What a frame is, taken at its word: every row looks at every other. */
type Inside = (row: number, other: number) => boolean;
const [parts, keys, xs] = [column('part'), column('key') as number[], column('x') as (number | null)[]];
const same: Inside = (row, other) => parts[row] === parts[other];
const frames: readonly [window: string, inside: Inside][] = [
  ['partition by part order by id', (row, other) => same(row, other) && other <= row],
  ['partition by part order by id rows between 2 preceding and 1 following', near(2, 1)],
  ['partition by part order by id rows between 6 preceding and 3 preceding', near(6, -3)],
  ['partition by part order by id rows between 2 following and unbounded following', near(-2, Infinity)],
  ['order by key', (row, other) => (keys[other] as number) <= (keys[row] as number)],
  ['partition by part order by key range between 3 preceding and 2 following', within(3, 2)],
  ['partition by part order by key range between 9 preceding and 4 preceding', within(9, -4)],
  ['partition by part order by key desc range between 3 preceding and current row', within(0, 3)],
];

/** So many rows before and after in the order of `id`, which is the order of rows. */
function near(before: number, after: number): Inside {
  const places = parts.map((part, row) => parts.slice(0, row).filter(other => other === part).length);
  return (row, other) =>
    same(row, other) &&
    (places[other] as number) >= (places[row] as number) - before &&
    (places[other] as number) <= (places[row] as number) + after;
}

function within(below: number, above: number): Inside {
  return (row, other) =>
    same(row, other) &&
    (keys[other] as number) >= (keys[row] as number) - below &&
    (keys[other] as number) <= (keys[row] as number) + above;
}

const sum = (values: number[]): number => values.reduce((total, value) => total + value, 0);
const sorted = (values: number[]): number[] => [...values].sort((a, b) => a - b);
const summaries: readonly [call: string, compute: (values: number[]) => number | null][] = [
  ['sum(x)', values => (values.length ? sum(values) : null)],
  ['avg(x)', values => (values.length ? sum(values) / values.length : null)],
  ['count(x)', values => values.length],
  ['min(x)', values => (values.length ? Math.min(...values) : null)],
  ['max(x)', values => (values.length ? Math.max(...values) : null)],
  ['count(distinct x)', values => new Set(values).size],
  ['var_pop(x)', values => (values.length ? sum(values.map(value => (value - sum(values) / values.length) ** 2)) / values.length : null)],
  [
    'median(x)',
    values =>
      values.length ? ((sorted(values)[(values.length - 1) >> 1] as number) + (sorted(values)[values.length >> 1] as number)) / 2 : null,
  ],
];

describe('moving windows give what looking at every row gives', () => {
  for (const [window, inside] of frames)
    for (const [call, compute] of summaries)
      it(`${call} over (${window})`, () => {
        const moved = run(`${call} over (${window})`);
        moved.forEach((value, row) => {
          const expected = compute(xs.filter((x, other): x is number => x !== null && inside(row, other)));
          if (expected === null) expect(value).toBeNull();
          else expect(value as number).toBeCloseTo(expected, 9);
        });
      });
});

describe('window functions, by hand', () => {
  const small = tableOf({ hut: ['a', 'b', 'c', 'd', 'e'], v: ['x', 'x', 'x', 'y', 'y'], milk: [5, 9, 5, 1, null] as number[] });
  const cases: readonly [formula: string, values: Cell[]][] = [
    ['row_number() over (order by milk desc, hut)', [2, 1, 3, 4, 5]],
    ['dense_rank() over (order by milk desc)', [2, 1, 2, 3, 4]],
    ['percent_rank() over (order by milk)', [0.25, 0.75, 0.25, 0, 1]],
    ['cume_dist() over (order by milk)', [0.6, 0.8, 0.6, 0.2, 1]],
    ['ntile(2) over (order by hut)', [1, 1, 1, 2, 2]],
    ['ntile(9) over (order by hut)', [1, 2, 3, 4, 5]],
    ['ntile(0) over (order by hut)', [null, null, null, null, null]],
    ['lag(milk) over (partition by v order by hut)', [null, 5, 9, null, 1]],
    ["lead(hut, 2, 'none') over (order by hut)", ['c', 'd', 'e', 'none', 'none']],
    ['first_value(hut) over (partition by v order by milk desc)', ['b', 'b', 'b', 'd', 'd']],
    ['last_value(milk) over (order by hut)', [5, 9, 5, 1, null]],
    ['nth_value(hut, 2) over (partition by v order by hut)', [null, 'b', 'b', null, 'e']],
    ['sum(milk) over (order by hut)', [5, 14, 19, 20, 20]],
    ['max(hut) over (order by hut rows 1 preceding)', ['a', 'b', 'c', 'd', 'e']],
    ['milk - lag(milk) over (order by hut)', [null, 4, -4, -4, null]],
    ['sum(milk) over (order by hut rows between 3 following and 4 following)', [1, null, null, null, null]],
    ['stddev_samp(milk) over (order by hut rows 1 preceding)', [null, Math.sqrt(8), Math.sqrt(8), Math.sqrt(8), null]],
  ];
  for (const [formula, values] of cases)
    it(formula, () =>
      run(formula, small).forEach((value, row) =>
        expect(typeof value === 'number' ? Math.round(value * 1e9) / 1e9 : value).toEqual(
          typeof values[row] === 'number' ? Math.round(values[row] * 1e9) / 1e9 : (values[row] ?? null),
        ),
      ),
    );

  it('a moving sum loses nothing to values that have left it', () => {
    const sizes = tableOf({ id: [1, 2, 3, 4], v: [1e16, 1, 1, 1] });
    expect(run('sum(v) over (order by id rows 1 preceding)', sizes)).toEqual([1e16, 1e16 + 2 - 2, 2, 2]);
  });
});

describe('sorting many rows', () => {
  const columns: readonly [name: string, values: () => number][] = [
    ['whole numbers', () => Math.floor(random() * 50) - 25],
    ['large whole numbers', () => Math.floor(random() * 1e9)],
    ['fractions and negative numbers', () => random() * 2 - 1],
    ['many orders of magnitude', () => (random() - 0.5) * 10 ** Math.floor(random() * 300 - 150)],
    ['infinities for what is missing', () => (random() < 0.2 ? Infinity : random())],
    ['one value', () => 7],
  ];
  for (const [name, make] of columns)
    it(`${name}, ties in the order they came`, () => {
      const values = Float64Array.from({ length: 5000 }, make);
      const order = radixSort(
        [values],
        Int32Array.from(values, (_, i) => i),
      );
      const expected = [...values.keys()].sort((a, b) => (values[a] as number) - (values[b] as number) || a - b);
      expect([...order]).toEqual(expected);
    });
  for (const rows of [0, 1, 2, 200, 4000])
    it(`${rows} rows come in the same order wherever it began`, () => {
      const data = Float64Array.from({ length: rows }, () => (random() < 0.1 ? NaN : Math.floor(random() * 60)));
      const ids = Int32Array.from(data, () => Math.floor(random() * 2));
      const sorted = (from?: Int32Array): number[] => [
        ...sortWindow(ids, [{ values: { type: 'number', data }, descending: true }], rows, from).rows,
      ];
      const order = Int32Array.from(sorted());
      const begun = order.slice();
      // One cell edited: a row that moves far, another that becomes missing.
      if (rows > 1) [data[rows >> 1], data[0]] = [59.5, NaN];
      const expected = sorted();
      expect(sorted(order)).toEqual(expected);
      expect(sorted(order.slice().reverse())).toEqual(expected);
      expect(sorted(Int32Array.from(data, (_, row) => row))).toEqual(expected);
      expect(sorted(order.slice(1))).toEqual(expected);
      // Where it began stays as it was.
      expect(order).toEqual(begun);
    });
  it('by several keys, as comparing does', () => {
    const make = (size: number) => ({
      type: 'number' as const,
      data: Float64Array.from({ length: 4000 }, () => (random() < 0.1 ? NaN : Math.floor(random() * size))),
    });
    const keyed = [
      { values: make(4), descending: true },
      { values: make(9), nullsFirst: true },
    ];
    const long = sortRows(keyed, 4000);
    const place = (
      { values, descending = false, nullsFirst = false }: { values: { data: Float64Array }; descending?: boolean; nullsFirst?: boolean },
      row: number,
    ): number => {
      const value = values.data[row] as number;
      return value !== value ? (nullsFirst ? -Infinity : Infinity) : descending ? -value : value;
    };
    for (let i = 1; i < long.length; i++) {
      const [a, b] = [long[i - 1] as number, long[i] as number];
      const first = keyed.map(key => place(key, a) - place(key, b)).find(difference => difference < 0 || difference > 0) ?? 0;
      expect(first < 0 || (first === 0 && a < b)).toBe(true);
    }
  });
});
