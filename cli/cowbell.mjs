#!/usr/bin/env node
// The cowbell command: the same core as the browser's worker, without a screen. It starts from the bundle that installing made; where the sources
// are newer than that, from them.
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const bundle = join(root, 'dist', 'cli', 'main.mjs');

/** Whether no source of the command was changed after a moment. */
function isFresh(made) {
  return ['cli', 'core', 'engine', 'plot', 'handover', 'headless'].every(folder =>
    readdirSync(join(root, folder), { recursive: true, withFileTypes: true }).every(
      entry =>
        !entry.isFile() || entry.name.endsWith('.spec.ts') || statSync(join(entry.parentPath ?? entry.path, entry.name)).mtimeMs <= made,
    ),
  );
}

async function load() {
  if (existsSync(bundle) && isFresh(statSync(bundle).mtimeMs)) return import(pathToFileURL(bundle).href);
  const { register } = await import('tsx/esm/api');
  process.env.TSX_TSCONFIG_PATH ??= join(root, 'tsconfig.json');
  register();
  return import('./main.ts');
}

// Whoever reads what is written may stop doing so.
process.stdout.on('error', error => {
  if (error.code !== 'EPIPE') throw error;
  process.exit(0);
});

const { main } = await load();
process.exitCode = await main(process.argv.slice(2));
