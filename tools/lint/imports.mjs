import { existsSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import ts from 'typescript';

const root = resolve(import.meta.dirname, '../..');

/** Every module that a text of code imports, however it does: by a statement, a type alone, `import()`, or as the type of an import. */
export function importsOf(text) {
  const { importedFiles } = ts.preProcessFile(text, true, true);
  const workers = [...text.matchAll(/new URL\(\s*'(\.[^']+)'/g)].map(match => match[1]);
  return [...new Set([...importedFiles.map(({ fileName }) => fileName), ...workers])];
}

/** The file of this repository that an import in a file means, from its root; null for a package. */
export function resolved(file, specifier) {
  const base = specifier.startsWith('.') ? join(dirname(file), specifier) : specifier;
  const candidates = [base, `${base}.ts`, `${base}.mjs`, `${base}.js`, join(base, 'index.ts')];
  const found = candidates.find(path => !path.startsWith('..') && existsSync(join(root, path)) && statSync(join(root, path)).isFile());
  return found ?? null;
}

export const fromRoot = file => relative(root, resolve(root, file)).replaceAll('\\', '/');

/** Files that a file imports, from the root of the repository. */
export function neighboursOf(file) {
  return importsOf(readFileSync(join(root, file), 'utf8')).flatMap(specifier => resolved(file, specifier) ?? []);
}

/**
 * Circles of files that import each other, types included: each as its files in order of name. Method: Tarjan's strongly connected components.
 * Cost: one reading of each file.
 */
export function circlesAmong(files, importedBy = neighboursOf) {
  const known = new Map();
  const stack = [];
  const circles = [];
  let count = 0;
  const visit = file => {
    const node = { index: count, low: count++, on: true };
    known.set(file, node);
    stack.push(file);
    for (const next of importedBy(file)) {
      const there = known.get(next);
      if (!there) node.low = Math.min(node.low, visit(next).low);
      else if (there.on) node.low = Math.min(node.low, there.index);
    }
    if (node.low === node.index) {
      const circle = stack.splice(stack.indexOf(file));
      for (const item of circle) known.get(item).on = false;
      if (circle.length > 1) circles.push(circle.sort());
    }
    return node;
  };
  for (const file of files) if (!known.has(file)) visit(file);
  return circles;
}
