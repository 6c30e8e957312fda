import { messageFor } from 'core/result/words';
import { cellAt, makeTable, named, tableOf, valuesFrom, type Cell } from 'core/table';
import { addWindows, compileFormula, Evaluator, functionReference, namesIn, placeWithoutWindows, scopeOf, sqlOf } from './index';
import { WINDOWED_NAMES } from './functions/windowed-names';

const table = makeTable('t', [
  ...tableOf({ t: ['Alm Hut', null], x: [-2.5, NaN], b: [true, null], n: ['12.5', 'twelve'] }).columns,
  named('d', valuesFrom('date', ['2031-01-31', null])),
  named('m', valuesFrom('timestamp', ['2031-06-02 05:30:15', null])),
]);

function compiled(text: string, place: 'column' | 'measure' = 'column') {
  const read = compileFormula(text, scopeOf(table), place);
  if (!read.ok) throw new Error(`${text}: ${read.problems.map(messageFor).join()}`);
  return read.value;
}
const first = (text: string): Cell => cellAt(new Evaluator(table).values(compiled(text)), 0);
const second = (text: string): Cell => cellAt(new Evaluator(table).values(compiled(text)), 1);

describe('functions, by hand', () => {
  const cases: readonly [formula: string, value: Cell][] = [
    // The standard's own forms.
    ["substring('abcdef' from 2 for 3)", 'bcd'],
    ["substring('abcdef' from 5)", 'ef'],
    ["substring('abcdef' for 2)", 'ab'],
    ["substring('abcdef' from -1 for 3)", 'a'],
    ["position('c' in 'abc')", 3],
    ["position('z' in 'abc')", 0],
    ["trim(both 'x' from 'xxaxbxx')", 'axb'],
    ["trim(leading 'x' from 'xxax')", 'ax'],
    ["trim(trailing from 'a  ')", 'a'],
    ["trim('x' from 'xax')", 'a'],
    ["overlay('abcdef' placing 'ZZ' from 2 for 3)", 'aZZef'],
    ["overlay('abcdef' placing 'ZZ' from 2)", 'aZZdef'],
    ["overlay('abcdef' placing '-' from 4 for 0)", 'abc-def'],
    ["char_length('naïve')", 5],
    ['cast(2.345 as decimal(5, 2))', 2.35],
    ['cast(1234.5 as decimal(5, 2))', null],
    ['cast(1.5 as numeric(4))', 2],
    ["cast('abcdef' as varchar(3))", 'abc'],
    ["cast(timestamp '2031-06-02 05:30:15.600' as timestamp(0))", '2031-06-02 05:30:16'],
    ['case 3 when 1, 2 then 10 when 3, 4 then 20 end', 20],
    ['case 5 when 1, 2 then 10 end', null],
    ['b is true', true],
    ['(x > 99) is not true', true],
    ['(null = 1) is unknown', true],
    ['(null = 1) is not false', true],
    ["'a%b' like 'a!%b' escape '!'", true],
    ["'axb' like 'a!%b' escape '!'", false],
    ["'a-b' like '_-_'", true],
    ["'abcabd' like '%ab_'", true],
    ["'abcabd' like 'ab_'", false],
    ["'日本語' like '_本%'", true],
    ["'abc' similar to 'abc'", true],
    ["'abc' similar to 'a'", false],
    ["'abc' similar to '%(b|d)%'", true],
    ["'abc' similar to '(b|c)%'", false],
    ["'2031-06' similar to '[0-9]{4}-[0-9]{2}'", true],
    ["'2031-6' similar to '[0-9]{4}-[0-9]{2}'", false],
    ["'aaa' similar to 'a{2}'", false],
    ["'aaaa' similar to 'a{2,}'", true],
    ["'' similar to 'a*'", true],
    ["'' similar to 'a+'", false],
    ["'colour' similar to 'colou?r'", true],
    ["'日本' similar to '_本'", true],
    ["'a.c' similar to 'a.c'", true],
    ["'abc' similar to 'a.c'", false],
    ["'50%' similar to '[0-9]+!%' escape '!'", true],
    ["'x7' similar to '[[:alpha:]][^a-z]'", true],
    ["'ab' not similar to '(ab|ba)'", false],
    ["'a' similar to null", null],
    ["'a' similar to t || '('", null],
    ["'a' similar to '(a{0}){0,999}a'", true],
    ["date '2031-01-31' + interval '1' month", '2031-02-28'],
    ["date '9999-12-31' + interval '1 day'", null],
    ["date '0001-01-01' - interval '1 day'", null],
    ['make_date(2032, 2, 29)', '2032-02-29'],
    ['make_date(2031, 2, 29)', null],
    ['make_date(10000, 1, 1)', null],
    ["extract(isodow from date '2031-06-01')", 7],
    ["extract(isoyear from date '2030-12-31')", 2031],
    ["extract(century from date '2000-06-01')", 20],
    ["extract('year' from d)", 2031],
    ['2 in (1, null, 2)', true],
    ['3 in (1, null, 2)', null],
    ['3 not in (1, 2)', true],
    ["cast('1e400' as double)", null],
    // Halves go away from zero; casting to a whole number goes to the even one.
    ['round(x)', -3],
    ['round(2.45, 1)', 2.5],
    ['round(1234, -2)', 1200],
    ['cast(2.5 as integer)', 2],
    ['cast(3.5 as bigint)', 4],
    ['trunc(x)', -2],
    ['sign(x)', -1],
    ['ceil(x)', -2],
    ['floor(x)', -3],
    ['power(2, 10)', 1024],
    ['power(0, -1)', null],
    ['power(x, 0.5)', null],
    ['ln(0)', null],
    ['log10(1000)', 3],
    ['log(2, 8)', 3],
    ['log(1, 8)', null],
    ['exp(0)', 1],
    ['mod(-7, 3)', -1],
    ['7 % 0', null],
    ['greatest(1, x, 3)', 3],
    ['least(1, null)', null],
    // Characters are code points.
    ['upper(t)', 'ALM HUT'],
    ["length('日本🔔')", 3],
    ["substring('日本🔔語', 2, 2)", '本🔔'],
    ["left('🔔ab', 1)", '🔔'],
    ["right('abc', -1)", 'bc'],
    ["strpos('🔔ab', 'b')", 3],
    ["replace('a.b.c', '.', '$&')", 'a$&b$&c'],
    ["trim('  a b ')", 'a b'],
    ["concat('a', null, 'b')", 'ab'],
    ["'a' || null", null],
    ["t like 'Alm%'", true],
    ["t like 'alm%'", false],
    ["'a.c' like 'a_c'", true],
    ["'abc' like 'a.c'", false],
    ["'50% off' like '50%%'", true],
    // Days, weeks from Monday, ISO weeks; the end of a shorter month stands for the days it lacks.
    ["d + interval '1 month'", '2031-02-28'],
    ["d - interval '2 months'", '2030-11-30'],
    ["d + interval '1 year 1 day'", '2032-02-01'],
    ["d + interval '90 minutes'", '2031-01-31 01:30:00'],
    ["m - interval '1 day'", '2031-06-01 05:30:15'],
    ["d - date '2031-01-01'", 30],
    ["m - timestamp '2031-06-02 00:00:00' < 0.25", true],
    ['extract(week from d)', 5],
    ["extract(week from date '2027-01-01')", 53],
    ['extract(dow from d)', 5],
    ['extract(doy from d)', 31],
    ['extract(minute from m)', 30],
    ["date_trunc('week', d)", '2031-01-27'],
    ["date_trunc('quarter', m)", '2031-04-01 00:00:00'],
    ["date_trunc('hour', m)", '2031-06-02 05:00:00'],
    ['cast(d as timestamp)', '2031-01-31 00:00:00'],
    ['cast(m as date)', '2031-06-02'],
    ['cast(n as double precision)', 12.5],
    ['cast(b as text)', 'true'],
    ['cast(0 as boolean)', false],
    ["cast('no' as boolean)", false],
    ['cast(x as text)', '-2.5'],
  ];
  for (const [formula, value] of cases)
    it(formula, () => {
      const got = first(formula);
      if (typeof value === 'number' && typeof got === 'number') expect(got).toBeCloseTo(value, 9);
      else expect(got).toEqual(value as never);
    });
  for (const formula of [
    'abs(x)',
    'upper(t)',
    "t || 'x'",
    "d + interval '1 day'",
    'extract(year from d)',
    "date_trunc('month', d)",
    'cast(b as integer)',
    "t like '%'",
    'cast(n as double precision)',
    'm - m',
  ])
    it(`${formula} of a missing value is missing`, () => expect(second(formula)).toBeNull());

  it('counts rows that have no value though their parts do', () => {
    const over = tableOf({ a: [1, 2, null, 4], z: [0, 1, 0, 0] });
    const count = (text: string): number => {
      const read = compileFormula(text, scopeOf(over));
      return read.ok ? new Evaluator(over).withoutValue(read.value) : -1;
    };
    expect(['a / z', 'ln(a - 2)', 'a + z', 'coalesce(a / z, 0)', '1 / 0'].map(count)).toEqual([2, 2, 0, 2, 4]);
  });
});

