// Bundles the scripts of the workers and the page's first script, apart from Angular's builder.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './install.mjs';

/** Where bundles wait until the page is built. */
export const bundles = join(root, 'dist', 'bundles');

const shared = {
  absWorkingDir: root,
  bundle: true,
  format: 'esm',
  minify: true,
  target: 'es2022',
  entryNames: '[name]-[hash]',
  chunkNames: 'chunk-[hash]',
  legalComments: 'none',
  define: { ngDevMode: 'false' },
  metafile: true,
  logLevel: 'error',
};

/** Address, below the page, of each script that the page's head has to name. */
async function bundle(name, entry, folder, options) {
  // Loaded late: packages may not be installed yet when this file is.
  const { build } = await import('esbuild');
  const { metafile } = await build({ ...shared, ...options, entryPoints: { [name]: entry }, outdir: join(bundles, folder) });
  const [output] = Object.entries(metafile.outputs).find(([, { entryPoint }]) => entryPoint === entry);
  return output.slice('dist/bundles/'.length);
}

/** Bundles each worker by itself, so that the engine starts from few files, and gives the addresses of the scripts. */
export async function bundleScripts() {
  rmSync(bundles, { recursive: true, force: true });
  const worker = { splitting: true, tsconfig: join(root, 'tsconfig.worker.json') };
  const [engine, reader, boot] = await Promise.all([
    bundle('engine', 'app/services/engine/engine.worker.ts', 'workers', worker),
    bundle('reader', 'app/services/sources/reader.worker.ts', 'workers', worker),
    bundle('boot', 'app/boot.ts', '.', { format: 'iife', tsconfig: join(root, 'tsconfig.app.json') }),
  ]);
  return { engine, reader, boot };
}
