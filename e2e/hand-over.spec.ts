import { expect, type Download, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { canvas, cell, choose, expectBars, LIGHT, openApp, saved, typeInto, goTo, test } from './support';

async function handOver(page: Page, item: RegExp): Promise<Download> {
  await page.getByRole('button', { name: 'Hand over' }).click();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: item }).click()]);
  return download;
}

/** Width and height of a PNG, from its header. */
async function pngSize(download: Download): Promise<[number, number]> {
  const bytes = await readFile(await download.path());
  expect(bytes.subarray(1, 4).toString()).toBe('PNG');
  return [bytes.readUInt32BE(16), bytes.readUInt32BE(20)];
}

test.beforeEach(({ page }) => openApp(page));

test('PNG at three sizes, with the marked colours in it', async ({ page }) => {
  for (const scale of [1, 2, 4]) {
    const download = await handOver(page, new RegExp(`PNG ${scale}×`));
    expect(download.suggestedFilename()).toBe(scale === 1 ? 'milk-by-hut.png' : `milk-by-hut@${scale}x.png`);
    expect(await pngSize(download)).toEqual([1200 * scale, 675 * scale]);
  }
  const bytes = await readFile(await (await handOver(page, /PNG 1×/)).path());
  const brass = await page.evaluate(async data => {
    const image = new Image();
    image.src = `data:image/png;base64,${data}`;
    await image.decode();
    const drawn = Object.assign(document.createElement('canvas'), { width: image.width, height: image.height });
    const context = drawn.getContext('2d') as CanvasRenderingContext2D;
    context.drawImage(image, 0, 0);
    const pixels = context.getImageData(0, 0, image.width, image.height).data;
    let count = 0;
    for (let i = 0; i < pixels.length; i += 4) if (pixels[i] === 0xb3 && pixels[i + 1] === 0x7a && pixels[i + 2] === 0x07) count++;
    return count;
  }, bytes.toString('base64'));
  expect(brass).toBeGreaterThan(5_000);
});

test('CSV of the ledger holds the helper columns; missing is an empty cell', async ({ page }) => {
  const text = await readFile(await (await handOver(page, /CSV of the ledger/)).path(), 'utf8');
  const lines = text.trim().split('\r\n');
  expect(lines.slice(0, 4)).toEqual([
    'hut,valley,milk,highest,lowest,rest',
    'Kettlemoor,Auvers Gap,94190,94190,,',
    'Mossgate,Siddel,94190,94190,,',
    'Rushfold,Nine Springs,80765,,,80765',
  ]);
  expect(lines.at(-1)).toBe('Hollowmist,Tolm,23890,,23890,');
});

test('the project file opens in another browser profile to the same picture', async ({ page, browser }) => {
  await goTo(page, 'Wheels by hut');
  await typeInto(page, cell(page, 1, 'wheels'), '2500');
  await choose(page, 'look:lowest:colour', 'plum');
  await expect(cell(page, 0, 'hut')).toHaveText('Kettlemoor');
  await saved(page);
  const path = await (await handOver(page, /Project file/)).path();
  const pictureOf = (from: Page): Promise<string> => canvas(from).evaluate(element => (element as HTMLCanvasElement).toDataURL());

  const other = await (await browser.newContext()).newPage();
  await openApp(other);
  await other.getByRole('button', { name: 'Open', exact: true }).click();
  await other
    .getByLabel('File', { exact: true })
    .setInputFiles({ name: 'highmeadow.json', mimeType: 'application/json', buffer: await readFile(path) });
  // The sample has a figure of that name, too: only the opened project's is meant.
  await expect(other.getByText('Opened Highmeadow season.')).toBeVisible();
  await goTo(other, 'Wheels by hut');
  await expect(cell(other, 0, 'wheels')).toHaveClass(/ledger-edited/);
  // The sheet lay over the figure: without a move away, the pointer would rest on a mark of one of the two.
  for (const one of [page, other]) await one.mouse.move(0, 0);
  await expect.poll(async () => (await pictureOf(other)) === (await pictureOf(page))).toBe(true);
  await expectBars(other, LIGHT.brass, 1, true);
});
