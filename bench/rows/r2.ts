import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { compare, type BenchRow } from '../measure';

/** The first picture of a cold command, beside a Node that only loads what it is made of: its bundle, the fonts' packages, the canvas. */
export const r2: BenchRow = {
  name: 'R2',
  work: 'first picture of a cold command',
  reach: '≤ 1.5 × starting Node with the same packages',
  run: async () => {
    const root = process.cwd();
    const loads = join(root, 'dist', 'cli', 'loads.mjs');
    writeFileSync(
      loads,
      "await import('./main.mjs');\nawait Promise.all(['fontkit', 'wawoff2', '@napi-rs/canvas'].map(name => import(name)));\n",
    );
    const out = join(tmpdir(), 'cowbell-bench.png');
    const node = (...args: readonly string[]) => execFileSync(process.execPath, args, { cwd: root, stdio: 'pipe' });
    const timings = await compare(
      [
        { name: 'Node with the same packages', run: () => node(loads) },
        { name: 'cowbell render, PNG', run: () => node('cli/cowbell.mjs', 'render', 'demo/data/highmeadow.json', '-o', out) },
      ],
      { rounds: 9, warmup: 2 },
    );
    return [{ at: '', timings }];
  },
};
