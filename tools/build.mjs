// Builds the application when its sources have changed since the last build.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { installPackages, makeGrammar, root, run } from './install.mjs';
import { checkSize } from './check-size.mjs';

const FOLDERS = ['app', 'core', 'engine', 'plot', 'handover', 'headless', 'cli', 'tools/guide', 'demo/data'];
const FILES = ['angular.json', 'package-lock.json', 'tsconfig.json', 'tsconfig.app.json', 'tsconfig.worker.json'];
const stamp = join(root, 'dist', 'sources');

function filesIn(folder) {
  return readdirSync(join(root, folder), { withFileTypes: true, recursive: true })
    .filter(entry => entry.isFile() && !entry.name.endsWith('.spec.ts') && !entry.name.startsWith('grammar.js'))
    .map(entry => join(entry.parentPath ?? entry.path, entry.name))
    .sort();
}

function sourcesHash() {
  const hash = createHash('sha256');
  for (const file of [...FILES.map(name => join(root, name)), ...FOLDERS.flatMap(filesIn)]) hash.update(file).update(readFileSync(file));
  return hash.digest('hex');
}

export function build() {
  installPackages();
  const now = sourcesHash();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  makeGrammar();
  console.log('Building…');
  run('npx', ['--no-install', 'ng', 'build', '--progress=false']);
  checkSize();
  run(process.execPath, ['--import', 'tsx', 'tools/guide/write-guide.ts', join('dist', 'app', 'guide')]);
  writeFileSync(stamp, sourcesHash());
}

if (process.argv[1] === import.meta.filename) build();
