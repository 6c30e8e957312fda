import { expect, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import {
  bars,
  brief,
  canvas,
  cell,
  choose,
  columnTexts,
  drop,
  expectBars,
  expectPixels,
  filterBy,
  LIGHT,
  openApp,
  pixelCount,
  token,
  typeInto,
  typeToken,
  reveal,
  test,
} from './support';

const { brass, ink } = LIGHT;

/** The table without its first cue, in its own order. */
async function openTable(page: Page, csv: string, says: string): Promise<void> {
  await drop(page, 'table.csv', csv);
  await expect(brief(page)).toContainText(says);
  await choose(page, 'order', 'in table order');
  await brief(page).getByRole('button', { name: 'More for cue 1' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
}

async function addHelper(page: Page, name: string, formula: string): Promise<void> {
  await write(page, 'Helper column', name, formula);
}

async function write(page: Page, button: string, name: string, formula: string): Promise<void> {
  await page.getByRole('button', { name: button, exact: true }).click();
  const desk = page.getByRole('group', { name: 'Formula desk' });
  await expect(desk.locator('.cm-content')).toBeFocused();
  await desk.getByLabel('called').fill(name);
  await desk.locator('.cm-content').click();
  await page.keyboard.type(formula);
  await desk.getByRole('button', { name: 'Use it' }).click();
}

async function csvOf(
  page: Page,
  before: (page: Page) => Promise<void> = () => Promise.resolve(),
): Promise<{ name: string; lines: string[] }> {
  await page.getByRole('button', { name: 'Hand over' }).click();
  await before(page);
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: /CSV of the ledger/ }).click()]);
  return { name: download.suggestedFilename(), lines: (await readFile(await download.path(), 'utf8')).trimEnd().split('\r\n') };
}

test.beforeEach(({ page }) => openApp(page));

const SHOPS = 'shop,actual,rate\nAda,100,0.5\nBo,200,0.25\nCy,2140,0.75\nDi,0,0.1\n';

test('a helper column follows the measure it speaks of, and what is handed over is what its name says', async ({ page }) => {
  await openTable(page, SHOPS, 'Show actual summed by shop');
  await addHelper(page, 'tenth', 'actual / 10');
  await expect.poll(() => columnTexts(page, 'tenth')).toEqual(['10', '20', '214', '0']);
  await choose(page, 'measure:0', 'rate');
  await expect.poll(() => columnTexts(page, 'tenth')).toEqual(['0.050', '0.025', '0.075', '0.010']);
  const { name, lines } = await csvOf(page);
  expect([name, lines[0], lines[3]]).toEqual(['rate-by-shop.csv', 'shop,rate,tenth', 'Cy,0.75,0.075']);
});

test('a helper column that cannot be computed rests alone, and the figure is drawn after a reload', async ({ page }) => {
  await openTable(page, SHOPS, 'Show actual summed by shop');
  await page.getByRole('button', { name: 'Measures', exact: true }).click();
  await page.getByRole('option', { name: 'rate' }).click();
  await page.getByRole('button', { name: 'Show them' }).click();
  await addHelper(page, 'twice', 'rate * 2');
  await expect.poll(() => columnTexts(page, 'twice')).toEqual(['1.0', '0.5', '1.5', '0.2']);
  await choose(page, 'measure:1', 'leave it out');
  await expect(brief(page)).toContainText('The helper column twice rests; everything else is drawn.');
  await expect.poll(() => columnTexts(page, 'actual')).toEqual(['100', '200', '2,140', '0']);
  await expect(page.getByText(/^saved \d\d:\d\d$/)).toBeVisible();
  await page.reload();
  await expect(canvas(page)).toBeVisible();
  await expect(brief(page)).toContainText('The helper column twice rests');
});

