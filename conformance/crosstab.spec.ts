import { firstFigure } from 'core/brief';
import { crosstabOf, shownData, type Crosstab } from 'core/crosstab';
import { plainCrosstab, type Figure } from 'core/document';
import { compileFormula, nameText, scopeOf, sqlOf } from 'core/formula';
import { frameOf, plainMeasure, type Filter, type Frame } from 'core/frame';
import { messageFor } from 'core/result/words';
import { columnOf, isMissing, tableOf, textAt, type Cell, type Table } from 'core/table';
import { deliveries } from 'demo/tables';
import { seededRandom } from 'demo/random';
import { SqlEngine } from './engine';

/** Every sort of measure: those that are merged from parts, and those that are not. */
const MEASURES = {
  total: 'sum(x)',
  rows: 'count(*)',
  there: 'count(x)',
  mean: 'avg(x)',
  least: 'min(x)',
  most: 'max(x)',
  middle: 'median(x)',
  different: 'count(distinct n)',
  spread: 'stddev_samp(x)',
  ratio: 'sum(x) / sum(n)',
  some: 'sum(x) filter (where n > 2)',
  range: 'max(x) - min(x) + count(*)',
  either: 'case when count(x) > 3 then avg(x) else sum(x) end',
  both: 'sum(x * n)',
} as const;

const NOTHING = '∅';

interface Sample {
  readonly table: Table;
  readonly levels: readonly string[];
  readonly across: string | null;
  readonly filters: readonly Filter[];
}

function generated(seed: number): Sample {
  const random = seededRandom(seed);
  const below = (n: number): number => Math.floor(random() * n);
  const count = [1, 7, 60, 400][below(4)] as number;
  const key = (letter: string, kinds: number): Cell[] =>
    Array.from({ length: count }, () => (random() < 0.08 ? null : `${letter}${below(kinds)}`));
  const number = (missing: number): Cell[] =>
    Array.from({ length: count }, () => (random() < missing ? null : Math.round((random() * 200 - 60) * 4) / 4));
  const table = tableOf({
    id: Array.from({ length: count }, (_, row) => row),
    a: key('a', 3),
    b: key('b', 4),
    c: key('c', 5),
    m: key('m', 4),
    x: number([0, 0.2, 0.9][below(3)] as number),
    n: Array.from({ length: count }, () => (random() < 0.1 ? null : below(5))),
  });
  const filters: Filter[] = random() < 0.4 ? [{ kind: 'formula', column: 'x', formula: 'n is null or n <> 1' }] : [];
  return { table, levels: ['a', 'b', 'c'].slice(below(3)), across: random() < 0.8 ? 'm' : null, filters };
}

/** Deliveries of the demo, under the names that the measures speak of. */
function season(): Sample {
  const { columns, rowCount } = deliveries();
  const cells = (name: string): Cell[] => {
    const column = columns.find(item => item.name === name)!;
    return Array.from({ length: rowCount }, (_, row) =>
      isMissing(column, row) ? null : column.type === 'number' ? (column.data[row] as number) : textAt(column, row),
    );
  };
  const table = tableOf({
    id: Array.from({ length: rowCount }, (_, row) => row),
    valley: cells('valley'),
    hut: cells('hut'),
    m: cells('week').map(week => String(week).slice(0, 7)),
    x: cells('milk'),
    n: cells('cows'),
  });
  return { table, levels: ['valley', 'hut'], across: 'm', filters: [] };
}

interface Made {
  readonly frame: Frame;
  readonly crosstab: Crosstab;
}

function made({ table, levels, across, filters }: Sample, change: Partial<Figure['crosstab']> = {}): Made {
  const category = levels.at(-1) as string;
  const first = firstFigure('f', { id: 't', name: 't', rowCount: table.rowCount, units: {}, columns: table.columns }, category);
  const figure: Figure = {
    ...first,
    data: {
      ...first.data,
      category,
      step: null,
      outer: levels.slice(0, -1).map(column => ({ column, step: null })),
      series: across,
      filters: [...filters],
      measures: Object.entries(MEASURES).map(([name, formula]) => plainMeasure(name, formula)),
      order: { by: 'table' },
    },
    shape: { ...first.shape, mark: 'crosstab' },
    crosstab: {
      ...plainCrosstab,
      totals: { rows: 'last', columns: 'last', parts: levels.slice(0, -1).map(() => 'last' as const) },
      ...change,
    },
  };
  const read = frameOf(table, shownData(figure));
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return { frame: read.value, crosstab: crosstabOf(read.value, table, figure) };
}

/** Each value of a crosstab under the keys that it stands at; a level that is summed up is “*”. */
function valuesOf({ frame, crosstab }: Made, measure: string): Map<string, number> {
  const { rows, columns, levels, across } = crosstab;
  const text = (name: string, row: number): string => {
    const column = columnOf(frame.table, name)!;
    return isMissing(column, row) ? NOTHING : textAt(column, row);
  };
  const found = new Map<string, number>();
  rows.forEach((row, down) =>
    columns.forEach((column, nth) => {
      const keys = levels.map(({ column: name }, level) => (level <= row.depth ? text(name, row.of) : '*'));
      const top = across === null ? [] : [column.kind === 'total' ? '*' : text(across, column.of)];
      found.set([...keys, ...top].join('|'), (crosstab.values[measure] as Float64Array)[down * columns.length + nth] as number);
    }),
  );
  return found;
}

