import type { RequestHandler } from 'express';
import { existsSync, readdirSync } from 'node:fs';
import { extname, join, relative } from 'node:path';

/**
 * Rewrites a request to the gzip file that the build made beside the requested one (`tools/page-files.mjs`), when there is one and the browser accepts gzip.
 * So no file is compressed during a request. The static middleware after this one serves the gzip file.
 *
 * @param root folder of the built application; its gzip files are listed once
 */
export function compressedFiles(root: string): RequestHandler {
  const twins = new Set(existsSync(join(root, 'index.html')) ? twinsIn(root) : []);
  return (request, response, next) => {
    const twin = `${request.path}.gz`;
    // A build that was made meanwhile has other files.
    if (twins.has(twin) && request.acceptsEncodings('gzip') && existsSync(join(root, twin))) {
      response.set({ 'Content-Encoding': 'gzip', Vary: 'Accept-Encoding' }).type(extname(request.path));
      request.url = twin;
    }
    next();
  };
}

/** Request paths of the gzip files. */
const twinsIn = (root: string): string[] =>
  readdirSync(root, { withFileTypes: true, recursive: true })
    .filter(entry => entry.isFile() && entry.name.endsWith('.gz'))
    .map(entry => `/${relative(root, join(entry.parentPath, entry.name)).replaceAll('\\', '/')}`);
