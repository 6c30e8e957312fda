import { expect, type Page } from '@playwright/test';
import {
  addCue,
  barColours,
  brief,
  cell,
  choose,
  columnTexts,
  drop,
  expectBars,
  expectPixels,
  keepOnly,
  LIGHT,
  openApp,
  token,
  typeInto,
  typeToken,
  test,
} from './support';

const STALLS = `stall,side,litres,goal
Ada,east,10,12
Bo,east,20,18
Cy,east,30,30
Di,east,40,35
El,west,50,55
Fay,west,60,52
Gus,west,70,75
Hal,west,80,70
`;

/** Eight stalls from 10 to 80 litres in table order, without the cue of a first figure; with the goal as a second measure where asked. */
async function openStalls(page: Page, goal: boolean): Promise<void> {
  await drop(page, 'stalls.csv', STALLS);
  await expect(brief(page)).toContainText('Show litres summed by stall');
  await choose(page, 'order', 'in table order');
  await brief(page).getByRole('button', { name: 'More for cue 1' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  if (!goal) return;
  await page.getByRole('button', { name: 'Measures', exact: true }).click();
  await page.getByRole('option', { name: 'goal' }).click();
  await page.getByRole('button', { name: 'Show them' }).click();
  await expect(brief(page)).toContainText('goal summed');
}

/** The first stall brings a hundred litres. */
const editAda = (page: Page, litres = '100'): Promise<void> => typeInto(page, cell(page, 0, 'litres'), litres);
const filled = async (page: Page, column: string): Promise<string[]> => (await columnTexts(page, column)).filter(text => text !== '·');

type Step = (page: Page) => Promise<void>;

interface KindCase {
  readonly kind: string;
  readonly query: string;
  readonly goal?: boolean;
  /** Seen when it is added, after a token is changed, after Ada's edit, and with the east side alone. */
  readonly added: Step;
  readonly changed: Step;
  readonly edited: Step;
  readonly filtered: Step;
}

const bars =
  (...expected: readonly [colour: string, count: number][]): Step =>
  async page => {
    for (const [colour, count] of expected) await expectBars(page, colour, count);
  };
const steps =
  (...list: readonly Step[]): Step =>
  async page => {
    for (const step of list) await step(page);
  };
const texts =
  (column: string, expected: readonly string[]): Step =>
  page =>
    expect.poll(() => columnTexts(page, column)).toEqual([...expected]);
const typed =
  (key: string, text: string): Step =>
  page =>
    typeToken(page, key, text);
const chosen =
  (key: string, option: string): Step =>
  page =>
    choose(page, key, option);
const { brass, slate, clay, pasture, lake, plum } = LIGHT;
// Lake at a fifth of its strength over the figure's ground.
const LAKE_BAND = '#d3e5e8';

const cases: readonly KindCase[] = [
  {
    kind: 'rank',
    query: 'top 3',
    added: bars([brass, 3]),
    changed: steps(typed('n', '2'), bars([brass, 2])),
    edited: steps(bars([brass, 2]), texts('in', ['100', '·', '·', '·', '·', '·', '·', '80'])),
    filtered: texts('in', ['100', '·', '·', '40']),
  },
  {
    kind: 'threshold',
    query: 'limit',
    added: bars([clay, 2], [pasture, 2]),
    changed: steps(typed('edge:0', '35'), bars([clay, 3])),
    edited: bars([clay, 2], [pasture, 2]),
    filtered: bars([clay, 2], [pasture, 1]),
  },
  {
    kind: 'typical',
    query: 'avg',
    added: steps(bars([brass, 4]), texts('average', Array<string>(8).fill('45'))),
    changed: steps(typed('level', '65'), bars([brass, 2])),
    edited: bars([brass, 3]),
    filtered: bars([brass, 1]),
  },
  {
    kind: 'plan',
    query: 'plan',
    goal: true,
    added: steps(bars([slate, 8]), page => expectPixels(page, clay, 30), texts('beyond', ['0', '2', '0', '5', '0', '8', '0', '10'])),
    changed: steps(chosen('way', 'a part below and a part above, the plan as a line'), page => expectPixels(page, clay, null)),
    edited: texts('beyond', ['88', '2', '0', '5', '0', '8', '0', '10']),
    filtered: steps(bars([slate, 4]), texts('reached', ['12', '18', '30', '35'])),
  },
  {
    kind: 'change',
    query: 'rise',
    added: bars([pasture, 7]),
    changed: steps(chosen('labels', 'with their differences'), chosen('draw', 'as a line'), page => expectPixels(page, plum, 40)),
    edited: bars([pasture, 6], [clay, 1]),
    filtered: steps(bars([pasture, 2], [clay, 1]), texts('direction', ['·', 'fall', 'rise', 'rise'])),
  },
  {
    kind: 'compare',
    query: 'versus',
    goal: true,
    added: bars([pasture, 4], [clay, 3]),
    changed: steps(chosen('which', 'more'), bars([pasture, 4], [clay, 0])),
    edited: bars([pasture, 5]),
    filtered: bars([pasture, 3]),
  },
  {
    kind: 'outlier',
    query: 'unusual',
    added: bars([clay, 0]),
    changed: steps(typed('k', '1'), bars([clay, 0])),
    edited: async page => {
      await editAda(page, '1000');
      await expectBars(page, clay, 1);
    },
    // Quartiles 27.5 and 280 of 1,000, 20, 30 and 40: one range beyond the upper one lies 532.5.
    filtered: texts('upper fence', ['532.5', '532.5', '532.5', '532.5']),
  },
  {
    kind: 'gradient',
    query: 'heat',
    added: page => expect.poll(() => barColours(page)).toBe(8),
    changed: steps(typed('classes', '2'), page => expect.poll(() => barColours(page)).toBe(2)),
    edited: texts('class', ['2', '1', '1', '1', '1', '2', '2', '2']),
    filtered: texts('class', ['2', '1', '1', '1']),
  },
  {
    kind: 'running',
    query: 'moving',
    added: steps(page => expectPixels(page, brass, 100), texts('moving average', ['·', '·', '·', '25', '35', '45', '55', '65'])),
    changed: steps(typed('n', '2'), texts('moving average', ['·', '15', '25', '35', '45', '55', '65', '75'])),
    edited: texts('moving average', ['·', '60', '25', '35', '45', '55', '65', '75']),
    filtered: texts('moving average', ['·', '60', '25', '35']),
  },
  {
    kind: 'reference',
    query: 'benchmark',
    goal: true,
    added: steps(page => expectPixels(page, lake, 40), texts('reference', ['12', '18', '30', '35', '55', '52', '75', '70'])),
    changed: steps(typed('level', '90 % of goal'), texts('reference', ['10.8', '16.2', '27.0', '31.5', '49.5', '46.8', '67.5', '63.0'])),
    edited: page => expectPixels(page, lake, 20),
    filtered: texts('reference', ['10.8', '16.2', '27.0', '31.5']),
  },
  {
    kind: 'band',
    query: 'deviation',
    added: steps(
      page => expectPixels(page, LAKE_BAND, 500),
      page => expect.poll(() => filled(page, 'outside')).toEqual(['10', '20', '70', '80']),
    ),
    changed: steps(typed('k', '2'), async page => expect.poll(() => filled(page, 'outside')).toEqual([])),
    edited: page => expectPixels(page, LAKE_BAND, 500),
    filtered: texts('inside', ['100', '20', '30', '40']),
  },
  {
    kind: 'span',
    query: 'floating',
    goal: true,
    added: steps(page => expectPixels(page, lake, 60), texts('spread', ['2', '2', '0', '5', '5', '8', '5', '10'])),
    changed: steps(chosen('colour', 'plum'), page => expectPixels(page, plum, 60)),
    edited: steps(texts('low', ['12', '18', '30', '35', '50', '52', '70', '70']), bars([plum, 3])),
    filtered: texts('high', ['100', '20', '30', '40']),
  },
  {
    kind: 'rescale',
    query: 'index',
    added: texts('index', ['100', '200', '300', '400', '500', '600', '700', '800']),
    changed: steps(typed('base', 'Bo'), texts('index', ['50', '100', '150', '200', '250', '300', '350', '400'])),
    edited: texts('index', ['500', '100', '150', '200', '250', '300', '350', '400']),
    filtered: texts('index', ['500', '100', '150', '200']),
  },
  {
    kind: 'rule',
    query: 'formula',
    added: bars([brass, 3]),
    changed: steps(
      async page => {
        await token(page, 'when:0').click();
        const editor = page.getByRole('group', { name: 'Formula desk' }).locator('.cm-content');
        await expect(editor).toBeFocused();
        await page.keyboard.press('Control+a');
        await page.keyboard.type('litres < 25');
        await page.getByRole('group', { name: 'Formula desk' }).getByRole('button', { name: 'Use it' }).click();
      },
      bars([brass, 2]),
    ),
    edited: bars([brass, 1]),
    filtered: texts('branch', ['·', 'branch a', '·', '·']),
  },
  {
    kind: 'extremes',
    query: 'max',
    added: bars([brass, 1], [slate, 1]),
    changed: steps(chosen('scope', 'within each side'), bars([brass, 2], [slate, 2])),
    edited: texts('highest', ['100', '·', '·', '·', '·', '·', '·', '80']),
    filtered: texts('lowest', ['·', '20', '·', '·']),
  },
];

test.beforeEach(({ page }) => openApp(page));

for (const { kind, query, goal = false, added, changed, edited, filtered } of cases)
  test(`${kind}: found by “${query}”, seen, changed by a word, followed through an edit and a filter`, async ({ page }) => {
    await openStalls(page, goal);
    await addCue(page, query, kind);
    await added(page);
    await changed(page);
    if (kind !== 'outlier') await editAda(page);
    await edited(page);
    await keepOnly(page, 'side', 'east');
    await filtered(page);
  });
