import {
  compileFormula,
  Evaluator,
  functionReference,
  groupRows,
  LONGEST_TEXT,
  MAX_CHARACTERS,
  scopeOf,
  sqlTextOf,
  type FormulaPlace,
} from 'core/formula';
import { messageFor } from 'core/result/words';
import { cellAt, columnOf, makeTable, named as columnNamed, tableOf, valuesFrom, type Column } from 'core/table';
import { seededRandom } from 'demo/random';
import { columnCases, measureCases } from './cases';
import { shareOf, streamsOf } from './generated';
import { FormulaGrower } from './grown-formulas';
import { troubledRows } from './rows';
import { Slowness } from './slowness';

// Together more than three hundred thousand.
const MUTATED = 160_000;
const GROWN = 150_000;
const table = troubledRows(12);
const scope = scopeOf(table);
let random = seededRandom(99);
const below = (n: number): number => Math.floor(random() * n);
const seeds = [...columnCases, ...measureCases];
const crumbs = [
  '(',
  ')',
  "'",
  '"',
  ',',
  ' ',
  '--',
  '/*',
  '*/',
  'over',
  'case',
  'end',
  'null',
  '1e999',
  '.',
  '||',
  '%',
  'select',
  '\u0000',
  '🔔',
  'é',
  '\n',
  ';',
  'x',
  '((((',
  'interval',
  'between',
  '9'.repeat(40),
  ...functionReference.map(({ name }) => `${name}(`),
];

/** A text made wrong: pieces cut out, doubled, swapped in, or nothing but crumbs. */
function mutated(): string {
  let text = seeds[below(seeds.length)] as string;
  if (random() < 0.2) text = Array.from({ length: 1 + below(12) }, () => crumbs[below(crumbs.length)]).join(random() < 0.5 ? ' ' : '');
  for (let times = 1 + below(3); times > 0; times--) {
    const at = below(text.length + 1);
    const choice = below(4);
    if (choice === 0) text = text.slice(0, at) + text.slice(at + 1 + below(5));
    else if (choice === 1) text = text.slice(0, at) + (crumbs[below(crumbs.length)] as string) + text.slice(at);
    else if (choice === 2) text = text.slice(0, at) + text.slice(Math.max(0, at - below(8)));
    else text = text.slice(0, at) + (seeds[below(seeds.length)] as string).slice(0, below(20)) + text.slice(at);
  }
  return text;
}

/** One row in which every column that these formulas read has a value. */
const oneRow = makeTable('t', [
  ...tableOf({ id: [0], g: ['a'], h: ['a'], x: [1], y: [2], n: [3], word: ['x'], b: [true] }).columns,
  ...['d', 'e'].map(name => columnNamed(name, valuesFrom('date', ['2031-06-02']))),
  columnNamed('at', valuesFrom('timestamp', ['2031-06-02 05:30:00'])),
]);

const PLACES: readonly FormulaPlace[] = ['column', 'filter', 'measure'];
const groups = groupRows([columnOf(table, 'g') as Column], table.rowCount);

/** Runs a text as far as it goes: to its values and their cells, its SQL, and the rows without a value. Says what is wrong with that, if anything. */
function faultOf(text: string, place: FormulaPlace): { readonly fine: boolean; readonly wrong: string | null } {
  const read = compileFormula(text, scope, place);
  if (!read.ok) {
    const [problem] = read.problems;
    const at = problem && 'at' in problem ? problem.at : undefined;
    const placed = problem && at && at.start >= 0 && at.end >= at.start && at.start <= text.length && messageFor(problem).length >= 10;
    return { fine: false, wrong: placed ? null : 'no message at a place' };
  }
  const evaluator = new Evaluator(table, place === 'measure' ? groups : null);
  const values = evaluator.values(read.value);
  const rows = place === 'measure' ? groups.count : table.rowCount;
  if (values.data.length !== rows) return { fine: true, wrong: `${values.data.length} values for ${rows} rows` };
  for (let row = 0; row < rows; row++) {
    const cell = cellAt(values, row);
    if (typeof cell === 'number' && !Number.isFinite(cell)) return { fine: true, wrong: `${cell} in a cell` };
    if (values.type !== 'text' && values.data[row] === Infinity) return { fine: true, wrong: 'an infinity in a column' };
    if (typeof cell === 'string' && cell.length > LONGEST_TEXT * 2) return { fine: true, wrong: 'a text without bounds' };
  }
  evaluator.withoutValue(read.value);
  sqlTextOf(read.value);
  return { fine: true, wrong: null };
}

/** Runs many texts; gives how many compiled, the faults, and the slow ones. */
function runAll(
  count: number,
  make: (place: FormulaPlace) => string,
): { fine: number; faulty: number; faults: string[]; slow: readonly string[] } {
  let [fine, faulty] = [0, 0];
  const slowness = new Slowness();
  const faults: string[] = [];
  for (let i = 0; i < count; i++) {
    const place = PLACES[i % 3] as FormulaPlace;
    const text = make(place);
    try {
      const { fine: compiles, wrong } = slowness.run(
        () => faultOf(text, place),
        () => text,
      );
      if (compiles) fine++;
      else faulty++;
      if (wrong !== null) faults.push(`${wrong}: ${JSON.stringify(text)}`);
    } catch (error) {
      faults.push(`${String(error)}: ${JSON.stringify(text)}`);
    }
  }
  return { fine, faulty, faults, slow: slowness.calls };
}

function faultAtOnce(text: string): ReturnType<typeof faultOf> & { slow: readonly string[] } {
  const slowness = new Slowness();
  const found = slowness.run(
    () => faultOf(text, 'column'),
    () => text,
  );
  return { ...found, slow: slowness.calls };
}

