import { expect, type Page } from '@playwright/test';
import { brief, choose, drop, openApp, stage, token, typeToken, test } from './support';

const count = (page: Page) => stage(page).locator('[data-checks]');
const list = (page: Page) => page.getByRole('dialog', { name: 'What may mislead' });

test.beforeEach(({ page }) => openApp(page));

test('what may mislead is counted beside the figure; each is a sentence with its mend, one step of undo', async ({ page }) => {
  await expect(count(page)).toBeHidden();
  await typeToken(page, 'low:first', '10,000');
  await expect(count(page)).toHaveText('1 check');
  await count(page).click();
  await expect(list(page)).toContainText('The axis leaves out zero, so that the lengths of bars do not compare.');
  await list(page).getByRole('button', { name: 'Keep zero' }).click();
  await expect(list(page)).toContainText('Nothing is left that may mislead.');
  await expect(brief(page)).not.toContainText('begins at 10,000');
  await page.keyboard.press('Escape');
  await expect(count(page)).toBeHidden();
  await page.keyboard.press('Control+z');
  await expect(brief(page)).toContainText('begins at 10,000');
  await expect(count(page)).toHaveText('1 check');
});

test('a check shows the word that decides it', async ({ page }) => {
  await typeToken(page, 'ceiling:first', '50,000');
  await expect(count(page)).toHaveText('1 check');
  await count(page).click();
  await list(page).getByRole('button', { name: 'Show the word' }).click();
  await expect(token(page, 'ceiling:first')).toHaveAttribute('aria-expanded', 'true');
});

test('a figure of its own has checks of its own; a percent too large is divided', async ({ page }) => {
  await drop(page, 'table.csv', 'shop,rate\nAda,45\nBo,60\nCy,52\n');
  await expect(brief(page)).toContainText('Take table, 3 rows');
  await expect(count(page)).toBeHidden();
  await page.getByRole('button', { name: 'Number formats' }).click();
  const formats = page.getByRole('dialog', { name: 'Number formats' });
  await formats.getByLabel('Name').fill('in percent');
  await formats.getByLabel('share as percent').check();
  await formats.getByRole('button', { name: 'Add it' }).click();
  await page.keyboard.press('Escape');
  await choose(page, 'format:0', 'as in percent');
  await expect(count(page)).toHaveText('1 check');
  await count(page).click();
  await expect(list(page)).toContainText('read a hundred times too large');
  await list(page)
    .getByRole('button', { name: /^Divide .*rate by a hundred$/ })
    .click();
  await expect(list(page)).toContainText('Nothing is left that may mislead.');
});
