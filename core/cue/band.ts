import { nameText } from 'core/formula';
import type { Token } from 'core/sentence';
import { columnOf, type Column } from 'core/table';
import * as z from 'zod/mini';
import { choice, colour, cueFields, defineKind, level, markOf, number } from './define';
import type { HelperFormula } from './kind';
import { levelFormula, levelSchema, renamedLevel } from './level';
import { look } from './look';
import { normalQuantile } from './normal-quantile';
import { partitionOf, orderOf, windowOf, type CueScope } from './scope';
import { BAND_STYLES } from './treatments';

const schema = z.object({
  ...cueFields('band'),
  by: z.enum(['edges', 'width', 'deviation', 'error', 'confidence', 'percentiles']),
  lower: levelSchema,
  upper: levelSchema,
  centre: levelSchema,
  width: levelSchema,
  k: z.number().check(z.minimum(0), z.maximum(100)),
  percent: z.number().check(z.minimum(0.1), z.maximum(99.99)),
  /** Moving window of so many rows up to each; 0 looks at all rows of the scope. */
  moving: z.number().check(z.minimum(0), z.maximum(100_000)),
  style: z.enum(BAND_STYLES),
  colour: z.string(),
});

export type BandCue = z.infer<typeof schema>;

/**
 * Shades an expected range: given edges, a centre with a width, or computed from the measure. A confidence interval is that of the mean
 * by the normal distribution.
 */
