import { expect, type Locator, type Page } from '@playwright/test';
import { brief, canvas, goTo, openApp, openFigures, stage, test } from './support';

/** Widths from small screens to large ones; the last is 1280 pixels at 200 % zoom. */
const SIZES = [
  { width: 1024, height: 768 },
  { width: 1280, height: 800 },
  { width: 1920, height: 1080 },
  { width: 640, height: 400 },
] as const;

/** Opens a sheet, and says what it hangs on. */
const sheets: readonly (readonly [name: string, trigger: (page: Page) => Locator])[] = [
  ['figures', page => page.locator('[data-figures]')],
  ['actions', page => page.getByRole('button', { name: 'Find an action' })],
  ['open', page => page.getByRole('button', { name: 'Open', exact: true })],
  ['hand over', page => page.getByRole('button', { name: 'Hand over' })],
  ['cues', page => page.getByRole('button', { name: 'Add a cue' })],
  ['formats', page => page.getByRole('button', { name: 'Number formats' })],
  ['a word', page => brief(page).locator('[data-token="order"]')],
  ['an axis', page => stage(page).locator('[data-part="axis first"]')],
];

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const overlap = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));

for (const size of SIZES)
  test(`bar and sheets are whole at ${size.width} × ${size.height}, and beside what they speak of`, async ({ page }) => {
    await page.setViewportSize(size);
    await openApp(page);
    await goTo(page, 'Wheels by hut');
    const isWhole = ({ x, y, width, height }: Box): boolean => x >= 0 && y >= 0 && x + width <= size.width && y + height <= size.height;
    for (const button of await page.getByRole('banner').getByRole('button').all())
      expect(isWhole((await button.boundingBox()) as Box), await button.innerText()).toBe(true);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(size.width);
    for (const [name, trigger] of sheets) {
      await trigger(page).scrollIntoViewIfNeeded();
      await trigger(page).click();
      const sheet = page.getByRole('dialog').last();
      await expect(sheet).toBeVisible();
      // What is loaded into a sheet makes it grow, and it is placed anew.
      await expect
        .poll(async () => {
          const [box, from] = [await sheet.boundingBox(), await trigger(page).boundingBox()];
          return box !== null && from !== null && isWhole(box) && box.height > 60 && overlap(box, from) < 2;
        }, name)
        .toBe(true);
      await page.keyboard.press('Escape');
      await expect(page.getByRole('dialog')).toHaveCount(0);
    }
  });

test('a notice covers neither figure nor ledger, and goes by itself', async ({ page }) => {
  await openApp(page);
  const list = await openFigures(page);
  await list.locator('[data-act="Remove Nights"]').click();
  await page.keyboard.press('Escape');
  const notice = page.locator('cb-notices').getByText('Removed Nights.');
  await expect(notice).toBeVisible();
  const [box, figure, rows] = [
    await notice.boundingBox(),
    await canvas(page).boundingBox(),
    await page.getByRole('region', { name: 'Ledger' }).boundingBox(),
  ];
  expect(overlap(box as Box, figure as Box) + overlap(box as Box, rows as Box)).toBe(0);
  await expect(notice).toHaveCount(0, { timeout: 26_000 });
});
