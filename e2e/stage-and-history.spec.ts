import { expect } from '@playwright/test';
import {
  atRest,
  bars,
  brief,
  canvas,
  cell,
  choose,
  expectBars,
  figureName,
  goTo,
  ledger,
  LIGHT,
  openApp,
  openFigures,
  saved,
  stage,
  typeInto,
  test,
} from './support';

const DEMO = [
  'Milk by hut',
  'Above average',
  'Plan of wheels',
  'Actual and deviation',
  'Wheels by hut',
  'Milk against plan',
  'Direction',
  'Tank levels',
  'Expected range',
  'Nights',
  'Milk and fat',
  'Index of the valleys',
  'Milk so far by valley',
  'Change by month',
  'Fat content by quarter',
  'Worst counts',
  'Cell counts',
  'Wheels, with a break',
  'First grade',
  'Altitudes',
  'Balance against plan',
  'Grades',
  'Milk by month',
  'Milk and fat share',
  'Twelve huts',
  'Wheels beside plan',
  'Clover and grass',
];

test.beforeEach(({ page }) => openApp(page));

test('plain, cued and both', async ({ page }) => {
  await stage(page).getByRole('radio', { name: 'plain' }).click();
  await expectBars(page, LIGHT.base, 20);
  await stage(page).getByRole('radio', { name: 'both' }).click();
  await expect(page.locator('cb-figure-canvas')).toHaveCount(2);
  await expectBars(page, LIGHT.base, 20);
  await expect.poll(async () => (await bars(page, LIGHT.brass, false, 1)).length).toBe(2);
  await stage(page).getByRole('radio', { name: 'cued' }).click();
  await expectBars(page, LIGHT.brass, 2);
});

test('hovering a mark tells why and lights its row; hovering a row outlines its mark', async ({ page }) => {
  const [, second] = await bars(page, LIGHT.brass);
  const box = await canvas(page).boundingBox();
  await canvas(page).hover({ position: { x: second?.at ?? 0, y: (box?.height ?? 0) * 0.7 } });
  const card = page.locator('.hover-card');
  await expect(card).toContainText('Mossgate');
  await expect(card).toContainText('Brass, because milk 94,190 L is the highest of 20 huts, tied with 1 other (cue 1).');
  await expect(card).not.toContainText('rest');
  await expect(ledger(page).locator('.ag-row.ledger-lit').first()).toHaveAttribute('row-index', '1');
  await cell(page, 4, 'hut').hover();
  await expect(card).toContainText('Brindlow');
  await expect(card).toContainText('Quiet, because no cue marks it.');
});

test('arrow keys pressed faster than the screen draws are all taken', async ({ page }) => {
  await page.keyboard.press('Alt+2');
  await expect(canvas(page)).toBeFocused();
  await canvas(page).evaluate(figure => {
    for (let i = 0; i < 5; i++) figure.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
  });
  await expect(page.locator('.hover-card')).toContainText('Brindlow');
});

test('a figure that comes back is drawn at its size at once', async ({ page }) => {
  await page.evaluate(() => {
    const widths: number[] = [];
    Object.assign(window, { widths });
    new MutationObserver(() =>
      document.querySelectorAll<HTMLCanvasElement>('cb-figure-canvas canvas[role="img"]').forEach(canvas => widths.push(canvas.width)),
    ).observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ['width'] });
  });
  await stage(page).getByRole('radio', { name: 'both' }).click();
  await expect(page.locator('cb-figure-canvas')).toHaveCount(2);
  await stage(page).getByRole('radio', { name: 'plain' }).click();
  await expect(page.locator('cb-figure-canvas')).toHaveCount(1);
  const widths = await page.evaluate(() => (window as unknown as { widths: number[] }).widths);
  expect(Math.min(...widths)).toBeGreaterThan(200);
});

test('undo and redo take back and bring back each change', async ({ page }) => {
  await choose(page, 'look:highest:colour', 'clay');
  await choose(page, 'category', 'valley');
  await expectBars(page, LIGHT.clay, 1);
  await page.keyboard.press('Control+z');
  await expectBars(page, LIGHT.clay, 2);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expectBars(page, LIGHT.brass, 2);
  await page.keyboard.press('Control+Shift+z');
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await expectBars(page, LIGHT.clay, 1);
  await expect(page.getByRole('button', { name: 'Redo', exact: true })).toBeDisabled();
});

