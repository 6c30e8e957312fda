import { DASHES } from 'core/frame';
import { nameText } from 'core/formula';
import * as z from 'zod/mini';
import { choice, colour, cueFields, defineKind, number, TYPED_COUNT, yesNo } from '../define';
import type { Placed } from '../kind';
import { CUE_AXIS_OPTIONS, DASH_OPTIONS, drawn, FORM_OPTIONS } from '../looks/line-tokens';
import { movingFormula } from '../statistics/moving-window';
import { windowOf } from '../scope/scope';

const schema = z.object({
  ...cueFields('running'),
  of: z.enum(['total', 'average', 'median']),
  n: z.number().check(z.minimum(0), z.maximum(100_000)),
  centred: z.boolean(),
  /** The value where the window extends beyond the first or last row. */
  edges: z.enum(['full', 'partial']),
  form: z.enum(['joined', 'stepped', 'points', 'columns']),
  axis: z.enum(['same', 'second']),
  line: z.string(),
  dash: z.enum(DASHES),
  labelled: z.boolean(),
});

/** Running totals and moving averages. */
export type RunningCue = z.infer<typeof schema>;
const SUMMARY = { total: 'sum', average: 'avg', median: 'median' } as const;

/** Draws a running total, a moving average or a moving median along an order. */
export const running = defineKind<RunningCue>({
  kind: 'running',
  help: 'Draw a running total, a moving average or a moving median.',
  search: 'running total cumulative moving average rolling median smooth trend',
  schema,
  tuning: [
    { word: TYPED_COUNT, token: 'n' },
    { word: /^total$/, token: 'of' },
    // A total runs over all rows so far.
    { word: /^total$/, token: 'n', value: '0' },
  ],
  fresh: ({ measures, along }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'along', ...along, within: 'split' },
    of: 'average',
    n: 4,
    centred: false,
    edges: 'full',
    form: 'joined',
    axis: 'same',
    line: 'brass',
    dash: 'solid',
    labelled: false,
    quiet: true,
    looks: {},
  }),
  orders: 'must',
  tokens: {
    of: choice('of', 'What runs', [
      { value: 'total', label: 'total' },
      { value: 'average', label: 'average' },
      { value: 'median', label: 'median' },
    ]),
    n: number('n', 'Rows of the window; 0 for all so far', {
      low: 0,
      high: 100_000,
      whole: true,
      offers: [0, 3, 4, 7, 12, 30],
      reads: count => (count === 0 ? 'all rows so far' : `${count} rows`),
    }),
    centred: yesNo('centred', 'Window', 'around each row', 'up to each row'),
    edges: choice('edges', 'Where the window is not full', [
      { value: 'full', label: 'has no value until it is full' },
      { value: 'partial', label: 'takes as many rows as there are' },
    ]),
    form: choice('form', 'Drawn as', FORM_OPTIONS),
    axis: choice('axis', 'Axis', CUE_AXIS_OPTIONS),
    line: colour('line', 'Colour'),
    dash: choice('dash', 'Dash', DASH_OPTIONS),
    labelled: yesNo('labelled', 'Label', 'a label at its last value', 'no label'),
  },
  reads: (cue, say) => [
    cue.n === 0 ? 'Draw the running ' : 'Draw the moving ',
    say('of'),
    ' of ',
    say('measure'),
    ' over ',
    say('n'),
    ' ',
    say('scope'),
    ' ',
    say('form'),
    ', ',
    say('dash'),
    ' in ',
    say('line'),
    ' ',
    say('axis'),
    '; ',
    say('quiet'),
    '.',
  ],
  finer: (cue, say) => [
    [
      ...(cue.n === 0 ? [] : ['The window lies ', say('centred'), ' and ', say('edges'), '. ']),
      'The line stands with ',
      say('labelled'),
      '.',
    ],
  ],
  parts: () => [],
  columns: cue => [cue.measure],
  expand: (cue, nameFor) => {
    const formula = formulaOf(cue);
    return {
      helpers: [{ part: 'running', name: nameFor(nameOf(cue)), formula }],
      treatments: [
        drawn({
          part: 'running',
          measure: cue.measure,
          colour: cue.line,
          dash: cue.dash,
          width: 2.5,
          form: cue.form,
          axis: cue.axis,
          label: cue.labelled,
          legend: legendOf(cue),
        }),
      ],
    };
  },
  why: (cue, { helper, write }) => `the ${nameOf(cue)} there is ${write(cue.measure, Number(helper('running')))}`,
});

type Window = Pick<RunningCue, 'of' | 'n' | 'centred' | 'edges'>;

const nameOf = ({ of, n }: Window): string => (n === 0 ? `running ${of}` : `moving ${of}`);
const legendOf = (cue: Window): string => `${nameOf(cue)}${cue.n === 0 ? '' : ` of ${cue.n}`}`;

function formulaOf(cue: Placed<RunningCue>): string {
  const statistic = (window: string): string => `${SUMMARY[cue.of]}(${nameText(cue.measure)}) ${window}`;
  if (cue.n === 0) return statistic(windowOf(cue.scope, 'rows between unbounded preceding and current row'));
  return movingFormula(statistic, { scope: cue.scope, rows: cue.n, place: cue.centred ? 'around' : 'up to', edges: cue.edges });
}
