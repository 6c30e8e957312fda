import { nameText } from 'core/formula';
import { columnOf, type Column } from 'core/table';
import * as z from 'zod/mini';
import { colour, cueFields, defineKind, measure, yesNo } from '../define';
import type { HelperFormula } from '../kind';
import { drawn } from '../looks/line-tokens';
import { partnerOf } from '../scope/partners';
import { windowOf } from '../scope/scope';
import type { CueFacts } from '../scope/surroundings';

const schema = z.object({
  ...cueFields('span'),
  high: z.string(),
  colour: z.string(),
  deep: z.string(),
  connectors: z.boolean(),
  whiskers: z.boolean(),
  labelled: z.boolean(),
  averages: z.boolean(),
});

/** Spans from one measure to another. */
export type SpanCue = z.infer<typeof schema>;

const LOW = /\b(low|lowest|lower|min|minimum|cool|coldest|from|start)\b/i;
const HIGH = /\b(high|highest|upper|max|maximum|warm|warmest|to|end)\b/i;

/** The two ends of a span, by their names and values: a low measure and its high one. */
function endsAmong(words: CueFacts): Pick<SpanCue, 'measure' | 'high'> {
  const spaced = (name: string): string => name.replaceAll('_', ' ');
  const low = words.measures.find(name => LOW.test(spaced(name)));
  if (low !== undefined) return { measure: low, high: partnerOf(words, low, HIGH) };
  const high = words.measures.find(name => HIGH.test(spaced(name)));
  if (high !== undefined && partnerOf(words, high, LOW) !== '') return { measure: partnerOf(words, high, LOW), high };
  const [first = ''] = words.measures;
  return { measure: first, high: partnerOf(words, first, HIGH) };
}

/** Draws a bar from a low to a high value per category in place of the two measures' own marks. */
export const span = defineKind<SpanCue>({
  kind: 'span',
  help: 'Show the span from a low to a high value, with both ends labelled.',
  search: 'range low high from to spread floating whisker interval minimum maximum',
  schema,
  fresh: words => ({
    ...endsAmong(words),
    scope: { kind: 'figure' },
    colour: 'lake',
    deep: '',
    connectors: false,
    whiskers: false,
    labelled: true,
    averages: true,
    quiet: false,
    looks: {},
  }),
  tokens: {
    high: measure('high', 'High end'),
    colour: colour('colour', 'Colour of the spans'),
    deep: colour('deep', 'Colour at the high end'),
    connectors: yesNo('connectors', 'Neighbours', 'joined to their neighbours', 'each by itself'),
    whiskers: yesNo('whiskers', 'Shape', 'as whiskers', 'as bars'),
    labelled: yesNo('labelled', 'Ends', 'both ends labelled', 'without labels'),
    averages: yesNo('averages', 'Average ends', 'the average low and high as lines', 'no lines'),
  },
  reads: (_cue, say) => [
    'Show the span from ',
    say('measure'),
    ' to ',
    say('high'),
    ' ',
    say('whiskers'),
    ' in ',
    say('colour'),
    ', ',
    say('labelled'),
    ', ',
    say('connectors'),
    '; ',
    say('averages'),
    ' ',
    say('scope'),
    '.',
  ],
  finer: (_cue, say) => [['Towards the high end it turns to ', say('deep'), '.']],
  parts: () => [],
  columns: cue => [cue.measure, cue.high],
  named: ['high'],
  expand: (cue, nameFor) => {
    const [low, high] = [nameText(cue.measure), nameText(cue.high)];
    const helper = (part: string, formula: string): HelperFormula => ({ part, name: nameFor(part), formula });
    const helpers = [
      helper('low', `least(${low}, ${high})`),
      helper('high', `greatest(${low}, ${high})`),
      helper('spread', `abs(${high} - ${low})`),
      helper('middle', `(${low} + ${high}) / 2`),
    ];
    const average = (end: 'low' | 'high'): HelperFormula =>
      helper(`average ${end}`, `avg(${nameText(helpers[end === 'low' ? 0 : 1]?.name ?? '')}) ${windowOf(cue.scope)}`);
    const averages = cue.averages ? [average('low'), average('high')] : [];
    return {
      helpers: [...helpers, ...averages],
      treatments: [
        {
          show: 'span',
          low: 'low',
          high: 'high',
          measures: [cue.measure, cue.high],
          colour: cue.colour,
          deep: cue.deep || null,
          connectors: cue.connectors,
          whiskers: cue.whiskers,
          labels: cue.labelled,
          legend: `from ${cue.measure} to ${cue.high}`,
        },
        ...averages.map(({ part }) =>
          drawn({ part, measure: cue.measure, colour: 'ink', dash: 'dashed', width: 1.25, form: 'level', label: true, legend: part }),
        ),
      ],
    };
  },
  why: (cue, { frame, row, write, helper }) => {
    const value = (name: string): string => write(name, (columnOf(frame.table, name) as Column).data[row] as number);
    return `it runs from ${value(cue.measure)} to ${value(cue.high)}, a spread of ${write(cue.measure, Number(helper('spread')))}`;
  },
});
