import { expect, type Page } from '@playwright/test';
import { addCue, brief, canvas, cell, drop, focused, ledger, openApp, openFigures, saved, stage, typeInto, test } from './support';

test.beforeEach(({ page }) => openApp(page));

const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name });
const press = async (page: Page, ...keys: readonly string[]): Promise<void> => {
  for (const key of keys) await page.keyboard.press(key);
};

/** Situations in which what has the focus moves or goes away, and what has it then. */
const situations: readonly (readonly [name: string, steps: (page: Page) => Promise<unknown>, then: RegExp])[] = [
  [
    'a cue moved up',
    async page => {
      await addCue(page, 'average', 'typical');
      await brief(page).locator('[data-token="look:above:colour"]').focus();
      await press(page, 'Alt+ArrowUp');
    },
    /Colour of above/,
  ],
  [
    'a cue removed: the next one, or the button that adds',
    async page => {
      await button(page, 'More for cue 1').focus();
      await press(page, 'Enter');
      await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).focus();
      await press(page, 'Enter');
    },
    /^Add a cue$/,
  ],
  [
    'a filter taken off: its neighbour, or the button that adds',
    async page => {
      await press(page, 'Alt+b');
      await page.keyboard.type('xyz');
      await press(page, 'Escape');
      await stage(page).getByRole('button', { name: 'Filter', exact: true }).focus();
      await press(page, 'Enter');
      await page.getByRole('option', { name: 'valley', exact: true }).click();
      await button(page, 'Take off the filter on valley').focus();
      await press(page, 'Enter');
    },
    /^Filter$/,
  ],
  [
    'a cell reset: the cell',
    async page => {
      await drop(page, 'a.csv', 'hut,milk\nAlm,1\nBerg,2\n');
      await expect(brief(page)).toContainText('Take a, 2 rows');
      await typeInto(page, cell(page, 0, 'milk'), '7');
      await cell(page, 0, 'milk').click();
      await button(page, 'Reset the cell').focus();
      await press(page, 'Enter');
    },
    /^2$/,
  ],
  [
    'a number format removed: the field that adds',
    async page => {
      await drop(page, 'a.csv', 'hut,milk\nAlm,1\nBerg,2\n');
      await expect(brief(page)).toContainText('Take a, 2 rows');
      await button(page, 'Number formats').focus();
      await press(page, 'Enter');
      await page.getByLabel('Name', { exact: true }).fill('litres');
      await press(page, 'Enter');
      await button(page, 'Remove litres').focus();
      await press(page, 'Enter');
    },
    /^Name$|^$/,
  ],
  [
    'a small picture removed: the button that adds',
    async page => {
      await button(page, 'Small pictures').focus();
      await press(page, 'Enter');
      const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><circle cx="4" cy="4" r="3"/></svg>');
      await page.getByLabel('Picture', { exact: true }).setInputFiles({ name: 'dot.svg', mimeType: 'image/svg+xml', buffer: svg });
      await button(page, 'Remove dot').focus();
      await press(page, 'Enter');
    },
    /^Add a picture…$/,
  ],
  [
    'a stored project removed: its neighbour',
    async page => {
      await drop(page, 'a.csv', 'hut,milk\nAlm,1\nBerg,2\n');
      await expect(brief(page)).toContainText('Take a, 2 rows');
      await saved(page);
      await button(page, 'Open').first().click();
      await button(page, 'Remove Highmeadow season').focus();
      await press(page, 'Enter');
    },
    /^a/,
  ],
  [
    'undo pressed until it ends: undo',
    async page => {
      await addCue(page, 'average', 'typical');
      await button(page, 'Undo').focus();
      await press(page, 'Enter', 'Enter', 'Enter');
    },
    /^Undo$/,
  ],
  [
    'a notice closed: where it was before',
    async page => {
      await button(page, 'More for cue 1').focus();
      await press(page, 'Enter');
      await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).click();
      await press(page, 'Alt+n');
      await button(page, 'Close the notice').focus();
      await press(page, 'Enter');
    },
    /^Add a cue$/,
  ],
  [
    'a notice used: where it was before',
    async page => {
      await button(page, 'More for cue 1').focus();
      await press(page, 'Enter');
      await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).click();
      await press(page, 'Alt+n', 'Enter');
    },
    /^Add a cue$/,
  ],
  [
    'the gallery closed: its button',
    page =>
      button(page, 'Gallery')
        .focus()
        .then(() => press(page, 'Enter', 'Escape')),
    /^Gallery$/,
  ],
  [
    'the gallery used: its button',
    async page => {
      await button(page, 'Gallery').focus();
      await press(page, 'Enter');
      await page
        .getByRole('dialog', { name: 'Gallery' })
        .getByRole('button', { name: /Tank levels/ })
        .focus();
      await press(page, 'Enter');
    },
    /^Gallery$/,
  ],
  [
    '“Open” opened: its first button',
    page =>
      button(page, 'Open')
        .first()
        .focus()
        .then(() => press(page, 'Enter')),
    /^Choose files…$/,
  ],
  [
    'the desk closed: the button that opened it',
    async page => {
      await page.getByRole('button', { name: 'Helper column', exact: true }).focus();
      await press(page, 'Enter');
      await expect(page.locator('cb-formula-desk .cm-content')).toBeFocused();
      await press(page, 'Escape');
    },
    /^Helper column$/,
  ],
  [
    'the rows behind a cell closed: the cell',
    async page => {
      await press(page, 'Alt+3', 'ArrowRight', 'ArrowRight', 'Enter');
      await expect(ledger(page).getByRole('button', { name: 'Back to the ledger' })).toBeFocused();
      await press(page, 'Enter');
    },
    /94,190|94190/,
  ],
  [
    'the last move down of a list by hand: the same button',
    async page => {
      await brief(page).locator('[data-token="order"]').focus();
      await press(page, 'Enter');
      await page.getByRole('option', { name: 'by hand' }).click();
      await brief(page).locator('[data-token="hand"]').focus();
      await press(page, 'Enter');
      const down = page.getByRole('dialog').getByRole('button', { name: /^Move down/ });
      await down.nth(18).focus();
      await press(page, 'Enter', 'Enter');
    },
    /^Move down/,
  ],
  [
    'a figure removed from the list: its neighbour',
    async page => {
      const list = await openFigures(page);
      await press(page, 'ArrowDown', 'Delete');
      await expect(list.locator('[data-active]')).toHaveCount(1);
    },
    /./,
  ],
  [
    'a word that leaves the prose',
    async page => {
      await press(page, 'Alt+b');
      await page.keyboard.type('gridlines');
      await press(page, 'Enter');
      await expect.poll(() => focused(page)).toBe('Gridlines');
      await press(page, 'ArrowDown', 'Enter');
    },
    /^Gridlines: /,
  ],
  ['the figure alone left', page => press(page, 'Alt+0', 'Escape').then(() => expect(canvas(page)).toBeFocused()), /^Milk by hut\./],
];

