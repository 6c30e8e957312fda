import { expect, type Page } from '@playwright/test';
import { bars, brief, choose, drop, LIGHT, openApp, reveal, settled, stage, token, typeInto, cell, typeToken, test } from './support';

test.beforeEach(({ page }) => openApp(page));

/** A dropped table, drawn in columns of one colour, in the order of its category. */
async function columnsOf(page: Page, rows: readonly string[]): Promise<void> {
  await drop(page, 'table.csv', `${rows.join('\n')}\n`);
  await expect(brief(page)).toContainText(`Take table, ${rows.length - 1} rows`);
  await settled(page);
  await choose(page, 'mark', 'columns');
  await stage(page).getByRole('radio', { name: 'plain' }).click();
  await settled(page);
}

/** From each bar to the next, in the distance from the first to the second. */
async function distances(page: Page, lying = false): Promise<number[]> {
  const at = (await bars(page, LIGHT.base, lying)).map(bar => bar.at);
  const first = (at[1] ?? NaN) - (at[0] ?? NaN);
  return at.slice(1).map((place, i) => Math.round(((place - (at[i] as number)) / first) * 10) / 10);
}

test('dates lie at their time, upright and lying; closed up when that is chosen; one undo brings the gaps back', async ({ page }) => {
  await columnsOf(page, ['day,milk', '2031-06-02,40', '2031-06-03,50', '2031-06-04,45', '2031-06-09,60']);
  await expect.poll(() => distances(page)).toEqual([1, 1, 5]);
  const name = page.locator('cb-figure-canvas canvas[role="img"]').first();
  await expect(name).toHaveAttribute('aria-label', /Dates 1 to 5 days apart, to scale\./);
  await choose(page, 'spacing', 'side by side');
  await expect.poll(() => distances(page)).toEqual([1, 1, 1]);
  await expect(name).toHaveAttribute('aria-label', /gaps closed up/);
  await page.keyboard.press('Control+z');
  await expect.poll(() => distances(page)).toEqual([1, 1, 5]);
  await choose(page, 'mark', 'lying bars');
  await expect.poll(() => distances(page, true)).toEqual([1, 1, 5]);
});

test('numbers lie side by side until they are asked to scale; a period without rows is left out when asked', async ({ page }) => {
  await columnsOf(page, ['year,milk', '2010,40', '2011,50', '2014,45']);
  await choose(page, 'order', 'by year, rising');
  await expect.poll(() => distances(page)).toEqual([1, 1]);
  await choose(page, 'spacing', 'to scale');
  await expect.poll(() => distances(page)).toEqual([1, 3]);
});

test('weeks without rows stay open, or are closed up', async ({ page }) => {
  await columnsOf(page, ['day,milk', '2031-06-02,40', '2031-06-09,50', '2031-06-30,45']);
  await choose(page, 'step', 'week by week');
  await expect.poll(() => distances(page)).toEqual([1, 3]);
  await expect(brief(page)).toContainText('An empty week is missing.');
  await choose(page, 'empty', 'is left out, the gap closed up');
  // Still to scale: the two that are left out leave their time behind.
  await expect.poll(() => distances(page)).toEqual([1, 3]);
  await choose(page, 'spacing', 'side by side');
  await expect.poll(() => distances(page)).toEqual([1, 1]);
});

test('an end of the axis follows a formula, live; what gives no number is said and the figure stays', async ({ page }) => {
  await columnsOf(page, ['hut,milk', 'Tolm,40', 'Siddel,80', 'Larch,60']);
  await choose(page, 'mark', 'points');
  await typeToken(page, 'low:first', '0.5 * min(milk)');
  await expect(brief(page)).toContainText('The axis begins at 0.5 * min(milk).');
  await expect(page.locator('[data-problem]')).toHaveCount(0);
  // The lowest stands at 20 of 20 to 88; typed down to 4, the axis begins at 2.
  await typeInto(page, cell(page, 2, 'milk'), '4');
  await expect(brief(page)).toContainText('The axis begins at 0.5 * min(milk).');
  await reveal(page, 'low:first');
  await token(page, 'low:first').click();
  const field = page.getByRole('dialog').locator('input').first();
  await field.fill('0.5 * min(cheese)');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-fault]')).toContainText('No column is called “cheese”');
  await expect(field).toHaveValue('0.5 * min(cheese)');
  await field.fill('max(milk) filter (where milk > 999)');
  await page.keyboard.press('Enter');
  await expect(brief(page)).toContainText('gives no number here');
  await expect(stage(page)).toContainText('This is the figure before the last change.');
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-problem]')).toHaveCount(0);
});

test('a break is seen on the figure before it is taken, and nothing is changed by looking', async ({ page }) => {
  await columnsOf(page, ['hut,milk', 'Tolm,40', 'Siddel,30', 'Larch,20', 'Gorse,900']);
  const longest = async (): Promise<number> => Math.max(...(await bars(page, LIGHT.base)).slice(1).map(bar => bar.length));
  const before = await longest();
  await reveal(page, 'breaks:first');
  await token(page, 'breaks:first').click();
  const offers = page.getByRole('dialog').getByRole('option');
  await offers.nth(1).hover();
  await expect(page.locator('[data-preview]')).toContainText('As it would be with “');
  // The low ones have the room that the break frees.
  await expect.poll(longest).toBeGreaterThan(5 * before);
  await expect(token(page, 'breaks:first')).toHaveText('nothing');
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-preview]')).toHaveCount(0);
  await expect.poll(longest).toBe(before);
  // By keys as well.
  await token(page, 'breaks:first').click();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('[data-preview]')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-preview]')).toHaveCount(0);
  await expect(brief(page)).toContainText('leaves out');
});

test('what is only told to a screen reader takes no room, from the first file on', async ({ page }) => {
  await drop(page, 'table.csv', 'hut,milk\nTolm,40\nSiddel,30\n');
  await expect(brief(page)).toContainText('Take table, 2 rows');
  await settled(page);
  const told = page.locator('.cdk-live-announcer-element');
  await expect(told).toBeAttached();
  const box = await told.boundingBox();
  expect((box?.width ?? 0) * (box?.height ?? 0)).toBeLessThanOrEqual(1);
  expect(await page.evaluate(() => [document.documentElement.scrollTop, document.body.scrollHeight - innerHeight])).toEqual([0, 0]);
  await expect(page.getByRole('button', { name: 'Hand over' })).toBeInViewport();
});

test('the axis stands on the other side when asked, and its words are met there', async ({ page }) => {
  await choose(page, 'axis-side', 'on the right');
  const [first] = await bars(page, LIGHT.brass);
  expect(first?.at).toBeLessThan(90);
  await expect(brief(page)).toContainText('The axis stands on the right.');
});
