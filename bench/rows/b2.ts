import { DuckDBInstance } from '@duckdb/node-api';
import { mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { csvText } from '../csv-text';
import { readCsv } from 'core/io';
import { compare, type BenchRow } from '../measure';
import { peakOf } from '../peaks';
import { typedByHand } from './b1';

/** 100 MB CSV → typed columns, dates and missing recognised. */
export const b2: BenchRow = {
  name: 'B2',
  work: '100 MB CSV → typed columns, dates and missing recognised',
  reach: 'Cowbell ≤ 1.2 × (Papa Parse to strings + a typing pass); peak memory ≤ 3 × the file; progress at least 4 times a second',
  run: async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'cowbell-bench-')), 'large.csv');
    writeFileSync(file, csvText(1e8));
    const bytes = readFileSync(file);
    const connection = await (await DuckDBInstance.create(':memory:')).connect();
    let steps = 0;
    const timings = await compare(
      [
        { name: 'Papa Parse + typing', run: () => typedByHand(bytes) },
        {
          name: 'SQL engine into its own table',
          run: () => connection.run(`create or replace table r as select * from read_csv('${file}')`),
        },
        { name: 'Cowbell', run: () => readCsv(bytes, 'large.csv', { onProgress: () => steps++ }) },
      ],
      { rounds: 7, warmup: 1 },
    );
    const perSecond = steps / 8 / ((timings[2]?.median ?? 1) / 1000);
    return [
      {
        at: '',
        timings,
        notes: [
          `progress ${perSecond.toFixed(0)} times a second`,
          `peak memory ${timesTheFile(file).toFixed(1)} × the file, the file itself included`,
        ],
      },
    ];
  },
};

/** Peak memory of a process that only reads the file, less what an idle one takes, as a multiple of the file. */
const timesTheFile = (file: string): number => (peakOf('csv', file) - peakOf('none')) / statSync(file).size;
