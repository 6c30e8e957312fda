import { expect, type Locator, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { addCue, brief, choose, columnTexts, drop, goTo, ledger, LIGHT, openApp, reveal, settled, stage, token, test } from './support';

const table = (page: Page): Locator => stage(page).getByRole('grid');
const cellTexts = (page: Page, row: number): Promise<string[]> => table(page).locator(`tr[data-row="${row}"] td`).allInnerTexts();
const nameTexts = (page: Page): Promise<string[]> => table(page).locator('tbody th:last-of-type').allInnerTexts();

async function openTable(page: Page, figure: string): Promise<void> {
  await openApp(page);
  await goTo(page, figure);
  await settled(page);
  await expect(table(page)).toBeVisible();
}

test('a crosstab is a table of real rows and heads, read cell by cell', async ({ page }) => {
  await openTable(page, 'Milk by month');
  await expect(table(page).getByRole('columnheader').first()).toHaveText('valley');
  await expect(table(page).getByRole('rowheader').first()).toHaveText('Auvers Gap');
  expect(await cellTexts(page, 0)).toEqual(['3.0 kL', '13.9 kL', '20.2 kL', '18.9 kL', '17.5 kL', '18.1 kL', '2.6 kL', '94.2 kL']);
  // The whole, worked out from the demo's table by a program of its own.
  await expect(table(page).locator('tr.row-total td').last()).toHaveText('1,113.5 kL');
});

test('is walked by keys, tells what can be done with a cell, and gives the focus back', async ({ page }) => {
  await openTable(page, 'Milk by month');
  const cell = (at: number): Locator => table(page).locator(`[data-cell="${at}"]`);
  await cell(0).focus();
  for (const key of ['ArrowRight', 'ArrowDown', 'ArrowDown', 'ArrowLeft']) await page.keyboard.press(key);
  await expect(cell(16)).toBeFocused();
  await page.keyboard.press('Control+End');
  await expect(table(page).locator('tr.row-total td').last()).toBeFocused();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('End');
  await page.keyboard.press('ArrowLeft');
  await expect(cell(6)).toBeFocused();
  // The hover card says what the cell holds.
  await expect(stage(page).locator('.hover-card')).toContainText('Kettlemoor');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Mark' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(cell(6)).toBeFocused();
});

test('a figure changes to a crosstab and back, and nothing of it is lost', async ({ page }) => {
  await openApp(page);
  await reveal(page, 'align:0');
  const before = await brief(page).innerText();
  await choose(page, 'mark', 'a crosstab');
  await expect(table(page)).toBeVisible();
  await expect(stage(page).locator('canvas')).toHaveCount(0);
  await choose(page, 'across', 'week');
  await choose(page, 'outer:0', 'valley');
  await expect(brief(page)).toContainText('within valley, across week month by month as a crosstab');
  await choose(page, 'across', 'its measures alone');
  await choose(page, 'outer:0', 'nothing');
  await choose(page, 'mark', 'columns');
  await expect(stage(page).locator('cb-figure-canvas canvas').first()).toBeVisible();
  expect(await brief(page).innerText()).toBe(before);
});

test('cues colour cells, texts and bars; steps wear named looks that follow in every figure', async ({ page }) => {
  await openTable(page, 'Milk by month');
  const june = table(page).locator('[data-cell="2"]');
  await expect(june).toHaveCSS('background-color', rgb(LIGHT.pasture));
  await choose(page, 'paints', 'their text');
  await expect(june).toHaveCSS('color', rgb(LIGHT.pasture));
  await choose(page, 'paints', 'the cells');
  await brief(page).getByRole('button', { name: 'Named looks' }).click();
  const looks = page.getByRole('dialog', { name: 'Named looks' });
  await looks.getByLabel('Colour of full').selectOption('lake');
  await expect(june).toHaveCSS('background-color', rgb(LIGHT.lake));
  await looks.getByLabel('Name of look 2').fill('brimming');
  await looks.getByLabel('Name of look 2').press('Tab');
  await settled(page);
  await expect(june).toHaveCSS('background-color', rgb(LIGHT.lake));
  await page.keyboard.press('Escape');
  await goTo(page, 'Milk and fat share');
  const bar = table(page).locator('[data-bar] rect').first();
  await expect(bar).toHaveAttribute('fill', LIGHT.slate);
});

test('totals, the largest of a level, and the order of columns follow the brief', async ({ page }) => {
  await openTable(page, 'Milk by month');
  // A name that the row before has is silent, and heard by a screen reader.
  await expect(table(page).locator('tr.row-others th').first()).toHaveCSS('color', 'rgba(0, 0, 0, 0)');
  await choose(page, 'top:1', 'the 3 largest, the others together');
  // A valley of four has no others: one alone would be them.
  expect((await nameTexts(page)).slice(0, 4)).toEqual(['Kettlemoor', 'Juniper Rise', 'Larkstone', 'Inkle']);
  await choose(page, 'part-totals:0', 'left out');
  await expect(table(page).locator('tr.row-part')).toHaveCount(0);
  await choose(page, 'row-totals', 'before them');
  await expect(table(page).locator('thead th').nth(2)).toHaveText('Total');
  await choose(page, 'across-order', 'largest total first');
  await expect(table(page).locator('thead th').nth(3)).toHaveText('Jun 2031');
  await choose(page, 'column-totals', 'left out');
  await expect(table(page).locator('tr.row-total')).toHaveCount(0);
  // By hand it begins with what there is to arrange.
  await choose(page, 'across-order', 'by hand');
  await brief(page).locator('[data-token="across-hand"]').click();
  await expect(page.getByRole('dialog').getByRole('listitem')).toHaveCount(7);
});

test('levels of numbers go in bins of a width that is chosen', async ({ page }) => {
  await openTable(page, 'Milk by month');
  await choose(page, 'outer:0', 'cows');
  await choose(page, 'outer-step:0', 'in bins');
  await choose(page, 'outer-bin:0', 'of 10');
  await settled(page);
  await expect(brief(page)).toContainText('within cows in bins of 10');
  const levels = (await table(page).locator('tbody tr[data-row] th:first-of-type').allInnerTexts()).filter(name =>
    name.startsWith('from '),
  );
  expect(levels.length).toBeGreaterThan(1);
  for (const name of levels) expect(name).toMatch(/^from \d*0(, total)?$/);
});

test('a cue looks at totals, or rests where a table has no place for it and says so', async ({ page }) => {
  await openTable(page, 'Milk by month');
  await addCue(page, 'highest', 'extremes');
  await settled(page);
  const scopes = brief(page).locator('[data-token="scope"]').last();
  await scopes.click();
  await page.getByRole('dialog').getByRole('option', { name: 'among the totals of rows', exact: true }).click();
  await settled(page);
  // Two huts share the highest total.
  await expect(table(page).locator('td.marked', { hasText: '94.2 kL' })).toHaveCount(2);
  await addCue(page, 'band', 'band');
  await expect(brief(page)).toContainText('A crosstab has no place for its band');
});

test('totals that a cue looks at stand in the ledger with its helper columns, and cannot be edited', async ({ page }) => {
  await openTable(page, 'Milk by month');
  await addCue(page, 'highest', 'extremes');
  await settled(page);
  const parts = ledger(page).getByRole('radiogroup', { name: 'Rows of the ledger' });
  await expect(parts).toHaveCount(0);
  await brief(page).locator('[data-token="scope"]').last().click();
  await page.getByRole('dialog').getByRole('option', { name: 'among the totals of rows', exact: true }).click();
  await settled(page);
  await parts.getByRole('radio', { name: 'Totals of rows' }).click();
  // The ones that are marked in the table, and no others.
  await expect.poll(async () => (await columnTexts(page, 'highest')).filter(text => text !== '·')).toEqual(['94.2 kL', '94.2 kL']);
  const marked = await columnTexts(page, 'highest');
  expect((await columnTexts(page, 'milk')).filter((_, row) => marked[row] !== '·')).toEqual(['94.2 kL', '94.2 kL']);
  const cell = ledger(page).locator('.ag-cell[col-id="milk"]').first();
  await cell.dblclick();
  await expect(ledger(page).locator('.ag-cell input')).toHaveCount(0);
  await expect(ledger(page)).toContainText('a total, computed from its rows');
  await ledger(page)
    .getByRole('button', { name: /Formula of highest/ })
    .click();
  await expect(ledger(page).locator('[data-formula]')).toContainText('max(milk) over ()');
  await expect(ledger(page).getByRole('button', { name: 'Copy as SQL' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  // Back to the cells when no cue looks at totals any more.
  await page.keyboard.press('Control+z');
  await expect(parts).toHaveCount(0);
  await expect(ledger(page)).toContainText('140 rows');
  // Columns of periods are written as periods.
  expect((await columnTexts(page, 'week')).slice(0, 2)).toEqual(['Apr 2031', 'May 2031']);
});

test('heads stay where they are while rows scroll; only rows that are seen are in the page', async ({ page }) => {
  await openTable(page, 'Milk by month');
  await choose(page, 'category', 'week');
  await choose(page, 'top:1', 'all of them');
  const rows = Number(await table(page).getAttribute('aria-rowcount'));
  expect(rows).toBeGreaterThan(100);
  expect(await table(page).locator('tbody tr[data-row]').count()).toBeLessThan(70);
  const head = table(page).locator('thead');
  const top = (await head.boundingBox())?.y;
  await table(page).locator('[data-cell="0"]').focus();
  await page.keyboard.press('Control+End');
  await expect(table(page).locator('tr.row-total td').last()).toBeFocused();
  expect((await head.boundingBox())?.y).toBe(top);
});

test('long names of rows are cut, or wrapped onto two lines; the whole text is in the hover', async ({ page }) => {
  const long = 'The northern communal dairy of the upper meadows beyond the pass';
  await openTable(page, 'Milk by month');
  await drop(page, 'dairies.csv', `dairy,milk\n${long},3\nAlm,5\n`);
  await choose(page, 'mark', 'a crosstab');
  const name = table(page).getByRole('rowheader', { name: long });
  const row = table(page).locator('tr[data-row="0"]');
  await expect(name).toHaveAttribute('title', long);
  const before = (await row.boundingBox())?.height ?? 0;
  await choose(page, 'row-names', 'wrapped onto two lines');
  expect((await row.boundingBox())?.height ?? 0).toBeGreaterThan(before + 10);
  await expect(brief(page)).toContainText('Long names are wrapped onto two lines.');
  await choose(page, 'row-names', 'cut off');
  expect((await row.boundingBox())?.height).toBeCloseTo(before, 0);
});

test('only columns that are seen are in the page; keys bring the others, and Tab comes back to what is seen', async ({ page }) => {
  await openTable(page, 'Milk by month');
  await choose(page, 'across-step', 'value by value');
  const cells = table(page).locator('tr[data-row="0"] td[data-cell]');
  const all = Number(await table(page).getAttribute('aria-colcount'));
  expect(all).toBe(27);
  expect(await cells.count()).toBeLessThan(all - 10);
  await cells.first().focus();
  await page.keyboard.press('End');
  const last = table(page).locator('[data-cell="24"]');
  await expect(last).toBeFocused();
  await expect(last).toHaveAttribute('aria-colindex', '27');
  await expect(last).toBeInViewport({ ratio: 1 });
  await expect(last).toHaveText('94.2 kL');
  // What stands before them keeps its room: heads and cells are above each other.
  const head = await table(page).locator('thead th').last().boundingBox();
  expect((await last.boundingBox())?.x).toBeCloseTo(head?.x ?? 0, 0);
  await last.press('Home');
  await expect(table(page).locator('[data-cell="0"]')).toBeFocused();
  // Scrolled away from where keys stood, Tab comes to a cell that is there.
  await table(page).locator('[data-cell="0"]').hover();
  await page.mouse.wheel(4000, 0);
  await expect(table(page).locator('[data-cell="0"]')).toHaveCount(0);
  await expect(table(page).locator('[data-cell][tabindex="0"]')).toHaveCount(1);
});

test('hands itself over as cells, CSV, HTML, PNG and PDF', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await openTable(page, 'Milk by month');
  const saved = async (name: RegExp): Promise<Buffer> => {
    await page.getByRole('button', { name: 'Hand over' }).click();
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('dialog').getByRole('button', { name }).click()]);
    return readFile(await download.path());
  };
  await page.getByRole('button', { name: 'Hand over' }).click();
  await page.getByRole('button', { name: /^Copy its cells/ }).click();
  await expect(page.locator('cb-notices')).toContainText('Copied');
  const lines = (await page.evaluate(() => navigator.clipboard.readText())).split(/\r?\n/);
  expect(lines[0]).toBe('valley\thut\tApr 2031\tMay 2031\tJun 2031\tJul 2031\tAug 2031\tSep 2031\tOct 2031\tTotal');
  expect(lines[1]?.split('\t').at(-1)).toBe('94190');
  expect((await saved(/^CSV of the crosstab/)).toString()).toContain('Auvers Gap,Kettlemoor,');
  const html = (await saved(/^HTML/)).toString();
  expect(html).toContain('<th scope="row">Kettlemoor</th>');
  expect(html).not.toMatch(/<script|https?:/);
  expect((await saved(/^PNG 2×/)).subarray(1, 4).toString()).toBe('PNG');
  const pdf = await saved(/^PDF/);
  expect([pdf.subarray(0, 5).toString(), pdf.includes('/Image')]).toEqual(['%PDF-', true]);
});

test('a crosstab of nothing says so, and a formula’s total is its own', async ({ page }) => {
  await openTable(page, 'Milk and fat share');
  // The ratio of all butterfat to all milk, never the mean of ratios.
  await expect(table(page).locator('tr.row-total td').nth(1)).toHaveText('4.10 %');
  await reveal(page, 'drawing:1');
  await choose(page, 'drawing:1', 'as numbers with small bars');
  await expect(table(page).locator('[data-bar]')).not.toHaveCount(20);
  await expect(token(page, 'drawing:1')).toHaveText('as numbers with small bars');
});

const rgb = (hex: string): string => `rgb(${[1, 3, 5].map(at => parseInt(hex.slice(at, at + 2), 16)).join(', ')})`;
