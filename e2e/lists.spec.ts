import { expect, type Page } from '@playwright/test';
import { brief, focused, openApp, stage, token, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const press = async (page: Page, ...keys: readonly string[]): Promise<void> => {
  for (const key of keys) await page.keyboard.press(key);
};
const active = (page: Page) => page.locator('[role="option"][data-active]');

test('a field with a list is its combobox: it controls it, marks what Enter takes, and is the one stop of Tab', async ({ page }) => {
  await page.getByRole('button', { name: 'Find an action' }).click();
  const field = page.getByRole('combobox', { name: 'What to do' });
  await expect(field).toBeFocused();
  await expect(field).toHaveAttribute('aria-expanded', 'true');
  await page.keyboard.type('show');
  await expect(active(page)).toHaveText(/Show the figure alone/);
  const list = await field.getAttribute('aria-controls');
  await expect(page.locator(`#${list}`)).toHaveRole('listbox');
  await expect(field).toHaveAttribute('aria-activedescendant', (await active(page).getAttribute('id')) ?? '');
  await press(page, 'ArrowDown');
  await expect(active(page)).toHaveText(/Show plain/);
  await expect(field).toBeFocused();
  await expect(page.locator('.cdk-live-announcer-element')).toHaveText(/^\d+ matches$/);
  await press(page, 'ArrowDown', 'ArrowDown', 'Enter');
  await expect(stage(page).getByRole('radio', { name: 'both' })).toBeChecked();
});

test('a list of which several are ticked is one too: found by typing, ticked by Enter, and it stays open', async ({ page }) => {
  await stage(page).getByRole('button', { name: 'Filter', exact: true }).click();
  await page.getByRole('option', { name: 'hut', exact: true }).click();
  await stage(page).getByRole('button', { name: /^hut:/ }).click();
  const field = page.getByRole('combobox', { name: 'Search values' });
  await expect(field).toBeFocused();
  const list = page.getByRole('listbox', { name: 'hut' });
  await expect(list).toHaveAttribute('aria-multiselectable', 'true');
  await expect(list.getByRole('option', { selected: true })).toHaveCount(20);
  await page.keyboard.type('moss');
  await expect(active(page)).toContainText('Mossgate');
  await press(page, 'Enter');
  await expect(list.getByRole('option', { name: /Mossgate/ })).toHaveAttribute('aria-selected', 'false');
  await expect(field).toBeFocused();
  // Keys faster than the screen speak of the list as typed: three in one task, before anything is drawn.
  await field.evaluate((element: HTMLInputElement) => {
    element.value = '';
    element.dispatchEvent(new Event('input', { bubbles: true }));
    for (const key of ['ArrowDown', 'Enter']) element.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  });
  await expect(list.getByRole('option', { selected: true })).toHaveCount(18);
  await press(page, 'Tab');
  await expect(page.getByRole('button', { name: 'All', exact: true })).toBeFocused();
});

test('a key in the very task that opens a list is taken by it', async ({ page }) => {
  // The columns may still be on their way when figure and ledger are there.
  await stage(page).getByRole('button', { name: 'Filter', exact: true }).click();
  await expect(active(page)).toHaveText('hut');
  await press(page, 'Escape');
  await page.evaluate(() => {
    document.querySelector<HTMLElement>('[data-acts="filter"]')?.click();
    for (const key of ['ArrowDown', 'Enter'])
      document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  });
  await expect(stage(page).getByRole('button', { name: /^valley:/ })).toBeVisible();
});

test('a sheet is a modal dialog by name; a short list is walked by arrows, Home and End, and by typing words with spaces', async ({
  page,
}) => {
  await token(page, 'order').focus();
  await press(page, 'Enter');
  await expect(page.getByRole('dialog', { name: 'Order' })).toHaveAttribute('aria-modal', 'true');
  await expect(page.getByRole('listbox', { name: 'Order' })).toBeFocused();
  await expect(active(page)).toHaveText('largest first');
  await press(page, 'End');
  await expect(active(page)).toHaveText('by hand');
  await press(page, 'Home');
  await expect(active(page)).toHaveText('largest first');
  await page.keyboard.type('by hand');
  await expect(active(page)).toHaveText('by hand');
  await press(page, 'Enter');
  await expect(brief(page)).toContainText('by hand');
});

test('a word is named by what it is and what it says, and shows it while it has the focus', async ({ page }) => {
  await expect(brief(page).getByRole('button', { name: 'Category: hut' })).toBeVisible();
  await press(page, 'Alt+1');
  const tip = await page.locator(':focus').evaluate(word => getComputedStyle(word, '::after').content);
  expect(tip).toContain(await page.locator(':focus').evaluate(word => word.getAttribute('data-about') ?? '?'));
});

test('a field keeps its keys: a select, a number, a group of radio buttons', async ({ page }) => {
  await stage(page).getByRole('button', { name: 'Filter', exact: true }).click();
  await page.getByRole('option', { name: 'week', exact: true }).click();
  await stage(page)
    .getByRole('button', { name: /^week:/ })
    .click();
  const from = page.getByLabel('From', { exact: true });
  await expect(from).toBeFocused();
  await expect(from.locator('option').nth(1)).toBeAttached();
  await press(page, 'ArrowDown');
  await expect(from).toBeFocused();
  await expect(from).not.toHaveValue('');
  // One stop for the group of ways to choose; arrows choose.
  const ways = page.getByRole('radiogroup', { name: 'How to choose' });
  await ways.getByRole('radio', { name: 'a range' }).focus();
  await press(page, 'ArrowRight');
  await expect(ways.getByRole('radio', { name: 'top' })).toBeFocused();
  await expect(ways.getByRole('radio', { name: 'top' })).toBeChecked();
  await press(page, 'Tab');
  const count = page.getByLabel('The', { exact: true });
  await expect(count).toBeFocused();
  await press(page, 'ArrowUp');
  await expect(count).toHaveValue('6');
  // Plain, cued and both likewise.
  await press(page, 'Escape');
  await stage(page).getByRole('radio', { name: 'cued' }).focus();
  await press(page, 'ArrowRight');
  await expect(stage(page).getByRole('radio', { name: 'both' })).toBeChecked();
});

test('Escape takes the innermost thing: completions before the desk, a cell’s editor before its panel', async ({ page }) => {
  await page.getByRole('button', { name: 'Helper column', exact: true }).click();
  const editor = page.locator('cb-formula-desk .cm-content');
  await expect(editor).toBeFocused();
  await page.keyboard.type('mil');
  await press(page, 'Control+Space');
  await expect(page.locator('.cm-tooltip-autocomplete')).toBeVisible();
  await press(page, 'Escape');
  await expect(page.locator('.cm-tooltip-autocomplete')).toHaveCount(0);
  await expect(editor).toHaveText(/mil$/);
  await press(page, 'Escape');
  await expect(editor).toHaveCount(0);
  await press(page, 'Alt+3', 'ArrowRight', 'ArrowRight', 'Enter');
  const rows = page.getByRole('group', { name: 'Rows behind the cell' });
  await rows.locator('.ag-cell[col-id="milk"]').first().dblclick();
  await expect(rows.locator('.ag-cell input')).toBeFocused();
  await press(page, 'Escape');
  await expect(rows.locator('.ag-cell input')).toHaveCount(0);
  await expect(rows).toBeVisible();
  await press(page, 'Escape');
  await expect(rows).toHaveCount(0);
  await expect.poll(() => focused(page)).not.toBe('page');
});
