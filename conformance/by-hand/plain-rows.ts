import { seededRandom } from 'demo/random';

/** A number that is there, or none. */
export type Value = number | null;

/** One source row, as plain as can be. */
export interface SourceRow {
  readonly name: string;
  readonly day: string;
  readonly team: string;
  readonly place: string;
  readonly a: Value;
  readonly b: Value;
  readonly c: Value;
}

/** One row of a figure: its keys, and the sums of its source rows. */
export interface PlainRow {
  readonly key: string;
  readonly series: string | null;
  readonly panel: string | null;
  readonly a: Value;
  readonly b: Value;
  readonly c: Value;
}

/** How a figure is cut: by name or by day, into series and panels or not. */
export interface Cut {
  readonly category: 'name' | 'day';
  readonly series: 'team' | null;
  readonly panel: 'place' | null;
}

/**
 * Source rows with all that goes wrong: missing values, ties, zeros, negatives, groups of one row, groups without any value. `gap` days lie between
 * one day and the next, now and then more.
 */
export function sourceRows(seed: number, gap: number): SourceRow[] {
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const rows: SourceRow[] = [];
  let at = Date.UTC(2029, 10, 3);
  for (let i = 0; i < 64; i++) {
    at += gap * 86_400_000 * (random() < 0.08 ? 2 : 1);
    const day = new Date(at).toISOString().slice(0, 10);
    for (let times = random() < 0.35 ? 2 : 1; times > 0; times--) {
      const place = i === 9 ? 'lone' : i % 16 === 5 ? 'void' : pick(['North', 'South']);
      const value = (): Value => (place === 'void' || random() < 0.12 ? null : pick([0, 1, 2, 2, 5, 5.5, -3, 12, 40, random() * 30]));
      rows.push({
        name: `hut ${String((i * 7) % 64).padStart(2, '0')}`,
        day,
        team: pick(['red', 'blue', 'blue']),
        place,
        a: value(),
        b: value(),
        c: value(),
      });
    }
  }
  return rows;
}

/** The rows of a figure over source rows: sums by key, in order of first appearance; a sum of none is none. */
export function plainRows(source: readonly SourceRow[], { category, series, panel }: Cut): PlainRow[] {
  const found = new Map<string, { key: string; series: string | null; panel: string | null; rows: SourceRow[] }>();
  for (const row of source) {
    const [key, own, pane] = [row[category], series && row[series], panel && row[panel]];
    const id = `${key}|${own}|${pane}`;
    if (!found.has(id)) found.set(id, { key, series: own, panel: pane, rows: [] });
    found.get(id)?.rows.push(row);
  }
  const sum = (rows: readonly SourceRow[], name: 'a' | 'b' | 'c'): Value => {
    let total: Value = null;
    for (const row of rows) if (row[name] !== null) total = (total ?? 0) + row[name];
    return total;
  };
  return [...found.values()].map(({ rows, ...keys }) => ({ ...keys, a: sum(rows, 'a'), b: sum(rows, 'b'), c: sum(rows, 'c') }));
}
