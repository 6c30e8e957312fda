// The long form of what a run of the tests does in short: all generated cases, and the tests of durability with 200 edits and endings at random moments.
import { build } from './build.mjs';
import { installChromium, installPackages, run, timed } from './install.mjs';

installPackages({ forTests: true });
installChromium();
await build();
process.env['ENDURE'] = 'long';
await timed('Generated tests', () => run(process.execPath, ['--import', 'tsx', 'tools/jasmine.ts', 'node']));
await timed('Durability', () => run('npx', ['--no-install', 'playwright', 'test', 'durable']));
