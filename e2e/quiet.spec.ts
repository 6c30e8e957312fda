import { expect, type Page } from '@playwright/test';
import { addCue, brief, canvas, choose, columnTexts, drop, expectPixels, LIGHT, openApp, stage, test } from './support';

// Tones of the light theme, as tokens.css has them.
const SECOND = '#3b66a6';
const QUIET_SECOND = '#5a6b89';

/** Every text that is written on a canvas from now on, in the order of writing. */
async function listen(page: Page): Promise<() => Promise<string[]>> {
  await page.evaluate(() => {
    const heard: string[] = [];
    Object.assign(globalThis, { heard });
    const proto = CanvasRenderingContext2D.prototype;
    const write = proto.fillText;
    proto.fillText = function (this: CanvasRenderingContext2D, text: string, x: number, y: number) {
      heard.push(text);
      write.call(this, text, x, y);
    };
  });
  return () => page.evaluate(() => (globalThis as unknown as { heard: string[] }).heard);
}

const days = (count: number, cells: (i: number) => string): string =>
  Array.from({ length: count }, (_, i) => `${new Date(Date.UTC(2028, 0, 1 + i)).toISOString().slice(0, 10)},${cells(i)}`).join('\n');

test.beforeEach(({ page }) => openApp(page));

test('a cue quiets the measure that it speaks of alone', async ({ page }) => {
  await expectPixels(page, LIGHT.quiet, 100);
  await page.getByRole('button', { name: 'Measures', exact: true }).click();
  await page.getByRole('option', { name: 'planned_milk' }).click();
  await page.getByRole('button', { name: 'Show them' }).click();
  await expectPixels(page, SECOND, 500);
  await expectPixels(page, LIGHT.quiet, 500);
  await expectPixels(page, QUIET_SECOND, null);
});

test('quieted series keep tones and names of their own, and a label says whose value it is', async ({ page }) => {
  const rows = ['Alm', 'Berg', 'Cloud'].flatMap((hut, i) => [`${hut},Tolm,${10.25 + i}`, `${hut},Siddel,${3.5 + i}`]);
  await drop(page, 'two.csv', `hut,valley,milk\n${rows.join('\n')}\n`);
  await expect(brief(page)).toContainText('Show milk summed by hut');
  await choose(page, 'series', 'a series per valley');
  const heard = await listen(page);
  await addCue(page, 'highest', 'extremes');
  await choose(page, 'which', 'the highest');
  await choose(page, 'scope', 'within each valley');
  await expectPixels(page, QUIET_SECOND, 100);
  await expectPixels(page, LIGHT.quiet, 100);
  for (const valley of ['Tolm', 'Siddel']) await expect(stage(page).getByRole('button', { name: `Legend: ${valley}` })).toBeAttached();
  await expect.poll(async () => (await heard()).filter(text => /^(Tolm|Siddel) /.test(text))).toContain('Tolm 12.25');
});

test('numbers of one column, one axis and one set of labels have the same decimals', async ({ page }) => {
  const heard = await listen(page);
  await drop(page, 'shares.csv', 'hut,share\nAlm,11.2%\nBerg,5.13%\nCloud,0.78571%\n');
  await expect(brief(page)).toContainText('Show share averaged by hut as columns');
  await expect.poll(heard).toContain('0.79');
  // Labels of the highest and the lowest; an axis that goes by 2.5.
  expect(await heard()).toEqual(expect.arrayContaining(['11.20', '0.79', '0.0', '2.5', '10.0']));
  for (const text of ['11.2', '10', '0.78571']) expect(await heard()).not.toContain(text);
  await expect.poll(() => columnTexts(page, 'average share')).toEqual(['11.20', '5.13', '0.79']);
  await expect.poll(() => columnTexts(page, 'lowest')).toEqual(['·', '·', '0.79']);
});