describe('SQL text', () => {
  const cases: readonly [formula: string, sql: string, place?: 'measure'][] = [
    ['x + 1', '(x + 1)'],
    ['x / 2', '(x * 1.0 / nullif(2, 0))'],
    ['x between 1 and 2', '((x >= 1) and (x <= 2))'],
    ['x in (1, 2)', '(x in (1, 2))'],
    ["case t when 'a', 'b' then 1 end", "case when ((t = 'a') or (t = 'b')) then 1 end"],
    ['b is not true', '(b is not true)'],
    ["t like 'a!%' escape '!'", "(t like 'a!%' escape '!')"],
    [
      'cast(x as decimal(5, 2))',
      'case when abs(round(cast(x as double precision), 2)) < 1e3 then round(cast(x as double precision), 2) end',
    ],
    ["position('a' in t)", "strpos(t, 'a')"],
    ['sqrt(x)', 'case when x >= 0 then sqrt(x) end'],
    ['rank() over (order by x desc)', 'rank() over (order by x desc nulls last)'],
    [
      'sum(x) over (partition by t order by d rows 2 preceding)',
      'sum(x) over (partition by t order by d nulls last rows between 2 preceding and current row)',
    ],
    ["d + interval '7 days'", "cast(d + interval '7 days' as date)"],
    ["case t when 'a' then 1 end", "case when (t = 'a') then 1 end"],
    ['percentile_cont(0.9) within group (order by x)', 'percentile_cont(0.9) within group (order by x)', 'measure'],
    ['count(distinct t) filter (where b)', 'count(distinct t) filter (where b)', 'measure'],
    ["t = 'it''s'", "(t = 'it''s')"],
    ['cast(n as double precision)', 'try_cast(n as double precision)'],
  ];
  for (const [formula, sql, place] of cases) it(formula, () => expect(sqlOf(compiled(formula, place))).toBe(sql));
  it('quotes names that an engine would take for its own words', () => {
    const odd = tableOf({ at: [1], Milk: [2], 'a "b"': [3] });
    const read = compileFormula('at + "Milk" + "a ""b"""', scopeOf(odd));
    expect(read.ok && sqlOf(read.value)).toBe('(("at" + "Milk") + "a ""b""")');
  });
});

