import { expect, test, type Page } from '@playwright/test';
import { endure } from './endure/endure';
import { brief, canvas, engineWorker, expectBars, figureName, goTo, ledger, LIGHT, notice, openApp, saved, stage } from './support';

/** `npm run endure` asks for the long form. */
const [EDITS, ROUNDS] = process.env['ENDURE'] === 'long' ? [200, 50] : [14, 6];

const nameOf = (page: Page) => page.getByTitle('Rename the project');

async function rename(page: Page, name: string): Promise<void> {
  await nameOf(page).click();
  await page.getByRole('textbox', { name: 'Name of the project' }).fill(name);
  await page.keyboard.press('Enter');
  await expect(nameOf(page)).toHaveText(name);
}

test('what was told to be saved is there after the browser is killed, closed or reloaded', async ({ baseURL }) => {
  test.setTimeout(EDITS * 12_000);
  const endured = await endure(baseURL ?? '', EDITS, 9);
  console.log(
    `${endured.acknowledged} of ${endured.edits} edits were told to be saved, ${endured.lost.length} of them lost; ${endured.kept} others were kept`,
  );
  expect(endured.lost).toEqual([]);
  expect(endured.acknowledged).toBeGreaterThan(EDITS / 3);
});

test('two tabs follow each other: of alternating edits none is lost, and undo takes back the last of either', async ({ context }) => {
  test.setTimeout(60_000 + ROUNDS * 6_000);
  const [first, second] = [await context.newPage(), await context.newPage()];
  await openApp(first);
  await openApp(second);
  const expectFigures = (page: Page, count: number) => expect(page.locator('[data-figures]')).toContainText(`of ${count}`);
  const before = Number(/of (\d+)/.exec(await first.locator('[data-figures]').innerText())?.[1]);
  for (let i = 1; i <= ROUNDS; i++) {
    const [here, there] = i % 2 ? [first, second] : [second, first];
    await here.getByRole('button', { name: 'New figure' }).click();
    await expectFigures(here, before + i);
    await rename(here, `round ${i}`);
    await expectFigures(there, before + i);
    await expect(nameOf(there)).toHaveText(`round ${i}`);
  }
  await second.getByRole('button', { name: 'Undo' }).click();
  await expect(nameOf(first)).toHaveText(`round ${ROUNDS - 1}`);
  // Both at once: neither waits for the other.
  await Promise.all([first, second].map(page => page.getByRole('button', { name: 'New figure' }).click()));
  for (const page of [first, second]) await expectFigures(page, before + ROUNDS + 2);
  await Promise.all([saved(first), saved(second)]);
  await first.close();
  await second.reload();
  await expectFigures(second, before + ROUNDS + 2);
  await expect(nameOf(second)).toHaveText(`round ${ROUNDS - 1}`);
});

test('a fault in the engine is said where it happens, other figures and undo go on, and the last good picture stays', async ({ page }) => {
  await openApp(page);
  const worker = engineWorker(page);
  const figure = await figureName(page).innerText();
  await worker.evaluate(() => {
    let first = '';
    (globalThis as { cowbellBefore?: (figure: string) => void }).cowbellBefore = id => {
      first ||= id;
      if (id === first) throw new Error('thrown by a test');
    };
  });
  await stage(page).getByRole('radio', { name: 'plain' }).click();
  await expect(stage(page).locator('[data-problem]')).toContainText('before the last change. This cannot be computed');
  await expectBars(page, LIGHT.brass, 2);
  await goTo(page, 'Above average');
  await expect(canvas(page)).toBeVisible();
  await expect(brief(page)).toContainText('average');
  await goTo(page, figure);
  await expect(stage(page).getByText('This cannot be computed')).toBeVisible();
  await worker.evaluate(() => delete (globalThis as { cowbellBefore?: unknown }).cowbellBefore);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expectBars(page, LIGHT.brass, 2);
  await saved(page);
  await page.reload();
  await expectBars(page, LIGHT.brass, 2);
});

test('a browser that keeps nothing is said once; the page opens and works, and the project can leave as a file', async ({ page }) => {
  await page.route('**/workers/*.js', async route => {
    const response = await route.fetch();
    await route.fulfill({ response, body: `Object.defineProperty(self, 'indexedDB', { value: undefined });\n${await response.text()}` });
  });
  await openApp(page);
  await expect(notice(page, /^This browser does not keep what you do/)).toHaveCount(1);
  await expect(page.getByText('not kept here')).toBeVisible();
  await rename(page, 'Unkept');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Hand over the project file' }).click();
  expect((await download).suggestedFilename()).toBe('unkept.json');
});

test('storage that is full for a while is written to again, and nothing done meanwhile is lost', async ({ page }) => {
  await openApp(page);
  await saved(page);
  const worker = engineWorker(page);
  await worker.evaluate(() => {
    const held = globalThis as { add?: IDBObjectStore['add'] };
    held.add = IDBObjectStore.prototype.add;
    IDBObjectStore.prototype.add = () => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
  });
  await rename(page, 'First');
  await expect(page.getByText('not kept here')).toBeVisible();
  await rename(page, 'Second');
  await worker.evaluate(() => {
    IDBObjectStore.prototype.add = (globalThis as { add?: IDBObjectStore['add'] }).add as IDBObjectStore['add'];
  });
  await saved(page);
  await page.reload();
  await expect(nameOf(page)).toHaveText('Second');
  await expect(ledger(page)).toBeVisible();
});
