import { nameText } from 'core/formula';
import { counted } from 'core/sentence';
import { columnOf, type NumericValues } from 'core/table';
import * as z from 'zod/mini';
import { peersOf } from '../scope/among';
import { samenessProblems } from '../common-problems';
import { choice, cueFields, defineKind, markOf } from '../define';
import type { HelperFormula } from '../kind';
import { look } from '../looks/look';
import { legendScope, windowOf } from '../scope/scope';
import { valuesWhere } from '../scope/values-where';

const schema = z.object({ ...cueFields('extremes'), which: z.enum(['both', 'highest', 'lowest']) });

/** The highest and the lowest. */
export type ExtremesCue = z.infer<typeof schema>;
type End = 'highest' | 'lowest';

/** Marks the highest and the lowest of a measure, ties included; a missing value is neither. */
export const extremes = defineKind<ExtremesCue>({
  kind: 'extremes',
  help: 'Mark the highest and the lowest of a measure; the rest steps back.',
  search: 'max maximum min minimum peak extreme best worst biggest largest smallest show values labels',
  schema,
  fresh: ({ measures }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'figure' },
    which: 'both',
    quiet: true,
    looks: { highest: look('brass', 'value'), lowest: look('slate', 'value') },
  }),
  tokens: {
    which: choice('which', 'What to mark', [
      { value: 'both', label: 'the highest and the lowest' },
      { value: 'highest', label: 'the highest' },
      { value: 'lowest', label: 'the lowest' },
    ]),
  },
  reads: (cue, say) => [
    'Mark ',
    say('which'),
    ' of ',
    say('measure'),
    ' ',
    say('scope'),
    ' in ',
    ...endsOf(cue).flatMap((end, i) => [...(i ? [' and '] : []), say(`look:${end}`)]),
    ', ',
    say('labels'),
    '; ',
    say('quiet'),
    '.',
  ],
  parts: endsOf,
  columns: cue => [cue.measure],
  expand: (cue, nameFor) => {
    const measure = nameText(cue.measure);
    const found = endsOf(cue).map((part): HelperFormula => {
      const summary = `${part === 'highest' ? 'max' : 'min'}(${measure}) ${windowOf(cue.scope)}`;
      return valuesWhere({ part, name: nameFor(part), when: `${measure} = ${summary}`, measure });
    });
    const unmarked = found.map(helper => `${nameText(helper.name)} is null`).join(' and ');
    const rest = valuesWhere({ part: 'rest', name: nameFor('rest'), when: unmarked, measure });
    return { helpers: [...found, rest], treatments: found.map(({ part }) => markOf(cue, part, `${part}${legendScope(cue.scope)}`)) };
  },
  problems: (cue, frame) => samenessProblems(cue.measure, frame),
  why: (cue, { frame, row, part, write }) => {
    const column = columnOf(frame.table, cue.measure) as NumericValues;
    const value = column.data[row] as number;
    const peers = peersOf(cue.scope, frame, row, cue.measure);
    const tied = peers.rows.filter(other => column.data[other] === value).length - 1;
    const tie = tied > 0 ? `, tied with ${counted(tied, 'other')}` : '';
    return `${cue.measure} ${write(cue.measure, value)} is the ${part} of ${peers.words}${tie}`;
  },
});

function endsOf({ which }: Pick<ExtremesCue, 'which'>): End[] {
  return which === 'both' ? ['highest', 'lowest'] : [which];
}