describe('windows written for the analyst', () => {
  const cases: readonly [text: string, written: string][] = [
    ['milk / sum(milk)', 'milk / sum(milk) over (W)'],
    ['sum(milk) over () - avg(milk)', 'sum(milk) over () - avg(milk) over (W)'],
    ['case when milk = max(milk) then rank() end', 'case when milk = max(milk) over (W) then rank() over (W) end'],
    ['abs(lag(milk)) + coalesce(lead(milk), 0)', 'abs(lag(milk) over (W)) + coalesce(lead(milk) over (W), 0)'],
    ['sum(milk) filter (where open)', 'sum(milk) filter (where open) over (W)'],
    ['milk + 1', 'milk + 1'],
    ['milk +', 'milk +'],
  ];
  for (const [text, written] of cases) it(text, () => expect(addWindows(text, 'W')).toBe(written));
  it('a place in the written text leads back to the given one', () => {
    const given = 'sum(a) / sum(b) + c';
    const written = addWindows(given, 'W');
    for (const word of ['sum(a)', 'sum(b)', '+', 'c', 'b'])
      expect(placeWithoutWindows(given, 'W', written.indexOf(word))).toBe(given.indexOf(word));
    expect(placeWithoutWindows(given, 'W', written.indexOf('W'))).toBe('sum(a)'.length);
    expect(placeWithoutWindows(given, 'W', written.length)).toBe(given.length);
  });
});

describe('the function reference', () => {
  it('knows which functions take a window', () => {
    const windowed = functionReference.filter(({ group }) => group === 'aggregate' || group === 'window').map(({ name }) => name);
    expect([...WINDOWED_NAMES].sort()).toEqual(windowed.sort());
  });
  it('has every function once, with words and an example', () => {
    expect(new Set(functionReference.map(entry => entry.name)).size).toBe(functionReference.length);
    for (const { name, signature, help, example } of functionReference) {
      expect(signature.startsWith(name)).toBe(true);
      expect(help.endsWith('.')).toBe(true);
      expect(example).toContain(`${name}(`);
    }
  });
  it('knows the columns that a formula reads', () =>
    expect([...namesIn(compiled('case when b then x else sum(x) over (partition by t order by d) end'))].sort()).toEqual([
      'b',
      'd',
      't',
      'x',
    ]));
});
