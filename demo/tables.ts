import { isoDate, parseIsoDate, tableOf, type Cell, type Table } from 'core/table';
import { huts } from './places';
import { around, seededRandom } from './random';

const WEEKS = 24;
const FIRST_MONDAY = parseIsoDate('2031-04-28');
type Row = Readonly<Record<string, Cell>>;

/** Hut by week. On purpose: a few missing weeks, one true zero, and two huts that share the highest season total. */
export function deliveries(): Table {
  const random = seededRandom(31);
  const rows = huts.flatMap(({ hut, valley, altitude, size }) =>
    Array.from({ length: WEEKS }, (_, week): Row => {
      const season = 0.55 + 0.45 * Math.sin((Math.PI * (week + 2)) / (WEEKS + 3));
      const perCow = around(random, 112 - altitude / 60, 14) * season;
      const milk = Math.round((perCow * size) / 5) * 5;
      const planned = Math.round((size * 84 * season) / 10) * 10;
      return {
        hut,
        valley,
        week: isoDate(FIRST_MONDAY + 7 * week),
        milk,
        planned_milk: planned,
        butterfat: oneDecimal(milk * around(random, 0.041, 0.004)),
        cows: size,
      };
    }),
  );
  return fromRows('deliveries', withTrouble(rows));
}

function withTrouble(rows: readonly Row[]): Row[] {
  const missing = new Set(['Cawdle 3', 'Fennick 11', 'Fennick 12', 'Inkle 20', 'Quillane 0', 'Sorrel Bank 7']);
  const zero = 'Hollowmist 23';
  const nameOf = (i: number): string => `${rows[i]?.['hut'] as string} ${i % WEEKS}`;
  const troubled = rows.map((row, i): Row => {
    if (missing.has(nameOf(i))) return { ...row, milk: null, butterfat: null };
    return nameOf(i) === zero ? { ...row, milk: 0, butterfat: 0 } : row;
  });
  return tied(troubled);
}

/** Raises the second-best hut's weeks, each by its share, until it shares the highest total; the fat rises with the milk. */
function tied(rows: readonly Row[]): Row[] {
  const totals = huts.map(({ hut }) => ({
    hut,
    total: rows.filter(row => row['hut'] === hut).reduce((sum, row) => sum + Number(row['milk'] ?? 0), 0),
  }));
  const [best, second] = totals.sort((a, b) => b.total - a.total) as [{ hut: string; total: number }, { hut: string; total: number }];
  let left = best.total - second.total;
  const last = rows.findLastIndex(row => row['hut'] === second.hut);
  return rows.map((row, i): Row => {
    if (row['hut'] !== second.hut) return row;
    const milk = Number(row['milk']);
    const more = i === last ? left : Math.round((milk * (best.total / second.total - 1)) / 5) * 5;
    left -= more;
    return { ...row, milk: milk + more, butterfat: oneDecimal((Number(row['butterfat']) * (milk + more)) / milk) };
  });
}

/** One row per hut. On purpose: one hut makes more than ten times what any other does. */
export function hutTable(): Table {
  const random = seededRandom(47);
  const rows = huts.map(({ hut, valley, altitude, size }): Row => {
    const planned = Math.round(size * 3.1);
    const wheels = hut === 'Mossgate' ? 2140 : Math.round(around(random, planned, planned * 0.22));
    const coolest = oneDecimal(around(random, 16.5 - altitude / 110, 1.6));
    return {
      hut,
      valley,
      altitude,
      herd: size,
      coolest_night: coolest,
      warmest_night: oneDecimal(coolest + around(random, 12, 2.5)),
      wheels,
      wheels_planned: planned,
      balance: wheels - planned,
    };
  });
  return fromRows('huts', rows);
}

/** One row per day of the season at the union's collecting tank. */
export function tanks(): Table {
  const random = seededRandom(59);
  const rows = Array.from({ length: 170 }, (_, day): Row => {
    const season = 0.55 + 0.45 * Math.sin((Math.PI * (day + 12)) / 190);
    const collected = Math.round(around(random, 9_600, 1_500) * season);
    const morning = Math.round(around(random, 3_900, 900) * season);
    const evening = Math.round(morning + collected * around(random, 0.12, 0.22));
    const expected = 9_600 * season;
    return {
      day: isoDate(FIRST_MONDAY + day),
      morning_level: morning,
      evening_level: evening,
      litres_collected: collected,
      expected_low: Math.round(expected * 0.93),
      expected_high: Math.round(expected * 1.07),
    };
  });
  return fromRows('tanks', rows);
}

/** Hut by fortnight, from 4·10³ to 3·10⁶ cells per mL. */
export function cellcounts(): Table {
  const random = seededRandom(71);
  const rows = huts.flatMap(({ hut }) =>
    Array.from({ length: WEEKS / 2 }, (_, fortnight): Row => {
      const cells = Math.round(10 ** around(random, 5.1, 1.1));
      return { hut, fortnight: isoDate(FIRST_MONDAY + 14 * fortnight), cells: Math.min(2_400_000, Math.max(6_000, cells)) };
    }),
  );
  return fromRows('cellcounts', rows.with(17, { ...rows[17], cells: 4_000 }).with(131, { ...rows[131], cells: 3_000_000 }));
}

/** Variety by month: three shares that sum to 100 %. On purpose: some zeros, some missing. */
export function grades(): Table {
  const random = seededRandom(83);
  const months = ['2031-05-01', '2031-06-01', '2031-07-01', '2031-08-01', '2031-09-01', '2031-10-01'];
  const rows = ['Bell', 'Ember', 'Cloud', 'Hayrick'].flatMap(variety => months.map((month, i) => gradeRow(random, variety, month, i)));
  return fromRows('grades', rows);
}

function gradeRow(random: () => number, variety: string, month: string, i: number): Row {
  if (variety === 'Cloud' && i === 0) return { variety, month, first: null, second: null, rejected: null };
  const rejected = i % 3 === 1 ? 0 : oneDecimal(Math.max(0, around(random, 3, 3)));
  const second = variety === 'Bell' && i === 4 ? 0 : oneDecimal(around(random, 22, 12));
  return { variety, month, first: oneDecimal(100 - second - rejected), second, rejected };
}

/** Two lists of years that do not coincide. */
export function pastureA(): Table {
  const random = seededRandom(97);
  const years = [2012, 2013, 2014, 2016, 2018, 2019, 2021, 2022, 2024, 2026, 2028, 2029, 2031];
  return fromRows(
    'pasture_a',
    years.map((year): Row => ({ year, clover_cover: Math.round(around(random, 240_000, 60_000)) })),
  );
}

/** Grass to clover on a second pasture, for some years only. */
export function pastureB(): Table {
  const random = seededRandom(101);
  const years = [2011, 2013, 2015, 2016, 2017, 2020, 2021, 2023, 2024, 2025, 2027, 2029, 2030];
  return fromRows(
    'pasture_b',
    years.map((year): Row => ({ year, grass_to_clover: oneDecimal(around(random, 2.4, 1.1)) })),
  );
}

/** The sample tables, from a fixed seed. */
export const demoTables = (): Table[] => [deliveries(), hutTable(), tanks(), cellcounts(), grades(), pastureA(), pastureB()];

const oneDecimal = (value: number): number => Math.round(value * 10) / 10;

function fromRows(name: string, rows: readonly Row[]): Table {
  const columns = Object.keys(rows[0] ?? {});
  return tableOf(Object.fromEntries(columns.map(column => [column, rows.map(row => row[column] ?? null)])), name);
}
