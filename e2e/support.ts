import { expect, type Locator, type Page, type Worker } from '@playwright/test';
import { openAtStart } from './door';

export { test } from './door';

/** Colours of the light theme, as tokens.css has them. */
export const LIGHT = {
  brass: '#b37a07',
  slate: '#31485f',
  pasture: '#417d47',
  clay: '#b5401f',
  plum: '#7a4688',
  lake: '#2d859a',
  ink: '#15302a',
  base: '#5f7a70',
  quiet: '#84978e',
} as const;

/** Opens the application and waits for its first figure and the ledger. */
export async function openApp(page: Page): Promise<void> {
  await openAtStart(page);
  await expect(page.locator('.ag-cell').first()).toBeVisible();
}

export const brief = (page: Page): Locator => page.getByRole('region', { name: 'Brief' });
export const stage = (page: Page): Locator => page.getByRole('region', { name: 'Stage' });
export const ledger = (page: Page): Locator => page.getByRole('region', { name: 'Ledger' });
export const canvas = (page: Page, at = 0): Locator => page.locator('cb-figure-canvas canvas[role="img"]').nth(at);
export const saved = async (page: Page): Promise<void> => {
  // The word waits for a picture, 40 ms at most; until then it says until when it is true.
  await page.waitForTimeout(60);
  await expect(page.getByText(/^saved \d\d:\d\d$/)).toBeVisible();
};

/** Waits for the next frame: what stands in the page has been laid out, placed and painted. */
export const drawn = (page: Page): Promise<void> => page.evaluate(() => new Promise(done => requestAnimationFrame(() => setTimeout(done))));

/** Waits until the figure and the ledger show what was asked for last: for whoever reads them, or goes on by what they say. */
export async function settled(page: Page): Promise<void> {
  await drawn(page);
  await expect(stage(page)).toHaveAttribute('aria-busy', 'false');
  await drawn(page);
}

/** Waits until the picture is at rest: what was painted in parts has been painted whole. */
export async function atRest(page: Page): Promise<void> {
  await settled(page);
  await page.evaluate(() => new Promise(done => setTimeout(done, 400)));
  await drawn(page);
}

/** The worker that the engine runs in: the last one started, since one that the door has ended may still be listed for a moment. */
export function engineWorker(page: Page): Worker {
  const worker = page
    .workers()
    .filter(worker => worker.url().includes('engine'))
    .at(-1);
  if (!worker) throw new Error('no engine runs in this page');
  return worker;
}

/** Opens what a section keeps behind “finer”, where a word waits there. */
export async function reveal(page: Page, key: string): Promise<void> {
  await settled(page);
  if (await brief(page).locator(`[data-token="${key}"]`).count()) return;
  for (const button of await brief(page).locator('[data-finer]').all()) {
    if ((await button.getAttribute('aria-expanded')) === 'true') continue;
    await button.click();
    await expect(button).toHaveAttribute('aria-expanded', 'true');
  }
}

/** Clicks a token of the brief and takes one of its choices. */
export async function choose(page: Page, token: string, option: string, nth = 0): Promise<void> {
  await reveal(page, token);
  await brief(page).locator(`[data-token="${token}"]`).nth(nth).click();
  await page.getByRole('dialog').getByRole('option', { name: option, exact: true }).click();
  await settled(page);
}

/** A bar as its pixels show it, in canvas pixels: where it lies along the category axis, and how long it is. */
export interface DrawnBar {
  readonly at: number;
  readonly length: number;
}

/**
 * The bars of a colour, in order along the category axis. Reads the canvas itself: pixels of just that colour, in
 * stretches longer than a legend's swatch.
 */
export async function bars(page: Page, colour: string, lying = false, at = 0): Promise<DrawnBar[]> {
  return canvas(page, at).evaluate(
    (element, { colour, lying }) => {
      const canvas = element as HTMLCanvasElement;
      const { width, height } = canvas;
      const { data } = (canvas.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, width, height);
      const [r, g, b] = [1, 3, 5].map(i => parseInt(colour.slice(i, i + 2), 16));
      const [across, along] = lying ? [height, width] : [width, height];
      const isColour = (i: number, j: number): boolean => {
        const p = 4 * (lying ? i * width + j : j * width + i);
        return data[p] === r && data[p + 1] === g && data[p + 2] === b;
      };
      const lengths = Array.from({ length: across }, (_, i) => {
        let count = 0;
        for (let j = 0; j < along; j++) if (isColour(i, j)) count++;
        return count;
      });
      const found: { at: number; length: number }[] = [];
      for (let i = 0; i < across; i++) {
        const start = i;
        while (i < across && (lengths[i] as number) > 14) i++;
        if (i - start >= 3) found.push({ at: (start + i) / 2, length: Math.max(...lengths.slice(start, i)) });
      }
      return found;
    },
    { colour, lying },
  );
}

export const barCount = async (page: Page, colour: string, lying = false): Promise<number> => (await bars(page, colour, lying)).length;

