import { expect, type Page } from '@playwright/test';
import { brief, canvas, cell, expectBars, figureName, LIGHT, openApp, stage, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const press = async (page: Page, ...keys: readonly string[]): Promise<void> => {
  for (const key of keys) await page.keyboard.press(key);
};

/** Runs an action of the command search by typing a part of its name. */
async function run(page: Page, words: string): Promise<void> {
  await press(page, 'Alt+b');
  await page.keyboard.type(words);
  await press(page, 'Enter');
}

test('the whole path without a pointer', async ({ page }) => {
  // The brief: tab through its words, open one, walk its choices.
  await press(page, 'Alt+1');
  await expect(brief(page).locator('[data-token="table"]')).toBeFocused();
  await press(page, 'Tab', 'Tab', 'Tab', 'Tab', 'Enter');
  await expect(page.getByRole('dialog', { name: 'Category' })).toBeVisible();
  await page.keyboard.type('valley');
  await press(page, 'Enter');
  await expect(brief(page)).toContainText('by valley as columns');
  await expect(brief(page).locator('[data-token="category"]')).toBeFocused();
  await press(page, 'Control+z');
  await expectBars(page, LIGHT.brass, 2);

  // The figure: arrow keys walk its marks and tell why.
  await press(page, 'Alt+2', 'ArrowRight');
  await expect(canvas(page)).toBeFocused();
  await expect(page.locator('.hover-card')).toContainText('Kettlemoor');
  await press(page, 'End');
  await expect(page.locator('.hover-card')).toContainText('Slate, because milk 23,890 L is the lowest of 20 huts (cue 1).');
  await press(page, 'Escape');
  await expect(page.locator('.hover-card')).toHaveCount(0);

  // The ledger: arrows, Enter on a sum opens its rows, Escape closes them.
  await press(page, 'Alt+3', 'ArrowRight', 'ArrowRight', 'ArrowDown', 'Enter');
  await expect(page.getByRole('group', { name: 'Rows behind the cell' })).toContainText('Mossgate, 24 rows');
  await press(page, 'Escape');
  await expect(page.getByRole('group', { name: 'Rows behind the cell' })).toHaveCount(0);
  await expect(cell(page, 1, 'milk')).toBeFocused();

  // Every action by name.
  await run(page, 'show plain');
  await expectBars(page, LIGHT.base, 20);
  await run(page, 'undo');
  await expectBars(page, LIGHT.brass, 2);
  // Decisions of the brief too, by words of their own.
  await run(page, 'aspect');
  await expect(page.getByRole('dialog', { name: 'Proportions' })).toBeVisible();
  await press(page, 'Escape');
  await expect(brief(page).locator('[data-token="proportion"]')).toBeFocused();
  await run(page, 'new figure');
  await expect(figureName(page)).toHaveText('Milk by week');
  const download = page.waitForEvent('download');
  await run(page, 'csv');
  expect((await download).suggestedFilename()).toBe('milk-by-week.csv');
});

test('filters by keyboard', async ({ page }) => {
  await stage(page).getByRole('button', { name: 'Filter', exact: true }).focus();
  await press(page, 'Enter', 'ArrowDown', 'Enter');
  const chip = stage(page).getByRole('button', { name: /^valley:/ });
  await chip.focus();
  await press(page, 'Enter');
  await expect(page.getByRole('listbox', { name: 'valley' })).toBeFocused();
  await page.keyboard.type('sid');
  await press(page, 'Enter', 'Escape');
  await expect(chip).toBeFocused();
  await expectBars(page, LIGHT.brass, 1);
});

test('dark dresses page and figure alike, and stays after a reload', async ({ page }) => {
  await page.getByRole('button', { name: 'Switch to dark' }).click();
  await expectBars(page, '#e6aa35', 2);
  await page.reload();
  await expectBars(page, '#e6aa35', 2);
  expect(await page.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe('rgb(14, 25, 22)');
});
