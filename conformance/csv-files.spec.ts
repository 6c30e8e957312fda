import { readCsv, writeCsv } from 'core/io';
import { messageFor } from 'core/result/words';
import { textAt } from 'core/table';
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { CELLS, cellFaults, pickerOf } from './awkward';
import { shareOf, streamsOf } from './generated';
import { Slowness } from './slowness';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

describe('the published corpus of awkward CSV', () => {
  const folder = dirname(createRequire(import.meta.url).resolve('csv-spectrum'));
  const names = readdirSync(join(folder, 'csvs')).map(file => file.replace(/\.csv$/, ''));
  for (const name of names)
    it(name, () => {
      const found = readCsv(readFileSync(join(folder, 'csvs', `${name}.csv`)), `${name}.csv`);
      const expected = [JSON.parse(readFileSync(join(folder, 'json', `${name}.json`), 'utf8'))].flat() as Record<string, string>[];
      if (!found.ok) return fail(found.problems.map(messageFor).join());
      const { columns, rowCount } = found.value.table;
      const rows = Array.from({ length: rowCount }, (_, row) =>
        Object.fromEntries(columns.map(column => [column.name, textAt(column, row)])),
      );
      // The corpus gives another telephone number in one answer than in its question.
      const telling = (row: Record<string, string>) => ({ ...row, 'Contact Phone Number': '' });
      expect(rows.map(telling)).toEqual(expected.map(telling));
    });
});

let { random, below, pick } = pickerOf(4711);

const BREAKS = ['\n', '\r\n', '\r', '\n\n', '\n'];

/** A file of cells that make readers stumble, sometimes with bytes of no encoding. */
function awkwardFile(): Uint8Array {
  const mark = pick([',', ';', '\t', '|', ',']);
  const width = 1 + below(5);
  const line = pick(BREAKS);
  const rows = Array.from({ length: below(9) }, () => {
    const cells = random() < 0.85 ? width : below(8);
    return Array.from({ length: cells }, () => (random() < 0.3 ? String(below(1000) / 10) : pick(CELLS))).join(mark);
  });
  const data = bytes(`${random() < 0.5 ? `a${mark}b${mark}c\n` : ''}${rows.join(random() < 0.8 ? line : pick(BREAKS))}`);
  if (random() < 0.1 && data.length) data[below(data.length)] = below(256);
  return random() < 0.05
    ? new Uint8Array([
        ...pick([
          [0xff, 0xfe],
          [0xfe, 0xff],
          [0xff, 0xfe, 0, 0],
          [0, 0, 0xfe, 0xff],
        ]),
        ...data,
      ])
    : data;
}

describe('whatever is opened', () => {
  it(`${shareOf(20_000).toLocaleString('en')} awkward CSV files give cells or say why not, and can be written again`, () => {
    const faults: string[] = [];
    let fine = 0;
    const slowness = new Slowness();
    const tryFile = (data: Uint8Array): void => {
      try {
        const found = slowness.run(
          () => readCsv(data, 'x.csv'),
          () => new TextDecoder().decode(data),
        );
        if (!found.ok) {
          if (messageFor(found.problems[0] as never).length < 10) faults.push('no words');
        } else {
          fine++;
          found.value.notes.map(messageFor);
          faults.push(...cellFaults(found.value.table));
          writeCsv(found.value.table, { guardsFormulas: true });
        }
      } catch (error) {
        faults.push(`${String(error)}: ${JSON.stringify(new TextDecoder().decode(data))}`);
      }
    };
    for (const { seed, count } of streamsOf(20_000)) {
      ({ random, below, pick } = pickerOf(4711 + seed));
      for (let i = 0; i < count; i++) tryFile(awkwardFile());
    }
    expect(faults.slice(0, 5)).toEqual([]);
    expect(fine).toBeGreaterThan(shareOf(8_000) * 0.9);
    expect(slowness.calls).toEqual([]);
  });
});
