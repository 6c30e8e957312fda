import { expect, type Locator, type Page } from '@playwright/test';
import { utils, write as writeBook } from '@e965/xlsx';
import { tableFromArrays, tableToIPC } from 'apache-arrow';
import { parquetWriteBuffer } from 'hyparquet-writer';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { writtenRows, writtenWorkbook } from '../conformance/written-workbook';
import { brief, cell, columnTexts, drop, dropOnly, notice, openApp, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const view = (page: Page): Locator => page.getByRole('dialog', { name: 'How it is read' });
const firstRow = (page: Page): Promise<string[]> => view(page).locator('[data-first-rows] tbody tr').first().locator('td').allInnerTexts();
const take = (page: Page): Promise<void> => page.getByRole('button', { name: 'Take it', exact: true }).click();

async function choose(page: Page, place: Locator, key: string, choice: string | RegExp): Promise<void> {
  await place.locator(`[data-token="${key}"]`).click();
  await page.getByRole('option', { name: choice }).click();
}

async function write(page: Page, place: Locator, key: string, text: string): Promise<void> {
  await place.locator(`[data-token="${key}"]`).click();
  await page.locator('.sheet .field').last().fill(text);
  await page.keyboard.press('Enter');
}

const MESSY =
  'Deliveries of June\nhut;day;milk;share\nAlm;02.06.2031;1.234;12,5 %\nBerg;03.06.2031;999;4,1 %\nCloud;04.06.2031;spilt;8 %\nDale;05.06.2031;880;7 %\nErle;06.06.2031;870;7 %\nFirn;07.06.2031;860;7 %\nGams;08.06.2031;850;7 %\nHag;09.06.2031;840;7 %\nIlm;10.06.2031;830;7 %\nJoch;11.06.2031;820;7 %\nall;;9.000;\n';

test('a file is looked at before it lands: what was assumed is said, every choice is read at once, what was not read is mended there', async ({
  page,
}) => {
  await dropOnly(page, 'june.csv', MESSY);
  await expect(view(page).locator('[data-size]')).toContainText('11 rows and 4 columns');
  await expect(view(page).locator('[data-notes]')).toContainText('One line stands above the table and was left out: “Deliveries of June”.');
  expect(await firstRow(page)).toEqual(['Alm', '2031-06-02', '1234', '12.5']);
  const column = (name: string): Locator => view(page).locator(`[data-column="${name}"]`);
  await choose(page, column('share'), 'fractions', /as fractions/);
  await expect.poll(() => firstRow(page)).toEqual(['Alm', '2031-06-02', '1234', '0.125']);
  await write(page, view(page), 'below', '1');
  await expect(view(page).locator('[data-size]')).toContainText('10 rows');
  await write(page, column('milk'), 'unit', 'L');
  await column('milk').getByRole('button', { name: 'Finer: milk' }).click();
  await choose(page, column('milk'), 'missing', '999');
  await expect(column('milk')).toContainText('missing (2)');
  await choose(page, column('day'), 'type', 'text');
  await expect.poll(async () => (await firstRow(page))[1]).toBe('02.06.2031');
  await choose(page, column('day'), 'type', 'dates');
  await expect.poll(async () => (await firstRow(page))[1]).toBe('2031-06-02');
  // Not read: a text that will not do is told, one that does lands as an edited cell.
  const unread = view(page).locator('[data-unread] input');
  await unread.fill('much');
  await unread.press('Tab');
  await expect(view(page).locator('[data-unread]')).toContainText('“much” is not a number');
  await unread.fill('1.111');
  await unread.press('Tab');
  await view(page).getByLabel('Called here').fill('June, mended');
  // What was typed outlives the next reading, under the column's new name.
  await write(page, column('milk'), 'as', 'litres');
  await expect(column('milk')).toContainText('there milk');
  await expect(unread).toHaveValue('1.111');
  await take(page);
  await expect(brief(page)).toContainText('Take June, mended, 10 rows');
  await expect(notice(page, /Opened june\.csv: 10 rows and 4 columns/)).toBeVisible();
  await expect.poll(async () => (await columnTexts(page, 'litres')).map(text => text.replaceAll(/[^\d]/g, ''))).toContain('1111');
});

test('a workbook: its sheets, names over several columns, dates, a range; a broken one leaves the open project as it is', async ({
  page,
}) => {
  const book = writtenWorkbook([
    { name: 'Notes', rows: writtenRows([['nothing here'], ['x']]) },
    {
      name: 'June',
      rows: writtenRows([
        ['hut', 'day', 'milk', null],
        [null, null, 'litres', 'kg'],
        ['Alm', { v: 48_001, s: 1 }, 40, 41.5],
        ['Berg', { v: 48_002, s: 1 }, 30, 31],
      ]),
      behind: '<mergeCells><mergeCell ref="C1:D1"/></mergeCells>',
    },
  ]);
  await dropOnly(page, 'season.xlsx', [...book]);
  await choose(page, view(page), 'part', 'June');
  await expect(view(page).locator('[data-size]')).toContainText('2 rows and 4 columns');
  expect(await firstRow(page)).toEqual(['Alm', '2031-06-02', '40', '41.5']);
  await expect(view(page).locator('th')).toHaveCount(4);
  await expect(view(page)).toContainText('milk litres');
  await write(page, view(page), 'range', '3 to 4, 1 to 3');
  await expect(view(page).locator('th')).toHaveCount(3);
  await write(page, view(page), 'range', '');
  await take(page);
  await expect(brief(page)).toContainText('Take season June, 2 rows');
  await drop(page, 'broken.xlsx', [...book.subarray(0, 300)]);
  await expect(notice(page, /broken\.xlsx was not opened/)).toBeVisible();
  await expect(brief(page)).toContainText('Take season June, 2 rows');
});

const openDocument = (): number[] => {
  const book = utils.book_new();
  utils.book_append_sheet(
    book,
    utils.aoa_to_sheet([
      ['hut', 'milk'],
      ['Alm', 3],
      ['Berg', 4],
    ]),
    'June',
  );
  return [...new Uint8Array(writeBook(book, { type: 'array', bookType: 'ods' }) as ArrayBuffer)];
};
const parquet = parquetWriteBuffer({
  columnData: [
    { name: 'hut', data: ['Alm', 'Berg'], type: 'STRING' },
    { name: 'milk', data: [3, 4], type: 'DOUBLE' },
  ],
});
const arrow = tableToIPC(tableFromArrays({ hut: ['Alm', 'Berg'], milk: Float64Array.of(3, 4) }), 'file');

const files: readonly [name: string, file: string, content: string | readonly number[], rows: string, column: string, first: string][] = [
  ['records', 'a.json', '[{"hut":"Alm","at":{"valley":"Tolm"},"milk":3},{"hut":"Berg","milk":4}]', '2 rows', 'at.valley', 'Tolm'],
  ['records line by line', 'a.jsonl', '{"hut":"Alm","milk":3}\n{"hut":"Berg","milk":4}\n', '2 rows', 'hut', 'Alm'],
  ['packed rows', 'a.csv.gz', [...gzipSync('hut|milk\nAlm|3\nBerg|4\n')], '2 rows', 'hut', 'Alm'],
  ['a Parquet file', 'a.parquet', [...new Uint8Array(parquet)], '2 rows', 'hut', 'Alm'],
  ['an Arrow file', 'a.arrow', [...arrow], '2 rows', 'hut', 'Alm'],
  ['an open document', 'a.ods', openDocument(), '2 rows', 'hut', 'Alm'],
  ['UTF-16', 'a.csv', [0xff, 0xfe, ...Buffer.from('hut\tmilk\nÄlm\t3\n', 'utf16le')], '1 row', 'hut', 'Älm'],
];
test('files of every kind open to a figure', async ({ page }) => {
  for (const [name, file, content, rows, column, first] of files)
    await test.step(name, async () => {
      await dropOnly(page, file, content);
      await expect(view(page).locator('[data-size]')).toContainText(rows);
      const heads = (await view(page).locator('th').allInnerTexts()).map(text => text.split('\n')[0]?.trim());
      expect((await firstRow(page))[heads.indexOf(column)]).toBe(first);
      await take(page);
      await expect(brief(page)).toContainText(`Take a, ${rows}`);
      await expect(cell(page, 0, 'hut')).toBeVisible();
    });
});

test('several like files are stacked with the name of each; what is left is not opened', async ({ page }) => {
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page
    .getByLabel('File', { exact: true })
    .setInputFiles([file('june.csv', 'hut,milk\nAlm,3\n'), file('july.csv', 'hut,milk\nAlm,5\nBerg,6\n')]);
  await expect(view(page).locator('[data-size]')).toContainText('3 rows and 3 columns, as they will be read, stacked below each other.');
  expect(await firstRow(page)).toEqual(['june', 'Alm', '3']);
  await page.keyboard.press('Escape');
  await expect(view(page)).toHaveCount(0);
  await expect(brief(page)).toContainText('Take deliveries, 480 rows');
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page
    .getByLabel('File', { exact: true })
    .setInputFiles([file('huts.csv', 'hut,herd\nAlm,3\n'), file('days.csv', 'day,milk\n2031-06-02,5\n')]);
  await take(page);
  await expect(brief(page)).toContainText('Take days, 1 row');
});

test('a folder of like files is stacked in the order of their names and called like it; what is hidden in it is passed over', async ({
  page,
}, info) => {
  const folder = info.outputPath('season');
  mkdirSync(join(folder, 'late'), { recursive: true });
  for (const [name, text] of [
    ['month 10.csv', 'hut,milk\nAlm,5\n'],
    ['month 9.csv', 'hut,milk\nAlm,3\nBerg,4\n'],
    ['late/month 11.csv', 'hut,milk\nCloud,6\n'],
    ['.settings', '\u0000\u0001'],
  ] as const)
    writeFileSync(join(folder, name), text);
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page.getByLabel('Folder', { exact: true }).setInputFiles(folder);
  await expect(view(page).locator('h2')).toHaveText('3 files of season');
  await expect(view(page).getByLabel('Called here')).toHaveValue('season');
  const rows = await view(page)
    .locator('[data-first-rows] tbody tr')
    .evaluateAll(lines => lines.map(line => (line as HTMLElement).innerText.split('\t').map(text => text.trim())));
  expect(rows).toEqual([
    ['late/month 11', 'Cloud', '6'],
    ['month 9', 'Alm', '3'],
    ['month 9', 'Berg', '4'],
    ['month 10', 'Alm', '5'],
  ]);
  await take(page);
  await expect(brief(page)).toContainText('Take season, 4 rows');
});
