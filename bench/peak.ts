// Does one piece of work in a process of its own, or only starts, and prints the most memory that the process has had, in bytes.
import { read as readWorkbook } from '@e965/xlsx';
import { readCsv } from 'core/io';
import { readFile } from 'core/io/formats';
import { readFileSync } from 'node:fs';
import { alignTwo, benchLists } from './rows/b4-lists';

const WORKS: Readonly<Record<string, (file: string) => unknown>> = {
  none: () => undefined,
  csv: file => readCsv(readFileSync(file), 'large.csv'),
  workbook: file => readFile(readFileSync(file), 'bench.xlsx'),
  library: file =>
    readWorkbook(readFileSync(file), { type: 'array', dense: true, cellNF: true, cellText: false, cellHTML: false, cellFormula: false }),
  lists: () => benchLists(false),
  align: () => alignTwo(...benchLists(false)),
};

const [file = '', work = 'none'] = process.argv.slice(2);
await WORKS[work]?.(file);
// The high-water mark of this process alone: what resourceUsage tells may be its parent's.
console.log(Number(/VmHWM:\s+(\d+)/.exec(readFileSync('/proc/self/status', 'utf8'))?.[1] ?? NaN) * 1024);
