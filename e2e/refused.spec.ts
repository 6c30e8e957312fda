import { expect, type Page } from '@playwright/test';
import { openApp, stage, typeToken, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const press = async (page: Page, ...keys: readonly string[]): Promise<void> => {
  for (const key of keys) await page.keyboard.press(key);
};

test('an error stays beside its field, tied to it, with what was typed', async ({ page }) => {
  await stage(page).getByRole('button', { name: 'Filter', exact: true }).click();
  await page.getByRole('option', { name: 'milk', exact: true }).click();
  await stage(page)
    .getByRole('button', { name: /^milk:/ })
    .click();
  const sheet = page.getByRole('dialog').last();
  const [from, to] = [sheet.getByLabel('From', { exact: true }), sheet.getByLabel('to', { exact: true })];
  await from.fill('abc');
  await press(page, 'Tab');
  await expect(sheet.locator('[data-fault]')).toContainText('“abc” is not a number');
  await expect(from).toHaveValue('abc');
  await expect(from).toHaveAccessibleDescription(/“abc” is not a number/);
  await from.fill('50');
  await to.fill('20');
  await press(page, 'Tab');
  await expect(sheet.locator('[data-fault]')).toContainText('From 50 to 20 runs backwards');
  await expect(to).toHaveValue('20');
  await sheet.getByRole('radio', { name: 'top' }).click();
  await sheet.getByLabel('The', { exact: true }).fill('0');
  await press(page, 'Tab');
  await expect(sheet.locator('[data-fault]')).toContainText('Keep at least one');
  await expect(sheet.getByLabel('The', { exact: true })).toHaveValue('0');
  await press(page, 'Escape');
  await typeToken(page, 'low:first', 'nonsense');
  await expect(page.getByRole('dialog').locator('[data-fault]')).toContainText('This cannot be read.');
  await expect(page.getByRole('dialog').getByRole('combobox')).toHaveValue('nonsense');
  await press(page, 'Escape');
  await page.getByRole('button', { name: 'Number formats' }).click();
  const formats = page.getByRole('dialog', { name: 'Number formats' });
  await formats.getByLabel('Decimals').fill('99');
  await expect(formats.locator('[data-fault]')).toContainText('“99” decimals cannot be written');
  await expect(formats.getByLabel('Decimals')).toHaveValue('99');
  await press(page, 'Escape', 'Alt+3', 'ArrowRight', 'ArrowRight', 'Enter');
  const rows = page.getByRole('group', { name: 'Rows behind the cell' });
  await rows.getByLabel(/^What if/).fill('plenty');
  await press(page, 'Enter');
  await expect(rows.locator('[data-fault]')).toContainText('“plenty” is not a number');
  await expect(rows.getByLabel(/^What if/)).toHaveValue('plenty');
  await press(page, 'Escape');
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page.getByLabel(/^Or paste rows here/).fill('hut;milk');
  await page.getByRole('dialog', { name: 'Open' }).getByRole('button', { name: 'Open the rows' }).click();
  await expect(page.getByRole('dialog').locator('[data-fault]')).toContainText('has a header line but no rows');
  await expect(page.getByLabel(/^Or paste rows here/)).toHaveValue('hut;milk');
});
