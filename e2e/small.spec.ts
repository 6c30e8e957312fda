import { expect, type Page } from '@playwright/test';
import { brief, canvas, drawn, goTo, ledger, openApp, openFigures, stage, test } from './support';

/** What lies beyond an edge of the window sideways, or is cut by its own box. */
const beyond = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const { clientWidth } = document.documentElement;
    const seen = [...document.querySelectorAll<HTMLElement>('button, input, select, textarea, a, h1, h2, p, .token, canvas')].filter(
      element =>
        element.getClientRects().length > 0 &&
        !element.closest('.ag-root, .skip, [aria-hidden="true"], cb-figure-parts') &&
        !element.matches('.skip'),
    );
    return seen.flatMap(element => {
      const { left, right } = element.getBoundingClientRect();
      return left < -1 || right > clientWidth + 1
        ? [`${element.tagName} ${(element.textContent ?? '').trim().slice(0, 30)}: ${left} to ${right}`]
        : [];
    });
  });

for (const [width, height] of [
  [640, 400],
  [320, 256],
] as const)
  test(`at ${width} × ${height} the places stand one below the other, and nothing lies beyond the edge`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await openApp(page);
    expect(await beyond(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    const tops = await Promise.all([brief(page), stage(page), ledger(page)].map(async place => (await place.boundingBox())?.y ?? 0));
    expect(tops).toEqual([...tops].sort((a, b) => a - b));
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('dialog', { name: 'More' }).getByRole('button', { name: 'Look through the gallery' }).click();
    await expect(page.getByRole('dialog', { name: 'Gallery' })).toBeVisible();
    await drawn(page);
    expect(await beyond(page)).toEqual([]);
    await page.keyboard.press('Escape');
    // The desk is a sheet of its own, with room to write in.
    await page.getByRole('button', { name: 'Helper column', exact: true }).click();
    const editor = page.locator('cb-formula-editor');
    await expect(page.locator('cb-formula-desk .cm-content')).toBeFocused();
    expect((await editor.boundingBox())?.height).toBeGreaterThan(60);
    await expect(page.getByRole('button', { name: 'Use it' })).toBeInViewport();
    await page.keyboard.press('Escape');
    for (const name of ['Open', 'Hand over', 'Find an action', 'Add a cue']) {
      await page.getByRole('button', { name, exact: true }).click();
      await expect(page.getByRole('dialog').last().locator('button, input').filter({ visible: true }).first()).toBeVisible();
      // What has come is placed in the frame that shows it, not in the moment it comes.
      await drawn(page);
      expect(await beyond(page)).toEqual([]);
      await page.keyboard.press('Escape');
    }
  });

/** Texts as they were written last on the figure's canvas, each with what of it lies beyond an edge, in device pixels. */
async function writtenOn(page: Page): Promise<{ readonly text: string; readonly beyond: number }[]> {
  return canvas(page).evaluate(element => (element as HTMLCanvasElement & { written?: { text: string; beyond: number }[] }).written ?? []);
}

/** Notes every text that is written on a canvas, with how far its corners lie beyond the edge. */
function noteTexts(): void {
  const { prototype } = CanvasRenderingContext2D;
  const [fillText, clearRect] = (['fillText', 'clearRect'] as const).map(name => Reflect.get(prototype, name) as () => void);
  type Noted = HTMLCanvasElement & { written?: { text: string; beyond: number }[] };
  prototype.clearRect = function (this: CanvasRenderingContext2D, ...box: [number, number, number, number]): void {
    (this.canvas as Noted).written = [];
    clearRect?.apply(this, box as never);
  };
  prototype.fillText = function (this: CanvasRenderingContext2D, text: string, x: number, y: number): void {
    const {
      actualBoundingBoxLeft: left,
      actualBoundingBoxRight: right,
      actualBoundingBoxAscent: up,
      actualBoundingBoxDescent: down,
    } = this.measureText(text);
    const corners = [
      [x - left, y - up],
      [x + right, y - up],
      [x - left, y + down],
      [x + right, y + down],
    ].map(([cx, cy]) => this.getTransform().transformPoint({ x: cx as number, y: cy as number }));
    const { width, height } = this.canvas;
    const beyond = Math.max(...corners.map(at => Math.max(-at.x, at.x - width, -at.y, at.y - height)));
    ((this.canvas as Noted).written ??= []).push({ text, beyond });
    fillText?.apply(this, [text, x, y] as never);
  };
}

test.describe(() => {
  test.use({ isFresh: true });
  test('letters of 24 pixels and wide spacing leave every label whole, on the figure too', async ({ page }) => {
    await page.addInitScript(noteTexts);
    await page.addInitScript(() => {
      const dress = (): void => {
        document.documentElement.style.fontSize = '24px';
        const spacing = document.createElement('style');
        spacing.textContent = '* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; }';
        document.head.append(spacing);
      };
      if (document.head) dress();
      else
        new MutationObserver((_, watch) => document.head && (watch.disconnect(), dress())).observe(document, {
          childList: true,
          subtree: true,
        });
    });
    await openApp(page);
    // Words of buttons are not cut by their box.
    const cut = await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('cb-brief button, cb-brief .token, cb-stage button:not(.part), .sheet button')]
        .filter(
          element =>
            element.getClientRects().length > 0 &&
            (element.scrollWidth > element.clientWidth + 1 || element.scrollHeight > element.clientHeight + 2),
        )
        .filter(element => getComputedStyle(element).display !== 'inline')
        .map(element => element.textContent?.trim()),
    );
    expect(cut).toEqual([]);
    expect(await beyond(page)).toEqual([]);
    // The figure is laid out on a page that much smaller, and drawn that much larger.
    const shown = await canvas(page).evaluate(element => {
      const { width, height } = element.getBoundingClientRect();
      const { clientWidth } = element as HTMLCanvasElement;
      return { zoom: width / clientWidth, drawn: (element as HTMLCanvasElement).width / clientWidth, height };
    });
    expect([shown.zoom, shown.drawn]).toEqual([1.5, 1.5]);
    // Label by label: none is shortened, none runs over an edge.
    for (const figure of ['Milk by hut', 'Plan of wheels', 'Wheels by hut', 'Tank levels', 'Milk and fat']) {
      await goTo(page, figure);
      await expect(canvas(page)).toHaveAccessibleName(/./);
      await expect.poll(async () => (await writtenOn(page)).length, { message: figure }).toBeGreaterThan(8);
      const broken = async (): Promise<string[]> =>
        (await writtenOn(page))
          .filter(({ text, beyond }) => text.includes('…') || beyond > 1)
          .map(({ text, beyond }) => `${text}: ${beyond}`);
      await expect.poll(broken, { message: figure }).toEqual([]);
    }
    await goTo(page, 'Milk by hut');
    // Its parts are met where they are drawn.
    const title = stage(page).locator('[data-part="title"]');
    const [box, figure] = [await title.boundingBox(), await canvas(page).boundingBox()];
    expect(box && figure && box.x >= figure.x && box.x + box.width <= figure.x + figure.width).toBe(true);
    await title.click();
    await expect(stage(page).getByRole('textbox', { name: 'Title' })).toBeFocused();
  });
});

