// npm run screenshots: one current picture of each main view, from the demo data, into docs/screenshots at 1280 × 800.
import { chromium, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const flags = JSON.parse(readFileSync(`${root}tools/chromium-flags.json`, 'utf8')) as string[];
const PORT = 4731;
const address = `http://127.0.0.1:${PORT}/`;

interface View {
  readonly name: string;
  readonly scheme?: 'dark';
  readonly size?: { readonly width: number; readonly height: number };
  readonly steps?: (page: Page) => Promise<void>;
}

async function goTo(page: Page, figure: string): Promise<void> {
  await page.locator('[data-figures]').click();
  await page.getByRole('dialog', { name: 'Figures' }).getByRole('option', { name: figure, exact: true }).click();
}

/** Deliveries of a month as somebody saved them: a title above, decimal commas, percents, a word among the numbers. */
const untidy = (): string =>
  [
    'Deliveries of June',
    'hut;valley;day;milk;share;code',
    'Ashlatch;Tolm;02.06.2031;1.234,5;12,5 %;007',
    'Kettlemoor;Siddel;03.06.2031;spilt;4,1 %;008',
    'Rushfold;Brackenfell;;987,25;n/a;009',
    ...Array.from(
      { length: 40 },
      (_, i) =>
        `Mossgate;Auvers Gap;${String(4 + (i % 24)).padStart(2, '0')}.06.2031;${900 + i * 13},5;${3 + (i % 5)} %;${String(10 + i).padStart(3, '0')}`,
    ),
  ].join('\n');

/** A month as the office sent it, what looks wrong in it mended. */
async function mended(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page.getByLabel('File', { exact: true }).setInputFiles(`${root}demo/data/deliveries-june.csv`);
  await page.getByRole('button', { name: 'Take it' }).click();
  await page.getByRole('button', { name: 'Look at them' }).click();
  for (const words of [/^Mend it: Take spaces off/, /^Mend it: In hut write/, /^Mend it: Leave out rows/])
    await page.getByRole('button', { name: words }).first().click();
  await page.locator('[data-mend]').nth(2).waitFor();
}

const views: readonly View[] = [
  { name: 'workspace' },
  { name: 'workspace-dark', scheme: 'dark', steps: page => goTo(page, 'Expected range') },
  {
    name: 'gallery',
    steps: async page => {
      await page.getByRole('button', { name: 'Gallery' }).click();
      await page.getByRole('dialog', { name: 'Gallery' }).getByRole('img').last().waitFor();
    },
  },
  {
    name: 'add-a-cue',
    steps: async page => {
      await page.getByRole('button', { name: 'Add a cue' }).click();
      await page.getByLabel('Find a cue').fill('average');
      await page.locator('[data-offer="typical"] canvas').waitFor();
    },
  },
  { name: 'crosstab', steps: page => goTo(page, 'Milk by month') },
  { name: 'panels', steps: page => goTo(page, 'Twelve huts') },
  {
    name: 'intake',
    steps: async page => {
      await page.getByRole('button', { name: 'Open', exact: true }).click();
      await page
        .getByLabel('File', { exact: true })
        .setInputFiles({ name: 'deliveries june.csv', mimeType: 'text/csv', buffer: Buffer.from(untidy()) });
      await page.getByRole('button', { name: 'Take it' }).waitFor();
    },
  },
  { name: 'tables', scheme: 'dark', steps: mended },
  {
    name: 'changed-findings',
    steps: async page => {
      const rows = await page.evaluate(async () => (await fetch('/feeds/deliveries.csv?size=5000&until=2031-08-31')).text());
      await page.keyboard.press('Alt+b');
      await page.getByLabel('What to do').fill('tables of the project');
      await page.keyboard.press('Enter');
      await page
        .locator('input[aria-label="Next file of deliveries"]')
        .setInputFiles({ name: 'until august.csv', mimeType: 'text/csv', buffer: Buffer.from(rows) });
      await page.getByRole('button', { name: 'Replace the rows' }).click();
      await page.getByRole('dialog', { name: 'What changed in the findings' }).getByRole('listitem').first().waitFor();
    },
  },
  {
    name: 'broken-axis',
    steps: async page => {
      await goTo(page, 'Wheels, with a break');
      await page.locator('[data-token="breaks:first"]').click();
    },
  },
  {
    name: 'checks',
    steps: async page => {
      await page.locator('[data-part="axis first"]').click();
      await page.getByRole('dialog').locator('[data-token="low:first"]').click();
      await page.getByRole('dialog').last().locator('input').fill('20,000');
      await page.keyboard.press('Enter');
      await page.keyboard.press('Escape');
      await page.locator('[data-checks]').click();
    },
  },
  {
    name: 'why',
    steps: async page => {
      await page.keyboard.press('Alt+2');
      await page.keyboard.press('End');
    },
  },
  {
    name: 'mark',
    steps: async page => {
      await page.keyboard.press('Alt+2');
      await page.keyboard.press('End');
      await page.keyboard.press('Enter');
      await page.getByText('Open its rows').waitFor();
    },
  },
  {
    name: 'liveries',
    steps: async page => {
      await goTo(page, 'Worst counts');
      await page.locator('[data-acts="liveries"]').click();
      await page.getByRole('dialog', { name: 'Liveries' }).getByRole('button', { name: 'Make one of your own' }).click();
    },
  },
  {
    name: 'rows-behind-a-cell',
    steps: async page => {
      await page.locator('.ag-row[row-index="2"] .ag-cell[col-id="milk"]').click();
      await page.keyboard.press('Enter');
      await page.getByText('Rushfold, 24 rows').waitFor();
    },
  },
  {
    name: 'formula-desk',
    steps: async page => {
      await page.getByRole('button', { name: 'Helper column', exact: true }).click();
      await page.locator('.cm-content').waitFor();
      await page.keyboard.type('case when milk > avg(milk) then milk - avg(milk) end');
      await page.locator('#desk-scope').selectOption({ label: 'within each valley' });
      await page.getByText('Gives a number').waitFor();
    },
  },
  {
    name: 'hand-over',
    steps: async page => {
      await page.getByRole('button', { name: 'Hand over' }).click();
      await page.getByRole('button', { name: 'PNG 1×' }).waitFor();
    },
  },
  {
    name: 'pages',
    steps: async page => {
      await page.getByRole('button', { name: 'Hand over' }).click();
      await page.getByRole('button', { name: /^Pages/ }).click();
      await page.getByRole('dialog', { name: 'Pages' }).getByText('brought 1,113.5 kL').waitFor();
    },
  },
  {
    name: 'help',
    steps: async page => {
      await page.getByRole('button', { name: 'Help', exact: true }).click();
      await page.getByLabel('Search the guide').fill('orders of magnitude');
      await page.keyboard.press('Enter');
      await page.getByRole('dialog', { name: 'Help' }).getByRole('img').waitFor();
    },
  },
];

const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], { cwd: root, env: { ...process.env, PORT: String(PORT) } });
await new Promise(resolve => server.stdout.once('data', resolve));
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: flags.filter(flag => flag !== '--headless') });
try {
  for (const { name, scheme = 'light', size = { width: 1280, height: 800 }, steps } of views) {
    const context = await browser.newContext({ viewport: size, colorScheme: scheme, reducedMotion: 'reduce' });
    const page = await context.newPage();
    await page.goto(address);
    await page.locator('.ag-cell').first().waitFor();
    await steps?.(page);
    // What was clicked on the way is not what is pointed at.
    await page.mouse.move(2, 2);
    await page.getByText(/^saved/).waitFor();
    await page.waitForTimeout(300);
    await page.screenshot({ path: `${root}docs/screenshots/${name}.png` });
    await context.close();
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await browser.close();
  server.kill();
}
