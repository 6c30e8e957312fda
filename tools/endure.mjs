// The long form of the tests of durability: 200 edits with endings at random moments, 50 alternating edits of two tabs.
import { build } from './build.mjs';
import { run } from './install.mjs';

await build();
process.env['ENDURE'] = 'long';
run('npx', ['--no-install', 'playwright', 'test', 'durable']);