test('what lies beyond a bound is marked at the edge, counted and said; bounds that cross are refused', async ({ page }) => {
  await openTable(page, SHOPS, 'Show actual summed by shop');
  await typeToken(page, 'high:first', '60');
  await expect(brief(page)).toContainText('3 values beyond the axis: 3 above 60');
  // Three triangles of ink stand in the upper edge of the plot, over bars of the plain colour.
  const [first] = await bars(page, LIGHT.base);
  expect(first).toBeDefined();
  const signs = await canvas(page).evaluate((element, hex) => {
    const drawn = element as HTMLCanvasElement;
    const { data } = (drawn.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, drawn.width, drawn.height);
    const rgb = [1, 3, 5].map(i => parseInt(hex.slice(i, i + 2), 16));
    // Rows of pixels in which ink comes in exactly three short runs.
    let rows = 0;
    for (let y = 0; y < drawn.height; y++) {
      let [runs, wide] = [0, 0];
      for (let x = 0, inside = false; x < drawn.width; x++) {
        const p = 4 * (y * drawn.width + x);
        const is = rgb.every((part, i) => data[p + i] === part);
        if (is && !inside) runs++;
        if (is) wide++;
        inside = is;
      }
      if (runs === 3 && wide <= 36) rows++;
    }
    return rows;
  }, ink);
  expect(signs).toBeGreaterThanOrEqual(3);
  await reveal(page, 'low:first');
  await token(page, 'low:first').click();
  await page.getByRole('dialog').locator('input').fill('100');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toContainText('must lie below its upper end, 60');
  await page.keyboard.press('Escape');
  await expect(brief(page)).toContainText('The axis ends at 60.');
});

test('leaving zero out starts the axis beside the data', async ({ page }) => {
  await openTable(page, 'shop,actual\nAda,500\nBo,520\nCy,560\n', 'Show actual summed by shop');
  const lengths = async (): Promise<number[]> => (await bars(page, LIGHT.base)).map(bar => bar.length);
  await expect.poll(async () => (await lengths()).length).toBe(3);
  const [kept = 0, , tall = 1] = await lengths();
  expect(kept / tall).toBeCloseTo(500 / 560, 1);
  await choose(page, 'zero:first', 'leaves zero out');
  await expect
    .poll(async () => {
      const [first = 0, , last = 1] = await lengths();
      return first / last;
    })
    .toBeLessThan(0.5);
  await expect(brief(page)).not.toContainText('beyond the axis');
});

test('a stem of zero keeps its head, upright and lying', async ({ page }) => {
  await openTable(page, 'shop,actual\nAda,10\nBo,0\nCy,5\n', 'Show actual summed by shop');
  for (const mark of ['stems with heads', 'lying stems with heads']) {
    await choose(page, 'mark', mark);
    const before = await pixelCount(page, LIGHT.base);
    await typeInto(page, cell(page, 1, 'actual'), '-');
    await expect.poll(() => columnTexts(page, 'actual')).toEqual(['10', '·', '5']);
    // A head of five and a half pixels is gone with the value.
    await expect.poll(async () => before - (await pixelCount(page, LIGHT.base))).toBeGreaterThan(40);
    await page.keyboard.press('Control+z');
    await expect.poll(() => columnTexts(page, 'actual')).toEqual(['10', '0', '5']);
  }
});

test('rows without a value stay counted when their column becomes the measure', async ({ page }) => {
  await openTable(page, 'shop,actual\nAda,100\nBo,0\nCy,0\nDi,10\n', 'Show actual summed by shop');
  await write(page, 'Compute a column', 'log', 'log10(actual)');
  await expect(brief(page)).toContainText('log has no value in 2 rows');
  await choose(page, 'measure:0', 'log');
  await expect.poll(() => columnTexts(page, 'log')).toEqual(['2', '·', '·', '1']);
  await expect(brief(page)).toContainText('log has no value in 2 rows');
});

test('a what-if value leaves marked; texts that a spreadsheet would run leave guarded, or not, as chosen', async ({ page }) => {
  await drop(page, 'table.csv', 'shop,actual\n=Ada,100\n=Ada,50\n-Bo,200\n-Bo,1\n');
  await expect(brief(page)).toContainText('Show actual summed by shop');
  await choose(page, 'order', 'in table order');
  await cell(page, 0, 'actual').click();
  await page.keyboard.press('Enter');
  const rows = page.getByRole('group', { name: 'Rows behind the cell' });
  await rows.getByLabel('What if actual were').fill('500');
  await rows.getByRole('button', { name: 'Try it' }).click();
  await expect(cell(page, 0, 'actual')).toHaveClass(/ledger-what-if/);
  const guarded = await csvOf(page);
  expect(guarded.lines.slice(0, 3).map(line => line.split(',').slice(0, 3).join(','))).toEqual([
    'shop,actual,actual what-if',
    "'=Ada,500,what-if",
    "'-Bo,201,",
  ]);
  const plain = await csvOf(page, async () => {
    await page.getByRole('checkbox', { name: /An apostrophe/ }).uncheck();
    await page.getByRole('checkbox', { name: /A mark at the start/ }).check();
  });
  expect(plain.lines[0]?.charCodeAt(0)).toBe(0xfeff);
  expect(plain.lines[1]).toContain('=Ada,500');
});

