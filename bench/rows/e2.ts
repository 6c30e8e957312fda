import type { Page } from '@playwright/test';
import type { BenchRow } from '../measure';
import { largeFile, mainTasks, takeLargeFile, withServedApp } from '../served-app';

// A second at 60 moves, five times.
const [MOVES, EVERY_MS] = [300, 1000 / 60];
// Of the main thread, for a move.
const MOST_MS = 16;

/** What is asked of the engine while a line is dragged: questions that are out at one moment, and in all. */
declare const asked: { now: number; most: number; all: number };

/** A line dragged over a large table in the built application. */
export const e2: BenchRow = {
  name: 'E2',
  work: '1,000,000 rows × 8 columns: a line dragged for 5 s, 60 moves a second, in the built application',
  reach: 'one question in flight, the last one always drawn, main thread ≤ 16 ms a move',
  run: async () => {
    const file = await largeFile();
    return withServedApp(async (browser, page, url) => {
      await page.addInitScript(countQuestions);
      await page.goto(url);
      await page.locator('.ag-cell').first().waitFor();
      await opened(page, file);
      const at = await draggableLine(page);
      let last = '';
      await page.mouse.down();
      await page.evaluate(() => Object.assign(asked, { most: asked.now, all: 0 }));
      const tasks = await mainTasks(browser, page, async () => {
        for (let move = 0; move < MOVES; move++) {
          const until = Date.now() + EVERY_MS;
          await page.mouse.move(at.x, at.y + 60 * Math.sin(move / 15));
          await new Promise(resolve => setTimeout(resolve, Math.max(0, until - Date.now())));
        }
        await page.mouse.up();
        await page.waitForTimeout(500);
        last = await page.locator('[data-token="level"]').last().innerText();
      });
      const { most, all } = await page.evaluate(() => asked);
      const drawn = await page.locator('cb-figure-canvas canvas[role="img"]').getAttribute('aria-label');
      const isDrawn = drawn?.includes(last) ? 'is drawn' : 'is NOT drawn';
      return [
        {
          at: '',
          timings: [],
          notes: [
            `main thread by its own clock: ${words(tasks.map(({ own }) => own))}`,
            `main thread with waiting for a processor: ${words(tasks.map(({ lasted }) => lasted))}`,
            `at most ${most} questions at once, ${all} in ${MOVES} moves; the last value ${isDrawn}`,
          ],
        },
      ];
    });
  },
};

/** Of tasks in milliseconds: what a move costs, words and numbers that follow included, and which are too long. */
function words(tasks: readonly number[]): string {
  const mean = tasks.reduce((sum, ms) => sum + ms, 0) / MOVES;
  const long = tasks.filter(ms => ms > MOST_MS).length;
  return `${mean.toFixed(1)} ms a move; ${long} of ${tasks.length} tasks longer than ${MOST_MS} ms, the longest ${Math.max(...tasks).toFixed(0)} ms`;
}

/** Watches the messages to workers for questions of pictures, and their answers. */
function countQuestions(): void {
  const count = { now: 0, most: 0, all: 0 };
  Object.assign(globalThis, { asked: count });
  const open = new Set<string>();
  // Heard before the page hears the answer, since it asks the next question then.
  globalThis.Worker = new Proxy(Worker, {
    construct(made, args) {
      const worker = Reflect.construct(made, args) as Worker;
      worker.addEventListener('message', event => {
        open.delete((event.data as { id?: string }).id ?? '');
        count.now = open.size;
      });
      return worker;
    },
  });
  const post = Reflect.get(Worker.prototype, 'postMessage') as (this: Worker, ...args: unknown[]) => void;
  Worker.prototype.postMessage = function (this: Worker, ...args: unknown[]): void {
    const message = args[0] as { id?: string; path?: readonly string[] };
    if (message.path?.[0] === 'picture' && message.id !== undefined) {
      const { id } = message;
      open.add(id);
      count.all++;
      count.now = open.size;
      count.most = Math.max(count.most, open.size);
    }
    post.apply(this, args);
  } as Worker['postMessage'];
}

async function opened(page: Page, file: string): Promise<void> {
  await takeLargeFile(page, file);
  await page.getByRole('button', { name: 'Add a cue' }).click();
  await page.getByRole('dialog').getByLabel('Find a cue').fill('reference');
  await page.getByRole('dialog').locator('[data-offer="reference"]').click();
  await page.locator('[data-token="level"]').last().click();
  await page.getByRole('dialog').locator('input').fill('60000000');
  await page.keyboard.press('Enter');
  // In the figure's words the line is there.
  await page.locator('cb-figure-canvas canvas[role="img"][aria-label*="60,000,000"]').waitFor();
  await page.waitForTimeout(500);
}

/** Where the pointer takes hold of the line: the cursor tells. */
async function draggableLine(page: Page): Promise<{ readonly x: number; readonly y: number }> {
  const canvas = page.locator('cb-figure-canvas canvas[role="img"]');
  const box = await canvas.boundingBox();
  if (!box) throw new Error('there is no figure');
  const x = box.x + box.width * 0.6;
  for (let y = box.y + 60; y < box.y + box.height - 40; y += 3) {
    await page.mouse.move(x, y);
    if ((await canvas.evaluate(element => element.style.cursor)) === 'ns-resize') return { x, y };
  }
  throw new Error('no line can be taken hold of');
}
