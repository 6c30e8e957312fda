// Finishes the page after Angular's builder: writes its head and a gzip file beside each large file.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { constants, gzipSync } from 'node:zlib';

const COMPRESSED = /\.(js|css|html|json|svg|csv|txt)$/;

/**
 * Writes into the page's head everything that the first figure needs, so that it is fetched in one wave: the first script, which starts the engine, the
 * addresses of the workers' scripts, and the font.
 */
export function writeHead(dist, { engine, reader, boot }) {
  const page = join(dist, 'index.html');
  const font = readdirSync(join(dist, 'media')).find(name => /^hanken-grotesk-latin-wght-normal-.*\.woff2$/.test(name));
  const lines = [
    `<meta name="engine-worker" content="${engine}" />`,
    `<meta name="reader-worker" content="${reader}" />`,
    `<script async src="${boot}"></script>`,
    `<link rel="preload" as="font" type="font/woff2" crossorigin href="media/${font}" />`,
  ];
  const text = readFileSync(page, 'utf8').replace(/(<meta name="viewport"[^>]*>)/, `$1\n    ${lines.join('\n    ')}`);
  writeFileSync(page, text);
}

/** Writes a gzip file beside each file that a server would compress for every answer. */
export function compressFiles(dist) {
  for (const entry of readdirSync(dist, { withFileTypes: true, recursive: true })) {
    if (!entry.isFile() || !COMPRESSED.test(entry.name)) continue;
    const file = join(entry.parentPath ?? entry.path, entry.name);
    const bytes = readFileSync(file);
    if (bytes.length > 1024 && entry.name !== 'index.html')
      writeFileSync(`${file}.gz`, gzipSync(bytes, { level: constants.Z_BEST_COMPRESSION }));
  }
}