/** Waits until so many bars of a colour are drawn. */
export async function expectBars(page: Page, colour: string, count: number, lying = false): Promise<void> {
  await expect.poll(() => barCount(page, colour, lying), { message: `bars in ${colour}` }).toBe(count);
}

/** A cell of the ledger, by the row's place on screen and its column. */
export const cell = (page: Page, row: number, column: string): Locator =>
  ledger(page).locator(`.ag-row[row-index="${row}"] .ag-cell[col-id="${column}"]`).last();

/** The texts of a ledger column, from the top. */
export const columnTexts = (page: Page, column: string): Promise<string[]> =>
  ledger(page).locator(`.ag-row .ag-cell[col-id="${column}"]`).allInnerTexts();

/** Types a value into a cell as an analyst does: select, type, Enter. */
export async function typeInto(page: Page, target: Locator, text: string): Promise<void> {
  await target.click();
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
  await settled(page);
}

/** The list of figures, opened. */
export async function openFigures(page: Page): Promise<Locator> {
  const list = page.getByRole('dialog', { name: 'Figures' });
  if (!(await list.isVisible())) await page.locator('[data-figures]').click();
  await expect(list.getByRole('listbox', { name: 'Figures of the project' })).toBeVisible();
  return list;
}

/** The name of the figure on the stage, in the top bar. */
export const figureName = (page: Page): Locator => page.getByRole('navigation', { name: 'Figures' }).locator('[aria-current="page"]');

export async function goTo(page: Page, figure: string): Promise<void> {
  const list = await openFigures(page);
  await list.getByRole('option', { name: figure, exact: true }).click();
  await settled(page);
}

/** Puts text on the clipboard's way into the page, at what has focus. */
export async function paste(page: Page, text: string): Promise<void> {
  await page.evaluate(words => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', words);
    const target = document.activeElement ?? document.body;
    target.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  }, text);
}

/** Drops a file on the page. */
export async function drop(page: Page, name: string, content: string | readonly number[]): Promise<void> {
  const said = await page.locator('cb-notices').innerText();
  await dropOnly(page, name, content);
  await takeIfLooked(page, said);
}

/** Takes what was read and is shown before it lands; what lands by itself, a project, or is refused, is said in a notice that was not there before. */
export async function takeIfLooked(page: Page, said = ''): Promise<void> {
  const take = page.getByRole('button', { name: 'Take it', exact: true });
  const notices = page.locator('cb-notices');
  await expect.poll(async () => (await take.isVisible()) || (await notices.innerText()) !== said, { timeout: 30_000 }).toBe(true);
  if (!(await take.isVisible())) return;
  await take.click();
  await expect.poll(() => notices.innerText()).not.toBe(said);
}

/** Drops a file, which is then read and looked at. */
export async function dropOnly(page: Page, name: string, content: string | readonly number[]): Promise<void> {
  await page.evaluate(
    ({ name, content }) => {
      const bytes = typeof content === 'string' ? content : new Uint8Array(content);
      const dataTransfer = new DataTransfer();
      dataTransfer.items.add(new File([bytes], name));
      const target = document.querySelector('cb-shell') as HTMLElement;
      target.dispatchEvent(new DragEvent('dragover', { dataTransfer, bubbles: true, cancelable: true }));
      target.dispatchEvent(new DragEvent('drop', { dataTransfer, bubbles: true, cancelable: true }));
    },
    { name, content },
  );
}

export const notice = (page: Page, text: RegExp): Locator => page.locator('cb-notices').getByText(text);
export const token = (page: Page, key: string, nth = 0): Locator => brief(page).locator(`[data-token="${key}"]`).nth(nth);

/** Adds a cue as an analyst does: a few typed words, then the sentence meant. */
export async function addCue(page: Page, query: string, kind: string): Promise<void> {
  await brief(page).getByRole('button', { name: 'Add a cue' }).click();
  await page.getByRole('dialog').getByLabel('Find a cue').fill(query);
  await page.getByRole('dialog').locator(`[data-offer="${kind}"]`).click();
  await settled(page);
}

/** Types a value into a token that takes one. */
export async function typeToken(page: Page, key: string, text: string, nth = 0): Promise<void> {
  await reveal(page, key);
  await token(page, key, nth).click();
  await page.getByRole('dialog').locator('input, textarea').first().fill(text);
  await page.keyboard.press('Enter');
  await settled(page);
}

/** How many pixels of the canvas have a colour, each channel up to one off. */
export const pixelCount = (page: Page, hex: string): Promise<number> =>
  canvas(page).evaluate((element, hex) => {
    const canvas = element as HTMLCanvasElement;
    const { data } = (canvas.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, canvas.width, canvas.height);
    const rgb = [1, 3, 5].map(i => parseInt(hex.slice(i, i + 2), 16));
    let count = 0;
    for (let i = 0; i < data.length; i += 4) if (rgb.every((part, j) => Math.abs((data[i + j] as number) - part) <= 1)) count++;
    return count;
  }, hex);

