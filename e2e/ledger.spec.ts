import { expect } from '@playwright/test';
import { bars, brief, cell, columnTexts, expectBars, goTo, ledger, LIGHT, openApp, paste, typeInto, test } from './support';

test.beforeEach(({ page }) => openApp(page));

test('helper columns stand beside the data with their formulas', async ({ page }) => {
  const headers = await ledger(page).locator('.ledger-name').allInnerTexts();
  expect(headers).toEqual(['hut', 'valley', 'milk', 'highest', 'lowest', 'rest']);
  await ledger(page).getByRole('button', { name: 'Formula of highest' }).click();
  await expect(page.getByRole('dialog', { name: 'Formula of highest' })).toContainText('case when milk = max(milk) over () then milk end');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await ledger(page).getByRole('button', { name: 'rest', exact: true }).click();
  await expect.poll(async () => (await columnTexts(page, 'rest'))[0]).toBe('27,260');
});

test('a number typed into a cell of one row moves the highlight; the cell is marked and can be reset', async ({ page }) => {
  await goTo(page, 'Wheels by hut');
  await expect(cell(page, 1, 'hut')).toHaveText('Kettlemoor');
  await expectBars(page, LIGHT.brass, 1, true);
  const before = await bars(page, LIGHT.brass, true);
  await typeInto(page, cell(page, 1, 'wheels'), '2500');
  await expect(cell(page, 0, 'hut')).toHaveText('Kettlemoor');
  await expect(cell(page, 0, 'wheels')).toHaveClass(/ledger-edited/);
  await expect(cell(page, 0, 'highest')).toHaveText('2,500');
  await expectBars(page, LIGHT.brass, 1, true);
  // The axis grew with the new highest, so the old one is shorter now and quiet.
  expect(Math.max(...(await bars(page, LIGHT.quiet, true)).map(bar => bar.length))).toBeLessThan(before[0]?.length ?? 0);
  await cell(page, 0, 'wheels').click();
  await ledger(page).getByRole('button', { name: 'Reset the cell' }).click();
  await expect(cell(page, 0, 'hut')).toHaveText('Mossgate');
  await expect(cell(page, 1, 'wheels')).toHaveText('154');
});

test('a text where a number belongs is refused at its place and the value stays', async ({ page }) => {
  await goTo(page, 'Wheels by hut');
  await typeInto(page, cell(page, 1, 'wheels'), 'many');
  const refused = ledger(page).getByRole('group', { name: 'Not taken' });
  await expect(refused).toContainText('“many” is not a number, so wheels keeps its value.');
  await expect(cell(page, 1, 'wheels')).toHaveText('154');
  await expect(cell(page, 1, 'wheels')).toHaveAttribute('aria-invalid', 'true');
  await expect(cell(page, 1, 'wheels')).toHaveAccessibleDescription(/“many” is not a number/);
  // Beside its cell: neither it nor the one below, which has the focus, is covered.
  const [words, focus] = [await refused.boundingBox(), await ledger(page).locator('.ag-cell:focus').boundingBox()];
  expect((words?.x ?? 0) > (focus?.x ?? 0) + (focus?.width ?? 0) - 1 || (words?.x ?? 0) + (words?.width ?? 0) < (focus?.x ?? 0)).toBe(true);
  await refused.getByRole('button', { name: /^Type again: wheels of / }).click();
  await expect(cell(page, 1, 'wheels').locator('input')).toHaveValue('many');
  await page.keyboard.type('155');
  await page.keyboard.press('Enter');
  await expect(refused).toHaveCount(0);
  await expect(cell(page, 1, 'wheels')).toHaveText('155');
  // What is readable in a pasted block is taken; the rest is told, each with its text.
  await cell(page, 1, 'wheels').click();
  await paste(page, 'a few\n90\nsome');
  await expect(refused.getByRole('listitem')).toHaveText([/“a few” is not a number/, /“some” is not a number/]);
  await expect(ledger(page)).toContainText('90');
  await page.keyboard.press('Escape');
  await expect(refused).toHaveCount(0);
});

test('a pasted block edits several rows in one step of undo; an emptied cell is missing, not zero', async ({ page }) => {
  await goTo(page, 'Wheels by hut');
  await cell(page, 0, 'wheels').click();
  for (let down = 0; down < 17; down++) await page.keyboard.press('ArrowDown');
  await expect(cell(page, 17, 'wheels')).toHaveClass(/ag-cell-focus/);
  await paste(page, '300\n\n320');
  await page.keyboard.press('Control+Home');
  await expect(cell(page, 1, 'wheels')).toHaveText('320');
  await expect(cell(page, 2, 'wheels')).toHaveText('300');
  // Rows moved: the ring of the focus stands on its cell again before the next key.
  await expect(ledger(page).locator('.ag-cell:focus')).toHaveCount(1);
  await page.keyboard.press('Control+End');
  await expect(cell(page, 19, 'wheels')).toHaveText('·');
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('Control+z');
  await expect(cell(page, 1, 'wheels')).toHaveText('154');
});

test('a cell that sums up rows opens them, edits one, or takes a what-if value', async ({ page }) => {
  await expect(cell(page, 2, 'hut')).toHaveText('Rushfold');
  await cell(page, 2, 'milk').click();
  await page.keyboard.press('Enter');
  const rows = page.getByRole('group', { name: 'Rows behind the cell' });
  await expect(rows).toContainText('Rushfold, 24 rows');
  const first = rows.locator('.ag-row[row-index="0"] .ag-cell[col-id="milk"]');
  const old = Number((await first.innerText()).replaceAll(',', ''));
  await typeInto(page, first, String(old + 20_000));
  await expect(first).toHaveClass(/ledger-edited/);
  // The hut has moved to the top of the figure; its rows stay open.
  await expect(rows).toContainText('Rushfold, 24 rows');
  await rows.getByRole('button', { name: 'Back to the ledger' }).click();
  await expect(cell(page, 0, 'hut')).toHaveText('Rushfold');
  await expect(cell(page, 0, 'milk')).toHaveClass(/ledger-edited-below/);
  await expect(cell(page, 0, 'highest')).toHaveText('100,765');
  await expectBars(page, LIGHT.brass, 1);

  await cell(page, 3, 'milk').click();
  await ledger(page).getByRole('button', { name: 'Open the rows' }).click();
  await rows.getByLabel('What if milk were').fill('150000');
  await rows.getByRole('button', { name: 'Try it' }).click();
  await expect(cell(page, 0, 'milk')).toHaveClass(/ledger-what-if/);
  await expect(cell(page, 0, 'highest')).toHaveText('150,000');
  // In this figure alone: another figure of the same table does not know of it.
  await page.getByRole('button', { name: 'New figure' }).click();
  await expect.poll(() => columnTexts(page, 'milk')).not.toContain('150,000');
  await expect(brief(page)).toContainText('Show milk summed by week');
});

test('what is being typed into a cell outlives the pointer moving over other rows', async ({ page }) => {
  await goTo(page, 'Plan of wheels');
  await cell(page, 1, 'wheels').click();
  await page.keyboard.type('99');
  for (const row of [0, 2, 3]) await cell(page, row, 'hut').hover();
  await expect(ledger(page).locator('.ag-row.ledger-lit').first()).toContainText(await cell(page, 3, 'hut').innerText());
  await page.keyboard.type('1');
  await page.keyboard.press('Enter');
  await expect.poll(() => columnTexts(page, 'wheels')).toContain('991');
});
