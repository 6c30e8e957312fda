// Reads a CSV, or only starts, and prints the most memory that the process has had, in bytes.
import { readCsv } from 'core/io';
import { readFileSync } from 'node:fs';

const [file = '', read] = process.argv.slice(2);
if (read === 'true') readCsv(readFileSync(file), 'large.csv');
// The high-water mark of this process alone: what resourceUsage tells may be its parent's.
console.log(Number(/VmHWM:\s+(\d+)/.exec(readFileSync('/proc/self/status', 'utf8'))?.[1] ?? NaN) * 1024);
