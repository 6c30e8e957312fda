import { expect, type Page } from '@playwright/test';
import {
  bars,
  brief,
  canvas,
  choose,
  drop,
  expectBars,
  ledger,
  LIGHT,
  openApp,
  reveal,
  stage,
  token,
  typeToken,
  settled,
  test,
} from './support';

const SHOPS = 'shop,cells,share\nAda,1000,0.5\nBo,10000,-0.25\nCy,100000,0.25\nDi,0,0.1\n';
const DWARFED = 'shop,sales\nAda,1000\nBo,90\nCy,60\nDi,30\n';

/** A table without its first cue, in its own order. */
async function openTable(page: Page, csv: string): Promise<void> {
  await drop(page, 'table.csv', csv);
  await expect(brief(page)).toContainText('Take table, 4 rows');
  await choose(page, 'order', 'in table order');
  await brief(page).getByRole('button', { name: 'More for cue 1' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect.poll(async () => (await bars(page, LIGHT.base)).length).toBeGreaterThan(0);
}

const lengths = async (page: Page): Promise<number[]> => (await bars(page, LIGHT.base)).map(bar => bar.length);

/** Stretches of a colour down the middle of the bar that stands so far along, in canvas pixels from the top. */
function stretches(page: Page, colour: string, at: number): Promise<[number, number][]> {
  return canvas(page).evaluate(
    (element, { colour, at }) => {
      const figure = element as HTMLCanvasElement;
      const { data } = (figure.getContext('2d') as CanvasRenderingContext2D).getImageData(Math.round(at), 0, 1, figure.height);
      const [r, g, b] = [1, 3, 5].map(i => parseInt(colour.slice(i, i + 2), 16));
      const found: [number, number][] = [];
      for (let y = 0; y < figure.height; y++) {
        if (data[4 * y] !== r || data[4 * y + 1] !== g || data[4 * y + 2] !== b) continue;
        const last = found.at(-1);
        if (last?.[1] === y - 1) last[1] = y;
        else found.push([y, y]);
      }
      return found.filter(([from, to]) => to - from > 4);
    },
    { colour, at },
  );
}

test.beforeEach(({ page }) => openApp(page));

test('a log axis: bars as long as the logarithms say, and what has no place is named', async ({ page }) => {
  await openTable(page, SHOPS);
  await choose(page, 'scale:first', 'logarithmic');
  await expect(brief(page)).toContainText('The axis is logarithmic.');
  // From 500, the round number below the smallest bar, to 100,000: log(20) and log(200) to log(2).
  const expected = [Math.log(2), Math.log(20), Math.log(200)].map(value => value / Math.log(200));
  await expect
    .poll(async () => {
      const all = await lengths(page);
      return all.slice(0, 3).map((length, i) => Math.abs(length / (all[2] as number) - (expected[i] as number)) < 0.015);
    })
    .toEqual([true, true, true]);
  await expect(brief(page)).toContainText('1 value at or below zero has no place on the log scale: Di');
  await expect(stage(page).getByRole('img')).toHaveAttribute('aria-label', /Log scale to base 10/);
  // A base, and what is no base.
  await typeToken(page, 'base:first', '2');
  await expect(brief(page)).toContainText('The axis has the base 2.');
  await token(page, 'base:first').click();
  await page.getByRole('dialog').locator('input').fill('1');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog').locator('[data-fault]')).toContainText('above 1');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await expect(brief(page)).toContainText('The axis has the base 2.');
});

test('a break is offered from the data, cuts the bar, and leaves with undo', async ({ page }) => {
  await openTable(page, DWARFED);
  // Of the others, 90, 60 and 30 of 1,000, the last is too short to count as a bar.
  await expectBars(page, LIGHT.base, 3);
  await reveal(page, 'breaks:first');
  await token(page, 'breaks:first').click();
  await page
    .getByRole('dialog')
    .getByRole('option', { name: /frees 8\d % of the axis/ })
    .click();
  await expect(brief(page)).toContainText(/The axis leaves out 1\d\d to 9\d\d\./);
  await expectBars(page, LIGHT.base, 4);
  const [dwarf, next] = await bars(page, LIGHT.base);
  await expect.poll(async () => (await stretches(page, LIGHT.base, dwarf?.at as number)).length).toBe(2);
  expect(await stretches(page, LIGHT.base, next?.at as number)).toHaveLength(1);
  // What is drawn stands beside what is true.
  await expect(ledger(page).locator('.ag-header-cell[col-id="sales as drawn"]')).toBeAttached();
  await expect(stage(page).getByRole('img')).toHaveAttribute('aria-label', /Axis broken between 1\d\d and 9\d\d/);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await stretches(page, LIGHT.base, dwarf?.at as number)).length).toBe(1);
});

