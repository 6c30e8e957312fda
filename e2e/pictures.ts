import type { Page } from '@playwright/test';
import { build } from 'esbuild';
import { fileURLToPath } from 'node:url';
import { openApp } from './support';

/** Opens the application, waits for its letters, and runs a file of this folder in it, which draws with the project's own code. */
export async function openWith(page: Page, file: string): Promise<void> {
  const root = fileURLToPath(new URL('..', import.meta.url));
  const bundled = await build({
    entryPoints: [`${root}e2e/${file}`],
    bundle: true,
    write: false,
    format: 'iife',
    tsconfig: `${root}tsconfig.json`,
    logLevel: 'error',
  });
  await openApp(page);
  await page.evaluate(async () => {
    for (const weight of [400, 600, 650]) await document.fonts.load(`${weight} 13px 'Hanken Grotesk Variable'`, 'Almé ž 0 Ж');
  });
  await page.evaluate(bundled.outputFiles[0]?.text ?? '');
}

/** The share of pixels by which two pictures differ visibly: by more than a quarter of the way from black to white in some channel. */
export const differing = (page: Page, a: Buffer, b: Buffer): Promise<number> =>
  page.evaluate(
    async ([first = '', second = '']) => {
      const pixels = await Promise.all(
        [first, second].map(async data => {
          const image = new Image();
          image.src = `data:image/png;base64,${data}`;
          await image.decode();
          const canvas = Object.assign(document.createElement('canvas'), { width: image.width, height: image.height });
          const context = canvas.getContext('2d') as CanvasRenderingContext2D;
          context.drawImage(image, 0, 0);
          return context.getImageData(0, 0, image.width, image.height).data;
        }),
      );
      const [u, v] = pixels as [Uint8ClampedArray, Uint8ClampedArray];
      if (u.length !== v.length) return 1;
      let count = 0;
      for (let i = 0; i < u.length; i += 4)
        if ([0, 1, 2].some(channel => Math.abs((u[i + channel] as number) - (v[i + channel] as number)) > 64)) count++;
      return count / (u.length / 4);
    },
    [a, b].map(bytes => bytes.toString('base64')),
  );

/** An SVG as the browser draws it in a page of its own, where nothing else is. */
export async function drawn(page: Page, svg: string): Promise<Buffer> {
  const [, width = '0', height = '0'] = /width="([\d.]+)" height="([\d.]+)"/.exec(svg) ?? [];
  await page.setContent(`<body style="margin:0">${svg}</body>`);
  await page.evaluate(() => document.fonts.ready);
  return page.screenshot({ clip: { x: 0, y: 0, width: Number(width), height: Number(height) } });
}
