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

const ROWS = 1_000_000;
const PORT = 4733;
const root = fileURLToPath(new URL('..', import.meta.url));

/** Serves the built application, and opens a browser beside it for one piece of work. */
export async function withServedApp<T>(work: (browser: Browser, page: Page, url: string) => Promise<T>): Promise<T> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], { cwd: root, env: { ...process.env, PORT: String(PORT) } });
  await once(server.stdout, 'data');
  const flags = JSON.parse(readFileSync(`${root}tools/chromium-flags.json`, 'utf8')) as string[];
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: flags.filter(flag => flag !== '--headless') });
  try {
    return await work(browser, await browser.newPage({ viewport: { width: 1280, height: 800 } }), `http://127.0.0.1:${PORT}/`);
  } finally {
    await browser.close();
    server.kill();
  }
}

/** A table of a million rows and eight columns as a file. */
export async function largeFile(): Promise<string> {
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

/** Opens the large file and takes it as it is read; done once its figure's sentence stands. */
export async function takeLargeFile(page: Page, file: string): Promise<void> {
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page.getByLabel('File', { exact: true }).setInputFiles(file);
  await page.locator('[data-take]:enabled').click({ timeout: 120_000 });
  await page.getByText('Take million, 1,000,000 rows').waitFor({ timeout: 120_000 });
}

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly pid: number;
  readonly tid: number;
  readonly dur?: number;
  readonly tdur?: number;
  readonly args?: { readonly name?: string };
}

/** A task of the page's main thread, in milliseconds: from its begin to its end, and by the thread's own clock, without waiting for a processor. */
export interface MainTask {
  readonly lasted: number;
  readonly own: number;
}

/** Tasks of the page's main thread while `work` ran, from Chromium's own trace, the longest first. */
export async function mainTasks(browser: Browser, page: Page, work: () => Promise<void>): Promise<readonly MainTask[]> {
  await browser.startTracing(page, { categories: ['devtools.timeline', 'disabled-by-default-devtools.timeline', 'toplevel'] });
  await work();
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: TraceEvent[] };
  const mains = traceEvents.filter(({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain');
  const tasks = traceEvents.filter(
    ({ name, ph, pid, tid }) => name === 'RunTask' && ph === 'X' && mains.some(main => main.pid === pid && main.tid === tid),
  );
  if (tasks.length === 0) throw new Error('the trace has no task of the main thread');
  return tasks.map(({ dur = 0, tdur = dur }) => ({ lasted: dur / 1000, own: tdur / 1000 })).sort((a, b) => b.lasted - a.lasted);
}

/** The longest task of the page's main thread while `work` ran. */
export async function longestTask(browser: Browser, page: Page, work: () => Promise<void>): Promise<string> {
  const [longest] = await mainTasks(browser, page, work);
  return `${longest?.lasted.toFixed(0)} ms`;
}
