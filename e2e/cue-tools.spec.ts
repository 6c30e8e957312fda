import { expect, type Page } from '@playwright/test';
import {
  addCue,
  brief,
  canvas,
  choose,
  drop,
  expectBars,
  expectPixels,
  goTo,
  ledger,
  LIGHT,
  lineHeight,
  notice,
  openApp,
  pixelCount,
  stage,
  token,
  typeToken,
  reveal,
  test,
} from './support';

test.beforeEach(({ page }) => openApp(page));
const finer = (page: Page, nth = 0) =>
  brief(page)
    .getByRole('button', { name: /^(Finer settings|Less) of cue/ })
    .nth(nth)
    .click();

test('Enter on “Add a cue” opens the search ready to be typed into, and Enter takes its first offer', async ({ page }) => {
  await brief(page).getByRole('button', { name: 'Add a cue' }).press('Enter');
  await expect(page.getByLabel('Find a cue')).toBeFocused();
  // However low the button stands, the whole sheet is on the screen and its list scrolls.
  await expect
    .poll(async () => {
      const box = await page.getByRole('dialog').boundingBox();
      return box !== null && box.height > 200 && box.y >= 0 && box.y + box.height <= 800;
    })
    .toBe(true);
  await page.locator('[data-offer="rule"]').scrollIntoViewIfNeeded();
  await expect(page.locator('[data-offer="rule"]')).toBeInViewport();
  await page.keyboard.type('avg');
  await page.keyboard.press('Enter');
  await expect(brief(page)).toContainText('Draw the average of milk');
  // The focus is back on the button, which the same Enter must not press again.
  await expect(brief(page).getByRole('button', { name: 'Add a cue' })).toBeFocused();
  await page.waitForTimeout(300);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await token(page, 'scope', 1).press('Enter');
  await page.getByRole('dialog').getByLabel('Search').fill('within each valley');
  await page.keyboard.press('Enter');
  await expect(brief(page)).toContainText('milk over the huts within each valley');
  await page.waitForTimeout(300);
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('the search finds cues by typed words, shows what each would mark, and says when there is none', async ({ page }) => {
  await brief(page).getByRole('button', { name: 'Add a cue' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('option')).toHaveCount(15);
  await sheet.getByLabel('Find a cue').fill('top 4');
  await expect(sheet.getByRole('option').first()).toContainText('Mark the top 4 places by milk');
  // The tiny picture has four brass bars.
  const brass = (): Promise<number> =>
    sheet
      .locator('cb-cue-preview canvas')
      .first()
      .evaluate(element => {
        const canvas = element as HTMLCanvasElement;
        const { data } = (canvas.getContext('2d') as CanvasRenderingContext2D).getImageData(0, canvas.height - 4, canvas.width, 1);
        let [count, inside] = [0, false];
        for (let i = 0; i < data.length; i += 4) {
          const is = data[i] === 0xb3 && data[i + 1] === 0x7a && data[i + 2] === 0x07;
          if (is && !inside) count++;
          inside = is;
        }
        return count;
      });
  await expect.poll(brass).toBe(4);
  await sheet.getByLabel('Find a cue').fill('qwertz');
  await expect(sheet).toContainText('No cue is called that.');
  await sheet.getByLabel('Find a cue').fill('top 4');
  await page.keyboard.press('Enter');
  await expect(brief(page).locator('cb-cue-line')).toHaveCount(2);
});

test('a line is dragged on the stage: its number follows live, and one undo takes it all back', async ({ page }) => {
  await addCue(page, 'avg', 'typical');
  await choose(page, 'line', 'clay');
  await typeToken(page, 'level', '50,000');
  await expect(token(page, 'level')).toHaveText('50,000');
  await expectBars(page, LIGHT.clay, 0);
  const box = (await canvas(page).boundingBox())!;
  const y = box.y + (await lineHeight(page, LIGHT.clay));
  const x = box.x + box.width * 0.62;
  await page.mouse.move(x, y);
  await expect(canvas(page)).toHaveCSS('cursor', 'ns-resize');
  await page.mouse.down();
  await page.mouse.move(x, y - 20, { steps: 4 });
  await expect(token(page, 'level')).not.toHaveText('50,000');
  await page.mouse.move(x, y - 40, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => Number((await token(page, 'level').innerText()).replace(',', ''))).toBeGreaterThan(60_000);
  await page.keyboard.press('Control+z');
  await expect(token(page, 'level')).toHaveText('50,000');
});

test('an edge of a band and of a step can be dragged too', async ({ page }) => {
  await addCue(page, 'deviation', 'band');
  await choose(page, 'by', 'between two edges');
  await typeToken(page, 'lower', '30000');
  await typeToken(page, 'upper', '60000');
  await choose(page, 'style', 'as two edges');
  await choose(page, 'colour', 'plum');
  await expectPixels(page, LIGHT.plum, 100);
  const box = (await canvas(page).boundingBox())!;
  const y = box.y + (await lineHeight(page, LIGHT.plum));
  await page.mouse.move(box.x + 300, y);
  await page.mouse.down();
  await page.mouse.move(box.x + 300, y - 15, { steps: 3 });
  await page.mouse.up();
  const edges = async (): Promise<string[]> => [await token(page, 'lower').innerText(), await token(page, 'upper').innerText()];
  await expect.poll(async () => (await edges()).filter(text => text !== '30,000' && text !== '60,000')).toHaveLength(1);
});

test('marks take outline, glyphs, labels of several kinds, and words with computed values', async ({ page }) => {
  await finer(page);
  await choose(page, 'look:highest:glyph', '★ star');
  await expectPixels(page, LIGHT.brass, 100);
  await choose(page, 'look:highest:outline', 'outlined');
  await choose(page, 'look:highest:label', 'with words of your own');
  await typeToken(page, 'look:highest:text', '{round(milk / 1000)} kL of {hut}');
  await choose(page, 'look:lowest:label', 'with their shares');
  await expect(brief(page)).toContainText('Highest: outlined, ★ star, with words of your own {round(milk / 1000)} kL of {hut}.');
  await expect(ledger(page).locator('.ag-header-cell[col-id="share"]')).toBeAttached();
});

test('a picture of one’s own is checked, and stands at the marks', async ({ page }) => {
  await brief(page).getByRole('button', { name: 'Small pictures' }).click();
  const sheet = page.getByRole('dialog');
  const svg = (inner: string) => Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="24" height="24">${inner}</svg>`);
  const add = (name: string, buffer: Buffer) => sheet.getByLabel('Picture').setInputFiles({ name, mimeType: 'image/svg+xml', buffer });
  await add('bad.svg', svg('<script>alert(1)</script>'));
  await expect(sheet.locator('[data-fault]')).toContainText('which is more than shapes');
  await add('huge.svg', svg(`<path d="${'M0 0'.repeat(40_000)}"/>`));
  await expect(sheet.locator('[data-fault]')).toContainText('up to 64 kB');
  await add('spot.svg', svg('<rect width="24" height="24" fill="#ff00ff"/>'));
  await expect(sheet).toContainText('spot');
  await page.keyboard.press('Escape');
  await finer(page);
  await choose(page, 'look:highest:glyph', 'your picture spot');
  await expectPixels(page, '#ff00ff', 60);
  await page.reload();
  await expectPixels(page, '#ff00ff', 60);
});

test('cues go up and down by keyboard and are copied to another figure; the first wins a conflict and the hover says so', async ({
  page,
}) => {
  await addCue(page, 'top 1', 'rank');
  await choose(page, 'look:in:colour', 'plum');
  await expectBars(page, LIGHT.plum, 0);
  await brief(page).getByRole('button', { name: 'Move cue 2' }).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expectBars(page, LIGHT.plum, 2);
  await page.keyboard.press('Alt+2');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.hover-card')).toContainText('number 1 of 20 huts (cue 1)');
  await brief(page).getByRole('button', { name: 'More for cue 1' }).click();
  await page.getByRole('button', { name: 'Wheels by hut', exact: true }).last().click();
  await expect(notice(page, /Copied the cue to Wheels by hut/)).toBeVisible();
  await goTo(page, 'Wheels by hut');
  await expect(brief(page)).toContainText('There is no measure called milk here. Choose wheels.');
});

test('a cue is dragged above another by its handle, switched off, doubled and removed; each step is undone', async ({ page }) => {
  await goTo(page, 'Wheels by hut');
  const handles = brief(page).locator('[cdkDragHandle]');
  await expect(handles).toHaveCount(2);
  const [from, to] = [await handles.nth(1).boundingBox(), await handles.nth(0).boundingBox()];
  await page.mouse.move((from?.x ?? 0) + 6, (from?.y ?? 0) + 6);
  await page.mouse.down();
  await page.mouse.move((from?.x ?? 0) + 6, (from?.y ?? 0) - 20, { steps: 6 });
  await page.mouse.move((to?.x ?? 0) + 6, (to?.y ?? 0) - 6, { steps: 12 });
  await page.mouse.up();
  const headers = ledger(page).locator('.ledger-name');
  await expect.poll(async () => (await headers.allInnerTexts()).slice(3, 5)).toEqual(['lowest', 'rest']);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await headers.allInnerTexts()).slice(3, 5)).toEqual(['highest', 'rest']);
  await brief(page).getByRole('switch').first().click();
  await expectPixels(page, LIGHT.brass, null);
  await page.keyboard.press('Control+z');
  await expectPixels(page, LIGHT.brass, 500);
  await brief(page).getByRole('button', { name: 'More for cue 1' }).click();
  await page.getByRole('button', { name: 'Duplicate', exact: true }).click();
  await expect(handles).toHaveCount(3);
  await page.keyboard.press('Control+z');
  await expect(handles).toHaveCount(2);
});

test('a cue opens as formulas, and changing one of them changes the marks', async ({ page }) => {
  await brief(page).getByRole('button', { name: 'More for cue 1' }).click();
  await page.getByRole('button', { name: 'Open as formula' }).click();
  await expect(brief(page)).toContainText('Where milk = max(milk) over (), mark milk in');
  await expectBars(page, LIGHT.brass, 2);
  await token(page, 'when:0').click();
  const editor = page.getByRole('group', { name: 'Formula desk' }).locator('.cm-content');
  await expect(editor).toBeFocused();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('milk > 70000');
  await expect(page.getByRole('group', { name: 'Formula desk' }).locator('[data-verdict]')).toContainText('Gives a boolean.');
  await page.getByRole('group', { name: 'Formula desk' }).getByRole('button', { name: 'Use it' }).click();
  await expectBars(page, LIGHT.brass, 6);
});

test('the ledger groups helper columns under their cue, hides them, and copies one as a statement that runs', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await addCue(page, 'top 3', 'rank');
  await expect(ledger(page).getByText('Cue 1: extremes')).toBeVisible();
  await ledger(page).getByRole('button', { name: 'helper columns of cue 1' }).click();
  await expect(ledger(page).locator('.ag-header-cell[col-id="highest"]')).toHaveCount(0);
  await ledger(page).getByRole('button', { name: 'Formula of in' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Copy as SQL' }).click();
  await expect(notice(page, /^Copied as SQL/)).toBeVisible();
  const sql = await page.evaluate(() => navigator.clipboard.readText());
  expect(sql).toMatch(/^-- in of Milk by hut, as Cowbell computes it\.\n/);
  expect(sql).toContain('from deliveries');
  expect(sql).toMatch(/select hut,\n {2}"in"\nfrom cue_2/);
  expect(sql).not.toMatch(/\bfrom frame\b/);
});

test('the gallery closes by Escape, and gives way to a file that is opened', async ({ page }) => {
  const gallery = page.getByRole('dialog', { name: 'Gallery' });
  await page.getByRole('button', { name: 'Gallery' }).click();
  await expect(gallery.getByRole('button', { name: 'Close' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(gallery).toHaveCount(0);
  await page.getByRole('button', { name: 'Gallery' }).click();
  await expect(gallery).toBeVisible();
  await drop(page, 'one.csv', 'shop,sales\nA,1\nB,2\n');
  await expect(gallery).toHaveCount(0);
  await page.getByRole('button', { name: 'Gallery' }).click();
  await expect(gallery).toContainText('1 figure.');
});

test('the gallery shows every figure as a picture and opens one', async ({ page }) => {
  await page.getByRole('button', { name: 'Gallery' }).click();
  const gallery = page.getByRole('dialog', { name: 'Gallery' });
  await expect(gallery.getByRole('listitem')).toHaveCount(27);
  await expect(gallery.getByRole('img', { name: /9 of 20 huts are above average/ })).toBeVisible();
  await gallery.getByRole('button', { name: /Nights/ }).click();
  await expect(gallery).toHaveCount(0);
  await expect(brief(page)).toContainText('Show the span from coolest night to warmest night as bars');
  await expect(stage(page).getByRole('img')).toHaveAttribute('aria-label', /Spans run from coolest night to warmest night/);
});

test('a second axis is read apart, matched, or with its zero at the same height; bounds are typed', async ({ page }) => {
  await goTo(page, 'Milk and fat');
  await expect(brief(page)).toContainText('Read fat content on the second axis');
  await typeToken(page, 'high:first', '100000');
  await expect(token(page, 'high:first')).toHaveText('100,000');
  const height = (): Promise<number> => lineHeight(page, '#3b66a6');
  const free = await height();
  await choose(page, 'between', 'matched: one scale');
  // A ratio of a few percent lies on the ground of a scale of litres.
  await expect.poll(height).toBeGreaterThan(free + 60);
  await typeToken(page, 'low:second', 'soon');
  await expect(page.getByRole('dialog').locator('[data-fault]')).toContainText('This cannot be read.');
});

const shapes: readonly [option: string, colour: string][] = [
  ['columns', LIGHT.brass],
  ['lying bars', LIGHT.brass],
  ['stems with heads', LIGHT.brass],
  ['lying stems with heads', LIGHT.brass],
  ['a line', LIGHT.brass],
  ['a stepped line', LIGHT.brass],
  ['an area', LIGHT.brass],
  ['a stepped area', LIGHT.brass],
  ['points', LIGHT.brass],
];
test('every shape draws, keeps its cue, and stacks to 100 % where it is asked to', async ({ page }) => {
  for (const [option, colour] of shapes) {
    await choose(page, 'mark', option);
    await expectPixels(page, colour, 30);
  }
  // A wider line has more pixels of its colour.
  await choose(page, 'mark', 'a line');
  const thin = await pixelCount(page, LIGHT.quiet);
  await choose(page, 'pen:0', '4 px wide');
  await reveal(page, 'pen:0');
  await token(page, 'pen:0').click();
  await expect(page.getByRole('option', { selected: true })).toHaveText(['4 px wide', 'solid', 'without markers']);
  await page.keyboard.press('Escape');
  await expect.poll(() => pixelCount(page, LIGHT.quiet)).toBeGreaterThan(thin * 1.5);
  await choose(page, 'mark', 'columns');
  await choose(page, 'category', 'week');
  await choose(page, 'series', 'a series per valley');
  await choose(page, 'arrange', 'stacked to 100 %');
  await choose(page, 'quiet', 'leave the rest');
  await expect(stage(page).getByRole('img')).toHaveAttribute('aria-label', /a series per valley/);
  await expectPixels(page, '#3b66a6', 3000);
});
