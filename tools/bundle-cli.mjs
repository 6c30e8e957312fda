// Makes the bundle that the cowbell command starts from: translating its sources at every call would take most of its time.
import { join } from 'node:path';
import { root } from './install.mjs';

export async function bundleCli() {
  // Loaded late: packages may not be installed yet when this file is.
  const { build } = await import('esbuild');
  await build({
    entryPoints: [join(root, 'cli', 'main.ts')],
    outfile: join(root, 'dist', 'cli', 'main.mjs'),
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    // Read when a figure is laid out, and by no other command.
    external: ['fontkit', 'wawoff2', '@napi-rs/canvas', 'exceljs'],
    tsconfig: join(root, 'tsconfig.json'),
    // Packages that ask for Node's own modules in the old way.
    banner: { js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);" },
    logLevel: 'error',
  });
}

if (process.argv[1] === import.meta.filename) await bundleCli();
