import { expect, type Locator, type Page } from '@playwright/test';
import { brief, canvas, choose, goTo, LIGHT, openApp, pixelCount, reveal, settled, stage, token, test } from './support';

/** Columns of a colour's pixels, and its rows, as stretches that belong together: [from, to] in canvas pixels. */
const stretches = (page: Page, hex: string, along: 'x' | 'y', gap: number): Promise<readonly (readonly [number, number])[]> =>
  canvas(page).evaluate(
    (element, { hex, along, gap }) => {
      const { width, height } = element as HTMLCanvasElement;
      const { data } = ((element as HTMLCanvasElement).getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, width, height);
      const [red, green, blue] = [1, 3, 5].map(at => parseInt(hex.slice(at, at + 2), 16)) as [number, number, number];
      const seen = new Set<number>();
      for (let i = 0; i < data.length; i += 4)
        if (data[i] === red && data[i + 1] === green && data[i + 2] === blue)
          seen.add(along === 'x' ? (i / 4) % width : Math.floor(i / 4 / width));
      const found: [number, number][] = [];
      for (const at of [...seen].sort((a, b) => a - b)) {
        const last = found.at(-1);
        if (last && at - last[1] <= gap) last[1] = at;
        else found.push([at, at]);
      }
      return found;
    },
    { hex, along, gap },
  );

test('twelve panels stand in a grid, their plots equally large, the one that a cue finds marked', async ({ page }) => {
  await openApp(page);
  await goTo(page, 'Twelve huts');
  await settled(page);
  // Gridlines run over each plot: three across, at equal widths and distances.
  const across = await stretches(page, await hairOf(page), 'x', 3);
  expect(across.length).toBe(3);
  const widths = across.map(([from, to]) => to - from);
  expect(Math.max(...widths) - Math.min(...widths)).toBeLessThanOrEqual(1);
  await expect(stage(page).locator('[data-part="panel 12"]')).toHaveCount(1);
  // The highest week of all lies in one panel: a point and a dot before its title.
  expect(await pixelCount(page, LIGHT.brass)).toBeGreaterThan(30);
});

test('panels stand beside each other as chosen, in the order that is chosen', async ({ page }) => {
  await openApp(page);
  await goTo(page, 'Twelve huts');
  await choose(page, 'panel-columns', '4 beside each other');
  expect((await stretches(page, await hairOf(page), 'x', 3)).length).toBe(4);
  await expect(brief(page)).toContainText('Panels stand 4 beside each other');
  const first = (): Promise<string | null> => stage(page).locator('[data-part="panel 1"]').getAttribute('aria-label');
  expect(await first()).toContain('Kettlemoor');
  await choose(page, 'panel-order', 'by their names, rising');
  expect(await first()).toContain('Ashlatch');
});

test('panels come by hand, and share their scales with those beside them', async ({ page }) => {
  await openApp(page);
  await goTo(page, 'Twelve huts');
  await choose(page, 'panel-order', 'by hand');
  await token(page, 'panel-hand').click();
  const list = page.getByRole('dialog').getByRole('listitem');
  await expect(list).toHaveCount(12);
  const [first = '', second = ''] = (await list.allInnerTexts()).map(text => text.trim());
  await page
    .getByRole('dialog')
    .getByRole('button', { name: `Move up ${second}` })
    .click();
  await page.keyboard.press('Escape');
  await settled(page);
  const panel = (nth: number): Locator => stage(page).locator(`[data-part="panel ${nth}"]`);
  await expect(panel(1)).toHaveAttribute('aria-label', new RegExp(second));
  await expect(panel(2)).toHaveAttribute('aria-label', new RegExp(first));
  // The last row holds the smallest huts: on a scale of its own its lines rise and fall higher.
  const risen = async (): Promise<number> => {
    const [from, to] = (await stretches(page, LIGHT.base, 'y', 6)).at(-1) ?? [0, 0];
    return to - from;
  };
  const before = await risen();
  await choose(page, 'panel-scales', 'share a scale with those beside them');
  await settled(page);
  await expect(brief(page)).toContainText('The panels share a scale with those beside them');
  expect(await risen()).toBeGreaterThan(before * 1.3);
});

test('a mark in any panel can be pointed at, and its card tells which', async ({ page }) => {
  await openApp(page);
  await goTo(page, 'Twelve huts');
  await settled(page);
  const box = await canvas(page).boundingBox();
  if (!box) throw new Error('no canvas');
  // In the last column, on the last row.
  await page.mouse.move(box.x + box.width * 0.87, box.y + box.height * 0.86);
  await expect(stage(page).locator('.hover-card')).toContainText('Sorrel Bank');
  await page.mouse.move(box.x + box.width * 0.2, box.y + box.height * 0.34);
  await expect(stage(page).locator('.hover-card')).toContainText('Kettlemoor');
});

test('“beside it, actual minus plan” makes the second panel, its colours and its shared names', async ({ page }) => {
  await openApp(page);
  await goTo(page, 'Plan of wheels');
  await choose(page, 'mark', 'lying bars');
  for (const remove of await brief(page)
    .getByRole('button', { name: /^Remove cue/ })
    .all())
    await remove.click();
  await settled(page);
  await reveal(page, 'beside');
  const options = token(page, 'beside');
  await options.click();
  await page.getByRole('dialog').getByRole('option', { name: 'wheels minus wheels_planned', exact: true }).click();
  await settled(page);
  await expect(brief(page)).toContainText('Beside it, wheels minus wheels_planned.');
  expect(await pixelCount(page, LIGHT.pasture)).toBeGreaterThan(50);
  expect(await pixelCount(page, LIGHT.clay)).toBeGreaterThan(50);
  await expect(stage(page).locator('[data-part="panel 2"]')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(stage(page).locator('[data-part="panel 2"]')).toHaveCount(0);
});

/** The colour of gridlines on the page. */
const hairOf = (page: Page): Promise<string> =>
  page.evaluate(() => getComputedStyle(document.documentElement).getPropertyValue('--figure-hair').trim() || '#d2ddd7');
