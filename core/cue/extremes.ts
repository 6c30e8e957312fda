import { nameText } from 'core/formula';
import { counted } from 'core/sentence';
import { columnOf, isMissing, type NumericValues } from 'core/table';
import * as z from 'zod/mini';
import { samenessProblems } from './common-problems';
import { choice, cueFields, defineKind, markOf } from './define';
import type { HelperFormula } from './kind';
import { look } from './look';
import { legendScope, rowsInScope, scopeWords, windowOf } from './scope';

const schema = z.object({ ...cueFields('extremes'), which: z.enum(['both', 'highest', 'lowest']) });

export type ExtremesCue = z.infer<typeof schema>;
type End = 'highest' | 'lowest';

/** Marks the highest and the lowest of a measure, ties included; a missing value is neither. */
export const extremes = defineKind<ExtremesCue>({
  kind: 'extremes',
  help: 'Mark the highest and the lowest of a measure; the rest steps back.',
  search: 'max maximum min minimum peak extreme best worst largest smallest',
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
      return { part, name: nameFor(part), formula: `case when ${measure} = ${summary} then ${measure} end` };
    });
    const unmarked = found.map(helper => `${nameText(helper.name)} is null`).join(' and ');
    const rest = { part: 'rest', name: nameFor('rest'), formula: `case when ${unmarked} then ${measure} end` };
    return { helpers: [...found, rest], treatments: found.map(({ part }) => markOf(cue, part, `${part}${legendScope(cue.scope)}`)) };
  },
  problems: (cue, frame) => samenessProblems(cue.measure, frame),
  why: (cue, { frame, row, part, write }) => {
    const column = columnOf(frame.table, cue.measure) as NumericValues;
    const value = column.data[row] as number;
    const peers = rowsInScope(cue.scope, frame, row).filter(other => !isMissing(column, other));
    const tied = peers.filter(other => column.data[other] === value).length - 1;
    const tie = tied > 0 ? `, tied with ${counted(tied, 'other')}` : '';
    const among = `${counted(peers.length, frame.category)}${scopeWords(cue.scope, frame, row)}`;
    return `${cue.measure} ${write(cue.measure, value)} is the ${part} of ${among}${tie}`;
  },
});

function endsOf({ which }: ExtremesCue): End[] {
  return which === 'both' ? ['highest', 'lowest'] : [which];
}
