import type { FormulaProblem } from 'core/result';
import { messageFor } from 'core/result/words';
import { cellAt, isoDate, tableOf, valuesFrom, named, makeTable, type Cell } from 'core/table';
import { compileFormula, Evaluator, groupRows, MAX_CHARACTERS, scopeOf, sortRows } from '../index';

const table = tableOf({
  hut: ['Alm', 'Berg', 'Cloud', 'Dale', 'Esk'],
  valley: ['Tolm', 'Tolm', 'Siddel', 'Siddel', null],
  milk: [10, 20, 20, null, 0],
  fat: [1, 2, null, 4, 0],
  open: [true, false, null, true, false],
});
const dated = makeTable('dated', [named('day', valuesFrom('date', ['2031-06-02', '2031-06-05', null]))]);

function run(text: string, place: 'column' | 'measure' = 'column', over = table): Cell[] {
  const compiled = compileFormula(text, scopeOf(over), place);
  if (!compiled.ok) throw new Error(compiled.problems.map(messageFor).join());
  const groups = place === 'measure' ? groupRows([over.columns[1]!], over.rowCount) : null;
  const values = new Evaluator(over, groups).values(compiled.value);
  return Array.from({ length: values.data.length }, (_, row) => cellAt(values, row));
}

describe('formulas over rows', () => {
  const cases: readonly [formula: string, expected: Cell[]][] = [
    // Arithmetic: the tighter operator first, left to right; missing stays missing; no value for division by zero.
    ['1 + 2 * 3 - 4', [3, 3, 3, 3, 3]],
    ['8 / 4 / 2', [1, 1, 1, 1, 1]],
    ['milk + fat', [11, 22, null, null, 0]],
    ['milk / fat', [10, 10, null, null, null]],
    ['- milk', [-10, -20, -20, null, -0]],
    ['milk % 3', [1, 2, 2, null, 0]],
    ['1e308 * 10', [null, null, null, null, null]],
    // Comparison and three-valued logic.
    ['milk >= 20', [false, true, true, null, false]],
    ['milk <> 20', [true, false, false, null, true]],
    ["hut < 'Cloud'", [true, true, false, false, false]],
    ['open and milk > 5', [true, false, null, null, false]],
    ['open or milk > 5', [true, true, true, true, false]],
    ['not open', [false, true, null, false, true]],
    ['milk is null', [false, false, false, true, false]],
    ['valley is not null', [true, true, true, true, false]],
    ['milk is distinct from fat', [true, true, true, true, false]],
    ['valley is not distinct from null', [false, false, false, false, true]],
    ['milk between 5 and 15', [true, false, false, null, false]],
    ['milk between asymmetric 15 and 5', [false, false, false, null, false]],
    ['milk not between 5 and 15', [false, true, true, null, true]],
    ["hut in ('Alm', 'Esk')", [true, false, false, false, true]],
    ["hut not in ('Alm', null)", [false, null, null, null, null]],
    // Choices.
    ['case when milk > 15 then 1 when milk > 5 then 2 else 3 end', [2, 1, 1, 3, 3]],
    ["case valley when 'Tolm' then 'T' when 'Siddel' then 'S' end", ['T', 'T', 'S', 'S', null]],
    ['case when milk = 20 then milk end', [null, 20, 20, null, null]],
    ['coalesce(milk, fat, 9)', [10, 20, 20, 4, 0]],
    ["coalesce(valley, 'none')", ['Tolm', 'Tolm', 'Siddel', 'Siddel', 'none']],
    ['nullif(milk, 20)', [10, null, null, null, 0]],
    ['abs(fat - 3)', [2, 1, null, 1, 3]],
    ['sqrt(fat - 2)', [null, 0, null, Math.SQRT2, null]],
    // Windows: aggregates over all rows and within a column; missing is a partition of its own.
    ['max(milk) over ()', [20, 20, 20, 20, 20]],
    ['min(milk) over (partition by valley)', [10, 10, 20, 20, 0]],
    ['count(*) over (partition by valley)', [2, 2, 2, 2, 1]],
    ['count(milk) over ()', [4, 4, 4, 4, 4]],
    ['avg(milk) over ()', [12.5, 12.5, 12.5, 12.5, 12.5]],
    ['sum(milk) filter (where milk > 5) over ()', [50, 50, 50, 50, 50]],
    ['milk - avg(milk) over (partition by valley)', [-5, 5, 0, null, 0]],
    ['max(hut) over (partition by valley)', ['Berg', 'Berg', 'Dale', 'Dale', 'Esk']],
    ['case when milk = max(milk) over () then milk end', [null, 20, 20, null, null]],
    // Ties share a rank and the next ranks are left out; missing comes last unless told otherwise.
    ['rank() over (order by milk desc)', [3, 1, 1, 5, 4]],
    ['rank() over (order by milk nulls first)', [3, 4, 4, 1, 2]],
    ['rank() over (partition by valley order by milk desc)', [2, 1, 1, 2, 1]],
    ['rank() over (order by valley, fat desc)', [4, 3, 2, 1, 5]],
    // Words: comments, quoted names, any case, doubled quotes.
    ['MILK /* litres */ -- end', [10, 20, 20, null, 0]],
    ['"milk"', [10, 20, 20, null, 0]],
    ["'it''s'", ["it's", "it's", "it's", "it's", "it's"]],
  ];
  for (const [formula, expected] of cases) it(formula, () => expect(run(formula)).toEqual(expected));

  it("date '2031-06-04' - day, in days", () => expect(run("date '2031-06-04' - day", 'column', dated)).toEqual([2, -1, null]));
  it('compares dates', () => expect(run("day > date '2031-06-03'", 'column', dated)).toEqual([false, true, null]));
});

