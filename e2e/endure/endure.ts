import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { seededRandom } from 'demo/random';
import { KillableBrowser } from './browser';

export interface Endured {
  readonly edits: number;
  readonly acknowledged: number;
  /** Edits that were told to be saved and were not there afterwards. */
  readonly lost: readonly string[];
  /** Edits not yet told to be saved that were there all the same. */
  readonly kept: number;
}

type Ending = 'kill' | 'close' | 'reload';

const ENDINGS: readonly Ending[] = ['kill', 'close', 'reload'];
// Bursts of edits come so far apart, in milliseconds; a burst of one is a single edit.
const BURSTS = [60, 400] as const;

/**
 * Edits one cell after another, and ends the browser or the page at random moments between 0 and 2,000 ms after an edit, by turns by killing,
 * closing and reloading. What was told to be saved before must be there when it is opened again.
 */
export async function endure(url: string, edits: number, seed: number): Promise<Endured> {
  const random = seededRandom(seed);
  const folder = mkdtempSync(join(tmpdir(), 'cowbell-endure-'));
  const browser = new KillableBrowser(folder);
  const [lost, told] = [[] as string[], { acknowledged: 0, kept: 0 }];
  let [made, round, page] = [0, 0, await browser.open(url)];
  await ready(page);
  while (made < edits) {
    const burst = Math.min(edits - made, random() < 0.5 ? 1 : 2 + Math.floor(random() * 3));
    let edited = 0;
    for (let i = 0; i < burst; i++) {
      if (i) await wait(page, BURSTS[0] + random() * (BURSTS[1] - BURSTS[0]));
      edited = await rename(page, `name ${++made}`);
    }
    await wait(page, random() * 2_000);
    const { until, name } = await seen(page);
    const saved = until >= edited;
    const ending = ENDINGS[round++ % ENDINGS.length] as Ending;
    page = await ended(browser, page, ending, url);
    await ready(page);
    const after = await seen(page);
    if (saved && after.name !== name) lost.push(`${name} after ${ending}: found ${after.name}`);
    told[saved ? 'acknowledged' : 'kept'] += saved || after.name === name ? burst : 0;
  }
  await browser.kill();
  rmSync(folder, { recursive: true, force: true });
  return { edits, lost, ...told };
}

async function ended(browser: KillableBrowser, page: Page, ending: Ending, url: string): Promise<Page> {
  switch (ending) {
    case 'kill':
      await browser.kill();
      return browser.open(url);
    case 'close': {
      const next = await page.context().newPage();
      await next.setViewportSize({ width: 1280, height: 800 });
      await page.close();
      await next.goto(url);
      return next;
    }
    case 'reload':
      await page.reload();
      return page;
  }
}

const wait = (page: Page, ms: number): Promise<void> => page.waitForTimeout(ms);

const ready = async (page: Page): Promise<void> => {
  await page.locator('cb-figure-canvas canvas').first().waitFor();
  await page.locator('.ag-cell').first().waitFor();
};

/** What the page says at one moment: the project's name, and until when everything is saved. */
const seen = (page: Page): Promise<{ readonly until: number; readonly name: string }> =>
  page.evaluate(() => ({
    until: Date.parse(document.querySelector<HTMLTimeElement>('header time[datetime]')?.dateTime ?? '') || 0,
    name: document.querySelector('[title="Rename the project"]')?.textContent?.trim() ?? '',
  }));

/** Renames the project as an analyst does, one edit each. Gives a time at which it has been made. */
async function rename(page: Page, name: string): Promise<number> {
  await page.getByTitle('Rename the project').click();
  await page.getByRole('textbox', { name: 'Name of the project' }).fill(name);
  await page.keyboard.press('Enter');
  return page.evaluate(() => Date.now());
}
