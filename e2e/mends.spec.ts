import { expect, type Locator, type Page } from '@playwright/test';
import { brief, canvas, drop, openApp, saved, stage, test } from './support';

const view = (page: Page): Locator => page.getByRole('dialog', { name: 'Tables', exact: true });
const mends = (page: Page): Locator => view(page).getByRole('group', { name: 'Mends' });
const spot = (page: Page, row: number, column: number): Locator => view(page).locator(`[data-spot="${row} ${column}"]`);

async function openTables(page: Page): Promise<void> {
  await page.keyboard.press('Alt+b');
  await page.keyboard.type('tables of');
  await page.keyboard.press('Enter');
  await expect(view(page)).toBeVisible();
}

const HUTS = ['Almhof', 'Bergli', 'Cloudrest', 'Dalehut', 'Edelmoor'];
const plain = HUTS.flatMap((hut, i) => [1, 2, 3].map(week => `${hut};${week};${300 + i * 40 + week * 7}`));
const JUNE = ['hut;week;milk', ...plain, 'almhof;4;340', 'Gesamt;5;9000'].join('\n');

test.beforeEach(async ({ page }) => {
  await openApp(page);
  await drop(page, 'june.csv', JUNE);
  await expect(brief(page)).toContainText('Take june, 17 rows');
});

test('what looks wrong is said with its rows, mended as a sentence, switched, changed, put in order, taken off; the figure follows, undo takes it back', async ({
  page,
}) => {
  await openTables(page);
  const found = mends(page).locator('[data-found]');
  await expect(found).toHaveCount(3);
  await expect(found.nth(0)).toContainText('“Almhof” of hut is also written “almhof”, in 1 row.');
  await expect(found.nth(1)).toContainText('1 row of hut is a total: “Gesamt”.');
  await expect(found.nth(2)).toContainText('9,000 of milk lies far outside the others, 307 to 481.');
  // Its rows alone, and all again.
  await found
    .nth(1)
    .getByRole('button', { name: /^Show its rows/ })
    .click();
  await expect(view(page).locator('[data-size]')).toContainText('1 row shown');
  await expect(view(page).locator('tbody tr')).toHaveCount(1);
  await expect(view(page).locator('tbody tr')).toContainText('Gesamt');
  await found
    .nth(1)
    .getByRole('button', { name: /^Show all rows again/ })
    .click();
  await expect(view(page).locator('tbody tr')).toHaveCount(17);
  // Mended: the stray value goes with the row of the total.
  await found
    .nth(1)
    .getByRole('button', { name: /^Mend it/ })
    .click();
  await expect(mends(page).locator('[data-mend]')).toContainText('Leave out rows where hut is Gesamt.');
  await expect(mends(page).locator('[data-did]')).toHaveText('1 row');
  await expect(found).toHaveCount(1);
  await expect(view(page).locator('[data-size]')).toContainText('16 rows');
  await found.getByRole('button', { name: /^Mend it/ }).click();
  await expect(mends(page).locator('[data-mend]')).toHaveCount(2);
  await expect(found).toHaveCount(0);
  // Switched off, and on by keys.
  const first = mends(page).getByRole('checkbox').first();
  await first.click();
  await expect(mends(page).locator('[data-did]').first()).toHaveText('not done');
  await expect(view(page).locator('[data-size]')).toContainText('17 rows');
  await first.press('Space');
  await expect(view(page).locator('[data-size]')).toContainText('16 rows');
  // A word of it.
  await mends(page).locator('[data-mend]').first().locator('[data-token="texts"]').click();
  await page.getByRole('dialog').getByRole('textbox').last().fill('Gesamt; Bergli');
  await page.keyboard.press('Enter');
  await expect(mends(page).locator('[data-did]').first()).toHaveText('4 rows');
  await page.keyboard.press('Control+z');
  await expect(mends(page).locator('[data-did]').first()).toHaveText('1 row');
  // Order.
  await mends(page)
    .getByRole('button', { name: /^Earlier: In hut write/ })
    .click();
  await expect(mends(page).locator('[data-mend]').first()).toContainText('In hut write Almhof for almhof.');
  await page.keyboard.press('Escape');
  await expect(view(page)).toHaveCount(0);
  await expect(brief(page)).toContainText('Take june, 16 rows');
  await expect(canvas(page)).toHaveAttribute('aria-label', /Highest: Edelmoor, 1,422/);
  await saved(page);
  await page.reload();
  await expect(brief(page)).toContainText('Take june, 16 rows');
  await openTables(page);
  await expect(mends(page).locator('[data-mend]')).toHaveCount(2);
  await mends(page)
    .getByRole('button', { name: /^Take off: Leave out rows/ })
    .click();
  await expect(view(page).locator('[data-size]')).toContainText('17 rows');
});