describe('measures: one value per group', () => {
  const cases: readonly [formula: string, expected: Cell[]][] = [
    ['sum(milk)', [30, 20, 0]],
    ['sum(milk) / count(*)', [15, 10, 0]],
    ['sum(fat) / sum(milk)', [0.1, 0.2, null]],
    ['avg(fat)', [1.5, 4, 0]],
    ['min(fat)', [1, 4, 0]],
    ['max(hut)', ['Berg', 'Dale', 'Esk']],
    ['count(*)', [2, 2, 1]],
    ['count(milk)', [2, 1, 1]],
    ['sum(milk) filter (where open)', [10, null, null]],
    ['coalesce(sum(milk) filter (where open), -1)', [10, -1, -1]],
  ];
  for (const [formula, expected] of cases) it(formula, () => expect(run(formula, 'measure')).toEqual(expected));

  it('adds values of very different size without losing the small ones', () => {
    const sizes = tableOf({ a: [1, 1, 1, 1], g: ['x', 'x', 'x', 'x'], v: [1e16, 1, -1e16, 1] });
    expect(run('sum(v)', 'measure', makeTable('t', [sizes.columns[0]!, sizes.columns[1]!, sizes.columns[2]!]))).toEqual([2]);
  });
});

describe('faults of formulas, each at its place', () => {
  const cases: readonly [formula: string, place: 'column' | 'measure' | 'filter', code: string, at: [number, number], says: RegExp][] = [
    ['milk +', 'column', 'syntax', [6, 6], /ends too early/],
    ['milk ) 2', 'column', 'syntax', [5, 6], /“\)” does not fit here/],
    ['1 +\n mlik', 'column', 'unknown-name', [5, 9], /Did you mean milk\?/],
    ['zzzzzzz', 'column', 'unknown-name', [0, 7], /Choose one of: hut, valley/],
    ['"Milk"', 'column', 'unknown-name', [0, 6], /No column/],
    ['summ(milk)', 'measure', 'unknown-function', [0, 10], /Did you mean sum\?/],
    ['nullif(milk)', 'column', 'argument-count', [0, 12], /two values/],
    ["milk + 'a'", 'column', 'wrong-type', [7, 10], /is text, but number/],
    ['milk = hut', 'column', 'wrong-type', [7, 10], /is text/],
    ['milk', 'filter', 'wrong-type', [0, 4], /boolean is needed/],
    ["date '2031-02-30'", 'column', 'wrong-type', [0, 17], /a date such as/],
    ['sum(milk)', 'column', 'aggregate-here', [0, 9], /over \(\)/],
    ['max(sum(milk) over ()) over ()', 'column', 'aggregate-nested', [4, 21], /column or measure of its own/],
    ['sum(max(milk))', 'measure', 'aggregate-nested', [4, 13], /inside another aggregate or window/],
    ['milk', 'measure', 'not-aggregated', [0, 4], /many values per group/],
    ['rank()', 'column', 'window-needed', [0, 6], /needs a window/],
    ['rank() over ()', 'column', 'order-needed', [0, 14], /needs an order/],
    ['max(milk) over () > 3', 'filter', 'window-here', [0, 17], /helper column/],
    ["milk like 'A%'", 'column', 'wrong-type', [0, 4], /is number, but text is needed/],
    ["hut similar to '(a'", 'column', 'wrong-type', [15, 19], /a pattern such as/],
    ['cast(open as date)', 'column', 'cast-impossible', [0, 18], /A boolean cannot become a date/],
    ['cast(milk as money)', 'column', 'wrong-type', [0, 19], /a type: /],
    ["interval '7 days'", 'column', 'wrong-type', [0, 17], /only added to a date/],
    ['extract(hour from milk)', 'column', 'wrong-type', [18, 22], /timestamp is needed/],
    ["date_trunc('decade', null)", 'column', 'wrong-type', [11, 19], /one of 'day'/],
    ['ntile(4)', 'column', 'window-needed', [0, 8], /needs a window/],
    ['abs(milk) over ()', 'column', 'not-windowed', [0, 17], /takes no window/],
    ['percentile_cont(0.5)', 'measure', 'within-needed', [0, 20], /within group \(order by x\)/],
    ['percentile_cont(2) within group (order by milk)', 'measure', 'wrong-type', [16, 17], /a number from 0 to 1/],
    ['sum(milk) over (order by milk rows between current row and 1 preceding)', 'column', 'frame-backwards', [59, 60], /runs backwards/],
    ['sum(milk) over (order by hut range between 1 preceding and current row)', 'column', 'range-order', [43, 44], /Use rows instead/],
    ['median(distinct milk) over (order by milk)', 'column', 'distinct-window', [0, 42], /cannot move along an order/],
    ['1'.repeat(MAX_CHARACTERS + 1), 'column', 'too-long', [MAX_CHARACTERS, MAX_CHARACTERS + 1], /longer than/],
    [`${'('.repeat(201)}1${')'.repeat(201)}`, 'column', 'too-deep', [200, 201], /nested deeper/],
  ];
  for (const [formula, place, code, [start, end], says] of cases)
    it(`${code}: ${formula.slice(0, 24)}`, () => {
      const compiled = compileFormula(formula, scopeOf(table), place);
      const [problem] = compiled.ok ? [] : compiled.problems;
      expect(problem && { code: problem.code, at: 'at' in problem ? [problem.at.start, problem.at.end] : [] }).toEqual({
        code,
        at: [start, end],
      } as never);
      expect(messageFor(problem!)).toMatch(says);
    });

  it('tells line and column of a fault', () => {
    const compiled = compileFormula('1 +\n mlik', scopeOf(table));
    expect(compiled.ok ? null : (compiled.problems[0] as { at: { line: number; column: number } }).at).toEqual(
      jasmine.objectContaining({ line: 2, column: 2 }),
    );
  });
  it('takes a chain of thousands of terms, and never throws', () => {
    expect(() => compileFormula(Array(4000).fill('1').join('+'), scopeOf(table))).not.toThrow();
  });
});

