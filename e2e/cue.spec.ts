import { expect } from '@playwright/test';
import { canvas, addCue, brief, cell, choose, columnTexts, drop, expectBars, LIGHT, openApp, token, test } from './support';

test.beforeEach(({ page }) => openApp(page));

test('every token of the cue changes the figure', async ({ page }) => {
  await choose(page, 'which', 'the highest');
  await expectBars(page, LIGHT.slate, 0);
  await choose(page, 'look:highest:colour', 'clay');
  await expectBars(page, LIGHT.clay, 2);
  await choose(page, 'scope', 'within each valley');
  await expectBars(page, LIGHT.clay, 5);
  await choose(page, 'quiet', 'leave the rest');
  await expectBars(page, LIGHT.base, 15);
  await token(page, 'look:highest:colour').click();
  await page.getByRole('dialog').getByLabel('A colour of your own').fill('#123456');
  await expectBars(page, '#123456', 5);
  await choose(page, 'which', 'the highest and the lowest');
  await expectBars(page, LIGHT.slate, 5);
});

test('labels come and go with their token', async ({ page }) => {
  const inkAbove = (): Promise<number> =>
    canvas(page).evaluate(element => {
      const canvas = element as HTMLCanvasElement;
      const { data } = (canvas.getContext('2d') as CanvasRenderingContext2D).getImageData(60, 95, canvas.width - 60, canvas.height - 200);
      let count = 0;
      for (let i = 0; i < data.length; i += 4) if (data[i] === 0x15 && data[i + 1] === 0x30 && data[i + 2] === 0x2a) count++;
      return count;
    });
  expect(await inkAbove()).toBeGreaterThan(30);
  await choose(page, 'labels', 'without labels');
  await expect.poll(inkAbove).toBeLessThan(5);
});

test('a missing value is never the lowest, a zero is, and ties are all marked', async ({ page }) => {
  await drop(page, 'ties.csv', 'stall,litres\nAda,5\nBo,\nCy,0\nDi,9\nEl,9\nFay,0\n');
  await expect(brief(page)).toContainText('Show litres summed by stall');
  await expect.poll(() => columnTexts(page, 'stall')).toEqual(['Di', 'El', 'Ada', 'Cy', 'Fay', 'Bo']);
  await expect.poll(() => columnTexts(page, 'lowest')).toEqual(['·', '·', '·', '0', '0', '·']);
  await expect.poll(() => columnTexts(page, 'highest')).toEqual(['9', '9', '·', '·', '·', '·']);
  await expectBars(page, LIGHT.brass, 2);
});

test('cues are added, switched off, ordered, duplicated and removed with undo', async ({ page }) => {
  await addCue(page, 'highest', 'extremes');
  await choose(page, 'look:highest:colour', 'pasture', 1);
  await expectBars(page, LIGHT.brass, 2);
  await brief(page).getByRole('button', { name: 'More for cue 2' }).click();
  await page.getByRole('button', { name: /Move up/ }).click();
  await expectBars(page, LIGHT.pasture, 2);
  await brief(page).getByRole('switch', { name: 'Cue 1 on' }).click();
  await expectBars(page, LIGHT.brass, 2);
  await brief(page).getByRole('button', { name: 'More for cue 1' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(brief(page).locator('cb-cue-line')).toHaveCount(1);
  await page.locator('cb-notices').getByRole('button', { name: 'Undo' }).click();
  await expect(brief(page).locator('cb-cue-line')).toHaveCount(2);
  await brief(page).getByRole('button', { name: 'More for cue 2' }).click();
  await page.getByRole('button', { name: 'Duplicate', exact: true }).click();
  await expect(brief(page).locator('cb-cue-line')).toHaveCount(3);
});

test('a cue that cannot apply says so and leaves the figure drawn', async ({ page }) => {
  await drop(page, 'none.csv', 'stall,litres\nAda,\nBo,\n');
  // A column without any value is nobody's first measure.
  await expect(brief(page)).toContainText('Show the number of rows by stall');
  await drop(page, 'hollow.csv', 'stall,litres\nAda,4\nBo,5\n');
  await expect(brief(page)).toContainText('Show litres summed by stall');
  // What is emptied goes behind what is there.
  for (const left of ['4', '·']) {
    await cell(page, 0, 'litres').click();
    await page.keyboard.press('Delete');
    await expect(cell(page, 0, 'litres')).toHaveText(left);
  }
  await expect(brief(page)).toContainText('Every value of litres is missing, so there is nothing to mark.');
  await drop(page, 'one.csv', 'stall,litres\nAda,4\n');
  await expect(brief(page)).toContainText('There is only one value of litres, so there is nothing to compare it with.');
  await expectBars(page, LIGHT.brass, 1);
});

test.describe(() => {
  test.use({ isFresh: true });
  test('what is typed before the search has come stands in it', async ({ page }) => {
    await page.route('**/*.js', async route => {
      await new Promise(resolve => setTimeout(resolve, 800));
      await route.continue();
    });
    await brief(page).getByRole('button', { name: 'Add a cue' }).click();
    await page.keyboard.type('avem');
    await page.keyboard.press('Backspace');
    await page.keyboard.type('ra');
    await expect(page.getByLabel('Find a cue')).toHaveValue('avera');
    await page.keyboard.type('ge');
    await expect(page.getByLabel('Find a cue')).toHaveValue('average');
    await page.keyboard.press('Enter');
    await expect(brief(page)).toContainText('Draw the average of milk');
  });
});
