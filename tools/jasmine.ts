// Runs the specs that need no browser under Jasmine in Node, in as many processes as there are cores: `core` is what computes, `node` the server, the command
// line and the comparisons. Arguments after the group are parts of file names.
import { availableParallelism } from 'node:os';
import { relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import ParallelRunner from 'jasmine/parallel';
import { isLong, slice } from '../conformance/generated';
import { slowest } from './slowest.mjs';

const groups: Readonly<Record<string, readonly string[]>> = {
  core: ['core', 'engine', 'demo', 'plot/repaint', 'plot/scene', 'plot/svg', 'plot/table', 'handover'],
  node: ['server', 'cli', 'headless', 'conformance', 'tools'],
};

const root = fileURLToPath(new URL('..', import.meta.url));
const [group = 'node', ...parts] = process.argv.slice(2);
const folders = groups[group] ?? [];
// One worker runs a file after the other: a second one needs a core of its own.
const runner = new ParallelRunner({ projectBaseDir: root, numWorkers: Math.max(2, availableParallelism()) });
const patterns = parts.length
  ? parts.flatMap(part => folders.map(folder => `${folder}/**/*${part}*.spec.ts`))
  : folders.map(folder => `${folder}/**/*.spec.ts`);
runner.loadConfig({ spec_dir: '.', spec_files: patterns, helpers: ['tools/jasmine-helper.ts'] });

const millis = new Map<string, number>();
runner.addReporter({
  reporterCapabilities: { parallel: true },
  specDone: ({ filename, duration }: { readonly filename?: string; readonly duration?: number | null }) => {
    const file = relative(root, filename ?? '');
    millis.set(file, (millis.get(file) ?? 0) + (duration ?? 0));
  },
  jasmineDone: () => console.log(slowest(millis)),
});
console.log(
  isLong
    ? 'Generated tests: all slices'
    : `Generated tests: slice ${slice} of 10 (COWBELL_SLICE=${slice} repeats it, npm run endure runs all)`,
);
process.env['COWBELL_SLICE'] ??= String(slice);
runner.exitOnCompletion = true;
await runner.execute();
