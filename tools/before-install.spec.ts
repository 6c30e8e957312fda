import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const STATIC_IMPORT = /^import\s(?:[^'"]*?from\s)?['"]([^'"]+)['"]/gm;

/** The packages that a script needs before its first line runs, by itself or through its own files. */
function packagesOf(file: string, seen = new Set<string>()): string[] {
  if (seen.has(file)) return [];
  seen.add(file);
  return [...readFileSync(file, 'utf8').matchAll(STATIC_IMPORT)].flatMap(([, specifier = '']) => {
    if (specifier.startsWith('.')) return packagesOf(join(file, '..', specifier), seen);
    return specifier.startsWith('node:') ? [] : [`${specifier} in ${file}`];
  });
}

describe('in a fresh clone, before anything is installed', () => {
  for (const script of ['start', 'test', 'endure', 'build', 'install'])
    it(`tools/${script}.mjs starts without a package`, () => expect(packagesOf(join('tools', `${script}.mjs`))).toEqual([]));
  it('a script that needs a package is found', () => expect(packagesOf('tools/angular.mjs').length).toBeGreaterThan(0));
});
