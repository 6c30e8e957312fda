import { expect, type Page } from '@playwright/test';
import axe from 'axe-core';
import { brief, cell, drop, dropOnly, goTo, openApp, openFigures, reveal, settled, stage, typeInto, typeToken, test } from './support';

/** Runs an action by its name: in a small window the bar has no button for it. */
async function run(page: Page, action: string): Promise<void> {
  await page.keyboard.press('Alt+b');
  await page.getByLabel('What to do').fill(action);
  await page.keyboard.press('Enter');
}

/** Every main view and every sheet, opened as an analyst does. */
const views: readonly (readonly [name: string, steps: (page: Page) => Promise<unknown>])[] = [
  ['the workspace', () => Promise.resolve()],
  ['the list of figures', openFigures],
  [
    'the gallery',
    page => run(page, 'Look through the gallery').then(() => expect(page.getByRole('dialog', { name: 'Gallery' })).toBeVisible()),
  ],
  ['the search for actions', page => page.keyboard.press('Alt+b')],
  ['a search that finds nothing', page => page.keyboard.press('Alt+b').then(() => page.keyboard.type('qqqzzz'))],
  ['all keys', page => page.keyboard.press('Alt+1').then(() => page.keyboard.press('?'))],
  ['what is handed over', page => page.getByRole('button', { name: 'Hand over' }).click()],
  ['what can be opened', page => page.getByRole('button', { name: 'Open', exact: true }).click()],
  ['the search for cues', page => page.getByRole('button', { name: 'Add a cue' }).click()],
  ['a cue’s formulas', page => brief(page).getByRole('button', { name: 'formulas' }).click()],
  ['more for a cue', page => brief(page).getByRole('button', { name: 'More for cue 1' }).click()],
  ['finer settings', page => reveal(page, 'gridlines')],
  ['a word', page => brief(page).locator('[data-token="category"]').click()],
  ['a colour', page => brief(page).locator('[data-token="look:highest:colour"]').click()],
  ['number formats', page => page.getByRole('button', { name: 'Number formats' }).click()],
  ['measures', page => page.getByRole('button', { name: 'Measures', exact: true }).click()],
  ['small pictures', page => page.getByRole('button', { name: 'Small pictures' }).click()],
  [
    'what may mislead',
    async page => {
      await typeToken(page, 'low:first', '10,000');
      await stage(page).locator('[data-checks]').click();
    },
  ],
  ['the formula desk', page => page.getByRole('button', { name: 'Helper column', exact: true }).click()],
  ['an axis’s words', page => stage(page).locator('[data-part="axis first"]').click()],
  [
    'a mark’s menu',
    async page => {
      await page.keyboard.press('Alt+2');
      await page.keyboard.press('Home');
      await page.keyboard.press('Enter');
    },
  ],
  ['the columns to filter by', page => stage(page).getByRole('button', { name: 'Filter' }).click()],
  [
    'the values of a filter',
    async page => {
      await stage(page).getByRole('button', { name: 'Filter' }).click();
      await page.getByRole('option', { name: 'hut', exact: true }).click();
      await page.getByRole('button', { name: /^hut:/ }).click();
      await expect(page.getByRole('combobox', { name: 'Search values' })).toBeFocused();
    },
  ],
  [
    'a refused cell',
    async page => {
      await goTo(page, 'Wheels by hut');
      await typeInto(page, cell(page, 1, 'wheels'), 'many');
      await expect(page.getByRole('group', { name: 'Not taken' })).toBeVisible();
    },
  ],
  [
    'a crosstab',
    async page => {
      await goTo(page, 'Milk by month');
      await expect(stage(page).getByRole('grid')).toBeVisible();
    },
  ],
  [
    'a crosstab with bars, and what can be done with a cell',
    async page => {
      await goTo(page, 'Milk and fat share');
      await stage(page).locator('[data-cell="1"]').click();
      await expect(page.getByRole('dialog', { name: 'Mark' })).toBeVisible();
    },
  ],
  ['twelve panels', page => goTo(page, 'Twelve huts')],
  ['named looks', page => page.getByRole('button', { name: 'Named looks' }).click()],
  [
    'a file before it lands',
    async page => {
      await dropOnly(page, 'june.csv', 'Deliveries\nhut;milk;share\nAlm;1.234;5 %\nBerg;spilt;6 %\n' + 'Cloud;900;7 %\n'.repeat(12));
      await expect(page.getByRole('button', { name: 'Take it' })).toBeFocused();
    },
  ],
  [
    'tables of the project',
    async page => {
      await run(page, 'Tables of the project');
      await expect(page.getByRole('dialog', { name: 'Tables', exact: true }).locator('th').first()).toBeVisible();
    },
  ],
  [
    'mends and a feed that fails',
    async page => {
      await drop(page, 'june.csv', 'hut,milk\nAlm,3\nBerg,5\nBerg,5\nTotal,8\n');
      await run(page, 'Tables of the project');
      await page.getByRole('button', { name: /^Mend it: Leave out rows/ }).click();
      await page.getByRole('button', { name: 'Tie it to a feed' }).click();
      await page.getByLabel('Address of the feed').fill('/feeds/deliveries.json?fault=error');
      await page.getByRole('button', { name: 'Tie it', exact: true }).click();
      await expect(page.locator('[data-feed-fault]')).toBeVisible();
    },
  ],
  [
    'what a next file changes',
    async page => {
      await run(page, 'Tables of the project');
      await page.setInputFiles('input[aria-label="Next file of deliveries"]', 'demo/data/deliveries-july.csv');
      await expect(page.locator('[data-source-changes]')).toContainText('milk is not there any more.');
    },
  ],
  [
    'what changed in the findings',
    async page => {
      await run(page, 'Tables of the project');
      await page.setInputFiles('input[aria-label="Next file of deliveries"]', 'demo/data/deliveries-june.csv');
      await page.getByRole('button', { name: 'Replace the rows' }).click();
      await expect(page.getByRole('dialog', { name: 'What changed in the findings' })).toContainText('Milk by hut');
    },
  ],
  [
    'pages of the report',
    async page => {
      await run(page, 'Pages of the report');
      await expect(page.getByRole('dialog', { name: 'Pages' })).toContainText('brought 1,113.5 kL');
    },
  ],
  [
    'the guide',
    async page => {
      await run(page, 'Help');
      await expect(page.getByRole('dialog', { name: 'Help' }).getByRole('heading', { name: 'What do I say for …' })).toBeVisible();
    },
  ],
  ['the figure alone', page => page.keyboard.press('Alt+0')],
  ['panels on two axes', page => goTo(page, 'Milk and fat')],
  [
    'a first figure',
    async page => {
      await run(page, 'New figure');
      await expect(page.getByRole('group', { name: 'A first figure' })).toBeVisible();
    },
  ],
];

