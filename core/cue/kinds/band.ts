import { nameText } from 'core/formula';
import { several, type Token } from 'core/sentence';
import { columnOf, type Column } from 'core/table';
import { choice, colour, defineKind, level, lookOf, markOf, number, yesNo, type TokenOf } from '../define';
import type { HelperFormula } from '../kind';
import { edgesOf, legendOf, meanProblems, statistical, windowProblems } from './band-edges';
import { isStatistic, levelColumns, renamedLevel, type Level } from '../level/level';
import { bandSchema, type BandCue, type PlacedBand } from './band-schema';
import { look } from '../looks/look';
import { measuresWithin } from '../scope/partners';
import { unordered } from '../scope/scope';
import { valuesWhere } from '../scope/values-where';

/**
 * Shades an expected range: given edges, a centre with a width, or computed from the measure. A confidence interval is that of the mean,
 * mean ± t · s / √n, by Student's t distribution with n − 1 degrees of freedom.
 */
export const band = defineKind<BandCue>({
  kind: 'band',
  help: 'Shade an expected range; mark what lies outside.',
  search: 'range corridor tolerance confidence interval standard error deviation lower upper expected moving control limits error bars',
  schema: bandSchema,
  orders: ({ moving }) => (moving > 0 ? 'must' : 'never'),
  fresh: words => {
    const { measures } = words;
    const edges = edgesAmong(measuresWithin(words));
    return {
      measure: measures.find(name => !edges?.includes(name)) ?? measures[0] ?? '',
      scope: { kind: 'panels' },
      by: edges ? 'edges' : 'deviation',
      lower: edges ? { is: 'column', column: edges[0] } : { is: 'percentile', percentile: 10 },
      upper: edges ? { is: 'column', column: edges[1] } : { is: 'percentile', percentile: 90 },
      centre: { is: 'stat', stat: 'average' },
      width: { is: 'number', value: 100 },
      k: 1,
      percent: 95,
      moving: 0,
      includes: false,
      edges: 'full',
      style: 'filled',
      colour: 'lake',
      quiet: false,
      looks: { outside: OUTSIDE, inside: look('') },
    };
  },
  tokens: {
    by: {
      ...choice<BandCue>('by', 'The range', [
        { value: 'edges', label: 'between two edges' },
        { value: 'width', label: 'a centre and a width' },
        { value: 'deviation', label: 'standard deviations around the mean' },
        { value: 'error', label: 'standard errors of the mean around it' },
        { value: 'confidence', label: 'the confidence interval of the mean' },
        { value: 'percentiles', label: 'the middle percentiles' },
      ]),
      set: (cue, value) => withRange(cue, value as BandCue['by']),
    },
    lower: level('lower', 'Lower edge'),
    upper: level('upper', 'Upper edge'),
    centre: level('centre', 'Centre'),
    width: level('width', 'Width to each side'),
    k: number('k', 'How many', { low: 0, high: 100, offers: [1, 1.5, 2, 3] }),
    percent: number('percent', 'Level in percent', { low: 0.1, high: 99.99, offers: [50, 80, 90, 95, 99] }),
    moving: movingToken(),
    includes: yesNo('includes', 'The row itself', 'up to each', 'before each'),
    edges: choice('edges', 'The first rows', [
      { value: 'full', label: 'have none until the window is full' },
      { value: 'partial', label: 'look at as many as there are' },
    ]),
    style: choice('style', 'Drawn as', [
      { value: 'filled', label: 'shaded' },
      { value: 'edges', label: 'as two edges' },
      { value: 'whiskers', label: 'as whiskers' },
      { value: 'boxes', label: 'as boxes' },
      { value: 'sticks', label: 'as sticks' },
      { value: 'dots', label: 'as dots' },
    ]),
    colour: colour('colour', 'Colour of the range'),
  },
  reads: (cue, say) => [
    'Show the range of ',
    say('measure'),
    ': ',
    say('by'),
    ...rangeWords(cue, say),
    ', ',
    say('style'),
    ' in ',
    say('colour'),
    '; outside it in ',
    say('look:outside'),
    ', ',
    say('labels'),
    '.',
  ],
  sees: cue => cue.moving === 0 && (statistical(cue) || levelsOf(cue).some(isStatistic)),
  finer: (cue, say) => [
    ...(cue.moving > 0 ? [['The first rows ', say('edges'), '.']] : []),
    ...(statistical(cue)
      ? []
      : [['Statistics in it look at ', say('moving'), ...(cue.moving > 0 ? [' ', say('includes')] : []), ' ', say('scope'), '.']]),
    ['Of all the others: ', say('quiet'), '.'],
  ],
  parts: () => ['outside', 'inside'],
  columns: cue => [cue.measure, ...levelsOf(cue).flatMap(levelColumns)],
  expand: (cue, nameFor) => {
    const m = nameText(cue.measure);
    const helper = (part: string, formula: string, as?: 'number'): HelperFormula => ({
      part,
      name: nameFor(part),
      formula,
      ...(as ? { as } : {}),
    });
    const where = (part: string, when: string): HelperFormula => valuesWhere({ part, name: nameFor(part), when, measure: m });
    const { before, low, high } = edgesOf(cue, helper);
    const [lower, upper] = [helper('lower', low), helper('upper', high)];
    const [a, b] = [nameText(lower.name), nameText(upper.name)];
    return {
      helpers: [...before, lower, upper, where('outside', `${m} < ${a} or ${m} > ${b}`), where('inside', `${m} between ${a} and ${b}`)],
      treatments: [
        markOf(cue, 'outside', `outside the range`),
        markOf(cue, 'inside', `inside the range`),
        {
          show: 'band',
          low: 'lower',
          high: 'upper',
          measure: cue.measure,
          style: cue.style,
          colour: cue.colour,
          legend: legendOf(cue),
          hides: edgeColumns(cue),
          drag:
            cue.by === 'edges' ? { low: cue.lower.is === 'number' ? 'lower' : '', high: cue.upper.is === 'number' ? 'upper' : '' } : null,
        },
      ],
    };
  },
  problems: cue => [...meanProblems(cue), ...windowProblems(cue)],
  why: (cue, { frame, row, part, write, helper }) => {
    const value = write(cue.measure, (columnOf(frame.table, cue.measure) as Column).data[row] as number);
    const edge = (name: string): string => write(cue.measure, Number(helper(name)));
    return `${cue.measure} ${value} lies ${part} the range from ${edge('lower')} to ${edge('upper')}${statistical(cue) ? `, ${legendOf(cue)}` : ''}`;
  },
  renamed: (cue, from, to) => ({
    ...cue,
    lower: renamedLevel(cue.lower, from, to),
    upper: renamedLevel(cue.upper, from, to),
    centre: renamedLevel(cue.centre, from, to),
    width: renamedLevel(cue.width, from, to),
  }),
});

