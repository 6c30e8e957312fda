import { expect, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { PDFDocument } from 'pdf-lib';
import { differing, drawn } from './pictures';
import { goTo, openApp, saved, test } from './support';

const sheet = (page: Page) => page.getByRole('dialog', { name: 'Hand over' });

/** What a button of the sheet gives, as bytes with its name. */
async function handed(page: Page, item: RegExp): Promise<{ name: string; bytes: Buffer }> {
  await page.getByRole('button', { name: 'Hand over' }).click();
  const [download] = await Promise.all([page.waitForEvent('download'), sheet(page).getByRole('button', { name: item }).click()]);
  return { name: download.suggestedFilename(), bytes: await readFile(await download.path()) };
}

test.beforeEach(({ page }) => openApp(page));

for (const name of ['Milk by hut', 'Nights', 'Milk by month'])
  test(`the SVG of ${name} is its canvas`, async ({ page, context }) => {
    await goTo(page, name);
    const [svg, png] = [await handed(page, /^SVG/), await handed(page, /^PNG 1×/)];
    const alone = await context.newPage();
    await alone.setViewportSize({ width: 1300, height: 1500 });
    expect(await differing(alone, await drawn(alone, svg.bytes.toString()), png.bytes)).toBeLessThanOrEqual(0.01);
  });

test('SVG holds real text, groups by name, a title and a description, and nothing that runs or is fetched', async ({ page }) => {
  const [first, second] = [await handed(page, /^SVG/), await handed(page, /^SVG/)];
  expect(second.bytes.equals(first.bytes)).toBe(true);
  const svg = first.bytes.toString();
  expect(svg).toContain('>Kettlemoor</text>');
  expect(svg).toContain('aria-label="cue 1 highest"');
  expect(svg).toContain('aria-label="axis first"');
  expect(svg).toMatch(/<title [^>]*>Milk by hut<\/title>/);
  expect(svg).toContain('<desc id="figure-description">Columns of milk for 20 huts');
  expect(svg).toContain('url(data:font/woff2;base64,');
  expect(svg.replace('http://www.w3.org/2000/svg', '')).not.toMatch(/<script|https?:|onload/);
  await page.getByRole('button', { name: 'Hand over' }).click();
  await sheet(page).getByLabel('Letters of the SVG').selectOption('named');
  await page.keyboard.press('Escape');
  expect((await handed(page, /^SVG/)).bytes.toString()).not.toContain('@font-face');
});

test('a picture of a width in centimetres says its resolution; one without its ground shows what lies beneath', async ({ page }) => {
  await page.getByRole('button', { name: 'Hand over' }).click();
  await sheet(page).getByLabel('Width of the picture').fill('0');
  await sheet(page).getByLabel('Width of the picture').press('Tab');
  await expect(sheet(page).getByRole('alert')).toContainText('Give a width above 0');
  await sheet(page).getByLabel('Width of the picture').fill('10');
  await sheet(page).getByLabel('Pixels to an inch').fill('254');
  await sheet(page).getByLabel('Pixels to an inch').press('Tab');
  await expect(sheet(page).getByRole('alert')).toHaveCount(0);
  await page.keyboard.press('Escape');
  const { bytes } = await handed(page, /^PNG so wide/);
  expect(bytes.readUInt32BE(16)).toBe(1_000);
  const at = bytes.indexOf('pHYs');
  expect([bytes.readUInt32BE(at + 4), bytes.readUInt32BE(at + 8), bytes[at + 12]]).toEqual([10_000, 10_000, 1]);
  await page.getByRole('button', { name: 'Hand over' }).click();
  await sheet(page)
    .getByLabel(/^Without its ground/)
    .check();
  await page.keyboard.press('Escape');
  const clear = await handed(page, /^PNG 1×/);
  const alpha = await page
    .evaluate(async data => {
      const image = await createImageBitmap(await (await fetch(`data:image/png;base64,${data}`)).blob()).catch(() => null);
      const canvas = new OffscreenCanvas(image?.width ?? 1, image?.height ?? 1);
      const context = canvas.getContext('2d') as OffscreenCanvasRenderingContext2D;
      if (image) context.drawImage(image, 0, 0);
      return context.getImageData(2, 2, 1, 1).data[3];
    }, clear.bytes.toString('base64'))
    .catch(() => -1);
  // The policy lets no data address be fetched: then the header says whether the picture has a channel for it.
  expect(alpha === -1 ? bytes[25] : alpha).toBe(alpha === -1 ? 6 : 0);
});

test('the figure is copied as a picture of twice its pixels', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.getByRole('button', { name: 'Hand over' }).click();
  await sheet(page)
    .getByRole('button', { name: /^Copy as a picture/ })
    .click();
  await expect(page.locator('cb-notices')).toContainText('Copied the figure as a picture.');
  const head = await page.evaluate(async () => {
    const [item] = await navigator.clipboard.read();
    const blob = await item?.getType('image/png');
    return blob ? [...new Uint8Array(await blob.slice(0, 24).arrayBuffer())] : [];
  });
  const bytes = Buffer.from(head);
  expect(bytes.subarray(1, 4).toString()).toBe('PNG');
  // 16:9 of a width of 1,000 pixels, twice.
  expect(bytes.readUInt32BE(16) / bytes.readUInt32BE(20)).toBeCloseTo(16 / 9, 1);
  expect(bytes.readUInt32BE(16)).toBeGreaterThan(1_500);
});

