// npm run bench: every row of NUMBERS.md as ratios in one run; `npm run bench -- A6 C1` only those.
import { ratios, type BenchRow } from './measure';
import { a6 } from './rows/a6';
import { b1 } from './rows/b1';
import { c1 } from './rows/c1';

const rows: readonly BenchRow[] = [a6, b1, c1];

const wanted = process.argv.slice(2).map(name => name.toUpperCase());
const chosen = wanted.length ? rows.filter(row => wanted.includes(row.name)) : rows;
if (chosen.length === 0) {
  console.error(`There is no row ${wanted.join(', ')}. Choose from: ${rows.map(row => row.name).join(', ')}.`);
  process.exit(2);
}
for (const { name, work, reach, run } of chosen) {
  console.log(`\n${name}  ${work}\n    reach: ${reach}`);
  for (const { at, timings, notes = [] } of await run()) {
    console.log(`    ${at ? `${at}: ` : ''}${ratios(timings)}`);
    for (const note of notes) console.log(`      ${note}`);
  }
}