test('a break is dragged by its edge, its words follow, and one undo takes it all back', async ({ page }) => {
  await openTable(page, DWARFED);
  await typeToken(page, 'breaks:first', '200 to 900');
  await expectBars(page, LIGHT.base, 4);
  const [dwarf] = await bars(page, LIGHT.base);
  const [upper] = await stretches(page, LIGHT.base, dwarf?.at as number);
  const box = await canvas(page).boundingBox();
  const scale = (box?.width ?? 0) / (await canvas(page).evaluate(figure => (figure as HTMLCanvasElement).width));
  // Beside the bars, at the upper end of the break, and a little up.
  const x = (box?.x ?? 0) + (box?.width ?? 0) * 0.6;
  const y = (box?.y ?? 0) + (upper?.[1] as number) * scale;
  await page.mouse.move(x, y + 2);
  await page.mouse.down();
  await page.mouse.move(x, y - 8, { steps: 5 });
  await page.mouse.up();
  await expect(brief(page)).toContainText(/leaves out 200 to 9[1-9]\d?\b/);
  await page.keyboard.press('Control+z');
  await expect(brief(page)).toContainText('leaves out 200 to 900.');
  // An undo in the very task of a move takes that move back too: none of a drag comes after it.
  await page.mouse.move(x, y + 2);
  await page.mouse.down();
  await page.mouse.move(x, y - 8, { steps: 5 });
  await expect(brief(page)).toContainText(/leaves out 200 to 9[1-9]\d?\b/);
  await canvas(page).evaluate(
    (figure, at) => {
      figure.dispatchEvent(new PointerEvent('pointermove', { clientX: at.x, clientY: at.y, bubbles: true }));
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true, cancelable: true }));
    },
    { x, y: y - 14 },
  );
  await settled(page);
  await expect(brief(page)).toContainText('leaves out 200 to 900.');
  await page.mouse.up();
});

test('a ceiling ends the room above the tallest', async ({ page }) => {
  await openTable(page, 'shop,sales\nAda,95\nBo,60\nCy,40\nDi,20\n');
  await typeToken(page, 'headroom:first', '20 %');
  await expect(brief(page)).toContainText('keeps 20 % free');
  const free = await lengths(page);
  await typeToken(page, 'ceiling:first', '100');
  // From 114, a fifth above 95, to 100.
  await expect.poll(async () => Math.abs(((await lengths(page))[0] ?? 0) / (free[0] as number) - 1.14) < 0.015).toBe(true);
});

test('zeros of two axes stand at one height', async ({ page }) => {
  await openTable(page, SHOPS);
  await page.getByRole('button', { name: 'Measures', exact: true }).click();
  await page.getByRole('option', { name: 'share' }).click();
  await page.getByRole('button', { name: 'Show them' }).click();
  await expect(brief(page)).toContainText('share summed');
  await choose(page, 'measure-axis:1', 'on the second axis');
  await choose(page, 'between', 'free, their zeros at one height');
  const bottoms = async (): Promise<number[]> => {
    const [first] = await bars(page, LIGHT.base);
    const rising = (await stretches(page, LIGHT.base, first?.at ?? 0)).at(-1);
    return [rising?.[1] ?? 0];
  };
  await expect.poll(async () => (await bottoms())[0]).toBeGreaterThan(0);
  await expect(brief(page)).toContainText('free, their zeros at one height');
  const [zero] = await bottoms();
  // The second series has a bar that hangs and others that stand: all meet at the zero of the first.
  const second = await secondBars(page);
  for (const [from, to] of second) expect(Math.min(Math.abs(from - (zero as number)), Math.abs(to - (zero as number)))).toBeLessThan(4);
  expect(second.some(([from]) => from > (zero as number) - 4)).toBe(true);
});

/** Stretches of the second series' bars, each down its middle. */
async function secondBars(page: Page): Promise<[number, number][]> {
  const found = await bars(page, '#3b66a6');
  return (await Promise.all(found.map(bar => stretches(page, '#3b66a6', bar.at)))).flat();
}
