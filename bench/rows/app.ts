import type { Browser, Page } from '@playwright/test';
import type { BenchRow } from '../measure';
import { largeFile, longestTask, takeLargeFile, withServedApp } from '../served-app';

/** What the built application's main thread does while a large file comes in and is worked with. */
export const app: BenchRow = {
  name: 'APP',
  work: '1,000,000 rows × 8 columns opened in the built application, grouped and filtered',
  reach: 'progress at least 4 times a second; cancel within 200 ms; no main-thread task over 100 ms',
  run: async () => {
    const file = await largeFile();
    return withServedApp(async (browser, page, url) => [{ at: '', timings: [], notes: await used(browser, page, url, file) }]);
  },
};

declare const watched: { steps: number[] };

async function used(browser: Browser, page: Page, url: string, file: string): Promise<string[]> {
  await page.addInitScript(() => {
    const seen: typeof watched = { steps: [] };
    Object.assign(globalThis, { watched: seen });
    new MutationObserver(() => {
      const words = document.querySelector('progress')?.value;
      if (words !== undefined) seen.steps.push(performance.now());
    }).observe(document, { subtree: true, attributes: true, childList: true, characterData: true });
  });
  await page.goto(url);
  await page.locator('.ag-cell').first().waitFor();
  await page.waitForTimeout(1000);
  const open = async (): Promise<void> => {
    await page.getByRole('button', { name: 'Open', exact: true }).click();
    await page.getByLabel('File', { exact: true }).setInputFiles(file);
  };

  await open();
  await page.locator('progress').waitFor();
  await page.waitForTimeout(600);
  const cancelled = await page.evaluate(async () => {
    const button = [...document.querySelectorAll('button')].find(item => item.textContent?.trim() === 'Cancel');
    const start = performance.now();
    button?.click();
    while (document.querySelector('progress')) await new Promise(requestAnimationFrame);
    return performance.now() - start;
  });
  await page.waitForTimeout(300);
  await page.evaluate(() => void (watched.steps = []));
  let seconds = 0;
  const opening = await longestTask(browser, page, async () => {
    const start = Date.now();
    await takeLargeFile(page, file);
    seconds = (Date.now() - start) / 1000;
    await page.waitForTimeout(500);
  });
  const { steps } = await page.evaluate(() => watched);
  const gaps = steps.slice(1).map((step, i) => step - (steps[i] as number));
  const each: string[] = [];
  const choose = async (token: string, option: string): Promise<void> => {
    const longest = await longestTask(browser, page, async () => {
      await page.locator(`[data-token="${token}"]`).first().click();
      await page.getByRole('dialog').getByRole('option', { name: option, exact: true }).click();
      await page.waitForTimeout(1200);
    });
    each.push(`${option} ${longest}`);
  };
  await choose('category', 'valley');
  await choose('measure:0', 'butterfat');
  await choose('category', 'day');
  await page.getByRole('button', { name: 'Finer settings of shape' }).click();
  await choose('step', 'month by month');
  await page.locator('cb-stage').getByRole('button', { name: 'Filter', exact: true }).click();
  await page.getByRole('option', { name: 'hut', exact: true }).click();
  await page.locator('cb-stage').getByRole('button', { name: /^hut:/ }).click();
  const filtering = await longestTask(browser, page, async () => {
    await page.getByRole('option', { name: /Ashlatch/ }).click();
    await page.waitForTimeout(1200);
  });
  return [
    `opened in ${seconds.toFixed(1)} s, progress ${(steps.length / seconds).toFixed(0)} times a second, longest wait ${Math.max(0, ...gaps).toFixed(0)} ms`,
    `cancelled in ${cancelled.toFixed(0)} ms`,
    `longest main-thread task while opening ${opening}, while choosing ${each.join(', ')}, a filter ${filtering}`,
  ];
}
