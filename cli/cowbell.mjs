#!/usr/bin/env node
// The cowbell command: the same core as the browser's worker, without a screen.
import { fileURLToPath } from 'node:url';
import { register } from 'tsx/esm/api';

process.env.TSX_TSCONFIG_PATH ??= fileURLToPath(new URL('../tsconfig.json', import.meta.url));
register();
const { main } = await import('./main.ts');
process.exitCode = await main(process.argv.slice(2));