/** Waits until more pixels than that have a colour, or none when `over` is null. */
export async function expectPixels(page: Page, hex: string, over: number | null): Promise<void> {
  const poll = expect.poll(() => pixelCount(page, hex), { message: `pixels in ${hex}` });
  await (over === null ? poll.toBeLessThan(4) : poll.toBeGreaterThan(over));
}

/**
 * The height on the canvas, in page pixels from its top, of the row that has most of a colour: a thin line may lie on two rows of pixels, each of them a
 * blend of it with the white ground, which counts by its share.
 */
export const lineHeight = (page: Page, hex: string): Promise<number> =>
  canvas(page).evaluate((element, hex) => {
    const canvas = element as HTMLCanvasElement;
    const { width, height } = canvas;
    const { data } = (canvas.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, width, height);
    const way = [1, 3, 5].map(i => parseInt(hex.slice(i, i + 2), 16) - 255) as [number, number, number];
    const length = way[0] ** 2 + way[1] ** 2 + way[2] ** 2;
    const rows = Array.from({ length: height }, (_, y) => {
      let sum = 0;
      for (let i = 4 * y * width; i < 4 * (y + 1) * width; i += 4) {
        const [r, g, b] = [(data[i] as number) - 255, (data[i + 1] as number) - 255, (data[i + 2] as number) - 255];
        const share = (r * way[0] + g * way[1] + b * way[2]) / length;
        const beside = Math.hypot(r - share * way[0], g - share * way[1], b - share * way[2]);
        if (share > 0.2 && share < 1.1 && beside < 20) sum += share;
      }
      return sum;
    });
    return (rows.indexOf(Math.max(...rows)) * canvas.clientHeight) / height;
  }, hex);

/** Different colours of bars just above the category axis. */
export const barColours = (page: Page): Promise<number> =>
  canvas(page).evaluate(element => {
    const canvas = element as HTMLCanvasElement;
    const { width, height } = canvas;
    const context = canvas.getContext('2d') as CanvasRenderingContext2D;
    const row = (y: number): string[] => {
      const { data } = context.getImageData(0, y, width, 1);
      return Array.from({ length: width }, (_, x) => `${data[4 * x]},${data[4 * x + 1]},${data[4 * x + 2]}`);
    };
    const ground = row(1)[1];
    let axis = height - 1;
    while (axis > 0 && row(axis).filter(colour => colour !== ground).length < width * 0.7) axis--;
    const colours = row(axis - 4).filter(colour => colour !== ground);
    // Edges of bars are blends: a colour of a bar is there many times.
    const counts = new Map<string, number>();
    for (const colour of colours) counts.set(colour, (counts.get(colour) ?? 0) + 1);
    return [...counts.values()].filter(count => count > 8).length;
  });

/** Keeps one value of a text column by the filter above the figure. */
export async function keepOnly(page: Page, column: string, value: string): Promise<void> {
  await stage(page).getByRole('button', { name: 'Filter', exact: true }).click();
  await page.getByRole('option', { name: column, exact: true }).click();
  await stage(page)
    .getByRole('button', { name: new RegExp(`^${column}:`) })
    .click();
  await page.getByRole('dialog').getByRole('button', { name: 'None' }).click();
  await page
    .getByRole('dialog')
    .getByRole('option', { name: new RegExp(value) })
    .click();
  await page.keyboard.press('Escape');
  await settled(page);
}

/** Adds a filter by a column and opens it at a way to choose. */
export async function filterBy(page: Page, column: string, kind: string): Promise<void> {
  await stage(page).getByRole('button', { name: 'Filter', exact: true }).click();
  await page.getByRole('option', { name: column, exact: true }).click();
  await stage(page)
    .getByRole('button', { name: new RegExp(`^${column}:`) })
    .click();
  await page.getByRole('dialog').getByRole('radio', { name: kind, exact: true }).click();
}

/** What has the focus, in words; “page” where nothing has. */
export const focused = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const { activeElement: at } = document;
    if (!at || at === document.body) return 'page';
    return at.getAttribute('aria-label') ?? at.getAttribute('data-token') ?? (at.textContent ?? '').trim().slice(0, 60) ?? at.tagName;
  });

/** What a screen reader is told from now on, in its order. */
export async function listenTo(page: Page): Promise<() => Promise<string[]>> {
  await page.evaluate(() => {
    const told: string[] = [];
    Object.assign(globalThis, { told });
    const read = (): void => {
      const words = document.querySelector('.cdk-live-announcer-element')?.textContent?.trim() ?? '';
      if (words && told.at(-1) !== words) told.push(words);
    };
    new MutationObserver(read).observe(document.body, { childList: true, subtree: true, characterData: true });
  });
  return () => page.evaluate(() => (globalThis as unknown as { told: string[] }).told);
}