describe('order and groups', () => {
  it('ranks do not depend on the order of rows', () => {
    const shuffled = makeTable(
      't',
      table.columns.map(column => named(column.name, { ...column, data: column.data.slice().reverse() } as typeof column)),
    );
    expect(run('rank() over (order by milk desc)', 'column', shuffled).reverse()).toEqual(run('rank() over (order by milk desc)'));
  });
  it('sorts text by code point, missing last in both directions, ties as they came', () => {
    const values = valuesFrom('text', ['b', null, '\u{1F514}', '\uFFFD', 'a', 'b']);
    expect([...sortRows([{ values }], 6)]).toEqual([4, 0, 5, 3, 2, 1]);
    expect([...sortRows([{ values, descending: true }], 6)]).toEqual([2, 3, 0, 5, 4, 1]);
  });
  it('numbers groups by first appearance over several keys', () => {
    const { ids, count } = groupRows([valuesFrom('text', ['a', 'b', 'a', null]), valuesFrom('number', [1, 1, 1, NaN])], 4);
    expect([[...ids!], count]).toEqual([[0, 1, 0, 2], 3]);
  });
  it('writes a day as ISO text', () => expect(isoDate(0)).toBe('1970-01-01'));
});

describe('every fault of a formula, each at its place', () => {
  const cases: readonly [formula: string, place: 'column' | 'measure' | 'filter', faults: string[]][] = [
    ['mlik + huut', 'column', ['unknown-name 0', 'unknown-name 7']],
    ["milk like 'a' and hut > 3", 'filter', ['wrong-type 0', 'wrong-type 24']],
    ['case when mlik > 1 then huut else milk end', 'column', ['unknown-name 10', 'unknown-name 24']],
    ['abs(mlik, huut)', 'column', ['argument-count 0', 'unknown-name 4', 'unknown-name 10']],
    ['summ(mlik)', 'measure', ['unknown-function 0', 'unknown-name 5']],
    ['sum(mlik) + milk', 'measure', ['unknown-name 4', 'not-aggregated 12']],
    ['coalesce(milk, mlik, hut, huut)', 'column', ['unknown-name 15', 'wrong-type 21', 'unknown-name 26']],
    ['milk + 1', 'column', []],
  ];
  for (const [formula, place, faults] of cases)
    it(formula, () => {
      const read = compileFormula(formula, scopeOf(tableOf({ hut: ['a'], milk: [1] })), place);
      expect(read.ok ? [] : (read.problems as FormulaProblem[]).map(({ code, at }) => `${code} ${at.start}`)).toEqual(faults);
    });
  it('a formula of thousands of faults says the first ones', () => {
    const text = Array.from({ length: 900 }, (_, i) => `q${i}`).join(' + ');
    const read = compileFormula(text, scopeOf(tableOf({ milk: [1] })), 'column');
    expect(!read.ok && read.problems.length).toBe(50);
  });
});
