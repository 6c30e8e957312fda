import { expect } from '@playwright/test';
import { bars, brief, choose, columnTexts, expectBars, LIGHT, openApp, stage, test } from './support';

test.beforeEach(({ page }) => openApp(page));

test('the shape sentence changes measure, summary, category, order, direction and mark', async ({ page }) => {
  await choose(page, 'category', 'valley');
  await expectBars(page, LIGHT.brass, 1);
  await expectBars(page, LIGHT.quiet, 3);
  await choose(page, 'measure:0', 'butterfat');
  await expect(page.locator('.ag-header-cell[col-id="butterfat"]')).toBeVisible();
  await choose(page, 'order', 'smallest first');
  await expect.poll(async () => (await bars(page, LIGHT.slate))[0]?.at).toBeLessThan((await bars(page, LIGHT.brass))[0]?.at ?? 0);
  await choose(page, 'order', 'in table order');
  await expect.poll(() => columnTexts(page, 'valley')).toEqual(['Brackenfell', 'Tolm', 'Auvers Gap', 'Siddel', 'Nine Springs']);
  await choose(page, 'mark', 'lying bars');
  await expectBars(page, LIGHT.brass, 1, true);
  await choose(page, 'summary:0', 'averaged');
  await expect(brief(page)).toContainText('Show butterfat averaged by valley as lying bars, in table order.');
  await expect(page.locator('.ag-header-cell[col-id="average butterfat"]')).toBeVisible();
});

test('chips keep a valley and a range of weeks; figure, helpers and cue follow at once', async ({ page }) => {
  await stage(page).getByRole('button', { name: 'Filter', exact: true }).click();
  await page.getByRole('option', { name: 'valley' }).click();
  await stage(page)
    .getByRole('button', { name: /^valley:/ })
    .click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'None' }).click();
  await sheet.getByRole('option', { name: /Tolm/ }).click();
  await page.keyboard.press('Escape');
  await expect(stage(page).getByRole('button', { name: 'valley: Tolm', exact: true })).toBeVisible();
  await expectBars(page, LIGHT.quiet, 2);
  expect((await columnTexts(page, 'highest')).filter(text => text !== '·')).toHaveLength(1);

  await stage(page).getByRole('button', { name: 'Filter', exact: true }).click();
  await page.getByRole('option', { name: 'week' }).click();
  await stage(page).getByRole('button', { name: 'week: all' }).click();
  await page.getByRole('dialog').getByLabel('From').selectOption('2031-10-06');
  await page.getByRole('dialog').getByLabel('to', { exact: true }).selectOption('2031-10-06');
  await page.keyboard.press('Escape');
  // One week of one valley: Hollowmist's true zero is the lowest.
  await expect.poll(() => columnTexts(page, 'milk')).toContain('0');
  await expect.poll(async () => (await columnTexts(page, 'lowest')).filter(text => text !== '·')).toEqual(['0']);

  await stage(page).getByRole('button', { name: 'Take off the filter on valley' }).click();
  await expect.poll(async () => (await columnTexts(page, 'hut')).length).toBeGreaterThan(8);
});

test('a filter that keeps nothing says so and takes nothing away', async ({ page }) => {
  await stage(page).getByRole('button', { name: 'Filter', exact: true }).click();
  await page.getByRole('option', { name: 'valley' }).click();
  await stage(page)
    .getByRole('button', { name: /^valley:/ })
    .click();
  await page.getByRole('dialog').getByRole('button', { name: 'None' }).click();
  await page.keyboard.press('Escape');
  await expect(stage(page)).toContainText('No row passes the filters.');
  await stage(page).getByRole('button', { name: 'Take off the filter on valley' }).click();
  await expectBars(page, LIGHT.brass, 2);
});
