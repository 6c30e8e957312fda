import { DASHES } from 'core/frame';
import * as z from 'zod/mini';
import { choice, colour, cueFields, defineKind, level, levelWords, words, yesNo } from '../define';
import { levelParts } from '../level/level-parts';
import { levelColumns, levelFormula, levelSchema, renamedLevel } from '../level/level';
import { CUE_AXIS_OPTIONS, DASH_OPTIONS, drawn } from '../looks/line-tokens';
import { windowOf } from '../scope/scope';

const schema = z.object({
  ...cueFields('reference'),
  level: levelSchema,
  form: z.enum(['level', 'joined', 'stepped', 'points']),
  axis: z.enum(['same', 'second']),
  line: z.string(),
  dash: z.enum(DASHES),
  name: z.string().check(z.maxLength(60)),
  labelled: z.boolean(),
});

/** A reference column or number, drawn beside a measure. */
export type ReferenceCue = z.infer<typeof schema>;

/** Draws a column or a number beside a measure, as a line or as a series. */
export const reference = defineKind<ReferenceCue>({
  kind: 'reference',
  help: 'Draw a column or a number beside the measure as a reference.',
  search: 'reference line target constant benchmark series expected comparison',
  schema,
  fresh: ({ measures }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'figure' },
    level: measures[1] === undefined ? { is: 'stat', stat: 'median' } : { is: 'column', column: measures[1] },
    form: measures[1] === undefined ? 'level' : 'joined',
    axis: 'same',
    line: 'lake',
    dash: 'dotted',
    name: '',
    labelled: true,
    quiet: false,
    looks: {},
  }),
  tokens: {
    level: level('level', 'Reference'),
    form: choice('form', 'Drawn as', [
      { value: 'level', label: 'as a level line' },
      { value: 'joined', label: 'as a series' },
      { value: 'stepped', label: 'as a stepped series' },
      { value: 'points', label: 'as points' },
    ]),
    axis: choice('axis', 'Axis', CUE_AXIS_OPTIONS),
    line: colour('line', 'Colour of the reference'),
    dash: choice('dash', 'Dash', DASH_OPTIONS),
    name: words('name', 'Name of the reference', 'its own name'),
    labelled: yesNo('labelled', 'Label', 'labelled', 'without a label'),
  },
  reads: (cue, say, words) => [
    'Draw ',
    ...levelParts(cue, say, words),
    ' ',
    say('form'),
    ', ',
    say('dash'),
    ' in ',
    say('line'),
    ', called ',
    say('name'),
    ', ',
    say('labelled'),
    '.',
  ],
  finer: (_cue, say) => [['Draw it ', say('axis'), '.']],
  parts: () => [],
  columns: cue => [cue.measure, ...levelColumns(cue.level)],
  expand: (cue, nameFor) => {
    const name = cue.name || levelWords(cue.level).replace(/^= /, '');
    return {
      helpers: [
        { part: 'reference', name: nameFor('reference'), formula: levelFormula(cue.level, cue.measure, windowOf(cue.scope), cue.scope) },
      ],
      treatments: [
        drawn({
          part: 'reference',
          measure: cue.measure,
          colour: cue.line,
          dash: cue.dash,
          form: cue.form,
          axis: cue.axis,
          marker: cue.form === 'points' ? 'diamond' : '',
          label: cue.labelled,
          legend: name,
          drag: cue.level.is === 'number' ? 'level' : null,
          hides: cue.level.is === 'column' && cue.level.column !== cue.measure ? [cue.level.column] : [],
        }),
      ],
    };
  },
  why: cue => `${levelWords(cue.level)} is drawn beside it`,
  renamed: (cue, from, to) => ({ ...cue, level: renamedLevel(cue.level, from, to) }),
});
