import { expect, type Locator, type Page } from '@playwright/test';
import { bars, brief, canvas, cell, expectBars, goTo, ledger, LIGHT, openApp, stage, typeToken, test } from './support';

const part = (page: Page, id: string): Locator => stage(page).locator(`[data-part="${id}"]`);
const sheet = (page: Page): Locator => page.getByRole('dialog').last();

test.beforeEach(({ page }) => openApp(page));

test('what is drawn opens its words beside it, by pointer and by keyboard', async ({ page }) => {
  await goTo(page, 'Milk and fat');
  const opened: readonly [id: string, says: RegExp][] = [
    ['axis first', /The first axis/],
    ['axis second', /The second axis/],
    ['categories', /by week as columns/],
    ['legend 1', /milk|fat/],
    ['note', /Values stand in/],
  ];
  for (const [id, says] of opened) {
    await part(page, id).click();
    await expect(sheet(page)).toContainText(says);
    await page.keyboard.press('Escape');
    await expect(part(page, id)).toBeFocused();
  }
  // One stop for Tab; arrows go from part to part.
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowRight');
  await expect(part(page, 'note')).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(sheet(page)).toContainText('Values stand in');
  // A word beside the figure works as in the brief.
  await sheet(page).locator('[data-token="unit"]').click();
  await page.getByRole('dialog', { name: 'Unit' }).getByRole('textbox').fill('litres');
  await page.keyboard.press('Enter');
  await expect(brief(page)).toContainText('Values stand in litres.');
});

test('title and subtitle are written anew in place', async ({ page }) => {
  await part(page, 'title').click();
  await page.keyboard.type('Milk, at last');
  await page.keyboard.press('Enter');
  await expect(canvas(page)).toHaveAccessibleName(/^Milk, at last\./);
  await expect(brief(page)).toContainText('Call it Milk, at last.');
  await expect(part(page, 'title')).toBeFocused();
  await page.keyboard.press('Control+z');
  await expect(canvas(page)).toHaveAccessibleName(/^Milk by hut\./);
  await part(page, 'subtitle').click();
  await page.keyboard.type('nothing of this stays');
  await page.keyboard.press('Escape');
  await expect(brief(page)).toContainText('litres brought down in the 2031 season');
  await typeToken(page, 'note', 'Source: the books of the huts');
  await expect(part(page, 'foot')).toHaveAccessibleName(/Source: the books of the huts/);
  await part(page, 'foot').click();
  await page.keyboard.type('Weighed at the gate');
  await page.keyboard.press('Enter');
  await expect(brief(page)).toContainText('Note Weighed at the gate at the foot.');
  await expect(canvas(page)).toHaveAccessibleName(/Note: Weighed at the gate/);
});

test('a line’s label, a panel’s title and a band open the words that govern them', async ({ page }) => {
  await goTo(page, 'Above average');
  await part(page, 'line 1').click();
  await expect(sheet(page)).toContainText('average');
  await page.keyboard.press('Escape');
  await goTo(page, 'Milk so far by valley');
  await part(page, 'panel 1').click();
  await expect(sheet(page)).toContainText('a panel per measure');
  await page.keyboard.press('Escape');
  await goTo(page, 'Expected range');
  await part(page, 'band 1').focus();
  await page.keyboard.press('Enter');
  await expect(sheet(page)).toContainText(/Cue 1/);
});

test('a mark tells why, and offers a cue about it, leaving it out, and its rows', async ({ page }) => {
  await expectBars(page, LIGHT.brass, 2);
  const [first] = await bars(page, LIGHT.brass);
  const box = await canvas(page).boundingBox();
  if (!first || !box) throw new Error('there is no bar');
  const ratio = await canvas(page).evaluate(element => (element as HTMLCanvasElement).width / element.clientWidth);
  const at = { x: first.at / ratio, y: box.height * 0.6 };
  await canvas(page).click({ position: at });
  await expect(sheet(page)).toContainText('is the highest of 20 huts');
  // The first word of its cue's sentence has the focus, not what was drawn first.
  await expect(sheet(page).locator('.token').first()).toBeFocused();
  await sheet(page).getByRole('button', { name: 'Mark values like it, within 5 %' }).click();
  await expect(brief(page)).toContainText('Where milk between 89480.5 and 98899.5, mark milk in brass');
  await page.keyboard.press('Control+z');
  // By keyboard: walk to the mark, Enter.
  await page.keyboard.press('Alt+2');
  await page.keyboard.press('Home');
  await page.keyboard.press('Enter');
  await sheet(page).getByRole('button', { name: 'Leave Kettlemoor out' }).click();
  await expectBars(page, LIGHT.brass, 1);
  await expect(cell(page, 0, 'hut')).toHaveText('Mossgate');
  await page.keyboard.press('Control+z');
  await expectBars(page, LIGHT.brass, 2);
  await canvas(page).click({ position: at });
  await sheet(page).getByRole('button', { name: 'Open its rows' }).click();
  await expect(ledger(page)).toContainText('Kettlemoor, 24 rows');
});

for (const [figure, says] of [
  ['Nights', /Show the span from coolest night to warmest night/],
  ['Plan of wheels', /Split wheels against wheels planned/],
  ['Index of the valleys', /Scale milk to an index/],
] as const)
  test(`a mark that a cue draws shows the sentence of that cue: ${figure}`, async ({ page }) => {
    await goTo(page, figure);
    await page.keyboard.press('Alt+2');
    await page.keyboard.press('Home');
    await page.keyboard.press('Enter');
    await expect(sheet(page)).toContainText(says);
  });

test('dividers give room by drag, keys and double click, fold places away, and are remembered', async ({ page }) => {
  const width = async (): Promise<number> => (await brief(page).boundingBox())?.width ?? 0;
  const divider = page.getByRole('separator', { name: 'Room of the brief' });
  const usual = await width();
  await divider.focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(width).toBeGreaterThan(usual + 8);
  await page.keyboard.press('Home');
  await expect.poll(width).toBeLessThan(usual - 100);
  const place = await divider.boundingBox();
  if (!place) throw new Error('there is no divider');
  await page.mouse.move(place.x + 4, place.y + 100);
  await page.mouse.down();
  await page.mouse.move(500, place.y + 100, { steps: 4 });
  await page.mouse.up();
  await expect.poll(width).toBeCloseTo(500, -1);
  await page.reload();
  await expect(canvas(page)).toBeVisible();
  await expect.poll(width).toBeCloseTo(500, -1);
  await page.mouse.dblclick(500, place.y + 100);
  await expect.poll(width).toBeCloseTo(usual, -1);
  await page.getByRole('separator', { name: 'Room of the ledger' }).focus();
  await page.keyboard.press('Enter');
  await expect(ledger(page)).toBeHidden();
  // The figure fills what it has, up to 16 pixels on its tighter side, once it is drawn for the new room.
  const spare = async (): Promise<number> => {
    const [figure, room] = [await canvas(page).boundingBox(), await stage(page).locator('[data-room]').boundingBox()];
    return figure && room ? Math.min(room.width - figure.width, room.height - figure.height) : Infinity;
  };
  await expect.poll(spare).toBeLessThanOrEqual(17);
  await page.getByRole('button', { name: 'Show the ledger' }).click();
  await expect(ledger(page)).toBeVisible();
});
