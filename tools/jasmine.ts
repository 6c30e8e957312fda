// Runs the specs that need no browser under Jasmine in Node: `core` is what computes, `node` the server, the command line and the comparisons.
import Jasmine from 'jasmine';
import { fileURLToPath } from 'node:url';

const groups: Readonly<Record<string, readonly string[]>> = {
  core: ['core', 'engine', 'demo', 'plot/repaint', 'plot/scene', 'plot/svg', 'plot/table', 'handover'],
  node: ['server', 'cli', 'headless', 'conformance', 'tools'],
};

const [group = 'node', ...args] = process.argv.slice(2);
const runner = new Jasmine({ projectBaseDir: fileURLToPath(new URL('..', import.meta.url)) });
runner.loadConfig({ spec_dir: '.', spec_files: (groups[group] ?? []).map(folder => `${folder}/**/*.spec.ts`), random: true });
runner.exitOnCompletion = true;
await runner.execute(args);
