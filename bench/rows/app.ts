import { chromium, type Browser, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { createWriteStream, mkdtempSync, readFileSync } from 'node:fs';
import { once } from 'node:events';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { isoDate } from 'core/table';
import { huts } from 'demo/places';
import { seededRandom } from 'demo/random';
import type { BenchRow } from '../measure';

const ROWS = 1_000_000;
const PORT = 4733;
const root = fileURLToPath(new URL('../..', import.meta.url));

/** What the built application's main thread does while a large file comes in and is worked with. */
export const app: BenchRow = {
  name: 'APP',
  work: '1,000,000 rows × 8 columns opened in the built application, grouped and filtered',
  reach: 'progress at least 4 times a second; cancel within 200 ms; no main-thread task over 100 ms',
  run: async () => {
    const file = await largeFile();
    const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
      cwd: root,
      env: { ...process.env, PORT: String(PORT) },
    });
    await once(server.stdout, 'data');
    const flags = JSON.parse(readFileSync(`${root}tools/chromium-flags.json`, 'utf8')) as string[];
    const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: flags.filter(flag => flag !== '--headless') });
    try {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      return [{ at: '', timings: [], notes: await used(browser, page, file) }];
    } finally {
      await browser.close();
      server.kill();
    }
  },
};

async function largeFile(): Promise<string> {
  const file = join(mkdtempSync(join(tmpdir(), 'cowbell-app-')), 'million.csv');
  const random = seededRandom(8);
  const out = createWriteStream(file);
  out.write('hut,valley,day,milk,planned_milk,butterfat,cows,open\n');
  let chunk = '';
  for (let row = 0; row < ROWS; row++) {
    const { hut, valley } = huts[Math.floor(random() * huts.length)] as (typeof huts)[number];
    const milk = random() < 0.02 ? '' : (random() * 5000).toFixed(0);
    chunk += `${hut},${valley},${isoDate(22_000 + Math.floor(random() * 700))},${milk},${(random() * 5000).toFixed(0)},${(random() * 200).toFixed(1)},${Math.floor(random() * 60)},${random() < 0.5 ? 'yes' : 'no'}\n`;
    if (row % 20_000 === 0) {
      if (!out.write(chunk)) await once(out, 'drain');
      chunk = '';
    }
  }
  out.end(chunk);
  await once(out, 'finish');
  return file;
}

declare const watched: { steps: number[] };

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly pid: number;
  readonly tid: number;
  readonly dur?: number;
  readonly args?: { readonly name?: string };
}

/** The longest task on the page's main thread while `work` ran, from Chromium's own trace, in milliseconds. */
async function longestTask(browser: Browser, page: Page, work: () => Promise<void>): Promise<string> {
  await browser.startTracing(page, { categories: ['devtools.timeline', 'disabled-by-default-devtools.timeline', 'toplevel'] });
  await work();
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: TraceEvent[] };
  const mains = traceEvents.filter(({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain');
  const tasks = traceEvents.filter(
    ({ name, ph, pid, tid }) => /RunTask$/.test(name) && ph === 'X' && mains.some(main => main.pid === pid && main.tid === tid),
  );
  if (tasks.length === 0) throw new Error('the trace has no task of the main thread');
  return `${Math.max(...tasks.map(task => (task.dur ?? 0) / 1000)).toFixed(0)} ms`;
}

async function used(browser: Browser, page: Page, file: string): Promise<string[]> {
  await page.addInitScript(() => {
    const seen: typeof watched = { steps: [] };
    Object.assign(globalThis, { watched: seen });
    new MutationObserver(() => {
      const words = document.querySelector('progress')?.value;
      if (words !== undefined) seen.steps.push(performance.now());
    }).observe(document, { subtree: true, attributes: true, childList: true, characterData: true });
  });
  await page.goto(`http://127.0.0.1:${PORT}/`);
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
    await open();
    await page.getByText('Take million, 1,000,000 rows').waitFor({ timeout: 120_000 });
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
  await choose('measure', 'butterfat');
  await choose('category', 'day');
  await choose('step', 'month by month');
  await page.locator('cb-stage').getByRole('button', { name: 'Filter', exact: true }).click();
  await page.getByRole('option', { name: 'hut', exact: true }).click();
  await page.locator('cb-stage').getByRole('button', { name: /^hut:/ }).click();
  const filtering = await longestTask(browser, page, async () => {
    await page.getByRole('checkbox', { name: /Ashlatch/ }).click();
    await page.waitForTimeout(1200);
  });
  return [
    `opened in ${seconds.toFixed(1)} s, progress ${(steps.length / seconds).toFixed(0)} times a second, longest wait ${Math.max(0, ...gaps).toFixed(0)} ms`,
    `cancelled in ${cancelled.toFixed(0)} ms`,
    `longest main-thread task while opening ${opening}, while choosing ${each.join(', ')}, a filter ${filtering}`,
  ];
}