test('every other format arrives whole', async ({ page }) => {
  const rows: readonly [RegExp, string, RegExp][] = [
    [/^Workbook/, 'milk-by-hut.xlsx', /^PK/],
    [/^JSON of/, 'milk-by-hut.json', /^\[\n\{"hut":"Kettlemoor","valley":"Auvers Gap","milk":94190/],
    [/^Parquet/, 'milk-by-hut.parquet', /^PAR1/],
    [/^SQL/, 'milk-by-hut.sql', /grouped as \(\n {2}select hut,/],
    [/^Words as text/, 'milk-by-hut.txt', /^Milk by hut\n/],
    [/^Words as JSON/, 'milk-by-hut.words.json', /"sentence": "Mark the highest/],
    [/^Document/, 'milk-by-hut.html', /^<!doctype html>[^]*Content-Security-Policy[^]*What stands out/],
  ];
  for (const [item, name, holds] of rows) {
    const given = await handed(page, item);
    expect(given.name).toBe(name);
    expect(given.bytes.toString('latin1')).toMatch(holds);
  }
});

test('a document asks for nothing, is read without script, and says what each mark is', async ({ page, browser }) => {
  const { bytes } = await handed(page, /^Document/);
  const context = await browser.newContext({ javaScriptEnabled: false });
  const reader = await context.newPage();
  const asked: string[] = [];
  reader.on('request', request => asked.push(request.url()));
  await reader.route('**/*', route =>
    route.request().url().endsWith('/figure.html') ? route.fulfill({ body: bytes, contentType: 'text/html' }) : route.abort(),
  );
  await reader.goto('http://localhost/figure.html');
  await expect(reader.locator('svg title').filter({ hasText: 'Kettlemoor' }).first()).toHaveText(/milk: 94,190 L/);
  await expect(reader.getByRole('row').nth(1)).toContainText('Kettlemoor');
  expect(asked.filter(url => !url.startsWith('data:'))).toEqual(['http://localhost/figure.html']);
  await context.close();
});

test('the figure is printed on a page of its own size', async ({ page }) => {
  await page.evaluate(() => {
    window.print = () => void (document.body.dataset['printing'] = 'yes');
  });
  await page.getByRole('button', { name: 'Hand over' }).click();
  await sheet(page)
    .getByRole('button', { name: /^Print/ })
    .click();
  await expect(page.locator('body')).toHaveAttribute('data-printing', 'yes');
  const pdf = await PDFDocument.load(await page.pdf({ preferCSSPageSize: true }));
  // 1200 by 675 CSS pixels are 900 by 506.25 points.
  const sizes = pdf.getPages().map(own => own.getSize());
  expect(sizes).toHaveLength(1);
  expect(sizes[0]?.width).toBeCloseTo(900, 0);
  expect(sizes[0]?.height).toBeCloseTo(506, 0);
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  await expect(page.locator('.printed')).toHaveCount(0);
});

test.describe('pages', () => {
  const pages = (page: Page) => page.getByRole('dialog', { name: 'Pages' });
  test.beforeEach(async ({ page }) => {
    await page.getByRole('button', { name: 'Hand over' }).click();
    await sheet(page)
      .getByRole('button', { name: /^Pages/ })
      .click();
    await expect(pages(page).getByLabel('Name of the page')).toBeVisible();
  });

  test('put figures and words in one order; their values follow, and a fault is told in its place', async ({ page }) => {
    const own = pages(page);
    await own.getByRole('button', { name: 'New page' }).click();
    await expect(own.locator('[data-block]')).toHaveCount(2);
    await own.getByRole('button', { name: 'Words', exact: true }).click();
    await own.getByLabel('Paragraphs').fill('# Full\n\nThe best hut brought {max(milk) as volume}, and {nonsense}.');
    await own.getByLabel('Paragraphs').blur();
    await expect(own.locator('[data-page]')).toContainText('The best hut brought 94,190 L, and –.');
    await expect(own.getByRole('alert')).toContainText('No column is called “nonsense”');
    await own.getByRole('button', { name: 'Move up, block 3' }).click();
    await expect(own.locator('[data-block]').nth(1)).toHaveAttribute('data-block', 'text');
    await own.getByRole('button', { name: 'Take off the page, block 1' }).click();
    await expect(own.locator('[data-block]')).toHaveCount(2);
    await saved(page);
    await page.keyboard.press('Escape');
    await expect(own).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await page.reload();
    await page.getByRole('button', { name: 'Hand over' }).click();
    await sheet(page)
      .getByRole('button', { name: /^Pages/ })
      .click();
    await own.getByRole('button', { name: /^Report of Highmeadow/ }).click();
    await expect(own.locator('[data-block]')).toHaveCount(3);
  });

  test('leave as a document and as a folder of pictures', async ({ page }) => {
    const give = async (name: string): Promise<Buffer> => {
      const [download] = await Promise.all([page.waitForEvent('download'), pages(page).getByRole('button', { name }).click()]);
      return readFile(await download.path());
    };
    const html = (await give('Document')).toString();
    expect(html).toContain('The union’s huts brought 1,113.5 kL down');
    expect(html.match(/<svg /g)).toHaveLength(3);
    expect(html.match(/@font-face/g)?.length).toBeGreaterThan(0);
    expect(html.replaceAll('http://www.w3.org/2000/svg', '')).not.toMatch(/<script|https?:/);
    const folder = (await give('Folder of pictures')).toString('latin1');
    for (const name of ['01-above-average.png', '02-milk-against-plan.png', '03-direction.png', 'report-of-the-2031-season.txt'])
      expect(folder).toContain(name);
  });
});

test('the guide is searched, and each of its needs has its picture', async ({ page }) => {
  await page.getByRole('button', { name: 'Help', exact: true }).click();
  const help = page.getByRole('dialog', { name: 'Help' });
  await expect(help.getByRole('heading', { name: 'What do I say for …' })).toBeVisible();
  await help.getByLabel('Search the guide').fill('running total');
  await page.keyboard.press('Enter');
  await expect(help.getByRole('heading', { name: 'Window calculations' })).toBeVisible();
  await expect(help.getByRole('img')).toHaveJSProperty('naturalWidth', 800);
  await help.getByLabel('Search the guide').fill('qqzz');
  await expect(help.getByText('Nothing in the guide has these words')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(help).toHaveCount(0);
});
