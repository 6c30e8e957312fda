import { expect, type Page } from '@playwright/test';
import { brief, cell, choose, columnTexts, engineWorker, expectBars, goTo, ledger, LIGHT, openApp, stage, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const desk = (page: Page) => page.getByRole('group', { name: 'Formula desk' });
const editor = (page: Page) => desk(page).locator('.cm-content');

/** Writes a formula at the desk as an analyst does: open, name, type. */
async function write(page: Page, button: string, name: string | null, formula: string): Promise<void> {
  await page.getByRole('button', { name: button, exact: true }).click();
  await expect(editor(page)).toBeFocused();
  if (name !== null) await desk(page).getByLabel('called').fill(name);
  await editor(page).click();
  await page.keyboard.type(formula);
}
const use = (page: Page): Promise<void> => desk(page).getByRole('button', { name: 'Use it' }).click();

/** A helper column's formula in its sheet, which follows a change of the brief. */
async function expectFormula(page: Page, column: string, text: string): Promise<void> {
  await ledger(page)
    .getByRole('button', { name: `Formula of ${column}` })
    .click();
  await expect(page.getByRole('dialog')).toContainText(text);
  await page.keyboard.press('Escape');
}

test('the editor colours, completes, underlines faults, previews the first rows and a tiny chart', async ({ page }) => {
  await write(page, 'Compute a column', 'per cow', 'mil');
  await expect(page.locator('.cm-tooltip-autocomplete')).toContainText('milk');
  // A completion that has only just opened takes no Enter yet.
  await page.waitForTimeout(200);
  await page.keyboard.press('Enter');
  await page.keyboard.type(' / cwos');
  await expect(desk(page).locator('[data-verdict]')).toContainText('No column is called “cwos”. Did you mean cows?');
  await expect(editor(page).locator('.cm-lintRange-error')).toHaveText('cwos');
  await desk(page).getByRole('button', { name: 'Use it' }).click();
  await expect(desk(page)).toBeVisible();
  await editor(page).click();
  await page.keyboard.press('End');
  for (let i = 0; i < 4; i++) await page.keyboard.press('Backspace');
  await page.keyboard.type('case when cows > 0 then cows end');
  await expect(
    editor(page)
      .locator('span')
      .filter({ hasText: /^case$/ }),
  ).toHaveCSS('font-weight', '600');
  await expect(desk(page).locator('[data-verdict]')).toContainText('Gives a number.');
  // Ashlatch's first week: 2,125 litres from 34 cows.
  await expect(desk(page).getByRole('region', { name: 'First rows of the result' })).toContainText('62.5');
  await expect(desk(page).locator('cb-spark path')).toHaveAttribute('d', /^M/);
});

test('the function reference is searched and inserts examples; used formulas come back', async ({ page }) => {
  await write(page, 'Helper column', 'place', '');
  await desk(page).getByLabel('Search functions and columns').fill('ties share');
  await desk(page)
    .getByRole('listitem')
    .filter({ hasText: /^dense_rank/ })
    .click();
  await expect(editor(page)).toContainText('dense_rank() over (order by milk desc)');
  await use(page);
  await expect(ledger(page).locator('.ledger-name').filter({ hasText: 'place' })).toBeVisible();
  await expect.poll(async () => (await columnTexts(page, 'place')).slice(0, 4)).toEqual(['1', '1', '2', '3']);
  await page.getByRole('button', { name: 'Helper column', exact: true }).click();
  await expect(desk(page).getByRole('listitem').first()).toContainText('dense_rank() over (order by milk desc)');
  await page.keyboard.press('Escape');
  await expect(desk(page)).toHaveCount(0);
});

test('a derived column becomes a column of the table; a cycle and a taken name are told at their place', async ({ page }) => {
  await write(page, 'Compute a column', 'per cow', 'milk / cows');
  await use(page);
  await expect(brief(page)).toContainText('Take deliveries, 480 rows. Compute per cow.');
  await choose(page, 'measure:0', 'per cow');
  await choose(page, 'summary:0', 'averaged');
  await expectBars(page, LIGHT.brass, 1);
  await write(page, 'Compute a column', 'milk', '1');
  await use(page);
  await expect(desk(page).locator('[data-verdict]')).toContainText('A column is called milk already. Choose another name.');
  await desk(page).getByRole('button', { name: 'Cancel' }).click();
  await brief(page).getByRole('button', { name: 'per cow' }).first().click();
  await desk(page).getByRole('button', { name: 'Remove' }).click();
  await expect(brief(page)).not.toContainText('Compute per cow');
  await page.keyboard.press('Control+z');
  await expect(brief(page)).toContainText('Compute per cow');
});

test('a division by zero has no value, and the rows are counted', async ({ page }) => {
  await write(page, 'Compute a column', 'q', '1 / (milk - milk)');
  await expect(desk(page).locator('[data-verdict]')).toContainText('474 rows have no value');
  await use(page);
  await expect(brief(page)).toContainText('q has no value in 474 rows, by a division by zero or the like.');
});

test('a ratio is the ratio of sums', async ({ page }) => {
  await page.getByRole('button', { name: 'Measures', exact: true }).click();
  await page.getByRole('button', { name: 'by a formula…' }).click();
  await expect(editor(page)).toBeFocused();
  await desk(page).getByLabel('called').fill('fat share');
  await editor(page).click();
  await page.keyboard.type('sum(butterfat) / sum(milk)');
  await use(page);
  // Kettlemoor, by hand from the table: 3,828.5 kg of 94,190 L, 0.0406.
  await expect.poll(async () => Math.abs(Number((await columnTexts(page, 'fat share'))[0]) - 0.041)).toBeLessThan(0.006);
  await choose(page, 'panel', 'a panel per measure');
  await expect(brief(page)).toContainText('in a panel per measure');
});

test('“Use it” pressed at once waits for the trial: a fault keeps the desk open, what is right is taken', async ({ page }) => {
  await write(page, 'Helper column', 'share', 'milk / smu(milk)');
  await use(page);
  await expect(desk(page).locator('[data-verdict]')).toContainText('smu');
  await expect(editor(page)).toBeVisible();
  await editor(page).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('milk / sum(milk) over ()');
  await page.keyboard.press('Control+Enter');
  await expect(desk(page)).toHaveCount(0);
  await expect(brief(page)).toContainText('Compute share');
});

test('an error inside the engine is told at the desk; nothing of the formula before it is taken', async ({ page }) => {
  await write(page, 'Compute a column', 'double', 'milk * 2');
  const rows = page.getByRole('region', { name: 'First rows of the result' });
  await expect(desk(page).locator('[data-verdict]')).toContainText('Gives a number');
  await expect(rows.locator('tr')).not.toHaveCount(0);
  const worker = engineWorker(page);
  await worker.evaluate(() => {
    (globalThis as { cowbellBefore?: () => void }).cowbellBefore = () => {
      throw new Error('thrown by a test');
    };
  });
  await page.keyboard.type(' + 1');
  await expect(desk(page).locator('[data-verdict]')).toContainText('cannot be computed');
  await expect(rows.locator('tr')).toHaveCount(0);
  await use(page);
  await expect(desk(page)).toBeVisible();
  await expect(editor(page)).toHaveText('milk * 2 + 1');
  await worker.evaluate(() => delete (globalThis as { cowbellBefore?: unknown }).cowbellBefore);
  await editor(page).click();
  await page.keyboard.press('End');
  await page.keyboard.type('0');
  await expect(desk(page).locator('[data-verdict]')).toContainText('Gives a number');
  await use(page);
  await expect(desk(page)).toHaveCount(0);
  await expect(brief(page).locator('[data-token="derived:double"]')).toHaveAttribute('title', /milk \* 2 \+ 10/);
});

test('a scope token writes the window of a helper column', async ({ page }) => {
  await write(page, 'Helper column', 'share', 'milk / sum(milk)');
  await desk(page).getByLabel('looking').selectOption({ label: 'over the whole figure' });
  await use(page);
  await expectFormula(page, 'share', 'milk / sum(milk) over ()');
  await choose(page, 'helper-scope:0', 'within each valley');
  await expectFormula(page, 'share', 'milk / sum(milk) over (partition by valley)');
  await choose(page, 'helper-scope:0', 'along milk within each valley');
  await expectFormula(page, 'share', 'over (partition by valley order by milk)');
  await choose(page, 'helper-scope:0', 'within each valley');
  await choose(page, 'helper-shape:0', 'as points');
  await choose(page, 'order', 'largest share first');
  await expect.poll(async () => Number((await columnTexts(page, 'share'))[0])).toBeGreaterThan(0.3);
});

test('a fault behind a window that the scope wrote is underlined under its own words', async ({ page }) => {
  await write(page, 'Helper column', 'share', 'milk / sum(milk) + mlik');
  await desk(page).getByLabel('looking').selectOption({ label: 'within each valley' });
  await expect(desk(page).locator('.cm-lintRange-error')).toHaveText('mlik');
});

test('a formula keeps rows; everything follows', async ({ page }) => {
  await stage(page).getByRole('button', { name: 'Filter', exact: true }).click();
  await page.getByRole('button', { name: /where a formula is true/ }).click();
  await expect(editor(page)).toBeFocused();
  await page.keyboard.type("valley <> 'Tolm' and milk > 3000");
  await use(page);
  await expect(stage(page).getByRole('button', { name: /valley <> 'Tolm' and milk > 3000/ })).toBeVisible();
  await expect.poll(() => columnTexts(page, 'valley')).not.toContain('Tolm');
  await stage(page).getByRole('button', { name: 'Take off the filter on a formula' }).click();
  await expectBars(page, LIGHT.brass, 2);
});

test('number formats are named once and used in ledger, labels, hover and axis', async ({ page }) => {
  await page.getByRole('button', { name: 'Number formats' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Name').fill('hecto');
  await sheet.getByLabel('Behind').fill(' hL');
  await sheet.getByLabel('In units of').fill('100');
  await sheet.getByLabel('Decimals').fill('1');
  await sheet.getByRole('button', { name: 'Add it' }).click();
  await page.keyboard.press('Escape');
  await choose(page, 'format:0', 'as hecto');
  await expect(cell(page, 0, 'milk')).toHaveText('941.9 hL');
  await expect(cell(page, 0, 'highest')).toHaveText('941.9 hL');
  await page.keyboard.press('Alt+2');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.hover-card')).toContainText('941.9 hL is the highest');
  await goTo(page, 'Fat content by quarter');
  await expect(cell(page, 0, 'fat content')).toHaveText(/^\d\.\d\d %$/);
});

test('another figure closes the desk; what was not used waits as a draft', async ({ page }) => {
  await write(page, 'Compute a column', 'per cow', 'milk / cows');
  await page.keyboard.press('Alt+PageDown');
  await expect(desk(page)).toHaveCount(0);
  await page.keyboard.press('Alt+PageUp');
  await brief(page).getByRole('button', { name: 'Compute a column' }).click();
  await expect(editor(page)).toHaveText('milk / cows');
  await expect(desk(page).getByLabel('called')).toHaveValue('per cow');
  await expect(desk(page)).toContainText('Not used yet, from before.');
  await desk(page).getByRole('button', { name: 'Start again' }).click();
  await expect(editor(page)).not.toHaveText('milk / cows');
  await expect(desk(page)).not.toContainText('Not used yet');
});
