import { expect, type Page } from '@playwright/test';
import { addCue, brief, cell, drop, focused, ledger, openApp, settled, typeInto, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const press = async (page: Page, ...keys: readonly string[]): Promise<void> => {
  for (const key of keys) await page.keyboard.press(key);
};

test('the ledger is left by one Tab, either way', async ({ page }) => {
  await press(page, 'Alt+3', 'ArrowDown', 'ArrowRight');
  await expect(ledger(page).locator('.ag-cell:focus')).toHaveCount(1);
  await press(page, 'Tab');
  await expect(ledger(page).locator('.ag-cell:focus, .ag-header-cell:focus')).toHaveCount(0);
  await press(page, 'Alt+3', 'Shift+Tab');
  await expect(ledger(page).locator('.ag-cell:focus')).toHaveCount(0);
});

test('who has left the page by Tab is not fetched back by what changes in it', async ({ page }) => {
  await addCue(page, 'average', 'typical');
  await settled(page);
  // Nothing that can be reached stands behind the ledger.
  await press(page, 'Alt+3', 'ArrowDown', 'Control+z', 'Tab');
  await settled(page);
  await expect(ledger(page).locator('.ag-header-cell[col-id="average"]')).toHaveCount(0);
  await expect(page.locator(':focus')).toHaveCount(0);
});

test('it has a name, its rows have heads, and cells say what they are', async ({ page }) => {
  const grid = ledger(page).getByRole('grid', { name: 'Ledger' });
  await expect(grid).toBeVisible();
  await expect(grid.getByRole('rowheader', { name: 'Kettlemoor' })).toBeVisible();
  await expect(grid.getByRole('gridcell', { name: /missing/ }).first()).toBeAttached();
  await drop(page, 'a.csv', 'hut,milk\nAlm,1\nBerg,2\n');
  await expect(brief(page)).toContainText('Take a, 2 rows');
  await typeInto(page, cell(page, 0, 'milk'), '7');
  await expect(grid.getByRole('gridcell', { name: 'edited 7', exact: true })).toBeVisible();
});

test('Enter shows the formula of a helper column; search finds it, and its SQL', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await cell(page, 0, 'highest').click();
  await press(page, 'Enter');
  const formula = page.getByRole('dialog', { name: 'Formula of highest' });
  await expect(formula).toContainText('max(milk)');
  await press(page, 'Escape');
  await expect(cell(page, 0, 'highest')).toBeFocused();
  await press(page, 'Alt+b');
  await page.keyboard.type('formula of lowest');
  await press(page, 'Enter');
  await expect(page.getByRole('dialog', { name: 'Formula of lowest' })).toContainText('min(milk)');
  await press(page, 'Escape', 'Alt+b');
  await page.keyboard.type('lowest sql');
  await press(page, 'Enter');
  await expect(page.locator('cb-notices')).toContainText('Copied as SQL');
});

test('a head is reached by arrows: Enter shows a formula or sorts, the space bar sorts', async ({ page }) => {
  await cell(page, 0, 'highest').click();
  await press(page, 'ArrowUp');
  await expect(ledger(page).locator('.ag-header-cell:focus')).toHaveCount(1);
  await press(page, 'Enter');
  await expect(page.getByRole('dialog', { name: 'Formula of highest' })).toContainText('max(milk)');
  await press(page, 'Escape');
  await expect(ledger(page).locator('.ag-header-cell[col-id="highest"]')).toBeFocused();
  const before = await cell(page, 0, 'hut').innerText();
  await press(page, 'ArrowLeft', 'Enter');
  await expect(ledger(page).locator('.ag-header-cell[col-id="milk"]')).toHaveAttribute('aria-sort', 'ascending');
  await expect(cell(page, 0, 'hut')).not.toHaveText(before);
  await press(page, ' ');
  await expect(ledger(page).locator('.ag-header-cell[col-id="milk"]')).toHaveAttribute('aria-sort', 'descending');
});

test('after Enter the focus is on the cell that stood below, though the edit has moved its row', async ({ page }) => {
  await drop(page, 'a.csv', 'hut,milk\nAlm,40\nBerg,30\nCloud,20\nDale,10\n');
  await expect(brief(page)).toContainText('Take a, 4 rows');
  // Alm falls to the end: Berg, below it, is first then.
  await typeInto(page, cell(page, 0, 'milk'), '1');
  await expect(cell(page, 3, 'hut')).toHaveText('Alm');
  await expect(cell(page, 0, 'milk')).toBeFocused();
  await expect(cell(page, 0, 'hut')).toHaveText('Berg');
  await page.keyboard.type('25');
  await press(page, 'Enter');
  await expect(cell(page, 1, 'hut')).toHaveText('Cloud');
  await expect(cell(page, 1, 'milk')).toBeFocused();
  await expect.poll(() => focused(page)).not.toBe('page');
});
