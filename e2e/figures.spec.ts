import { expect, type Page } from '@playwright/test';
import { bars, brief, canvas, choose, columnTexts, drop, expectBars, filterBy, goTo, LIGHT, openApp, stage, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const SERIES = ['#5f7a70', '#3b66a6', '#99662d'] as const;

/** How many pixels of a colour the figure shows. */
const inked = (page: Page, colour: string): Promise<number> =>
  canvas(page).evaluate((element, colour) => {
    const drawn = element as HTMLCanvasElement;
    const { data } = (drawn.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, drawn.width, drawn.height);
    const [r, g, b] = [1, 3, 5].map(i => parseInt(colour.slice(i, i + 2), 16));
    let count = 0;
    for (let i = 0; i < data.length; i += 4) if (data[i] === r && data[i + 1] === g && data[i + 2] === b) count++;
    return count;
  }, colour);

test('dates by month and quarter, missing periods stay as gaps', async ({ page }) => {
  await drop(page, 'gaps.csv', 'day,litres\n2031-01-10,4\n2031-01-20,6\n2031-04-02,5\n');
  await expect(brief(page)).toContainText('Take gaps, 3 rows.');
  await choose(page, 'mark', 'columns');
  await choose(page, 'step', 'month by month');
  await expect.poll(() => columnTexts(page, 'day')).toEqual(['Jan 2031', 'Feb 2031', 'Mar 2031', 'Apr 2031']);
  await expect.poll(() => columnTexts(page, 'litres')).toEqual(['10', '·', '·', '5']);
  await expectBars(page, LIGHT.brass, 1);
  await choose(page, 'step', 'quarter by quarter');
  await expect.poll(() => columnTexts(page, 'day')).toEqual(['Q1 2031', 'Q2 2031']);
  await choose(page, 'step', 'week by week');
  await expect.poll(async () => (await columnTexts(page, 'day')).length).toBeGreaterThan(9);
});

test('numbers in bins', async ({ page }) => {
  await choose(page, 'category', 'cows');
  await choose(page, 'step', 'in bins');
  await choose(page, 'bin', 'of 10');
  await choose(page, 'order', 'by cows, rising');
  await expect.poll(() => columnTexts(page, 'cows')).toEqual(['from 10', 'from 20', 'from 30', 'from 40', 'from 50']);
});

test('a split into series, side by side and stacked, and into panels', async ({ page }) => {
  await brief(page).getByRole('switch', { name: 'Cue 1 on' }).click();
  await choose(page, 'category', 'week');
  await choose(page, 'step', 'month by month');
  await choose(page, 'series', 'a series per valley');
  await expect(brief(page)).toContainText('a series per valley');
  await expectBars(page, SERIES[0], 7);
  await expectBars(page, SERIES[1], 7);
  const side = (await bars(page, SERIES[1])).map(bar => bar.at);
  await choose(page, 'arrange', 'stacked');
  // One stands on the other: at least the five tall months lie above each other.
  const above = async (): Promise<number> => {
    const below = await bars(page, SERIES[0]);
    return (await bars(page, SERIES[1])).filter(bar => below.some(other => Math.abs(other.at - bar.at) < 4)).length;
  };
  await expect.poll(above).toBeGreaterThanOrEqual(5);
  expect((await bars(page, SERIES[1])).map(bar => bar.at)).not.toEqual(side);
  await choose(page, 'series', 'as one series');
  await choose(page, 'panel', 'a panel per valley');
  await expect(canvas(page)).toHaveAttribute('aria-label', /a panel per valley/);
});

test('lines, areas and points, each measure with its own shape', async ({ page }) => {
  await page.getByRole('button', { name: 'Measures', exact: true }).click();
  await page.getByRole('option', { name: 'planned_milk' }).click();
  await page.getByRole('option', { name: 'butterfat' }).click();
  await page.getByRole('button', { name: 'Show them' }).click();
  await expect(brief(page)).toContainText('Show milk summed, planned_milk summed and butterfat summed by hut');
  await brief(page).getByRole('switch', { name: 'Cue 1 on' }).click();
  await expectBars(page, SERIES[0], 20);
  await choose(page, 'layer:1', 'as a line');
  await expect.poll(() => bars(page, SERIES[1]).then(list => list.length)).toBeLessThan(20);
  expect(await inked(page, SERIES[1])).toBeGreaterThan(200);
  await choose(page, 'measure:2', 'leave it out');
  await choose(page, 'mark', 'an area');
  await expectBars(page, SERIES[0], 0);
  expect(await inked(page, SERIES[0])).toBeGreaterThan(200);
  await choose(page, 'mark', 'points');
  await expect.poll(() => inked(page, SERIES[0])).toBeGreaterThan(100);
});

test('filters: top n, ranges of numbers, missing and not missing', async ({ page }) => {
  await filterBy(page, 'hut', 'top');
  await page.getByRole('dialog').getByLabel('The', { exact: true }).fill('3');
  await page.getByRole('dialog').getByLabel('The', { exact: true }).press('Enter');
  await page.keyboard.press('Escape');
  await expect.poll(() => columnTexts(page, 'hut')).toEqual(['Kettlemoor', 'Mossgate', 'Rushfold']);
  await expect(stage(page)).toContainText('hut: the 3 largest by milk summed');
  await filterBy(page, 'milk', 'a range');
  await page.getByRole('dialog').getByLabel('From').fill('4,000');
  await page.getByRole('dialog').getByLabel('From').press('Enter');
  await page.keyboard.press('Escape');
  await expect(stage(page)).toContainText('milk from 4000');
  for (const column of ['milk', 'hut'])
    await stage(page)
      .getByRole('button', { name: `Take off the filter on ${column}` })
      .click();
  await filterBy(page, 'milk', 'missing');
  await page.keyboard.press('Escape');
  await expect.poll(() => columnTexts(page, 'hut')).toEqual(['Cawdle', 'Fennick', 'Inkle', 'Quillane', 'Sorrel Bank']);
  expect(new Set(await columnTexts(page, 'milk'))).toEqual(new Set(['·']));
});

test('an order by hand, by its buttons and by dragging', async ({ page }) => {
  await choose(page, 'category', 'valley');
  await choose(page, 'order', 'by hand');
  const before = await columnTexts(page, 'valley');
  await brief(page).locator('[data-token="hand"]').click();
  await page.getByRole('button', { name: `Move down ${before[0] ?? ''}` }).click();
  await expect.poll(() => columnTexts(page, 'valley')).toEqual([before[1], before[0], ...before.slice(2)]);
  const handles = page.locator('cb-arrange-list [cdkDragHandle]');
  const [from, to] = [await handles.nth(4).boundingBox(), await handles.nth(0).boundingBox()];
  await page.mouse.move((from?.x ?? 0) + 20, (from?.y ?? 0) + 8);
  await page.mouse.down();
  await page.mouse.move((from?.x ?? 0) + 20, (from?.y ?? 0) - 20, { steps: 6 });
  await page.mouse.move((to?.x ?? 0) + 20, (to?.y ?? 0) + 2, { steps: 12 });
  await page.mouse.up();
  await expect.poll(async () => (await columnTexts(page, 'valley'))[0]).toBe(before[4]);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect.poll(() => columnTexts(page, 'valley')).toEqual([before[1], before[0], ...before.slice(2)]);
});

test('the sample shows window calculations, change from the one before, and a ratio by quarter', async ({ page }) => {
  await goTo(page, 'Milk so far by valley');
  await expect.poll(async () => (await columnTexts(page, 'so far'))[0]).toBe('6.9 kL');
  await goTo(page, 'Change by month');
  await expect.poll(() => columnTexts(page, 'percent change')).toEqual(['·', '382.1 %', '50.0 %', '−14.8 %', '−2.5 %', '3.0 %', '−84.2 %']);
  expect(await inked(page, LIGHT.pasture)).toBeGreaterThan(30);
  expect(await inked(page, LIGHT.clay)).toBeGreaterThan(30);
  await goTo(page, 'Fat content by quarter');
  await expect.poll(async () => (await columnTexts(page, 'week')).join()).toBe('Q2 2031,Q3 2031,Q4 2031');
});
