// Holds the initial download, compressed, to its budget: everything that is fetched before the grid and other lazy parts.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { root } from './install.mjs';

const BUDGET_KB = 220;
const dist = join(root, 'dist', 'app');

const kilobytes = file => gzipSync(readFileSync(join(dist, file))).length / 1000;

/** The page, its scripts and styles, and every chunk that they import at start, by following static imports. */
function initialFiles() {
  const page = readFileSync(join(dist, 'index.html'), 'utf8');
  const files = new Set([...page.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map(match => match[1]));
  for (const file of files) {
    if (!file.endsWith('.js')) continue;
    const source = readFileSync(join(dist, file), 'utf8');
    for (const match of source.matchAll(/(?:from|import)\s*"\.\/(chunk-[\w-]+\.js)"/g)) files.add(match[1]);
  }
  return ['index.html', ...files];
}

export function checkSize() {
  const sizes = initialFiles().map(file => ({ file, size: kilobytes(file) }));
  const total = sizes.reduce((sum, { size }) => sum + size, 0);
  console.log(`Initial download: ${total.toFixed(1)} kB compressed, of ${BUDGET_KB} kB allowed`);
  if (total <= BUDGET_KB) return;
  for (const { file, size } of sizes) console.log(`  ${size.toFixed(1).padStart(7)} kB  ${file}`);
  process.exit(1);
}

if (process.argv[1] === import.meta.filename) checkSize();