test('targets are 24 pixels at least', async ({ page }) => {
  await openApp(page);
  const small = (): Promise<string[]> =>
    page.evaluate(() =>
      [
        ...document.querySelectorAll<HTMLElement>(
          'button, select, input:not([type="checkbox"]):not([type="file"]), [role="radio"], [role="switch"]',
        ),
      ]
        .filter(
          element => element.getClientRects().length > 0 && !element.closest('[aria-hidden="true"], .skip, .ag-root-wrapper .ag-hidden'),
        )
        // Words within sentences are as tall as their line; what lies beneath the marks is met as a whole.
        .filter(element => !element.matches('.token, .part-beneath, .divider-fold, .mark-anchor'))
        .flatMap(element => {
          const { width, height } = element.getBoundingClientRect();
          const name = element.getAttribute('aria-label') ?? element.textContent?.trim() ?? element.id;
          return width < 23.5 || height < 23.5 ? [`${name}: ${width} × ${height}`] : [];
        }),
    );
  expect(await small()).toEqual([]);
  await page.getByRole('button', { name: 'More for cue 1' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).click();
  await openFigures(page);
  expect(await small()).toEqual([]);
  await page.keyboard.press('Escape');
  await goTo(page, 'Milk and fat');
  expect(await small()).toEqual([]);
});

test('the page is named by its figure and project; a link skips to the brief; all keys are listed by “?” and by search', async ({
  page,
}) => {
  await openApp(page);
  await expect(page).toHaveTitle('Milk by hut · Highmeadow season · Cowbell');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the brief' })).toBeFocused();
  await expect(page.getByRole('link', { name: 'Skip to the brief' })).toBeInViewport();
  await page.keyboard.press('Enter');
  await expect(brief(page).locator('[data-token="table"]')).toBeFocused();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('Alt+0');
  await page.keyboard.press('Escape');
  await expect(brief(page).locator('[data-token="table"]')).toBeFocused();
  await page.keyboard.press('Alt+b');
  await page.keyboard.type('shortcut');
  await expect(page.getByRole('option', { name: /See all keys/ })).toBeVisible();
});

test('the system’s forced colours leave swatches, switches and the chosen view to be seen', async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await openApp(page);
  const swatch = brief(page).locator('cb-swatch').first();
  expect(await swatch.evaluate(element => getComputedStyle(element).forcedColorAdjust)).toBe('none');
  const chosen = stage(page).getByRole('radio', { name: 'cued' });
  expect(await chosen.evaluate(element => getComputedStyle(element).outlineStyle)).toBe('solid');
  const knob = page.getByRole('switch', { name: 'Cue 1 on' }).locator('span').first();
  expect(await knob.evaluate(element => getComputedStyle(element).borderTopStyle)).toBe('solid');
});

test('who asks for more contrast gets no soft words', async ({ page }) => {
  await page.emulateMedia({ contrast: 'more' });
  await openApp(page);
  const [soft, ink] = await page.evaluate(() => {
    const style = getComputedStyle(document.documentElement);
    const paint = (name: string): string => {
      const probe = Object.assign(document.createElement('span'), { style: `color: ${style.getPropertyValue(name)}` });
      document.body.append(probe);
      return getComputedStyle(probe).color;
    };
    return [paint('--soft'), paint('--ink')];
  });
  expect(soft).toBe(ink);
});
