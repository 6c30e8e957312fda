import { expect, type Page } from '@playwright/test';
import { brief, canvas, cell, choose, columnTexts, drop, expectBars, goTo, ledger, LIGHT, openApp, stage, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const offers = (page: Page) => page.getByRole('group', { name: 'A first figure' });

test('a file of thousands opens with its twenty largest, says why, and offers other figures', async ({ page }) => {
  const rows = Array.from({ length: 3201 }, (_, i) => `Film ${i},${1950 + (i % 70)},${5 + (i % 50) / 10},${(i * 7919) % 100_003}`);
  await drop(page, 'films.csv', `title,year,rate,votes\n${rows.join('\n')}\n`);
  await expect(brief(page)).toContainText('Show votes summed by title as columns, largest first.');
  await expect(stage(page)).toContainText('title: the 20 largest by votes summed');
  await expect(offers(page)).toContainText('The 20 largest of 3,201 are kept, by a filter; year names things and is not summed');
  await expect(ledger(page)).toContainText('20 rows');
  await offers(page)
    .getByRole('button', { name: /by year/ })
    .click();
  await expect(brief(page)).toContainText('Show rate averaged by year as a line, by year, rising.');
  await expect.poll(() => columnTexts(page, 'year').then(texts => texts[0])).toBe('1950');
  await page.keyboard.press('Control+z');
  await expect(brief(page)).toContainText('by title');
});

test('dates open as a line over time; the title follows measures and steps', async ({ page }) => {
  const rows = Array.from(
    { length: 90 },
    (_, i) => `${new Date(Date.UTC(2031, 0, 1 + i)).toISOString().slice(0, 10)},${['a', 'b'][i % 2]},${i * 3},${i % 7}`,
  );
  await drop(page, 'days.csv', `day,site,litres,rate\n${rows.join('\n')}\n`);
  await expect(brief(page)).toContainText('Show litres summed by day as a line, by day, rising.');
  await choose(page, 'step', 'month by month');
  await expect(canvas(page)).toHaveAccessibleName(/^Litres by month\./);
  await page.getByRole('button', { name: 'Measures', exact: true }).click();
  await page.getByRole('option', { name: 'rate' }).click();
  await page.getByRole('button', { name: 'Show them' }).click();
  await expect(canvas(page)).toHaveAccessibleName(/^Litres and rate by month\./);
});

test('a cue finds its partner in the table and brings it along; one undo takes both back', async ({ page }) => {
  await page.getByRole('button', { name: 'Add a cue' }).click();
  await page.getByRole('dialog').getByLabel('Find a cue').fill('plan');
  await page.getByRole('dialog').locator('[data-offer="plan"]').click();
  await expect(brief(page)).toContainText('Split milk against planned_milk');
  await expect(cell(page, 0, 'planned_milk')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(brief(page)).not.toContainText('planned_milk');
  await expectBars(page, LIGHT.brass, 2);
});

const TRADE = [
  'biggest',
  'smallest',
  'sort',
  'crosstab',
  'pivot',
  'join',
  'merge',
  'break',
  'zero',
  'negative',
  'second axis',
  'error bars',
  'show values',
  'svg',
  'sql',
  'export',
  'log',
  'check',
  'shortcut',
  'Tank levels',
  'exprot',
  'gridlins',
];

test('the search for actions knows the words of the trade, and says what comes near', async ({ page }) => {
  await page.keyboard.press('Alt+b');
  const field = page.getByLabel('What to do');
  const list = page.getByRole('listbox', { name: 'Actions' });
  for (const word of TRADE) {
    await field.fill(word);
    await expect.poll(() => list.getByRole('option').count(), { message: word }).toBeGreaterThan(0);
  }
  await expect(page.getByRole('dialog')).toContainText('No action is called that. Near it:');
  await field.fill('tank levels');
  await page.keyboard.press('Enter');
  await expect(canvas(page)).toHaveAccessibleName(/tank|level/i);
});

test('the search for cues knows them too', async ({ page }) => {
  await page.getByRole('button', { name: 'Add a cue' }).click();
  const field = page.getByRole('dialog').getByLabel('Find a cue');
  for (const word of ['biggest', 'smallest', 'sort', 'negative', 'error bars', 'show values', 'hghest']) {
    await field.fill(word);
    await expect.poll(() => page.getByRole('dialog').getByRole('option').count(), { message: word }).toBeGreaterThan(0);
  }
  await expect(page.getByRole('dialog')).toContainText('Near it:');
});

test('what was open on one figure is closed on the next', async ({ page }) => {
  await cell(page, 0, 'milk').click();
  await page.keyboard.press('Enter');
  await expect(ledger(page)).toContainText('Kettlemoor, 24 rows');
  await goTo(page, 'Above average');
  await expect(ledger(page)).not.toContainText('Kettlemoor, 24 rows');
});
