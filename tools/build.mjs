// Builds the application and the command when their sources have changed since the last build; every group of tests and `npm start` share it.
import { createHash } from 'node:crypto';
import { cpSync, existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bundles, bundleScripts } from './bundle.mjs';
import { bundleCli } from './bundle-cli.mjs';
import { checkSize } from './check-size.mjs';
import { installPackages, makeGrammar, root, runAsync, timed } from './install.mjs';
import { compressFiles, writeHead } from './page-files.mjs';

const FOLDERS = ['app', 'core', 'engine', 'plot', 'handover', 'headless', 'cli', 'tools', 'demo/data'];
const FILES = ['angular.json', 'package-lock.json', 'tsconfig.json', 'tsconfig.app.json', 'tsconfig.worker.json'];
const dist = join(root, 'dist', 'app');
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

// Types are checked by `npm run types`, templates included: a build that a person waits for only translates. Small chunks are joined.
const ANGULAR_ENV = { ...process.env, NG_BUILD_TYPE_CHECK: '0', NG_BUILD_OPTIMIZE_CHUNKS: '1', NG_CLI_ANALYTICS: 'false' };

const buildPage = () => runAsync(process.execPath, ['tools/angular.mjs', 'build', '--progress=false'], { env: ANGULAR_ENV });
const writeGuide = () => runAsync(process.execPath, ['--import', 'tsx', 'tools/guide/write-guide.ts', join(bundles, 'guide')]);

/** Builds unless nothing has changed. Scripts of workers, the command and the guide are made while Angular's builder runs. */
export async function build() {
  installPackages();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === sourcesHash()) return;
  makeGrammar();
  await timed('Building', async () => {
    const scripts = bundleScripts();
    const [addresses] = await Promise.all([scripts, scripts.then(writeGuide), bundleCli(), buildPage()]);
    cpSync(bundles, dist, { recursive: true });
    writeHead(dist, addresses);
    compressFiles(dist);
  });
  checkSize();
  writeFileSync(stamp, sourcesHash());
}

if (process.argv[1] === import.meta.filename) await build();
