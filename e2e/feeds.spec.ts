import { expect, type Locator, type Page } from '@playwright/test';
import { brief, openApp, saved, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const view = (page: Page): Locator => page.getByRole('dialog', { name: 'Tables', exact: true });
const feed = (page: Page): Locator => view(page).getByRole('group', { name: 'Feed' });
const size = (page: Page): Locator => view(page).locator('[data-size]');

async function openTables(page: Page): Promise<void> {
  await page.keyboard.press('Alt+b');
  await page.keyboard.type('tables of');
  await page.keyboard.press('Enter');
  await expect(view(page)).toBeVisible();
}

/** Takes rows from a feed as a table of their own. */
async function takeFeed(page: Page, address: string, often = 'when asked'): Promise<void> {
  await openTables(page);
  await view(page).getByRole('button', { name: 'Take rows from a feed' }).click();
  await page.getByLabel('Address of the feed').fill(address);
  await page.getByLabel('How often').selectOption({ label: often });
  await page.getByRole('button', { name: 'Look at it' }).click();
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByRole('dialog', { name: 'How it is read' })).toHaveCount(0);
  await view(page).getByRole('navigation', { name: 'Tables' }).getByText('deliveries', { exact: true }).last().click();
}

/** The feed’s address, changed. */
async function tie(page: Page, address: string, often = 'when asked'): Promise<void> {
  await feed(page).getByRole('button', { name: 'Change' }).click();
  await page.getByLabel('Address of the feed').fill(address);
  await page.getByLabel('How often').selectOption({ label: often });
  await page.getByRole('button', { name: 'Tie it', exact: true }).click();
}

test('rows from a feed, page by page: looked at, landed, refreshed by hand; the age is said, what changed in the findings too, undo brings the old rows back', async ({
  page,
}) => {
  await takeFeed(page, '/feeds/deliveries.json?size=100&until=2031-06-02');
  await expect(size(page)).toContainText('120 rows');
  await expect(feed(page)).toContainText('Fed from /feeds/deliveries.json?size=100&until=2031-06-02, when asked.');
  await expect(feed(page).locator('[data-age]')).toHaveText(/^Its rows are \d+ seconds? old\.$/);
  await tie(page, '/feeds/deliveries.csv?size=50&until=2031-06-16');
  await expect(size(page)).toContainText('160 rows');
  await page.getByRole('button', { name: 'See what changed' }).click();
  const news = page.getByRole('dialog', { name: 'What changed in the findings' });
  await expect(news).toContainText(/is (still|no longer) the highest/);
  await news.getByRole('button', { name: 'Take the new rows back' }).click();
  await expect(size(page)).toContainText('120 rows');
});

const faults: readonly [fault: string, words: RegExp][] = [
  ['error', /The feed answered with 500\./],
  ['slow', /did not answer within 10 seconds/],
];
for (const [fault, words] of faults)
  test(`a feed that fails by ${fault} is tried again with growing pauses; the last good rows stay, and come fresh when it is good again`, async ({
    page,
  }) => {
    await takeFeed(page, '/feeds/deliveries.json?until=2031-06-02');
    await expect(size(page)).toContainText('120 rows');
    await tie(page, `/feeds/deliveries.json?until=2031-06-09&fault=${fault}&fails=2&id=${fault}-${Date.now()}`);
    // A slow one is waited for ten seconds.
    await expect(feed(page).locator('[data-feed-fault]')).toContainText(words, { timeout: 15_000 });
    await expect(feed(page).locator('[data-feed-fault]')).toContainText(/Tried once, again in [12] s\. The last good rows stay\./);
    await expect(size(page)).toContainText('120 rows');
    await expect(feed(page).locator('[data-feed-fault]')).toContainText(/Tried 2 times, again in [1-4] s\./, { timeout: 20_000 });
    await expect(size(page)).toContainText('140 rows');
    await expect(feed(page).locator('[data-feed-fault]')).toHaveCount(0);
  });

test('a feed with other columns waits to be looked at: the last good rows stay, what changes is mended, and the figures go on', async ({
  page,
}) => {
  await takeFeed(page, '/feeds/deliveries.json?until=2031-06-02');
  await expect(size(page)).toContainText('120 rows');
  await tie(page, '/feeds/deliveries.json?until=2031-06-09&fault=columns');
  await expect(feed(page).locator('[data-feed-fault]')).toContainText('milk is not there any more.');
  await expect(size(page)).toContainText('120 rows');
  await feed(page).getByRole('button', { name: 'Look at what it gives' }).click();
  const intake = page.getByRole('dialog', { name: 'How it is read' });
  await intake.getByRole('button', { name: 'litres is milk' }).click();
  await expect(intake.locator('[data-source-changes]')).not.toContainText('milk is not there');
  await intake.getByRole('button', { name: 'Replace the rows' }).click();
  await page.getByRole('dialog', { name: 'What changed in the findings' }).getByRole('button', { name: 'Done' }).click();
  await expect(size(page)).toContainText('140 rows');
  // What was decided is kept: the same columns are no news the next time.
  await feed(page).getByRole('button', { name: 'Refresh now' }).click();
  await expect(feed(page).locator('[data-age]')).toHaveText(/^Its rows are [0-4] seconds? old\.$/);
  await expect(feed(page).locator('[data-feed-fault]')).toHaveCount(0);
});

test.describe(() => {
  test.use({ isFresh: true });
  test('a table that is tied by interval is refreshed by itself', async ({ page }) => {
    await takeFeed(page, '/feeds/deliveries.json?until=2031-06-02');
    await page.clock.install();
    const asked: string[] = [];
    page.on('request', request => request.url().includes('/fetch?') && asked.push(request.url()));
    await tie(page, '/feeds/deliveries.json?until=2031-06-02&size=50', 'every minute');
    // Refreshed as it is tied; how long that takes is the machine's matter, so what is said of the age is only bounded.
    await expect.poll(() => asked.length).toBe(1);
    await expect(feed(page).getByRole('button', { name: 'Refresh now' })).toBeEnabled();
    await page.clock.runFor(30_000);
    await expect(feed(page).locator('[data-age]')).toHaveText(/^Its rows are [3-5]\d seconds old\.$/);
    expect(asked.length).toBe(1);
    await page.clock.runFor(32_000);
    await expect.poll(() => asked.length).toBe(2);
    await expect(feed(page).locator('[data-age]')).toHaveText(/^Its rows are [0-2]?\d seconds? old\.$/);
  });
});

test('an address elsewhere is refused at its field; a tie by interval outlives a reload, and ends by one word', async ({ page }) => {
  await openTables(page);
  await view(page).getByRole('button', { name: 'Take rows from a feed' }).click();
  await page.getByLabel('Address of the feed').fill('//elsewhere.example/feeds/deliveries.json');
  await page.getByRole('button', { name: 'Look at it' }).click();
  await expect(page.locator('cb-feed-form [data-fault]')).toContainText('Only feeds of this server');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await takeFeed(page, '/feeds/deliveries.json?until=2031-06-02', 'every 5 minutes');
  await expect(feed(page)).toContainText('every 5 minutes');
  await page.keyboard.press('Escape');
  await saved(page);
  await page.reload();
  await expect(brief(page)).toContainText('Take deliveries, 120 rows');
  await openTables(page);
  await expect(feed(page)).toContainText('every 5 minutes');
  await feed(page).getByRole('button', { name: 'Untie it' }).click();
  await expect(feed(page).getByRole('button', { name: 'Tie it to a feed' })).toBeVisible();
});
