import { expect, type Page } from '@playwright/test';
import { seedsOf } from '../conformance/generated';
import { openWith } from './pictures';
import { brief, choose, figureName, goTo, LIGHT, openApp, pixelCount, reveal, settled, stage, token, typeToken, test } from './support';

const SEEDS = seedsOf(80);
// Less than this is not seen, in pixels; letters hang over their widths by less.
const UNSEEN = 1;

type Point = readonly [x: number, y: number];

interface Drawn {
  readonly width: number;
  readonly height: number;
  readonly texts: readonly { readonly text: string; readonly corners: readonly Point[]; readonly struck: boolean }[];
}

/** How far two convex shapes lie in each other; by the axes of both. */
function depthOf(a: readonly Point[], b: readonly Point[]): number {
  let least = Infinity;
  for (const shape of [a, b])
    shape.forEach(([x, y], i) => {
      const [nextX, nextY] = shape[(i + 1) % shape.length] as Point;
      const length = Math.hypot(nextX - x, nextY - y);
      if (length === 0) return;
      const along = (points: readonly Point[]): number[] => points.map(([px, py]) => (px * (nextY - y) - py * (nextX - x)) / length);
      const [one, other] = [along(a), along(b)];
      least = Math.min(least, Math.min(Math.max(...one), Math.max(...other)) - Math.max(Math.min(...one), Math.min(...other)));
    });
  return least;
}

test(`the texts of ${SEEDS.length} generated figures, as this browser writes them, overlap nothing and are not cut`, async ({ page }) => {
  test.setTimeout(240_000);
  await openWith(page, 'labels/corpus-page.ts');
  const faults: string[] = [];
  let texts = 0;
  for (const seed of SEEDS) {
    const drawn = await page.evaluate(
      seed => (globalThis as unknown as { drawFigure: (seed: number) => unknown }).drawFigure(seed) as Drawn,
      seed * 23,
    );
    texts += drawn.texts.length;
    drawn.texts.forEach(({ text, corners, struck }, i) => {
      const isCut = corners.some(([x, y]) => x < -UNSEEN || y < -UNSEEN || x > drawn.width + UNSEEN || y > drawn.height + UNSEEN);
      if (isCut) faults.push(`${seed * 23}: “${text}” is cut`);
      if (struck) faults.push(`${seed * 23}: a base line runs through “${text}”`);
      for (const other of drawn.texts.slice(i + 1))
        if (depthOf(corners, other.corners) > UNSEEN) faults.push(`${seed * 23}: “${text}” on “${other.text}”`);
    });
  }
  expect(faults).toEqual([]);
  expect(texts).toBeGreaterThan(10 * SEEDS.length);
});

/** Pixels of a colour within the box around all pixels of another, away from its edges. */
const inkWithin = (page: Page, bar: string, ink: string): Promise<number> =>
  page.evaluate(
    ([bar, ink]) => {
      const element = document.querySelector('cb-figure-canvas canvas[role="img"]') as HTMLCanvasElement;
      const { width, height } = element;
      const { data } = (element.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, width, height);
      const ratio = width / element.clientWidth;
      const has = (hex: string, i: number): boolean => [1, 3, 5].every((at, k) => data[4 * i + k] === parseInt(hex.slice(at, at + 2), 16));
      // Below the legend, whose key has the colour as well.
      const from = Math.round(120 * ratio) * width;
      const found = Array.from({ length: width * height - from }, (_, i) => from + i).filter(i => has(bar as string, i));
      const [xs, ys] = [found.map(i => i % width), found.map(i => Math.floor(i / width))];
      const least = (list: number[]): number => list.reduce((a, b) => Math.min(a, b), Infinity);
      const most = (list: number[]): number => list.reduce((a, b) => Math.max(a, b), -Infinity);
      let count = 0;
      for (let y = least(ys) + 3; y < most(ys) - 2; y++)
        for (let x = least(xs) + 3; x < most(xs) - 2; x++) count += Number(has(ink as string, y * width + x));
      return count;
    },
    [bar, ink],
  );