test('the hover names the range inside a band and for every band', async ({ page }) => {
  await openTable(page, 'shop,actual\nAda,10\nBo,20\nCy,30\nDi,40\n', 'Show actual summed by shop');
  for (const query of ['range', 'corridor']) {
    await brief(page).getByRole('button', { name: 'Add a cue' }).click();
    await page.getByRole('dialog').getByLabel('Find a cue').fill(query);
    await page.getByRole('dialog').locator('[data-offer="band"]').click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  await choose(page, 'by', 'the middle percentiles', 1);
  await page.keyboard.press('Alt+2');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.hover-card')).toContainText(/Mean ± 1 sd: .* \(cue 1\)\. Middle 95 %: .* \(cue 2\)\./);
});

test('panels of one measure share a scale, and say so; empty periods are missing or zero, as one word says', async ({ page }) => {
  const days = 'day,shop,litres\n2031-01-10,Ada,1000\n2031-01-20,Bo,20\n2031-03-05,Ada,400\n2031-03-06,Bo,30\n';
  await openTable(page, days, 'Show litres summed by');
  await choose(page, 'category', 'day');
  await choose(page, 'step', 'month by month');
  await expect(brief(page)).toContainText('An empty month is missing.');
  await choose(page, 'empty', 'counts as zero');
  await expect.poll(() => columnTexts(page, 'litres')).toEqual(['1,020', '0', '430']);
  await choose(page, 'panel', 'a panel per shop');
  await reveal(page, 'panel-scales');
  await expect(brief(page)).toContainText('The panels share one scale.');
  await choose(page, 'panel-scales', 'have a scale each');
  await expect(brief(page)).toContainText('each panel on a scale of its own');
});

test('an untidy file opens with all that was assumed told, and is typed into as it was read', async ({ page }) => {
  const untidy =
    'Deliveries of the union;;;\r\nhut;code;litres;day\nAda;007;1.234,5 L;12/24/2031\r\nBo;012;980 L;01/05/2031\nCy;100;;02/06/2031\r\n';
  await drop(page, 'untidy.csv', untidy);
  await expect(brief(page)).toContainText('Show litres summed by day');
  await choose(page, 'category', 'hut');
  const notice = page.locator('cb-notices').getByText('Opened untidy.csv: 3 rows and 4 columns.').locator('../..');
  for (const words of ['One line stands above the table', 'code stays text', 'Numbers in litres stand beside “L”'])
    await expect(notice).toContainText(words);
  await choose(page, 'order', 'in table order');
  await typeInto(page, cell(page, 1, 'litres'), '1.500');
  await expect.poll(() => columnTexts(page, 'litres')).toEqual(['1,235', '1,500', '·']);
  await filterBy(page, 'litres', 'a range');
  await page.getByRole('dialog').getByLabel('From').fill('1.300');
  await page.getByRole('dialog').getByLabel('From').press('Enter');
  await page.keyboard.press('Escape');
  await expect.poll(() => columnTexts(page, 'hut')).toEqual(['Bo']);
});

test('opened as formulas, a cue keeps its words and its marks beside a measure of a helper’s name', async ({ page }) => {
  await openTable(page, 'shop,average\nAda,10\nBo,20\nCy,60\n', 'Show average averaged by shop');
  await brief(page).getByRole('button', { name: 'Add a cue' }).click();
  await page.getByRole('dialog').getByLabel('Find a cue').fill('avg');
  await page.getByRole('dialog').locator('[data-offer="typical"]').click();
  await expectBars(page, brass, 1);
  await brief(page).getByRole('button', { name: 'More for cue 1' }).click();
  await page.getByRole('button', { name: 'Open as formula' }).click();
  await expect(brief(page)).toContainText('Compute average 2');
  await expectBars(page, brass, 1);
  await expect.poll(() => columnTexts(page, 'average 2')).toEqual(['30', '30', '30']);
  await expectPixels(page, brass, 30);
});
