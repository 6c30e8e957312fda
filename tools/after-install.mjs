// Runs after every npm install: makes the formula parser from its grammar, and the cowbell command reachable.
import { chmodSync, existsSync, mkdirSync, rmSync, symlinkSync } from 'node:fs';
import { join } from 'node:path';
import { bundleCli } from './bundle-cli.mjs';
import { makeGrammar, root } from './install.mjs';

makeGrammar();
// Without it the command starts from its sources, slower.
await bundleCli().catch(() => undefined);
const bin = join(root, 'node_modules', '.bin');
if (existsSync(bin)) {
  mkdirSync(bin, { recursive: true });
  rmSync(join(bin, 'cowbell'), { force: true });
  symlinkSync(join('..', '..', 'cli', 'cowbell.mjs'), join(bin, 'cowbell'));
  chmodSync(join(root, 'cli', 'cowbell.mjs'), 0o755);
}
