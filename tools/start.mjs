// npm start: installs what is missing, builds, serves with the demo data.
import { root, run } from './install.mjs';
import { build } from './build.mjs';

build();
run(process.execPath, ['--import', 'tsx', 'server/main.ts'], { cwd: root });
