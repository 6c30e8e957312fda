// Installs what is missing. Only Node's own modules are used here: nothing else may be there yet.
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));
const stamp = join(root, 'node_modules', '.installed-lock');

/** Runs a command in the project's folder, its output on the screen; ends the process when it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (done.error) throw done.error;
  if (done.status !== 0) process.exit(done.status ?? 1);
}

/** Runs a command beside others; ends the process when it fails. */
export function runAsync(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: root, stdio: 'inherit', ...options });
    child.on('error', reject);
    child.on('close', code => (code === 0 ? resolve() : process.exit(code ?? 1)));
  });
}

/** Says what is done, and how many seconds it took. */
export async function timed(what, work) {
  console.log(`${what}…`);
  const start = performance.now();
  await work();
  console.log(`${what} took ${((performance.now() - start) / 1000).toFixed(1)} s`);
}

/**
 * npm packages as the lock file lists them; nothing is done when they are there. `npm start` takes those that build and run, tests take all; what is there
 * already stays when the rest is added.
 */
export function installPackages({ forTests = false } = {}) {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const there = existsSync(stamp) ? readFileSync(stamp, 'utf8') : '';
  if (there === `${lock} all` || (there === `${lock} run` && !forTests)) return;
  console.log('Installing npm packages…');
  const start = performance.now();
  const command = there === `${lock} run` ? ['install', '--no-save', '--prefer-offline'] : ['ci'];
  run('npm', [...command, ...(forTests ? [] : ['--omit=dev']), '--no-audit', '--no-fund', '--loglevel', 'error']);
  writeFileSync(stamp, `${lock} ${forTests ? 'all' : 'run'}`);
  console.log(`Installing took ${((performance.now() - start) / 1000).toFixed(1)} s`);
}

/** Chromium from Debian's packages, for the tests; nothing is done when a browser is there. */
export function installChromium() {
  if (existsSync('/usr/bin/chromium')) return;
  console.log("Installing Chromium from Debian's packages…");
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = args => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    execFileSync(command, rest, { stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } });
  };
  apt(['update', '-qq']);
  apt(['install', '-y', '-qq', '--no-install-recommends', 'chromium']);
}

/** The formula parser, made from its grammar; nothing is done when it is newer than that, so that what was bundled from it stays fresh. */
export function makeGrammar() {
  const [grammar, parser] = ['peggy', 'js'].map(ending => join(root, 'core', 'formula', `grammar.${ending}`));
  if (existsSync(parser) && statSync(parser).mtimeMs > statSync(grammar).mtimeMs) return;
  run('npx', ['--no-install', 'peggy', '--format', 'es', '--dts', '-o', 'core/formula/grammar.js', 'core/formula/grammar.peggy']);
}
