import type { RequestHandler } from 'express';
import { existsSync, readdirSync } from 'node:fs';
import { extname, join, relative } from 'node:path';

/**
 * Answers with the compressed twin that the build made of a file (`tools/page-files.mjs`), where there is one and the browser takes it: nothing is compressed
 * while somebody waits. What follows serves the twin like any file.
 *
 * @param root folder of the built application; its files are listed once
 */
export function compressedFiles(root: string): RequestHandler {
  const twins = new Set(existsSync(join(root, 'index.html')) ? twinsIn(root) : []);
  return (request, response, next) => {
    if (twins.has(`${request.path}.gz`) && request.acceptsEncodings('gzip')) {
      response.set({ 'Content-Encoding': 'gzip', Vary: 'Accept-Encoding' }).type(extname(request.path));
      request.url = `${request.path}.gz`;
    }
    next();
  };
}

/** Paths of the twins, as they are asked for. */
const twinsIn = (root: string): string[] =>
  readdirSync(root, { withFileTypes: true, recursive: true })
    .filter(entry => entry.isFile() && entry.name.endsWith('.gz'))
    .map(entry => `/${relative(root, join(entry.parentPath, entry.name)).replaceAll('\\', '/')}`);