/** Pixels that a flat line takes from its upper to its lower edge, a hundredth of the way across the middle. */
const thickness = (page: Page, hex: string): Promise<number> =>
  canvas(page).evaluate((element, hex) => {
    const canvas = element as HTMLCanvasElement;
    const context = canvas.getContext('2d') as CanvasRenderingContext2D;
    // Within the plot: neither head nor names.
    const [top, height] = [Math.round(canvas.height * 0.2), Math.round(canvas.height * 0.64)];
    const { data } = context.getImageData(Math.round(canvas.width * 0.52), top, 1, height);
    const rgb = [1, 3, 5].map(i => parseInt(hex.slice(i, i + 2), 16));
    let count = 0;
    for (let i = 0; i < data.length; i += 4) if (rgb.every((part, j) => Math.abs((data[i + j] as number) - part) <= 90)) count++;
    return (count * canvas.clientWidth) / canvas.width;
  }, hex);

test('a line of many points is drawn finer', async ({ page }) => {
  const flat = async (name: string, count: number): Promise<number> => {
    await drop(page, `${name}.csv`, `day,level of ${name}\n${days(count, () => '5')}\n`);
    await expect(canvas(page)).toHaveAccessibleName(new RegExp(`^Average level of ${name} by`));
    await stage(page).getByRole('radio', { name: 'plain', exact: true }).click();
    await choose(page, 'step', 'value by value');
    await expect(canvas(page)).toHaveAccessibleName(new RegExp(`^Average level of ${name} by day`));
    await expect.poll(() => thickness(page, LIGHT.base)).toBeGreaterThan(0);
    return thickness(page, LIGHT.base);
  };
  const [few, many] = [await flat('few', 40), await flat('many', 1461)];
  expect(few).toBeGreaterThanOrEqual(many + 1);
});

for (const scheme of ['light', 'dark'] as const)
  test(`a cue that is off can be read, the page has one heading, all follows the theme of the system, ${scheme}`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: scheme });
    await expect(page.locator('html')).toHaveAttribute('data-theme', scheme);
    await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1);
    await page.getByRole('switch', { name: 'Cue 1 on' }).click();
    const contrast = await brief(page)
      .locator('.cue-off')
      .evaluate(element => {
        const paint = document.createElement('canvas').getContext('2d', { willReadFrequently: true }) as CanvasRenderingContext2D;
        const lightness = (colours: readonly string[], alpha = 1): number => {
          paint.clearRect(0, 0, 1, 1);
          colours.forEach((colour, i) => {
            paint.globalAlpha = i === colours.length - 1 ? alpha : 1;
            paint.fillStyle = colour;
            paint.fillRect(0, 0, 1, 1);
          });
          paint.globalAlpha = 1;
          // Relative luminance, WCAG 2.2.
          const [r = 0, g = 0, b = 0] = [...paint.getImageData(0, 0, 1, 1).data]
            .slice(0, 3)
            .map(part => part / 255)
            .map(part => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4));
          return 0.2126 * r + 0.7152 * g + 0.0722 * b;
        };
        let opacity = 1;
        const grounds: string[] = [];
        for (let at: Element | null = element; at; at = at.parentElement) {
          const style = getComputedStyle(at);
          opacity *= Number(style.opacity);
          grounds.unshift(style.backgroundColor);
        }
        const [ground, ink] = [lightness(grounds), lightness([...grounds, getComputedStyle(element).color], opacity)];
        return (Math.max(ground, ink) + 0.05) / (Math.min(ground, ink) + 0.05);
      });
    expect(contrast).toBeGreaterThanOrEqual(4.5);
    const schemes = await page
      .locator('.ag-body-viewport, .ag-body-horizontal-scroll-viewport, cb-brief')
      .evaluateAll(elements => elements.map(element => getComputedStyle(element).colorScheme));
    expect(schemes.length).toBeGreaterThan(1);
    expect(schemes.every(own => own === scheme)).toBe(true);
  });
