import { seededRandom } from 'demo/random';
import { makeTable, named, tableOf, valuesFrom, type Cell, type Table } from 'core/table';

/** Rows with all that makes formulas go wrong: missing values everywhere, ties, zeros, negative numbers, one-row and all-missing groups. */
export function troubledRows(count = 48): Table {
  const random = seededRandom(2031);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const rows = Array.from({ length: count }, (_, i) => i);
  const sometimes = (value: Cell, share = 0.15): Cell => (random() < share ? null : value);
  const groups = rows.map((i): Cell =>
    i === 7 ? 'alone' : i === 9 || i === 21 ? 'void' : sometimes(pick(['Tolm', 'Siddel', 'Nine Springs']), 0.1),
  );
  const inVoid = (i: number): boolean => groups[i] === 'void';
  const text = tableOf({
    id: rows,
    g: groups,
    h: rows.map(() => sometimes(pick(['a', 'b', 'ä', 'Z', '']), 0.1)),
    x: rows.map(i => (inVoid(i) ? null : sometimes(pick([0, 1, 2, 2, 3.5, -4, 10, 1e6])))),
    y: rows.map(() => sometimes(Math.round((random() * 20 - 6) * 4) / 4)),
    n: rows.map(() => sometimes(Math.floor(random() * 6))),
    word: rows.map(() => sometimes(pick(['alm', 'Berg', 'berg hut', ' pad ', "it's", '100%', 'a_b', '', 'über', '日本語', '12.5', 'x']))),
  });
  const day = (offset: number): string => new Date(Date.UTC(2031, 0, 1) + offset * 86_400_000).toISOString().slice(0, 10);
  return makeTable('t', [
    ...text.columns,
    named(
      'b',
      valuesFrom(
        'boolean',
        rows.map(() => sometimes(random() < 0.5)),
      ),
    ),
    named(
      'd',
      valuesFrom(
        'date',
        rows.map(() => sometimes(day(Math.floor(random() * 700) - 200))),
      ),
    ),
    named(
      'e',
      valuesFrom(
        'date',
        rows.map(i => day(i * 5)),
      ),
    ),
    named(
      'at',
      valuesFrom(
        'timestamp',
        rows.map(i =>
          sometimes(
            `${day(i * 3)} ${String(i % 24).padStart(2, '0')}:${String((i * 7) % 60).padStart(2, '0')}:${String((i * 13) % 60).padStart(2, '0')}`,
          ),
        ),
      ),
    ),
  ]);
}
