import { chromium, type Page } from '@playwright/test';
import { build } from 'esbuild';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const flags = JSON.parse(readFileSync(`${root}tools/chromium-flags.json`, 'utf8')) as string[];

/** Bundles a file of this folder and runs its `window.bench` in Debian's headless browser at 1200 × 600. */
export async function inBrowser<T>(entry: string, ...args: readonly unknown[]): Promise<T> {
  const bundled = await build({
    entryPoints: [`${root}bench/${entry}`],
    bundle: true,
    write: false,
    format: 'iife',
    minify: true,
    tsconfig: `${root}tsconfig.json`,
    logLevel: 'error',
  });
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: flags.filter(flag => flag !== '--headless') });
  try {
    const page: Page = await browser.newPage({ viewport: { width: 1200, height: 600 } });
    await page.setContent('<!doctype html><body></body>');
    await page.addScriptTag({ content: bundled.outputFiles[0]?.text ?? '' });
    return (await page.evaluate(
      given => (globalThis as unknown as { bench: (...args: unknown[]) => unknown }).bench(...given),
      args as unknown[],
    )) as T;
  } finally {
    await browser.close();
  }
}
