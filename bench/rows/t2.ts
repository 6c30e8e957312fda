import type { Page } from '@playwright/test';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { BenchRow } from '../measure';
import { median } from '../measure';
import { withServedApp } from '../served-app';

// The code of the page is compiled after some.
const [CHANGES, WARM_UP] = [80, 40];
// A key that is held down comes again after so long, in milliseconds.
const APART_MS = 33;
// Cells that the change colours anew.
const COLOURED = 66;

/** A cue's change on a crosstab of 1,200 cells and more in the built application: from the key to the frame that shows it. */
export const t2: BenchRow = {
  name: 'T2',
  work: 'a cue’s change on 1,200 cells, in the built application: from the key to the frame that shows it, at the pace of a key that is held',
  reach: 'within a frame',
  run: () =>
    withServedApp(async (_browser, page, url) => {
      await page.goto(url);
      await page.locator('.ag-cell').first().waitFor();
      await page.getByRole('button', { name: 'Open', exact: true }).click();
      await page.getByLabel('File', { exact: true }).setInputFiles(projectFile());
      const cells = page.locator('cb-stage td[data-cell]');
      await cells.first().waitFor();
      const all = Number(await page.locator('cb-stage table').getAttribute('aria-rowcount'));
      // Only columns that are seen are in the page.
      const names = await page.locator('cb-stage tbody tr[data-row]').first().locator('th').count();
      const across = Number(await page.locator('cb-stage table').getAttribute('aria-colcount')) - names;
      await changeStep(page);
      const [times, bare]: [number[], number[]] = [[], []];
      for (let change = 0; change < CHANGES; change++) {
        times.push(await timedKey(page, change % 2 === 0 ? 'z' : 'Z'));
        await page.waitForTimeout(APART_MS);
        bare.push(await timedPaint(page));
        await page.waitForTimeout(APART_MS);
      }
      const shown = await cells.count();
      return [
        {
          at: '',
          timings: [],
          notes: [
            `${all * across} cells, ${shown} of them in the page: median ${median(times.slice(WARM_UP)).toFixed(1)} ms from the key to the cells' new colours, the worst ${Math.max(...times.slice(WARM_UP)).toFixed(1)} ms`,
            `floor: as many cells of the same page coloured by a line of script: median ${median(bare.slice(WARM_UP)).toFixed(1)} ms to the frame`,
          ],
        },
      ];
    }),
};

/** The sample with one figure first: every hut by every week, three measures, no totals left out. */
function projectFile(): string {
  const from = fileURLToPath(new URL('../../demo/data/highmeadow.json', import.meta.url));
  const bundle = JSON.parse(readFileSync(from, 'utf8')) as {
    project: { id: string; figures: { id: string; data: Record<string, unknown>; crosstab: Record<string, unknown> }[] };
  };
  const figure = bundle.project.figures.find(({ id }) => id === 'milk-table');
  if (!figure) throw new Error('the sample has no crosstab');
  const measure = (name: string, formula: string) => ({ name, formula, shape: null, axis: 'first', format: null });
  const measures = [measure('milk', 'sum(milk)'), measure('butterfat', 'sum(butterfat)'), measure('cows', 'max(cows)')];
  const whole = { ...figure, data: { ...figure.data, seriesStep: null, measures }, crosstab: { ...figure.crosstab, top: [] } };
  const file = join(mkdtempSync(join(tmpdir(), 'cowbell-t2-')), 'cells.json');
  writeFileSync(file, JSON.stringify({ ...bundle, project: { ...bundle.project, id: 'cells', figures: [whole] } }));
  return file;
}

/** Changes the number of the cue's step, so that undo and redo go to and fro between two pictures. */
async function changeStep(page: Page): Promise<void> {
  await page.locator('[data-token="edge:0"]').click();
  await page.getByRole('dialog').locator('input').fill('3000');
  await page.keyboard.press('Enter');
  await page.waitForTimeout(500);
}

/** Presses a key with Ctrl, and waits for the first cell that looks otherwise and the frame after it. Milliseconds. */
const timedKey = (page: Page, key: 'z' | 'Z'): Promise<number> =>
  page.evaluate(
    key =>
      new Promise<number>((resolve, reject) => {
        const table = document.querySelector('cb-stage table') as HTMLElement;
        const start = performance.now();
        const observer = new MutationObserver(() => {
          observer.disconnect();
          requestAnimationFrame(() => resolve(performance.now() - start));
        });
        observer.observe(table, { attributes: true, subtree: true, attributeFilter: ['style', 'class'] });
        setTimeout(() => reject(new Error('no cell has changed')), 3_000);
        document.body.dispatchEvent(
          new KeyboardEvent('keydown', { key: key === 'Z' ? 'Z' : 'z', ctrlKey: true, shiftKey: key === 'Z', bubbles: true }),
        );
      }),
    key,
  );

/** Colours as many cells as the cue does, with nothing computed, and waits for the frame. Milliseconds. */
const timedPaint = (page: Page): Promise<number> =>
  page.evaluate(
    count =>
      new Promise<number>(resolve => {
        const cells = [...document.querySelectorAll<HTMLElement>('cb-stage td[data-cell]')].slice(0, count);
        const before = cells.map(({ style }) => style.background);
        const start = performance.now();
        for (const cell of cells) cell.style.background = 'rebeccapurple';
        requestAnimationFrame(() => {
          resolve(performance.now() - start);
          cells.forEach((cell, at) => (cell.style.background = before[at] ?? ''));
        });
      }),
    COLOURED,
  );
