// npm start: installs what is missing, builds, serves with the demo data; npm start -- --render also makes figures for who asks.
import { root, run } from './install.mjs';
import { build } from './build.mjs';

await build();
run(process.execPath, ['--import', 'tsx', 'server/main.ts', ...process.argv.slice(2)], { cwd: root });