test('a mend by hand with a rule; a rule that is none is told at its place, and the others are done', async ({ page }) => {
  await openTables(page);
  await mends(page).getByRole('button', { name: 'Mend something else' }).click();
  await page.getByRole('button', { name: 'Take zeros as missing' }).click();
  const line = mends(page).locator('[data-mend]');
  await expect(line).toContainText('Take zeros of week as missing, always.');
  await line.locator('[data-token="where"]').click();
  await page.getByRole('dialog').getByRole('textbox').last().fill('sheep > 1');
  await page.keyboard.press('Enter');
  await expect(line.locator('[data-fault]')).toContainText('sheep');
  await mends(page).getByRole('button', { name: 'Mend all 3' }).click();
  await expect(view(page).locator('[data-size]')).toContainText('16 rows');
});

test('cells are walked and edited, an edit stays at its row whatever a mend leaves out; columns are moved, hidden, computed, rows filtered by a formula', async ({
  page,
}) => {
  await openTables(page);
  // Milk of the last hut: row 18 of the table, beyond the total.
  await spot(page, 0, 0).click();
  for (const key of ['ArrowDown', 'ArrowRight', 'ArrowRight']) await page.keyboard.press(key);
  await expect(spot(page, 1, 2)).toBeFocused();
  await page.keyboard.type('77');
  await page.keyboard.press('Enter');
  await expect(spot(page, 1, 2)).toHaveText('77');
  await expect(spot(page, 2, 2)).toBeFocused();
  await expect(spot(page, 1, 2)).toHaveAttribute('data-edited', 'true');
  await page.keyboard.type('much');
  await page.keyboard.press('Enter');
  await expect(view(page).locator('[data-fault]')).toContainText('Row 3, milk: “much”');
  await spot(page, 15, 2).dblclick();
  await page.keyboard.type('350');
  await page.keyboard.press('Enter');
  await mends(page)
    .getByRole('button', { name: /^Mend it: Leave out rows where hut is Gesamt/ })
    .click();
  await expect(view(page).locator('[data-size]')).toContainText('16 rows');
  await expect(spot(page, 15, 2)).toHaveText('350');
  await spot(page, 1, 2).click();
  await view(page).getByRole('button', { name: 'Reset the cell' }).click();
  await expect(spot(page, 1, 2)).toHaveText('314');
  // Columns.
  const heads = view(page).locator('thead th');
  await view(page)
    .getByRole('button', { name: /^Column milk/ })
    .click();
  await page.getByRole('button', { name: 'Move it to the left' }).click();
  await expect(heads.nth(2)).toContainText('milk');
  await view(page)
    .getByRole('button', { name: /^Column week/ })
    .click();
  await page.getByRole('button', { name: 'Hide it here and in every list' }).click();
  await expect(heads).toHaveCount(4);
  await view(page).getByRole('button', { name: 'Compute a column' }).click();
  await page.getByRole('textbox', { name: 'Its name' }).fill('double');
  await page.getByRole('textbox', { name: 'Its formula' }).fill('mlk * 2');
  await page.getByRole('button', { name: 'Compute it' }).click();
  await expect(page.getByRole('dialog').locator('[data-fault]').last()).toContainText('mlk');
  await page.getByRole('textbox', { name: 'Its formula' }).fill('milk * 2');
  await page.getByRole('button', { name: 'Compute it' }).click();
  await expect(spot(page, 0, 2)).toHaveText('614');
  await view(page).getByLabel('Rows where a formula is true').fill('double > 900');
  await page.keyboard.press('Enter');
  await expect(view(page).locator('[data-size]')).toContainText('3 rows shown');
  await view(page).getByLabel('Rows where a formula is true').fill('double >');
  await page.keyboard.press('Enter');
  await expect(view(page).locator('[data-fault]').first()).toBeVisible();
  await view(page).getByLabel('Rows where a formula is true').fill('');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  // A hidden column is offered nowhere.
  await stage(page).getByRole('button', { name: 'Filter', exact: true }).click();
  await expect(page.getByRole('option')).toHaveText(['hut', 'milk', 'double']);
});