/** The levels that define the range, for the chosen way. */
const levelsOf = ({ by, lower, upper, centre, width }: Pick<BandCue, 'by' | 'lower' | 'upper' | 'centre' | 'width'>): Level[] =>
  by === 'edges' ? [lower, upper] : by === 'width' ? [centre, width] : [];

const OUTSIDE = look('clay', 'none', 'diamond');

/** Pairs of words in column names that mean a lower and an upper edge. */
const EDGE_NAMES: readonly (readonly [low: RegExp, high: RegExp])[] = [
  [/\blow(est)?\b/i, /\bhigh(est)?\b/i],
  [/\blower\b/i, /\bupper\b/i],
  [/\bmin(imum)?\b/i, /\bmax(imum)?\b/i],
  [/\bfloor\b/i, /\bceiling\b/i],
  [/\bexpected from\b/i, /\bexpected to\b/i],
];

/** Two measures whose names mean the edges of a range; null where no names do. */
function edgesAmong(measures: readonly string[]): readonly [low: string, high: string] | undefined {
  const spaced = measures.map(name => name.replaceAll(/[_\-.]+|(?<=[a-z])(?=[A-Z])/g, ' '));
  for (const [low, high] of EDGE_NAMES) {
    const [a, b] = [spaced.findIndex(name => low.test(name)), spaced.findIndex(name => high.test(name))];
    // The judged measure is a third one.
    if (a >= 0 && b >= 0 && a !== b && measures.length > 2) return [measures[a] as string, measures[b] as string];
  }
  return undefined;
}

function movingToken(): TokenOf<BandCue> {
  const rows = (count: number, noun: string): string => (count === 0 ? 'all rows' : `the ${count} ${several(noun)}`);
  const plain = number<BandCue>('moving', 'Rows of a moving window; 0 for all', {
    low: 0,
    high: 100_000,
    whole: true,
    offers: [0, 3, 4, 7, 12, 30],
  });
  return {
    token: (cue, words, key) => {
      const token = plain.token(cue, words, key);
      const noun = words.series === null && words.panel === null && words.category === words.along.column ? words.category : 'row';
      const { input } = token;
      if (input.kind !== 'entry') return token;
      const options = input.options.map(option => ({ ...option, label: rows(Number(option.value), noun) }));
      return { ...token, text: rows(cue.moving, noun), input: { ...input, options } };
    },
    // A window moves along an order, and all rows have none.
    set: (cue, value, words) => {
      const next = plain.set(cue, value, words);
      if (next.moving === 0) return { ...next, scope: unordered(next.scope, words) };
      return next.scope.kind === 'along' ? next : { ...next, scope: { kind: 'along', ...words.along, within: 'split' } };
    },
  };
}

/** Whether values outside are marked by default: not for an interval of the mean, since most values are outside it. */
function withRange(cue: BandCue, by: BandCue['by']): BandCue {
  const ofMean = by === 'error' || by === 'confidence';
  const outside = lookOf(cue, 'outside');
  const same = (a: typeof outside, b: typeof outside): boolean => JSON.stringify(a) === JSON.stringify(b);
  if (ofMean && same(outside, OUTSIDE)) return { ...cue, by, looks: { ...cue.looks, outside: look('') } };
  if (!ofMean && same(outside, look(''))) return { ...cue, by, looks: { ...cue.looks, outside: OUTSIDE } };
  return { ...cue, by };
}

/** Columns that are the edges of the band, whose own marks are hidden. */
const edgeColumns = ({ by, lower, upper, measure }: PlacedBand): string[] =>
  by === 'edges' ? [lower, upper].flatMap(item => (item.is === 'column' && item.column !== measure ? [item.column] : [])) : [];

function rangeWords(cue: PlacedBand, say: (key: string) => Token): (string | Token)[] {
  const seen = [' of ', say('moving'), ...(cue.moving > 0 ? [' ', say('includes')] : []), ' ', say('scope')];
  switch (cue.by) {
    case 'edges':
      return [', from ', say('lower'), ' to ', say('upper')];
    case 'width':
      return [', ', say('centre'), ' ± ', say('width')];
    case 'deviation':
    case 'error':
      return [', ± ', say('k'), ...seen];
    case 'confidence':
    case 'percentiles':
      return [', ', say('percent'), ' %', ...seen];
  }
}