test('a reload finds everything as it was', async ({ page }) => {
  await goTo(page, 'Wheels by hut');
  await typeInto(page, cell(page, 1, 'wheels'), '2500');
  await choose(page, 'look:lowest:colour', 'plum');
  await expect(cell(page, 0, 'hut')).toHaveText('Kettlemoor');
  await saved(page);
  await atRest(page);
  const before = await canvas(page).evaluate(element => (element as HTMLCanvasElement).toDataURL());
  await page.reload();
  await expect(cell(page, 0, 'wheels')).toHaveClass(/ledger-edited/);
  await expect(figureName(page)).toHaveText('Wheels by hut');
  await expect.poll(() => canvas(page).evaluate(element => (element as HTMLCanvasElement).toDataURL())).toBe(before);
});

test('figures are made, renamed, duplicated, moved and removed with undo', async ({ page }) => {
  const names = page.getByRole('dialog', { name: 'Figures' }).locator('[data-figure]');
  await page.getByRole('button', { name: 'New figure' }).click();
  await expect(figureName(page)).toHaveText('Milk by week');
  const list = await openFigures(page);
  await expect(names).toHaveText([...DEMO, 'Milk by week']);
  await list.locator('[data-act="Rename Milk by week"]').click();
  await list.getByLabel('Name of the figure').fill('Autumn');
  await page.keyboard.press('Enter');
  await expect(names.last()).toHaveText('Autumn');
  // What was renamed keeps the focus, and goes up by Alt and an arrow.
  await page.keyboard.press('Alt+ArrowUp');
  await expect(names.nth(DEMO.length - 1)).toHaveText('Autumn');
  await page.keyboard.press('Alt+Enter');
  await expect(names.last()).toHaveText('Autumn 2');
  await page.keyboard.press('Delete');
  await expect(names).toHaveCount(DEMO.length + 1);
  await list.locator('[data-act="Remove Autumn"]').click();
  await expect(names).toHaveText(DEMO);
  await page.keyboard.press('Escape');
  await page.locator('cb-notices').getByRole('button', { name: 'Undo' }).last().click();
  await openFigures(page);
  await expect(names).toHaveText([...DEMO.slice(0, -1), 'Autumn', DEMO.at(-1) as string]);
  for (let left = DEMO.length + 1; left > 0; left--) {
    await page.keyboard.press('Delete');
    await expect(names).toHaveCount(left - 1);
  }
  await expect(brief(page)).toContainText('This project has no figure yet.');
  await page.keyboard.press('Control+z');
  await expect(figureName(page)).not.toBeEmpty();
});

test('figures are dragged to another place and found by typing', async ({ page }) => {
  const list = await openFigures(page);
  const names = list.locator('[data-figure]');
  const [from, to] = [await list.locator('.cursor-grab').nth(2).boundingBox(), await list.locator('.cursor-grab').first().boundingBox()];
  if (!from || !to) throw new Error('there is no handle');
  await page.mouse.move(from.x + 4, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 4, from.y - 20, { steps: 4 });
  await page.mouse.move(to.x + 4, to.y + 2, { steps: 8 });
  await page.mouse.up();
  await expect(names.first()).toHaveText(DEMO[2] as string);
  await list.getByLabel('Find a figure').fill('milk against');
  await expect(names).toHaveText(['Milk against plan']);
  await page.keyboard.press('Enter');
  await expect(figureName(page)).toHaveText('Milk against plan');
});

test('keys show the figure before and the next, and the figure alone', async ({ page }) => {
  await page.keyboard.press('Alt+PageDown');
  await expect(figureName(page)).toHaveText(DEMO[1] as string);
  await page.keyboard.press('Alt+PageUp');
  await page.keyboard.press('Alt+PageUp');
  await expect(figureName(page)).toHaveText(DEMO.at(-1) as string);
  await page.keyboard.press('Alt+0');
  await expect(brief(page)).toBeHidden();
  await expect(ledger(page)).toBeHidden();
  await page.keyboard.press('PageDown');
  await expect(figureName(page)).toHaveText(DEMO[0] as string);
  const alone = await canvas(page).boundingBox();
  expect(alone?.height ?? 0).toBeGreaterThan(650);
  await page.keyboard.press('Escape');
  await expect(brief(page)).toBeVisible();
});
