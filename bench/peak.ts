// Reads a CSV, or only starts, and prints the most memory that the process has had, in bytes.
import { readCsv } from 'core/io';
import { readFileSync } from 'node:fs';

const [file = '', read] = process.argv.slice(2);
if (read === 'true') readCsv(readFileSync(file), 'large.csv');
console.log(process.resourceUsage().maxRSS * 1024);
