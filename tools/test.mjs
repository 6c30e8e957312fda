// npm test: installs what is missing, runs every test, and ends with one line that sums every runner's counts.
// With arguments (core, unit, node, e2e) only those runners.
import { spawn } from 'node:child_process';
import { build } from './build.mjs';
import { installChromium, installPackages, makeGrammar, root } from './install.mjs';

/** How each runner says what passed and what failed. */
const runners = {
  core: inNode('core'),
  unit: {
    command: [process.execPath, 'tools/angular.mjs', 'test', '--watch=false', '--progress=false'],
    count: text => {
      const [, ran, , failed = '0'] = /Executed (\d+) of (\d+)(?: \((\d+) FAILED\))?(?![\s\S]*Executed \d)/.exec(text) ?? [];
      return { passed: Number(ran ?? 0) - Number(failed), failed: Number(failed) };
    },
  },
  node: inNode('node'),
  e2e: {
    command: ['npx', '--no-install', 'playwright', 'test'],
    count: text => ({
      passed: Number(/(\d+) passed/.exec(text)?.[1] ?? 0),
      failed: Number(/(\d+) failed/.exec(text)?.[1] ?? 0) + Number(/(\d+) flaky/.exec(text)?.[1] ?? 0),
    }),
  },
};

/** A group of specs under plain Jasmine. */
function inNode(group) {
  return {
    command: [process.execPath, '--import', 'tsx', 'tools/jasmine.ts', group],
    count: text => {
      const [, specs = '0', failed = '0'] = /(\d+) specs?, (\d+) failures?/.exec(text) ?? [];
      return { passed: Number(specs) - Number(failed), failed: Number(failed) };
    },
  };
}

/** Runs a command with its output on the screen; gives that output and the exit code. */
function watched([command, ...args]) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, FORCE_COLOR: '0', NG_BUILD_TYPE_CHECK: '0', NG_CLI_ANALYTICS: 'false' },
    });
    let text = '';
    const take = stream => chunk => {
      text += chunk;
      stream.write(chunk);
    };
    child.stdout.on('data', take(process.stdout));
    child.stderr.on('data', take(process.stderr));
    child.on('error', reject);
    child.on('close', code => resolve({ text, code }));
  });
}

installPackages({ forTests: true });
const wanted = process.argv.slice(2).filter(name => name in runners);
const names = wanted.length ? wanted : Object.keys(runners);
if (names.includes('unit') || names.includes('e2e')) installChromium();
makeGrammar();
// One build for all groups: the specs of the command start it from its bundle, those of the screen open the page.
if (names.includes('node') || names.includes('e2e')) await build();

const total = { passed: 0, failed: 0 };
let broken = false;
const times = [];
for (const name of names) {
  console.log(`\n— ${name} tests`);
  const start = performance.now();
  const { text, code } = await watched(runners[name].command);
  times.push(`${name} ${((performance.now() - start) / 60_000).toFixed(1)}`);
  const { passed, failed } = runners[name].count(text);
  total.passed += passed;
  total.failed += failed;
  // A runner that ends badly without a failed test (it did not compile, or ran nothing) is a failure all the same.
  if (code !== 0 && failed === 0) total.failed++;
  if (code !== 0 || passed === 0) broken = true;
}
console.log(`\nMinutes: ${times.join(', ')}`);
console.log(`${total.passed} passed, ${total.failed} failed`);
process.exit(broken || total.failed ? 1 : 0);