describe('whatever is typed', () => {
  it(`${shareOf(MUTATED).toLocaleString('en')} mutated texts give values or say why not, at a place`, () => {
    for (const { seed, count } of streamsOf(MUTATED)) {
      random = seededRandom(99 + seed);
      const { fine, faulty, faults, slow } = runAll(count, mutated);
      expect(faults.slice(0, 5)).withContext(`slice ${seed}`).toEqual([]);
      expect(fine).toBeGreaterThan(200);
      expect(faulty).toBeGreaterThan(5_000);
      expect(slow).toEqual([]);
    }
  });
  it(`${shareOf(GROWN).toLocaleString('en')} texts grown from the grammar, too`, () => {
    for (const { seed, count } of streamsOf(GROWN)) {
      const grower = new FormulaGrower(seededRandom(7 + seed));
      const { fine, faults, slow } = runAll(count, place => grower.formula(place));
      expect(faults.slice(0, 5)).withContext(`slice ${seed}`).toEqual([]);
      expect(fine).toBeGreaterThan(6_000);
      expect(slow).toEqual([]);
    }
  });

  const named = (length: number, make: (i: number) => string, join: string): string => Array.from({ length }, (_, i) => make(i)).join(join);
  const works: readonly [name: string, text: string, firstOf: unknown][] = [
    ['a hyphen in a pattern', "'a-b' like '%-b'", true],
    ['a pattern that made an expression run away', `${"'" + 'a'.repeat(3_000) + "'"} like '%a%a%a%b'`, false],
    ['an in list of 10,000 numbers', `id in (${named(10_000, i => String(i + 1), ', ')})`, false],
    ['an in list of 10,000 texts', `word not in (${named(10_000, i => `'word number ${i}'`, ', ')})`, true],
    ['a text that is no number a float can hold', "cast('1e400' as double)", null],
    ['a day after the last', "date '9999-12-31' + interval '1 day'", null],
    ['a day before the first', "date '0001-01-01' - interval '1 day'", null],
    ['a text that doubles twenty times', named(20, () => 'replace(', '') + "'aaaaaaaa'" + named(20, () => ", 'a', 'aa')", ''), null],
    ['a sum of nine hundred', named(900, () => '1', ' + '), 900],
    ['a chain of nine hundred conditions', named(900, i => `id=${i}`, ' or '), true],
    ['cases within cases', named(61, () => 'case ', '') + 'id' + named(61, () => ' when 0 then 1 when 1 then 0 end', ''), 1],
    ['ranges within ranges', named(90, () => '(', '') + 'b' + named(90, () => ' between false and true)', ''), true],
    ['roots within roots', `${'sqrt('.repeat(150)}x${')'.repeat(150)}`, 1],
    ['trims within trims', `${'trim('.repeat(150)}word${')'.repeat(150)}`, 'x'],
  ];
  for (const [name, text, first] of works)
    it(`${name} works, at once`, () => {
      expect(faultAtOnce(text)).toEqual({ fine: true, wrong: null, slow: [] });
      const read = compileFormula(text, scope);
      const cells = read.ok ? cellAt(new Evaluator(oneRow).values(read.value), 0) : read.problems[0];
      expect(cells as unknown).toEqual(first);
    });
  it('SQL text that would have no end says so', () => {
    const read = compileFormula(`${'sqrt('.repeat(150)}x${')'.repeat(150)}`, scope);
    const written = read.ok ? sqlTextOf(read.value) : read;
    expect(written.ok ? '' : written.problems.map(messageFor)[0]).toContain('Split the formula');
  });
  const unfinished: readonly [name: string, text: string][] = [
    ['trims', 'trim('.repeat(190)],
    ['positions', "position('a' in ".repeat(190)],
    ['substrings', 'substring('.repeat(190)],
    ['casts', 'cast('.repeat(190)],
    ['overlays', 'overlay('.repeat(190)],
    ['cases', 'case when '.repeat(190)],
    ['a comment', `/*${' /*'.repeat(3_000)}`],
    ['quotes', `'${"''".repeat(4_000)}`],
  ];
  for (const [name, text] of unfinished)
    it(`${name} without an end are a fault at a place, at once`, () => {
      expect(faultAtOnce(text)).toEqual({ fine: false, wrong: null, slow: [] });
    });

  const limits: readonly [name: string, text: string, code: string][] = [
    ['an endless sum', named(3_000, () => 'x', '+'), 'too-deep'],
    ['a number that no float can hold', 'x + 1e400', 'wrong-type'],
    ['an escape of two characters', "word like 'a' escape '!!'", 'wrong-type'],
    ['two conditions without a subject', 'case when b, b then 1 end', 'wrong-type'],
    ['a decimal of too many digits', 'cast(x as decimal(99))', 'wrong-type'],
    ['an integer with a size', 'cast(x as integer(4))', 'wrong-type'],
    ['lists beside too long a formula', `id in (1, 2) and ${named(4_000, () => 'b', ' or ')}`, 'too-long'],
    ['too long', 'x + '.repeat(MAX_CHARACTERS), 'too-long'],
    ['too deep in brackets', `${'('.repeat(400)}x${')'.repeat(400)}`, 'too-deep'],
    ['too deep in cases', `${'case when b then '.repeat(300)}x${' end'.repeat(300)}`, 'too-deep'],
    ['too deep in calls', `${'abs('.repeat(300)}x${')'.repeat(300)}`, 'too-deep'],
    ['an endless row of signs', `${'- '.repeat(4000)}x`, 'too-deep'],
    ['an endless row of nots', `${'not '.repeat(2400)}b`, 'too-deep'],
  ];
  for (const [name, text, code] of limits)
    it(name, () => {
      const read = compileFormula(text, scope);
      expect(read.ok ? 'fine' : read.problems[0]?.code).toBe(code as 'too-deep');
    });
});
