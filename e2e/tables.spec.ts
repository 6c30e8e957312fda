import { expect, type Locator, type Page } from '@playwright/test';
import { brief, columnTexts, drop, openApp, saved, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const view = (page: Page): Locator => page.getByRole('dialog', { name: 'Tables', exact: true });

async function openTables(page: Page): Promise<void> {
  await page.keyboard.press('Alt+b');
  await page.keyboard.type('tables of');
  await page.keyboard.press('Enter');
  await expect(view(page)).toBeVisible();
}

/** The texts of a column of the table that is looked at. */
async function texts(page: Page, name: string): Promise<string[]> {
  const heads = await view(page).locator('th').allInnerTexts();
  const at = heads.findIndex(head => head.trim().split('\n')[0]?.trim() === name);
  if (at < 0) return [];
  return (
    await view(page)
      .locator('tbody tr')
      .evaluateAll((rows, i) => rows.map(row => (row.children[i] as HTMLElement).innerText), at)
  ).map(text => text.trim());
}

async function begin(page: Page, of: string, kind: string): Promise<void> {
  await view(page).getByRole('navigation', { name: 'Tables' }).getByText(of, { exact: true }).click();
  await view(page).getByRole('button', { name: 'Make a table of these' }).click();
  await page.locator(`[data-making="${kind}"]`).click();
}

async function word(page: Page, key: string, choice: string): Promise<void> {
  await view(page).locator(`[data-making-sentence] [data-token="${key}"]`).click();
  await page.getByRole('option', { name: choice, exact: true }).click();
}

test('two lists aligned: gaps stay, what has no partner is told, the table is live, a figure follows, undo takes it back', async ({
  page,
}) => {
  await openTables(page);
  await begin(page, 'pasture_a', 'align');
  await expect(view(page).locator('[data-making-sentence]')).toContainText('pasture_a by year and pasture_b by year');
  await expect(view(page).locator('[data-note]').first()).toContainText('8 keys of pasture_a have no partner: 2012, 2014');
  await expect(view(page).locator('[data-size]')).toHaveText('21 rows, 3 columns');
  await expect.poll(() => texts(page, 'year')).toEqual(Array.from({ length: 21 }, (_, i) => String(2011 + i)));
  await word(page, 'how', 'for keys that all of them have');
  await expect(view(page).locator('[data-size]')).toHaveText('5 rows, 3 columns');
  await word(page, 'how', 'for every key of any of them');
  await view(page).getByLabel('Called here').fill('both pastures');
  await view(page).getByRole('button', { name: 'Make it' }).click();
  await expect(view(page).getByLabel('Name of the table')).toHaveValue('both pastures');
  // Live: a word changed in the table that stands there now, and taken back.
  await word(page, 'how', 'for the keys of the first');
  await expect(view(page).locator('[data-size]')).toHaveText('13 rows, 3 columns');
  await page.keyboard.press('Control+z');
  await expect(view(page).locator('[data-size]')).toHaveText('21 rows, 3 columns');
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await view(page).getByRole('button', { name: 'Copy as SQL' }).click();
  await expect.poll(() => page.evaluate(() => navigator.clipboard.readText())).toContain('left join list_2');
  // Unneeded it goes at once, and comes back; needed by the sample's figure, the sample's own stays.
  await view(page).getByRole('button', { name: 'Remove both pastures' }).click();
  await expect(view(page).getByRole('navigation', { name: 'Tables' })).not.toContainText('both pastures');
  await page.keyboard.press('Control+z');
  await view(page).getByRole('navigation', { name: 'Tables' }).getByText('pastures', { exact: true }).click();
  await view(page).getByRole('button', { name: 'Remove pastures' }).click();
  await expect(page.locator('cb-notices')).toContainText('pastures is needed by Clover and grass. Remove those first.');
  await view(page).getByRole('navigation', { name: 'Tables' }).getByText('both pastures').click();
  await view(page).getByRole('button', { name: 'A figure of it' }).click();
  await expect(brief(page)).toContainText('Take both pastures, 21 rows');
  await saved(page);
  await page.reload();
  await expect(brief(page)).toContainText('Take both pastures, 21 rows');
});

test('a table made of others follows an edited cell of its source, and takes no edit itself', async ({ page }) => {
  await drop(page, 'milk.csv', 'hut,milk\nAlm,3\nBerg,4\nCloud,5\n');
  await expect(brief(page)).toContainText('Take milk, 3 rows');
  await drop(page, 'places.csv', 'hut,valley\nBerg,Tolm\nAlm,Siddel\n');
  await expect(brief(page)).toContainText('Take places');
  await openTables(page);
  await begin(page, 'milk', 'look-up');
  await expect(view(page).locator('[data-making-sentence]')).toContainText('Take milk and look up valley in places');
  await expect(view(page).locator('[data-note]')).toHaveText('One row is not found in places; what was looked up is missing there.');
  await expect.poll(() => texts(page, 'valley')).toEqual(['Siddel', 'Tolm', '·']);
  await view(page).getByRole('button', { name: 'Make it' }).click();
  await expect(view(page).getByLabel('Name of the table')).toHaveValue('milk with more');
  await view(page).getByRole('button', { name: 'A figure of it' }).click();
  await expect.poll(() => columnTexts(page, 'milk')).toContain('5');
  // What is typed here would soon stand in another row.
  await page.locator('[row-index="0"] [col-id="milk"]').first().click();
  await page.keyboard.type('9');
  await page.keyboard.press('Enter');
  await expect(page.getByText('This table is made of others.').first()).toBeVisible();
});

test('prices looked up by hut and month; one key alone stands several times and says so', async ({ page }) => {
  await drop(page, 'litres.csv', 'hut,month,milk\nAlm,June,3\nAlm,July,4\nBerg,June,5\n');
  await expect(brief(page)).toContainText('Take litres, 3 rows');
  await drop(page, 'prices.csv', 'hut,month,price\nAlm,July,1.25\nAlm,June,1.5\nBerg,July,2\n');
  await expect(brief(page)).toContainText('Take prices');
  await openTables(page);
  await begin(page, 'litres', 'look-up');
  await word(page, 'other', 'prices');
  await expect(view(page).locator('[data-fault]')).toContainText('prices has several rows of one key, such as Alm.');
  await word(page, 'keys', '2 columns');
  await expect(view(page).locator('[data-making-sentence]')).toContainText(
    'where its hut is the hut here and its month is the month here.',
  );
  // The month is of the key now: what is looked up is the next column.
  await expect(view(page).locator('[data-making-sentence]')).toContainText('Take litres and look up price in prices by a key of 2 columns');
  await expect.poll(() => texts(page, 'price')).toEqual(['1.5', '1.25', '·']);
  await expect(view(page).locator('[data-note]')).toHaveText('One row is not found in prices; what was looked up is missing there.');
});

test('stacked, turned and turned back; a fault stands at its place and nothing can be made of it', async ({ page }) => {
  await drop(page, 'june.csv', 'hut,litres,kg\nAlm,3,1\nBerg,4,2\n');
  await drop(page, 'july.csv', 'hut,litres,kg\nAlm,5,3\nCloud,6,4\n');
  await expect(brief(page)).toContainText('Take july');
  await openTables(page);
  await begin(page, 'june', 'stack');
  await expect.poll(() => texts(page, 'table')).toEqual(['june', 'june', 'july', 'july']);
  await view(page).getByRole('button', { name: 'Make it' }).click();
  await begin(page, 'june', 'long');
  await expect.poll(() => texts(page, 'name')).toEqual(['litres', 'kg', 'litres', 'kg']);
  await expect.poll(() => texts(page, 'value')).toEqual(['3', '1', '4', '2']);
  await view(page).getByRole('button', { name: 'Make it' }).click();
  await begin(page, 'june long', 'wide');
  await word(page, 'name', 'name');
  await expect.poll(() => texts(page, 'kg')).toEqual(['1', '2']);
  await begin(page, 'stacked june', 'align');
  await word(page, 'list:1', 'july');
  await expect(view(page).locator('[data-fault]')).toContainText('stacked june has several rows of one key, such as Alm.');
  await expect(view(page).getByRole('button', { name: 'Make it' })).toBeDisabled();
  await word(page, 'same', 'are summed');
  await expect.poll(() => texts(page, 'litres of stacked june')).toEqual(['8', '4', '6']);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await expect(view(page)).toHaveCount(0);
});

test('a table at a glance: found cells, units, its name everywhere', async ({ page }) => {
  await openTables(page);
  await view(page).getByRole('navigation', { name: 'Tables' }).getByText('huts', { exact: true }).click();
  await expect(view(page).locator('[data-size]')).toContainText('20 rows');
  await view(page).getByLabel('Find in its cells').fill('MOSS');
  await expect(view(page).locator('[data-size]')).toContainText('1 row shown');
  await expect.poll(() => texts(page, 'hut')).toEqual(['Mossgate']);
  await view(page)
    .getByRole('button', { name: /^Column herd/ })
    .click();
  await page.getByRole('textbox', { name: 'Unit of herd' }).fill('head');
  await page.keyboard.press('Enter');
  await expect(view(page).getByRole('button', { name: 'Column herd: numbers, head' })).toBeVisible();
  await view(page).getByLabel('Name of the table').fill('the huts');
  await page.keyboard.press('Tab');
  await expect(view(page).getByRole('navigation', { name: 'Tables' })).toContainText('the huts');
});