const SHEETS = /sheet|words|menu|search|list|cue’s|more|word|colour|formats|measures|pictures|handed|opened|filter/;

const WIDE = { width: 1280, height: 800 };
const SMALL = { width: 640, height: 400 };

/** Rules that colours decide. */
const COLOUR_RULES = ['color-contrast', 'link-in-text-block'];
const withoutColours = Object.fromEntries(COLOUR_RULES.map(rule => [rule, { enabled: false }]));

/** Options by what is asked about: another theme can break colours alone, another size all but them. */
const ABOUT = { all: {}, colours: { runOnly: COLOUR_RULES }, sizes: { rules: withoutColours } } as const;

/**
 * What the checker finds in the page as it stands; where a sheet lies over it, in the sheet, since the page behind it is a view of its own. The cells of the
 * ledger are looked at in the views that are about them.
 */
async function findings(page: Page, about: keyof typeof ABOUT, withCells: boolean): Promise<unknown> {
  return page.evaluate(
    async ({ options, withCells }) => {
      const engine = (globalThis as unknown as { axe: typeof axe }).axe;
      const sheets = [...document.querySelectorAll('.cdk-overlay-pane')];
      const include = sheets.length ? sheets : [document.body];
      const exclude = withCells ? [] : [...document.querySelectorAll('.ag-center-cols-viewport')];
      const { violations } = await engine.run({ include, exclude }, { resultTypes: ['violations'], ...options });
      return violations.map(({ id, impact, nodes }) => ({ id, impact, where: nodes.slice(0, 3).map(({ html }) => html.slice(0, 160)) }));
    },
    { options: ABOUT[about], withCells },
  );
}

const CELL_VIEWS: ReadonlySet<string> = new Set(['the workspace', 'a refused cell', 'what can be done with a cell']);

// A walk is a quarter of the views, so that walks share the cores evenly.
const WALKS = 4;

for (let walk = 0; walk < WALKS; walk++)
  test(`nothing is found on walk ${walk + 1} through all views, light and dark, wide and small`, async ({ page }) => {
    test.setTimeout(150_000);
    for (const [name, steps] of views.filter((_, at) => at % WALKS === walk))
      await test.step(name, async () => {
        const withCells = CELL_VIEWS.has(name);
        await page.setViewportSize(WIDE);
        await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
        await openApp(page);
        await steps(page);
        if (SHEETS.test(name) && name !== 'finer settings') await expect(page.getByRole('dialog').last()).toBeVisible();
        await expect(stage(page).locator('canvas[role="img"], table[role="grid"]').first()).toBeVisible();
        await page.evaluate(axe.source);
        expect(await findings(page, 'all', withCells), `${name}, light`).toEqual([]);
        await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' });
        await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
        await settled(page);
        expect(await findings(page, 'colours', withCells), `${name}, dark`).toEqual([]);
        const sheets = page.locator('.cdk-overlay-pane');
        const open = await sheets.count();
        await page.setViewportSize(SMALL);
        await settled(page);
        await expect(sheets).toHaveCount(open);
        expect(await findings(page, 'sizes', withCells), `${name}, small`).toEqual([]);
      });
  });
