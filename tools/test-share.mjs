// Prints the share of test lines in all code lines, per folder; ends with 1 when the whole leaves a quarter to a third.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

const CODE = /\.(ts|mjs|cjs|html|css|peggy)$/;
const TEST = /\.spec\.ts$|^e2e\/|^conformance\//;
const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], { encoding: 'utf8' })
  .split('\n')
  .filter(file => CODE.test(file));

const folders = new Map();
for (const file of files) {
  const lines = readFileSync(file, 'utf8')
    .split('\n')
    .filter(line => line.trim() !== '').length;
  const [first] = file.split('/');
  const folder = file.includes('/') ? first : '(top)';
  const sums = folders.get(folder) ?? { code: 0, test: 0 };
  sums[TEST.test(file) ? 'test' : 'code'] += lines;
  folders.set(folder, sums);
}

const percent = ({ code, test }) => `${((100 * test) / Math.max(1, code + test)).toFixed(1)} %`;
const total = { code: 0, test: 0 };
for (const [folder, sums] of folders) {
  total.code += sums.code;
  total.test += sums.test;
  console.log(
    `${folder.padEnd(8)} ${String(sums.test).padStart(6)} of ${String(sums.code + sums.test).padStart(6)} lines are tests  ${percent(sums)}`,
  );
}
console.log(
  `all      ${String(total.test).padStart(6)} of ${String(total.code + total.test).padStart(6)} lines are tests  ${percent(total)}`,
);
const share = total.test / (total.code + total.test);
if (share < 0.25 || share > 1 / 3) process.exit(1);
