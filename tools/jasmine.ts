// Runs the specs of the rooms that live in Node (server, command line) and the comparison with an SQL engine under Jasmine.
import Jasmine from 'jasmine';
import { fileURLToPath } from 'node:url';

const runner = new Jasmine({ projectBaseDir: fileURLToPath(new URL('..', import.meta.url)) });
runner.loadConfig({ spec_dir: '.', spec_files: ['server/**/*.spec.ts', 'cli/**/*.spec.ts', 'conformance/**/*.spec.ts'], random: true });
runner.exitOnCompletion = true;
await runner.execute(process.argv.slice(2));