/** The same from the engine's grouping sets. */
async function expected(engine: SqlEngine, { table, levels, across, filters }: Sample, measure: string): Promise<Map<string, number>> {
  const columns = [...levels, ...(across === null ? [] : [across])];
  const compiled = compileFormula(measure, scopeOf(table), 'measure');
  if (!compiled.ok) throw new Error(compiled.problems.map(messageFor).join());
  const depths = levels.map((_, i) => levels.slice(0, i + 1)).concat([[]]);
  const sets = depths.flatMap(set => (across === null ? [set] : [set, [...set, across]]));
  const key = columns
    .map(name => `case when grouping(${nameText(name)}) = 1 then '*' else coalesce(cast(${nameText(name)} as varchar), '${NOTHING}') end`)
    .join(` || '|' || `);
  const where = filters.length ? `where ${filters.map(filter => (filter as { formula: string }).formula).join(' and ')}` : '';
  const statement = `select ${key} as k, cast(${sqlOf(compiled.value)} as double) as v from t ${where} group by grouping sets (${sets
    .map(set => `(${set.map(nameText).join(', ')})`)
    .join(', ')}) order by k`;
  const [keys, values] = [await engine.column(statement, 'k'), await engine.column(statement, 'v')];
  return new Map(keys.map((text, i) => [String(text), values[i] === null ? NaN : Number(values[i])]));
}

const isClose = (a: number, b: number): boolean =>
  Number.isNaN(a) || Number.isNaN(b) ? Number.isNaN(a) && Number.isNaN(b) : Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a), Math.abs(b));

async function compared(sample: Sample): Promise<{ readonly faults: string[]; readonly cells: number }> {
  const engine = await SqlEngine.over(sample.table);
  const own = made(sample);
  const faults: string[] = [];
  let cells = 0;
  for (const [name, formula] of Object.entries(MEASURES)) {
    const found = valuesOf(own, name);
    const theirs = await expected(engine, sample, formula);
    for (const [key, value] of theirs) {
      // Over no rows at all the engine has one total, we say that no row passes.
      if (own.crosstab.rows.length === 0) continue;
      cells++;
      const ours = found.get(key);
      if (ours === undefined) faults.push(`${name}: nothing at ${key}`);
      else if (!isClose(ours, value)) faults.push(`${name} at ${key}: ${ours}, the engine says ${value}`);
    }
    // What the engine has no group for has no value here.
    const engineKeys = new Set((await expected(engine, sample, formula)).keys());
    for (const [key, value] of found)
      if (!engineKeys.has(key) && !Number.isNaN(value)) faults.push(`${name} at ${key}: ${value}, without a row`);
  }
  return { faults, cells };
}

describe('crosstabs against an SQL engine’s grouping sets', () => {
  it('the season: every measure in every cell and total', async () => {
    const { faults, cells } = await compared(season());
    expect(faults.slice(0, 5)).toEqual([]);
    expect(cells).toBeGreaterThan(2000);
  }, 60_000);

  it('generated tables: up to three levels, missing keys and values, filters', async () => {
    let all = 0;
    for (let seed = 1; seed <= 40; seed++) {
      const sample = generated(seed);
      const { faults, cells } = await compared(sample);
      all += cells;
      expect(faults.slice(0, 5)).withContext(`seed ${seed}`).toEqual([]);
    }
    expect(all).toBeGreaterThan(10_000);
  }, 120_000);

  it('the others are the rows of all that they stand for', () => {
    for (let seed = 1; seed <= 25; seed++) {
      const sample = generated(seed);
      const level = sample.levels.length - 1;
      const own = made(sample, { top: [{ level, n: 1 }] });
      const { rows, columns, values } = own.crosstab;
      const whole = made(sample);
      // A sum and a count of the others are those of the rows that are not kept: parts less what is listed.
      rows.forEach((row, down) => {
        if (row.kind !== 'others') return;
        const at = (name: string) => (values[name] as Float64Array)[down * columns.length + columns.length - 1] as number;
        const above = sample.levels.slice(0, level).map(name => {
          const column = columnOf(own.frame.table, name)!;
          return isMissing(column, row.of) ? NOTHING : textAt(column, row.of);
        });
        const across = sample.across === null ? [] : ['*'];
        const parent = valuesOf(whole, 'rows').get([...above, '*', ...across].join('|'))!;
        const kept = rows
          .map((item, i) => ({ item, i }))
          .filter(
            ({ item }) =>
              item.kind === 'cells' && above.every((name, i) => textOf(own.frame, sample.levels[i] as string, item.of) === name),
          )
          .reduce((sum, { i }) => sum + ((values['rows'] as Float64Array)[i * columns.length + columns.length - 1] as number), 0);
        expect(at('rows'))
          .withContext(`seed ${seed}`)
          .toBe(parent - kept);
      });
    }
  });
});

const textOf = ({ table }: Frame, name: string, row: number): string => {
  const column = columnOf(table, name)!;
  return isMissing(column, row) ? NOTHING : textAt(column, row);
};
