import type { Cue } from 'core/cue';
import type { Figure } from 'core/document';
import { DARK_LIVERY, LIGHT_LIVERY, pictureOf, type Livery } from 'core/plan';
import { rememberStages } from 'core/stages';
import { applyEdits, type Table } from 'core/table';
import { isLong, seedsOf } from './generated';
import { grownFigure } from './grown-figures';

const SEEDS = seedsOf(150);

/** What a picture is made from, as it stands. */
interface State {
  readonly figure: Figure;
  readonly table: Table;
  readonly livery: Livery;
}

type Change = (state: State) => State;

const withFigure =
  (change: (figure: Figure) => Partial<Figure>): Change =>
  state => ({ ...state, figure: { ...state.figure, ...change(state.figure) } });

/** The first cue, changed. */
const withFirst = (change: (cue: Cue) => Cue): Change =>
  withFigure(({ cues }) => ({ cues: cues.map((cue, i) => (i === 0 ? change(cue) : cue)) }));

const COLOURS: ReadonlySet<string> = new Set(Object.keys(LIGHT_LIVERY.colours));

/** Everything in a cue that is a colour, another one. */
function recoloured<T>(part: T, colour: string): T {
  if (typeof part !== 'object' || part === null) return (COLOURS.has(part as string) ? colour : part) as T;
  if (Array.isArray(part)) return part.map(item => recoloured<unknown>(item, colour)) as T;
  return Object.fromEntries(
    Object.entries(part).map(([key, item]) => [key, key === 'colour' ? colour : recoloured<unknown>(item, colour)]),
  ) as T;
}

const labelled = (cue: Cue, label: 'none' | 'name'): Cue => ({
  ...cue,
  looks: Object.fromEntries(Object.entries(cue.looks).map(([part, look]) => [part, { ...look, label }])),
});

// What an analyst does in turn; each time all that was made before is at hand.
const CHANGES: Readonly<Record<string, Change>> = {
  'a colour': withFirst(cue => recoloured(cue, 'lake')),
  'a colour of one’s own': withFirst(cue => recoloured(cue, '#7a2f5f')),
  'no colour': withFirst(cue => recoloured(cue, '')),
  'a colour that there is not': withFirst(cue => recoloured(cue, '\u00001.0')),
  'the colours of all': withFigure(({ cues }) => ({ cues: cues.map((cue, i) => recoloured(cue, i % 2 ? 'plum' : 'pasture')) })),
  'one colour for all': withFigure(({ cues }) => ({ cues: cues.map(cue => recoloured(cue, 'clay')) })),
  'a title': withFigure(({ words }) => ({ words: { ...words, title: 'Another' } })),
  'a note': withFigure(({ words }) => ({ words: { ...words, note: 'Of two valleys' } })),
  dark: state => ({ ...state, livery: DARK_LIVERY }),
  'a colour in the dark': withFirst(cue => recoloured(cue, 'brass')),
  'words of labels': withFirst(cue => labelled(cue, 'name')),
  'no labels': withFirst(cue => labelled(cue, 'none')),
  'another order of cues': withFigure(({ cues }) => ({ cues: cues.toReversed() })),
  'a cue off': withFirst(cue => ({ ...cue, on: false })),
  'and on, in another colour': withFirst(cue => ({ ...recoloured(cue, 'ink'), on: true })),
  'the rest quiet, or not': withFirst(cue => ({ ...cue, quiet: !cue.quiet })),
  'a cue less': withFigure(({ cues }) => ({ cues: cues.slice(1) })),
  'without cues beside it': withFigure(() => ({ view: 'both' })),
  'a colour beside it': withFirst(cue => recoloured(cue, 'plum')),
  'another name of a cue': withFirst(cue => ({ ...cue, id: 'another' })),
  'a number': state => ({ ...state, table: applyEdits(state.table, [{ row: 0, column: 'milk', value: 12_345 }]) }),
  'a bound': withFigure(({ scales }) => ({
    scales: { ...scales, axes: { ...scales.axes, first: { ...scales.axes.first, high: 20_000 } } },
  })),
  'another place of the legend': withFigure(({ dress }) => ({ dress: { ...dress, legend: 'direct' } })),
  'a colour at last': withFirst(cue => recoloured(cue, 'lake')),
};

/** A picture's drawings and what cues found, as a text in which a missing number is told from nothing. */
function textOf(state: State, stages?: ReturnType<typeof rememberStages>): string {
  const made = pictureOf({ ...state, writing: { units: { milk: 'L' }, formats: [] } }, stages);
  if (!made.ok) return JSON.stringify(made.problems);
  const { plans, applied } = made.value;
  return JSON.stringify({ plans, applied }, (_, value: unknown) => (Number.isNaN(value) ? 'NaN' : value));
}

describe('a picture made of what is remembered', () => {
  it('is the one that is made from nothing, after whatever change', () => {
    const [wrong, same]: [string[], Record<string, number>] = [[], {}];
    for (const seed of SEEDS) {
      const { table, figure } = grownFigure(seed);
      const stages = rememberStages();
      let state: State = { table, figure, livery: LIGHT_LIVERY };
      let before = textOf(state, stages);
      for (const [name, change] of Object.entries(CHANGES)) {
        state = change(state);
        const [remembered, fresh] = [textOf(state, stages), textOf(state)];
        if (remembered !== fresh) wrong.push(`${seed}: ${name}`);
        same[name] = (same[name] ?? 0) + Number(remembered === before);
        before = remembered;
      }
    }
    expect(wrong).toEqual([]);
    // A change that changes nothing would find no fault: each shows in some figure at least.
    if (isLong) expect(Object.entries(same).filter(([, count]) => count === SEEDS.length)).toEqual([]);
  });

  it('holds no placeholder of a colour', () => {
    for (const seed of SEEDS) {
      const { table, figure } = grownFigure(seed);
      expect(textOf({ table, figure: { ...figure, view: 'both' }, livery: LIGHT_LIVERY }).includes('\\u0000')).toBe(false);
    }
  });
});
