import { expect, test, type Page } from '@playwright/test';
import { addCue, brief, drop, openApp, saved, stage } from './support';

test.beforeEach(({ page }) => openApp(page));

const press = async (page: Page, ...keys: readonly string[]): Promise<void> => {
  for (const key of keys) await page.keyboard.press(key);
};

test('a notice with an undo waits while it is pointed at, and a project that was removed is kept until the next visit', async ({
  page,
}) => {
  await page.clock.install();
  await page.getByRole('button', { name: 'More for cue 1' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).click();
  const notice = page.locator('cb-notices').getByText('Removed the cue.');
  await page.clock.runFor(15_000);
  await expect(notice).toBeVisible();
  await notice.hover();
  await page.clock.runFor(60_000);
  await expect(notice).toBeVisible();
  await stage(page).hover();
  await page.clock.runFor(21_000);
  await expect(notice).toHaveCount(0);
  await page.clock.resume();
  await drop(page, 'a.csv', 'hut,milk\nAlm,1\nBerg,2\n');
  await expect(brief(page)).toContainText('Take a, 2 rows');
  await saved(page);
  const open = (): Promise<void> => page.getByRole('button', { name: 'Open', exact: true }).click();
  await open();
  await page.getByRole('button', { name: 'Remove Highmeadow season' }).click();
  await page.getByRole('button', { name: /^Bring back Highmeadow season/ }).click();
  await expect(page.getByRole('button', { name: 'Remove Highmeadow season' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove Highmeadow season' }).click();
  await page.reload();
  await expect(brief(page)).toContainText('Take a, 2 rows');
  await open();
  await expect(page.getByRole('button', { name: 'Choose files…' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Remove Highmeadow season' })).toHaveCount(0);
});

for (const [width, height] of [
  [1280, 800],
  [640, 400],
  [320, 256],
] as const)
  test(`a notice covers nothing that has the focus, at ${width}×${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await brief(page).getByRole('button', { name: 'More for cue 1' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).click();
    await expect(page.locator('cb-notices').getByText('Removed the cue.')).toBeVisible();
    const covered: string[] = [];
    let places = new Set<boolean>();
    for (let stop = 0; stop < 45; stop++) {
      await press(page, stop < 25 ? 'Tab' : 'Shift+Tab');
      const found = await page.evaluate(() => {
        const [notices, focus] = [document.querySelector('cb-notices'), document.activeElement];
        if (!notices || !focus || focus === document.body || notices.contains(focus)) return null;
        const [a, b] = [notices.getBoundingClientRect(), focus.getBoundingClientRect()];
        const isCovered = a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
        // What is as tall as the window cannot be left free whole.
        const isTall = b.height > innerHeight - 2 * a.height;
        return { name: isCovered && !isTall ? (focus.getAttribute('aria-label') ?? focus.outerHTML.slice(0, 80)) : '', top: a.top < 40 };
      });
      if (found?.name) covered.push(found.name);
      if (found) places = places.add(found.top);
    }
    expect(covered).toEqual([]);
    // In a small window it had to make way.
    if (width < 1000) expect(places.size).toBe(2);
  });

test('a notice makes way for what is pushed under it', async ({ page }) => {
  await drop(
    page,
    'messy.csv',
    'Sales list;;\nShop;Month;Turnover\nAda;2031-01-01;1.250,50 €\nBo;2031-01-01;3,00 €\nBo;2031-02-01\nCy;2031-02-01;7,00 €\n',
  );
  await expect(brief(page)).toContainText('Take messy, 4 rows.');
  await expect(page.locator('cb-notices')).toContainText('Some things were mended');
  await addCue(page, 'average', 'typical');
  const button = brief(page).getByRole('button', { name: 'Add a cue' });
  await expect(button).toBeFocused();
  const bottoms = async (): Promise<boolean> => {
    const [a, b] = [await page.locator('cb-notices').boundingBox(), await button.boundingBox()];
    return Boolean(a && b && (a.y >= b.y + b.height || a.y + a.height <= b.y || a.x >= b.x + b.width));
  };
  await expect.poll(bottoms).toBe(true);
});