test('next month’s file: what changes is said and mended before it is taken, figures and cues follow, what changed in the findings is listed, undo brings the old rows back', async ({
  page,
}) => {
  await openTables(page);
  await mends(page)
    .getByRole('button', { name: /^Mend it: Leave out rows/ })
    .click();
  await mends(page)
    .getByRole('button', { name: /^Mend it: In hut write/ })
    .click();
  await expect(view(page).locator('[data-size]')).toContainText('16 rows');
  const rows = ['Almhof', 'Bergli', 'Cloudrest', 'Dalehut', 'Edelmor', 'Grasshorn'].flatMap((hut, i) =>
    [1, 2, 3].map(week => `${hut};${week};${hut === 'Bergli' ? 900 : 310 + i * 40 + week * 7}`),
  );
  await page.setInputFiles('input[aria-label="Next file of june"]', {
    name: 'july.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['hut;week;litres', ...rows].join('\n')),
  });
  const intake = page.getByRole('dialog', { name: 'How it is read' });
  const changes = intake.locator('[data-source-changes]');
  await expect(changes).toContainText('18 rows, 2 more than before.');
  await expect(changes).toContainText('milk is not there any more.');
  await expect(changes).toContainText('2 new (Edelmor and Grasshorn), 1 gone (Edelmoor).');
  await intake.getByRole('button', { name: 'litres is milk' }).click();
  await expect(changes).not.toContainText('milk is not there any more.');
  await intake.getByRole('button', { name: 'Write Edelmoor for Edelmor' }).click();
  await expect(changes).toContainText('Of hut: 1 new (Grasshorn).');
  await expect(changes).toContainText('Leave out rows where hut is Gesamt. 0 rows now, 1 before.');
  await intake.getByRole('button', { name: 'Replace the rows' }).click();
  const news = page.getByRole('dialog', { name: 'What changed in the findings' });
  // Almhof had 942 + 340, Edelmoor 1,422; now Bergli has 2,700 and Edelmoor 1,452.
  await expect(news).toContainText('Edelmoor is no longer the highest: Bergli, by 1,248.');
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await news.getByRole('button', { name: 'Copy the list' }).click();
  await expect.poll(() => page.evaluate(() => navigator.clipboard.readText())).toContain('- Edelmoor is no longer the highest');
  await news.getByRole('button', { name: 'Done' }).click();
  await page.keyboard.press('Escape');
  await expect(brief(page)).toContainText('Take june, 18 rows');
  await expect(canvas(page)).toHaveAttribute('aria-label', /Highest: Bergli, 2,700/);
  await page.keyboard.press('Control+z');
  await expect(canvas(page)).toHaveAttribute('aria-label', /Highest: Edelmoor, 1,422/);
  await page.keyboard.press('Control+Shift+z');
  await expect(canvas(page)).toHaveAttribute('aria-label', /Highest: Bergli, 2,700/);
  await saved(page);
  await page.reload();
  await expect(brief(page)).toContainText('Take june, 18 rows');
  await expect(canvas(page)).toHaveAttribute('aria-label', /Highest: Bergli, 2,700/);
});

test('a column under another name: the figure, its cue and its words follow; switched off it has the old one again; a constant is a series for reference', async ({
  page,
}) => {
  await openTables(page);
  await view(page)
    .getByRole('button', { name: /^Column milk/ })
    .click();
  await page.getByLabel('Name of milk').fill('hut');
  await page.getByRole('button', { name: 'Call it so' }).click();
  await expect(page.getByRole('dialog').locator('[data-fault]').last()).toContainText('A column is called hut already.');
  await page.getByLabel('Name of milk').fill('litres');
  await page.getByRole('button', { name: 'Call it so' }).click();
  await expect(mends(page).locator('[data-mend]')).toContainText('milk is called litres here.');
  await view(page).getByRole('button', { name: 'Compute a column' }).click();
  await page.getByRole('textbox', { name: 'Its name' }).fill('goal');
  await page.getByRole('textbox', { name: 'Its formula' }).fill('1200');
  await page.getByRole('button', { name: 'Compute it' }).click();
  await expect(spot(page, 3, 3)).toHaveText('1200');
  await page.keyboard.press('Escape');
  await expect(brief(page)).toContainText('Show litres summed by hut');
  await expect(canvas(page)).toHaveAttribute('aria-label', /Highest: Gesamt, 9,000/);
  await page.keyboard.press('Alt+b');
  await page.keyboard.type('add measures');
  await page.keyboard.press('Enter');
  await page.getByRole('option', { name: 'goal' }).click();
  await page.getByRole('button', { name: 'Show them' }).click();
  await expect(brief(page)).toContainText('goal');
  await openTables(page);
  await mends(page).getByRole('checkbox').click();
  await page.keyboard.press('Escape');
  await expect(brief(page)).toContainText('Show milk summed');
});

test('next rows taken back are the old ones; a broken file leaves everything as it is', async ({ page }) => {
  await openTables(page);
  await page.setInputFiles('input[aria-label="Next file of june"]', {
    name: 'broken.xlsx',
    mimeType: '',
    buffer: Buffer.from('PK\u0003\u0004 nothing'),
  });
  await expect(page.locator('cb-notices')).toContainText('broken.xlsx was not opened.');
  await page.setInputFiles('input[aria-label="Next file of june"]', {
    name: 'july.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('hut;week;milk\nAlmhof;1;5\n'),
  });
  await page.getByRole('button', { name: 'Replace the rows' }).click();
  const news = page.getByRole('dialog', { name: 'What changed in the findings' });
  await expect(view(page).locator('[data-size]')).toContainText('1 row,');
  await news.getByRole('button', { name: 'Take the new rows back' }).click();
  await expect(view(page).locator('[data-size]')).toContainText('17 rows');
});