for (const [name, steps, then] of situations)
  test(`the focus has a home: ${name}`, async ({ page }) => {
    await steps(page);
    await expect.poll(() => focused(page)).toMatch(then);
    await expect.poll(() => focused(page)).not.toBe('page');
  });

test('what lies over the screen makes what is under it inert', async ({ page }) => {
  await button(page, 'Gallery').click();
  await expect(page.locator('main')).toHaveAttribute('inert', '');
  await press(page, 'Escape');
  await expect(page.locator('main')).not.toHaveAttribute('inert', '');
  await page.getByRole('button', { name: 'Helper column', exact: true }).click();
  await expect(page.locator('cb-ledger')).toHaveAttribute('inert', '');
});

test('“finer” puts its words after its button', async ({ page }) => {
  const finer = brief(page).getByRole('button', { name: 'Finer settings of scales' });
  await finer.focus();
  await press(page, 'Enter');
  await expect(brief(page).getByRole('button', { name: 'Less of scales' })).toBeFocused();
  await press(page, 'Tab');
  await expect.poll(() => focused(page)).toMatch(/: /);
  const [above, below] = [
    await finer.or(brief(page).getByRole('button', { name: 'Less of scales' })).boundingBox(),
    await page.locator(':focus').boundingBox(),
  ];
  expect((below?.y ?? 0) > (above?.y ?? Infinity)).toBe(true);
});
