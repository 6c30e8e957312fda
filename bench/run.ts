// npm run bench: every row of NUMBERS.md as ratios in one run; `npm run bench -- A6 C1` only those.
import { ratios, type BenchRow } from './measure';
import { a1 } from './rows/a1';
import { a2 } from './rows/a2';
import { a3 } from './rows/a3';
import { a4 } from './rows/a4';
import { a5 } from './rows/a5';
import { a6 } from './rows/a6';
import { app } from './rows/app';
import { b1 } from './rows/b1';
import { b2 } from './rows/b2';
import { b3 } from './rows/b3';
import { b4 } from './rows/b4';
import { c1 } from './rows/c1';
import { c2 } from './rows/c2';
import { c3 } from './rows/c3';
import { c4 } from './rows/c4';
import { d1 } from './rows/d1';
import { d2 } from './rows/d2';
import { e1 } from './rows/e1';
import { e2 } from './rows/e2';
import { t1 } from './rows/t1';
import { t2 } from './rows/t2';
import { r1 } from './rows/r1';
import { r2 } from './rows/r2';

const rows: readonly BenchRow[] = [a1, a2, a3, a4, a5, a6, b1, b2, b3, b4, c1, c2, c3, c4, d1, d2, e1, e2, t1, t2, r1, r2, app];

const wanted = process.argv.slice(2).map(name => name.toUpperCase());
const chosen = wanted.length ? rows.filter(row => wanted.includes(row.name)) : rows;
if (chosen.length === 0) {
  console.error(`There is no row ${wanted.join(', ')}. Choose from: ${rows.map(row => row.name).join(', ')}.`);
  process.exit(2);
}
for (const { name, work, reach, run } of chosen) {
  console.log(`\n${name}  ${work}\n    reach: ${reach}`);
  for (const { at, timings, notes = [] } of await run()) {
    if (timings.length) console.log(`    ${at ? `${at}: ` : ''}${ratios(timings)}`);
    for (const note of notes) console.log(`      ${note}`);
  }
}
