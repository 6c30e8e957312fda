import { expect, type Page } from '@playwright/test';
import { addCue, brief, drop, goTo, listenTo, openApp, openFigures, saved, stage, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const press = async (page: Page, ...keys: readonly string[]): Promise<void> => {
  for (const key of keys) await page.keyboard.press(key);
};

test('what matters is told once, in one live region: rows left, undo, switches, moves, figures; “saved” is not', async ({ page }) => {
  await expect(page.locator('[aria-live]:not(.cdk-live-announcer-element), [role="status"], [role="alert"]')).toHaveCount(0);
  const told = await listenTo(page);
  await page.getByRole('switch', { name: 'Cue 1 on' }).click();
  await expect.poll(told).toContain('Cue 1 off');
  await saved(page);
  await addCue(page, 'average', 'typical');
  await expect.poll(told).toContain('Cue 2 added');
  await brief(page).locator('[data-token="look:above:colour"]').focus();
  await press(page, 'Alt+ArrowUp');
  await expect.poll(told).toContain('Cue moved to place 1 of 2');
  await press(page, 'Control+z');
  await expect.poll(async () => (await told()).at(-1)).toMatch(/^Undone: /);
  await press(page, 'Alt+PageDown');
  await expect.poll(async () => (await told()).at(-1)).toMatch(/, 2 of \d+$/);
  await goTo(page, 'Tank levels');
  await openFigures(page);
  await press(page, 'Alt+ArrowUp');
  await expect.poll(async () => (await told()).at(-1)).toMatch(/^Tank levels moved to place \d+ of \d+$/);
  await press(page, 'Escape');
  expect((await told()).filter(words => /saved/i.test(words))).toEqual([]);
  expect(new Set(await told()).size).toBe((await told()).length);
});

test('what is undone is told, and what is done again', async ({ page }) => {
  const told = await listenTo(page);
  const last = async (): Promise<string | undefined> => (await told()).at(-1);
  await page.getByRole('switch', { name: 'Cue 1 on' }).click();
  await saved(page);
  await press(page, 'Control+z');
  await expect.poll(last).toMatch(/^Undone: /);
  await press(page, 'Control+Shift+z');
  await expect.poll(last).toMatch(/^Done again: /);
});

test('two moves of a cue before the first is drawn go two places', async ({ page }) => {
  const told = await listenTo(page);
  await addCue(page, 'average', 'typical');
  await addCue(page, 'band', 'band');
  await expect.poll(told).toContain('Cue 3 added');
  const line = brief(page).locator('cb-cue-line').nth(2);
  await line.evaluate(element => {
    for (let i = 0; i < 2; i++) element.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', altKey: true, bubbles: true }));
  });
  await expect.poll(told).toContain('Cue moved to place 1 of 3');
  await expect(brief(page).locator('cb-cue-line').first()).toContainText('Show the range');
});

test('the rows that a filter leaves, or that none is left', async ({ page }) => {
  await drop(page, 'a.csv', 'hut,milk\nAlm,1\nBerg,2\nCloud,3\n');
  await expect(brief(page)).toContainText('Take a, 3 rows');
  await stage(page).getByRole('button', { name: 'Filter', exact: true }).click();
  await page.getByRole('option', { name: 'hut', exact: true }).click();
  const told = await listenTo(page);
  await stage(page).getByRole('button', { name: /^hut:/ }).click();
  await page.getByRole('option', { name: /Alm/ }).click();
  await expect.poll(told).toContain('2 rows left');
  await page.getByRole('dialog').getByRole('button', { name: 'None' }).click();
  await expect.poll(told).toContain('No row passes the filters');
  await expect(brief(page)).toContainText('No row passes the filters, so there is nothing to mark.');
  await expect(brief(page)).not.toContainText('is missing');
});
