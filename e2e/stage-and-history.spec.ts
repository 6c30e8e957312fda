import { expect, test } from '@playwright/test';
import { bars, brief, canvas, cell, choose, expectBars, goTo, ledger, LIGHT, openApp, saved, stage, typeInto } from './support';

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
  const before = await canvas(page).evaluate(element => (element as HTMLCanvasElement).toDataURL());
  await page.reload();
  await expect(cell(page, 0, 'wheels')).toHaveClass(/ledger-edited/);
  await expect(page.getByRole('navigation').locator('[aria-current="page"]')).toHaveText('Wheels by hut');
  await expect.poll(() => canvas(page).evaluate(element => (element as HTMLCanvasElement).toDataURL())).toBe(before);
});

test('figures are made, renamed, duplicated and removed with undo', async ({ page }) => {
  const names = page.getByRole('navigation', { name: 'Figures' }).locator('button.max-w-52');
  await page.getByRole('button', { name: 'New figure' }).click();
  await expect(names).toHaveText([...DEMO, 'Milk by hut 2']);
  await page.getByRole('button', { name: 'More for Milk by hut 2' }).click();
  await page.getByLabel('Name of the figure').fill('Autumn');
  await page.keyboard.press('Enter');
  await expect(names.last()).toHaveText('Autumn');
  await page.getByRole('button', { name: 'More for Autumn' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(names).toHaveText(DEMO);
  await page.locator('cb-notices').getByRole('button', { name: 'Undo' }).click();
  await expect(names).toHaveText([...DEMO, 'Autumn']);
  for (let left = DEMO.length + 1; left > 0; left--) {
    await page
      .getByRole('navigation', { name: 'Figures' })
      .getByRole('button', { name: /^More for/ })
      .click();
    await page.getByRole('button', { name: 'Remove', exact: true }).click();
    await expect(names).toHaveCount(left - 1);
  }
  await expect(brief(page)).toContainText('This project has no figure yet.');
  await page.keyboard.press('Control+z');
  await expect(names).toHaveCount(1);
});