const title = (page: Page): Promise<string | null> => page.locator('[data-part="title"]').first().getAttribute('aria-label');

test.describe('labels and words', () => {
  test.beforeEach(async ({ page }) => openApp(page));

  test('every mark is labelled when asked, inside at its base, by contrast with its bar', async ({ page }) => {
    await choose(page, 'label-what', 'every mark');
    await choose(page, 'label-place', 'inside, at the base');
    await expect(brief(page)).toContainText('Label every mark. Labels stand inside, at the base.');
    // The lowest bar is slate: within its box there is text in the ground's colour, and none in ink.
    expect(await inkWithin(page, LIGHT.slate, '#fcfdfc')).toBeGreaterThan(5);
    expect(await inkWithin(page, LIGHT.slate, LIGHT.ink)).toBe(0);
    await choose(page, 'label-says', 'their ranks');
    await expect(brief(page)).toContainText('Labels say their ranks.');
    await page.keyboard.press('Control+z');
    await expect(token(page, 'label-says')).toHaveText('their values');
  });

  test('labels without room are told in the brief, and can be listed', async ({ page }) => {
    await choose(page, 'label-what', 'every mark');
    await choose(page, 'label-says', 'words of your own');
    await typeToken(page, 'label-text', 'a label far too long to stand beside its neighbours: {milk} litres');
    const dropped = brief(page).locator('[data-dropped]');
    await expect(dropped).toContainText(/\d+ labels without room/);
    await dropped.locator('summary').click();
    await expect(dropped.getByRole('listitem').first()).toContainText('no room beside other marks and labels');
  });

  test.describe(() => {
    test.use({ isFresh: true });
    test('a label is dragged, stays with its mark, and is let go', async ({ page }) => {
      const canvas = stage(page).getByRole('img').first();
      const box = await canvas.boundingBox();
      if (!box) throw new Error('there is no figure');
      // The label of the highest bar stands above it.
      const labelAt = await page.evaluate(() => {
        const element = document.querySelector('cb-figure-canvas canvas[role="img"]') as HTMLCanvasElement;
        const ctx = element.getContext('2d') as CanvasRenderingContext2D;
        const { width, height } = element;
        const { data } = ctx.getImageData(0, 0, width, height);
        const ratio = width / element.clientWidth;
        // First row of the first brass column, in page pixels.
        for (let y = 0; y < height; y++)
          for (let x = 0; x < width; x++) {
            const i = 4 * (y * width + x);
            if (data[i] === 0xb3 && data[i + 1] === 0x7a && data[i + 2] === 0x07 && y > 120 * ratio) return { x: x / ratio, y: y / ratio };
          }
        return null;
      });
      if (!labelAt) throw new Error('no bar is brass');
      const from = { x: box.x + labelAt.x + 8, y: box.y + labelAt.y - 11 };
      // What changes figures comes late: the whole drag is over before it does.
      await page.route('**/*.js', async route => {
        await new Promise(resolve => setTimeout(resolve, 800));
        await route.continue();
      });
      await page.mouse.move(from.x, from.y);
      await page.mouse.down();
      await page.mouse.move(from.x + 60, from.y + 20, { steps: 5 });
      await page.mouse.up();
      await settled(page);
      await expect(brief(page)).toContainText('By hand you have put one label somewhere.');
      await page.keyboard.press('Control+z');
      await expect(brief(page)).not.toContainText('By hand you have put');
      await page.keyboard.press('Control+Shift+z');
      await choose(page, 'pins', 'let all of them go');
      await expect(brief(page)).not.toContainText('By hand you have put');
    });
  });

  test('a title states the finding in one of three wordings, follows the data, and gives way to words by hand', async ({ page }) => {
    await goTo(page, 'Wheels by hut');
    await reveal(page, 'finding');
    await expect(token(page, 'finding')).toBeVisible();
    await token(page, 'finding').click();
    await expect(page.getByRole('dialog').getByRole('option')).toHaveText([
      'the words you wrote',
      'Mossgate has the highest wheels',
      'Mossgate has the highest wheels: 2,140',
      /^Mossgate has the highest wheels: 2,140, 11 × the average$/,
    ]);
    await page.getByRole('dialog').getByRole('option', { name: 'Mossgate has the highest wheels: 2,140', exact: true }).click();
    await settled(page);
    expect(await title(page)).toContain('Mossgate has the highest wheels: 2,140');
    // Written over in place it begins as it reads, and is the analyst's own from then on.
    await page.locator('[data-part="title"]').first().click();
    const field = page.locator('cb-figure-parts input, cb-figure-parts textarea').first();
    await expect(field).toHaveValue('Mossgate has the highest wheels: 2,140');
    await field.fill('My own words');
    await page.keyboard.press('Enter');
    await settled(page);
    expect(await title(page)).toContain('My own words');
    await expect(token(page, 'finding')).toHaveText('the words you wrote');
  });

  test('what cannot be computed in braces is told in the brief, and the figure shows a dash', async ({ page }) => {
    await typeToken(page, 'title', 'Most: {max(mlk)}');
    await expect(brief(page).locator('[data-problem]')).toContainText('{max(mlk)}');
    expect(await title(page)).toContain('Most: –');
    await typeToken(page, 'title', 'Most: {max(milk) as volume}');
    await expect(brief(page).locator('[data-problem]')).toHaveCount(0);
    expect(await title(page)).toContain('Most: 94,190 L');
  });

  test('names stand on the side where bars are not', async ({ page }) => {
    await goTo(page, 'Balance against plan');
    await expect(brief(page)).toContainText('Names stand where their bars are not.');
    const wide = await pixelCount(page, '#417d47');
    await choose(page, 'names-beside', 'at the axis');
    // The names have the left for themselves: bars are shorter.
    expect(await pixelCount(page, '#417d47')).not.toBe(wide);
  });

  test('the figure in words is copied', async ({ page, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.getByRole('button', { name: /^Copy it in words/ }).click();
    await expect(page.locator('cb-notices')).toContainText('Copied the figure in words.');
    expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(
      /^Milk by hut\. Columns of milk for 20 huts, .* Values run from 23,890 L to 94,190 L\./,
    );
  });

  test('a mark takes a colour by hand, and its label is moved by keys', async ({ page }) => {
    await goTo(page, 'Altitudes');
    await stage(page).getByRole('img').first().focus();
    await page.keyboard.press('Home');
    await page.keyboard.press('Enter');
    const menu = page.getByRole('dialog');
    await menu.getByRole('button', { name: 'up', exact: true }).click();
    await expect(brief(page)).toContainText('By hand you have put one label somewhere.');
    await menu.getByRole('button', { name: 'Let it go' }).click();
    await expect(brief(page)).not.toContainText('By hand you have put');
    await menu
      .getByRole('button', { name: /^Colour Hollowmist #/ })
      .first()
      .click();
    await expect(brief(page)).toContainText('By hand you coloured 1 value.');
    await menu.getByRole('button', { name: 'Its own again' }).click();
    await expect(brief(page)).not.toContainText('By hand you coloured');
  });

  test('a legend stands beside the plot, at the marks, or nowhere, which is a check', async ({ page }) => {
    await goTo(page, 'Milk so far by valley');
    // At the marks each name opens its words, as an entry does.
    await expect(stage(page).locator('[data-part="legend 1"]').first()).toHaveAccessibleName(/Brackenfell/);
    await choose(page, 'legend', 'beside the plot');
    const beside = await stage(page).locator('[data-part="legend 1"]').first().boundingBox();
    const figure = await stage(page).getByRole('img').first().boundingBox();
    expect((beside?.x ?? 0) - (figure?.x ?? 0)).toBeGreaterThan((figure?.width ?? 0) * 0.7);
    await choose(page, 'legend', 'nowhere');
    await expect(page.locator('[data-checks]')).toBeVisible();
    await page.locator('[data-checks]').click();
    await page.getByRole('button', { name: 'Show the legend' }).click();
    await expect(token(page, 'legend')).toHaveText('above the plot');
  });
});

test.describe('liveries', () => {
  test.beforeEach(async ({ page }) => openApp(page));

  test('one is worn, made one’s own, changed beside the figure, and undone', async ({ page }) => {
    await brief(page).locator('[data-acts="liveries"]').click();
    const sheet = page.getByRole('dialog', { name: 'Liveries' });
    await sheet.getByRole('button', { name: 'Night barn' }).click();
    await settled(page);
    expect(await pixelCount(page, '#0b0f14')).toBeGreaterThan(50_000);
    await sheet.getByRole('button', { name: 'Make one of your own' }).click();
    await expect(sheet.getByRole('button', { name: /^Night barn, own/ })).toHaveAttribute('aria-pressed', 'true');
    await sheet.getByLabel('Ground').evaluate((field: HTMLInputElement) => {
      field.value = '#202840';
      field.dispatchEvent(new Event('change', { bubbles: true }));
    });
    await settled(page);
    expect(await pixelCount(page, '#202840')).toBeGreaterThan(50_000);
    // Ink that does not read is told, with the nearest that does.
    await sheet.getByLabel('Small words').evaluate((field: HTMLInputElement) => {
      field.value = '#303850';
      field.dispatchEvent(new Event('change', { bubbles: true }));
    });
    const fault = sheet.locator('[data-livery-fault]').first();
    await expect(fault).toContainText('4.5 : 1 is needed');
    await fault.getByRole('button').click();
    await expect(sheet.locator('[data-livery-fault]').filter({ hasText: 'Small words' })).toHaveCount(0);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await settled(page);
    expect(await pixelCount(page, '#0b0f14')).toBeGreaterThan(50_000);
  });

  test('a livery is saved as a file and read again; another file is refused', async ({ page }) => {
    await choose(page, 'livery', 'Haystack');
    await brief(page).locator('[data-acts="liveries"]').click();
    const sheet = page.getByRole('dialog', { name: 'Liveries' });
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      sheet.getByRole('button', { name: 'Save Haystack as a file' }).click(),
    ]);
    const stream = await download.createReadStream();
    const chunks: Buffer[] = [];
    for await (const chunk of stream) chunks.push(Buffer.from(chunk as Uint8Array));
    await sheet.getByLabel('Livery file').setInputFiles({ name: 'h.json', mimeType: 'application/json', buffer: Buffer.concat(chunks) });
    await expect(sheet.getByRole('button', { name: /^Haystack 2/ })).toHaveAttribute('aria-pressed', 'true');
    await sheet.getByLabel('Livery file').setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"a":1}') });
    await expect(sheet.locator('[data-fault]')).toContainText('no livery');
  });

  test('others are dressed like a figure in one step', async ({ page }) => {
    await choose(page, 'livery', 'Dusk');
    await brief(page).locator('[data-acts="dress-like"]').click();
    const sheet = page.getByRole('dialog', { name: 'Dress like this figure' });
    await sheet.getByRole('option', { name: 'Nights' }).click();
    await sheet.getByRole('option', { name: 'Tank levels' }).click();
    await sheet.getByRole('button', { name: 'Dress 2 figures' }).click();
    await goTo(page, 'Nights');
    await expect(brief(page)).toContainText('It wears Dusk.');
    await page.keyboard.press('Control+z');
    await expect(brief(page)).not.toContainText('It wears Dusk.');
    await goTo(page, 'Tank levels');
    await expect(brief(page)).not.toContainText('It wears Dusk.');
    await expect(figureName(page)).toHaveText('Tank levels');
  });
});
