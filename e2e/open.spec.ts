import { expect } from '@playwright/test';
import { rmSync, truncateSync, writeFileSync } from 'node:fs';
import { canvas, brief, columnTexts, drawn, drop, expectBars, LIGHT, notice, openApp, paste, takeIfLooked, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const good: readonly [name: string, text: string, column: string, texts: string[]][] = [
  ['commas, a mark, quotes with breaks', '\uFEFFstall,litres\n"Upper\nfold",12\n"Ada ""A"", east",7\n', 'litres', ['12', '7']],
  ['semicolons and decimal commas', 'stall;litres\nAda;1,5\nBo;12,25\n', 'litres', ['12.25', '1.50']],
  ['tabs', 'stall\tlitres\nAda\t3\nBo\t-4\n', 'litres', ['3', '−4']],
  ['another script', 'कुटीर,लीटर\nपहाड़,3\nनदी,5\n', 'लीटर', ['5', '3']],
];
test('files of several dialects are dropped, and each gives a first figure', async ({ page }) => {
  for (const [name, text, column, texts] of good)
    await test.step(name, async () => {
      await drop(page, 'own.csv', text);
      await expect(notice(page, /Opened own\.csv: 2 rows and 2 columns\./).last()).toBeVisible();
      await expect.poll(() => columnTexts(page, column)).toEqual(texts);
      await expectBars(page, LIGHT.brass, 1);
    });
});

test('a sheet that speaks of one figure closes when a file opens another', async ({ page }) => {
  await brief(page).locator('[data-token="mark"]').click();
  await expect(page.getByRole('dialog', { name: 'Drawn as' })).toBeVisible();
  await drop(page, 'own.csv', 'stall,litres\nAda,3\nBo,4\n');
  await expect(brief(page)).toContainText('Take own, 2 rows.');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(brief(page).locator('[data-token="mark"]')).toBeFocused();
});

test('thousands of rows through the file picker, grouped to a figure', async ({ page }) => {
  const rows = Array.from({ length: 40_000 }, (_, i) => `stall ${i % 25},${(i * 7919) % 1000}`);
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page
    .getByLabel('File', { exact: true })
    .setInputFiles({ name: 'big.csv', mimeType: 'text/csv', buffer: Buffer.from(`stall,litres\n${rows.join('\n')}`) });
  await takeIfLooked(page);
  await expect(notice(page, /40,000 rows and 2 columns/)).toBeVisible();
  await expect(brief(page)).toContainText('Take big, 40,000 rows.');
  await expect.poll(async () => (await columnTexts(page, 'stall')).length).toBeGreaterThan(8);
});

test('the sheet that opens files shows all of its width, the first time too', async ({ page }) => {
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  const sheet = page.getByRole('dialog', { name: 'Open', exact: true });
  await expect(sheet.getByText('Projects in this browser')).toBeVisible();
  await drawn(page);
  const [all, shown] = await sheet.evaluate(pane => [pane.scrollWidth, pane.clientWidth]);
  expect(shown).toBe(all);
  await expect(sheet.getByLabel(/Or paste rows here/)).toBeInViewport({ ratio: 1 });
});

test('rows pasted on the stage, and rows pasted into the box', async ({ page }) => {
  await canvas(page).focus();
  await paste(page, 'stall\tlitres\nAda\t3\nBo\t4');
  await takeIfLooked(page);
  await expect(brief(page)).toContainText('Take pasted rows, 2 rows.');
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page.getByLabel(/Or paste rows here/).fill('pen;kg\nX;1\nY;2\nZ;3');
  await page.getByRole('button', { name: 'Open the rows' }).click();
  await page.getByRole('button', { name: 'Take it', exact: true }).click();
  await expect(brief(page)).toContainText('Take pasted rows, 3 rows.');
});

const bad: readonly [name: string, file: string, content: string | readonly number[], says: RegExp][] = [
  ['an empty file', 'a.csv', '', /a\.csv is empty\. Choose a file with a header line and rows\./],
  ['a header alone', 'a.csv', 'stall,litres\n', /has a header line but no rows/],
  ['an unclosed quote', 'a.csv', 'stall,litres\nAda,1\n"Bo,2\nCy,3', /Line 3: a quote opens and never closes/],
  ['a binary file', 'a.csv', [80, 75, 3, 4, 10, 0, 0, 1], /Line 2 of a\.csv is not text/],
  ['a foreign document', 'a.json', '{"rows": []}', /holds no list of records/],
  ['broken JSON', 'a.json', '{"format":\n oops', /Line 2 of a\.json is not JSON/],
];
test('files that hold no table are refused, each with its reason, and the open project stays', async ({ page }) => {
  for (const [name, file, content, says] of bad)
    await test.step(name, async () => {
      await drop(page, file, content);
      const alert = page.locator('cb-notices [data-tone="fault"]');
      await expect(alert).toContainText('was not opened.');
      await expect(alert).toContainText(says);
      await expect(brief(page)).toContainText('Take deliveries, 480 rows.');
      await page.getByRole('button', { name: 'Close the notice' }).click();
    });
  await expectBars(page, LIGHT.brass, 2);
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
});

test('a file of two gigabytes is refused before a byte of it is read', async ({ page }, info) => {
  // All hole: it takes no room on the disk.
  const huge = info.outputPath('huge.csv');
  writeFileSync(huge, 'stall,litres\nAda,1\n');
  truncateSync(huge, 2 ** 31);
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page.getByLabel('File', { exact: true }).setInputFiles(huge);
  const alert = page.locator('cb-notices [data-tone="fault"]');
  await expect(alert).toContainText('huge.csv has 2147.5 MB; up to 536.9 MB can be opened. Split it or drop columns.');
  await expect(brief(page)).toContainText('Take deliveries, 480 rows.');
  rmSync(huge);
});

test('ragged rows and misfits are mended and named by line', async ({ page }) => {
  await drop(page, 'ragged.csv', `stall,litres\nAda\nBo,2,9\n${'Cy,3\n'.repeat(20)}Di,lots\n`);
  await expect(notice(page, /Opened ragged\.csv: 23 rows and 3 columns\..* Some things were mended:/)).toBeVisible();
  await expect(notice(page, /Line 2 has 1 of 2 cells\. The rest was left missing\./)).toBeVisible();
  await expect(notice(page, /Line 24: “lots” in litres is not a number\. It was left missing\./)).toBeVisible();
});

test('the sample stays and comes back from the library', async ({ page }) => {
  await drop(page, 'own.csv', 'stall,litres\nAda,3\nBo,4\n');
  await expect(brief(page)).toContainText('Take own, 2 rows.');
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page
    .getByRole('button', { name: /^Highmeadow season/ })
    .first()
    .click();
  await expect(brief(page)).toContainText('Take deliveries, 480 rows.');
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page.getByRole('button', { name: 'Remove own' }).click();
  await expect(page.getByRole('dialog').getByText('own', { exact: true })).toHaveCount(0);
});

test('a large file shows its progress in numbers and can be cancelled; nothing is changed', async ({ page }) => {
  const text = `stall,litres,day\n${Array.from({ length: 1_400_000 }, (_, i) => `stall ${i % 25},${i % 997},2031-05-0${1 + (i % 9)}`).join('\n')}`;
  await page.evaluate(words => {
    const dataTransfer = new DataTransfer();
    dataTransfer.items.add(new File([words], 'large.csv'));
    const target = document.querySelector('cb-shell') as HTMLElement;
    target.dispatchEvent(new DragEvent('drop', { dataTransfer, bubbles: true, cancelable: true }));
  }, text);
  await expect(page.getByText(/^Opening large\.csv: \d+ %$/)).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(notice(page, /Opening large\.csv was cancelled\. Nothing was changed\./)).toBeVisible();
  await expect(brief(page)).toContainText('Take deliveries, 480 rows.');
});