export const band = defineKind<BandCue>({
  kind: 'band',
  help: 'Shade an expected range; mark what lies outside.',
  search: 'range corridor tolerance confidence interval standard error deviation lower upper expected moving control limits',
  schema,
  fresh: ({ measures }) => {
    const named = (pattern: RegExp, otherwise: number) => measures.find(name => pattern.test(name)) ?? measures[otherwise];
    const [low, high] = [named(/low/i, 1), named(/high|up/i, 2)];
    const given = low !== undefined && high !== undefined && low !== high;
    return {
      measure: measures.find(name => name !== low && name !== high) ?? measures[0] ?? '',
      scope: { kind: 'figure' },
      by: given ? 'edges' : 'deviation',
      lower: given ? { is: 'column', column: low } : { is: 'percentile', percentile: 10 },
      upper: given ? { is: 'column', column: high } : { is: 'percentile', percentile: 90 },
      centre: { is: 'stat', stat: 'average' },
      width: { is: 'number', value: 100 },
      k: 1,
      percent: 95,
      moving: 0,
      style: 'filled',
      colour: 'lake',
      quiet: false,
      looks: { outside: look('clay', 'none', 'diamond'), inside: look('') },
    };
  },
  tokens: {
    by: choice('by', 'The range', [
      { value: 'edges', label: 'between two edges' },
      { value: 'width', label: 'a centre and a width' },
      { value: 'deviation', label: 'standard deviations around the mean' },
      { value: 'error', label: 'standard errors around the mean' },
      { value: 'confidence', label: 'the confidence interval of the mean' },
      { value: 'percentiles', label: 'the middle percentiles' },
    ]),
    lower: level('lower', 'Lower edge'),
    upper: level('upper', 'Upper edge'),
    centre: level('centre', 'Centre'),
    width: level('width', 'Width to each side'),
    k: number('k', 'How many', { low: 0, high: 100, offers: [1, 1.5, 2, 3] }),
    percent: number('percent', 'Level in percent', { low: 0.1, high: 99.99, offers: [50, 80, 90, 95, 99] }),
    moving: number('moving', 'Rows of a moving window; 0 for all', {
      low: 0,
      high: 100_000,
      whole: true,
      offers: [0, 3, 4, 7, 12, 30],
      reads: count => (count === 0 ? 'all rows' : `the last ${count} rows`),
    }),
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
  finer: (_cue, say) => [['Statistics look ', say('scope'), ', over ', say('moving'), '; ', say('quiet'), '.']],
  parts: () => ['outside', 'inside'],
  columns: cue => [cue.measure],
  expand: (cue, nameFor) => {
    const m = nameText(cue.measure);
    const helper = (part: string, formula: string): HelperFormula => ({ part, name: nameFor(part), formula });
    const [low, high] = edgesOf(cue);
    const [lower, upper] = [helper('lower', low), helper('upper', high)];
    const [a, b] = [nameText(lower.name), nameText(upper.name)];
    return {
      helpers: [
        lower,
        upper,
        helper('outside', `case when ${m} < ${a} or ${m} > ${b} then ${m} end`),
        helper('inside', `case when ${m} between ${a} and ${b} then ${m} end`),
      ],
      treatments: [
        markOf(cue, 'outside', 'outside the range'),
        markOf(cue, 'inside', 'inside the range'),
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
  problems: (cue, frame) =>
    cue.moving > 0 && cue.scope.kind !== 'along' && columnOf(frame.table, frame.category) && statistical(cue)
      ? [{ problem: { code: 'cue-no-order' }, rests: true }]
      : [],
  why: (cue, { frame, row, part, write, helper }) => {
    const value = write(cue.measure, (columnOf(frame.table, cue.measure) as Column).data[row] as number);
    const edge = (name: string): string => write(cue.measure, Number(helper(name)));
    return `${cue.measure} ${value} lies ${part} the range from ${edge('lower')} to ${edge('upper')}`;
  },
  renamed: (cue, from, to) => ({
    ...cue,
    lower: renamedLevel(cue.lower, from, to),
    upper: renamedLevel(cue.upper, from, to),
    centre: renamedLevel(cue.centre, from, to),
    width: renamedLevel(cue.width, from, to),
  }),
});

/** Columns that are the edges of the band need no marks of their own. */
const edgeColumns = ({ by, lower, upper, measure }: BandCue): string[] =>
  by === 'edges' ? [lower, upper].flatMap(item => (item.is === 'column' && item.column !== measure ? [item.column] : [])) : [];

const statistical = ({ by }: BandCue): boolean => by !== 'edges' && by !== 'width';

function rangeWords(cue: BandCue, say: (key: string) => Token): (string | Token)[] {
  switch (cue.by) {
    case 'edges':
      return [', from ', say('lower'), ' to ', say('upper')];
    case 'width':
      return [', ', say('centre'), ' ± ', say('width')];
    case 'deviation':
    case 'error':
      return [', ± ', say('k')];
    case 'confidence':
    case 'percentiles':
      return [', ', say('percent'), ' %'];
  }
}

const movingBounds = ({ moving }: BandCue): string => (moving > 0 ? `rows between ${moving - 1} preceding and current row` : '');

/** Without a moving window, a statistic looks at the whole of its scope, not only at the rows so far. */
function statWindow(cue: BandCue): string {
  if (cue.moving > 0) return windowOf(cue.scope, movingBounds(cue));
  const whole: CueScope = cue.scope;
  return `over (${`${partitionOf(whole)}${orderOf(whole)}`.trim()})`;
}

/** Lower and upper edge as formulas. */
function edgesOf(cue: BandCue): [string, string] {
  const [m, window] = [nameText(cue.measure), statWindow(cue)];
  const formula = (item: BandCue['lower']): string => levelFormula(item, cue.measure, window);
  const around = (centre: string, half: string): [string, string] => [`${centre} - ${half}`, `${centre} + ${half}`];
  const error = `stddev_samp(${m}) ${window} / sqrt(count(${m}) ${window})`;
  switch (cue.by) {
    case 'edges':
      return [formula(cue.lower), formula(cue.upper)];
    case 'width':
      return around(`(${formula(cue.centre)})`, `(${formula(cue.width)})`);
    case 'deviation':
      return around(`avg(${m}) ${window}`, `${cue.k} * stddev_samp(${m}) ${window}`);
    case 'error':
      return around(`avg(${m}) ${window}`, `${cue.k} * ${error}`);
    case 'confidence':
      return around(`avg(${m}) ${window}`, `${normalQuantile(0.5 + cue.percent / 200).toFixed(9)} * ${error}`);
    case 'percentiles': {
      const at = (share: number): string => `percentile_cont(${Number(share.toFixed(6))}) within group (order by ${m}) ${window}`;
      return [at(0.5 - cue.percent / 200), at(0.5 + cue.percent / 200)];
    }
  }
}

function legendOf({ by, k, percent }: BandCue): string {
  return {
    edges: 'expected range',
    width: 'expected range',
    deviation: `mean ± ${k} sd`,
    error: `mean ± ${k} standard ${k === 1 ? 'error' : 'errors'}`,
    confidence: `${percent} % confidence of the mean`,
    percentiles: `middle ${percent} %`,
  }[by];
}
