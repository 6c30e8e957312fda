import { isoDate } from 'core/table';
import { huts } from 'demo/places';
import { around, seededRandom } from 'demo/random';

/** A CSV of about `bytes` bytes: text, a date, three number columns, 2 % of the numbers missing. Fixed seed. */
export function csvText(bytes: number): string {
  const random = seededRandom(11);
  const lines = ['hut,valley,day,milk,planned_milk,butterfat,note'];
  const number = (centre: number, spread: number, decimals: number): string =>
    random() < 0.02 ? '' : around(random, centre, spread).toFixed(decimals);
  for (let size = 0; size < bytes;) {
    const { hut, valley } = huts[Math.floor(random() * huts.length)] as (typeof huts)[number];
    const note = random() < 0.01 ? '"late, after rain"' : '';
    const line = `${hut},${valley},${isoDate(22_000 + Math.floor(random() * 400))},${number(2_500, 900, 0)},${number(2_600, 400, 0)},${number(104, 30, 1)},${note}`;
    lines.push(line);
    size += line.length + 1;
  }
  return lines.join('\n');
}
