import { nameText } from 'core/formula';
import { columnOf, type Column } from 'core/table';
import * as z from 'zod/mini';
import { amongWords } from '../scope/among';
import { choice, cueFields, defineKind, level, levelWords, markOf } from '../define';
import type { HelperFormula } from '../kind';
import { levelColumns, levelFormula, levelSchema, renamedLevel } from '../level/level';
import { look } from '../looks/look';
import { windowOf } from '../scope/scope';
import { valuesWhere } from '../scope/values-where';

const schema = z.object({ ...cueFields('compare'), other: levelSchema, which: z.enum(['both', 'more', 'less']) });

/** Rows above or below a level. */
export type CompareCue = z.infer<typeof schema>;

/** Colours rows where one column is more or less than another; equal rows keep their own colour. */
export const compare = defineKind<CompareCue>({
  kind: 'compare',
  help: 'Colour where one column is more or less than another.',
  search: 'compare versus against more less greater smaller rose fell above below column',
  schema,
  fresh: ({ measures }) => ({
    measure: measures[0] ?? '',
    other: measures[1] === undefined ? { is: 'stat', stat: 'median' } : { is: 'column', column: measures[1] },
    which: 'both',
    scope: { kind: 'figure' },
    quiet: false,
    looks: { more: look('pasture', 'none', 'up'), less: look('clay', 'none', 'down') },
  }),
  differs: true,
  tokens: {
    other: level('other', 'Compared with'),
    which: choice('which', 'What to colour', [
      { value: 'both', label: 'more or less' },
      { value: 'more', label: 'more' },
      { value: 'less', label: 'less' },
    ]),
  },
  reads: (cue, say) => [
    'Where ',
    say('measure'),
    ' is ',
    say('which'),
    ' than ',
    say('other'),
    ', colour it ',
    ...partsOf(cue).flatMap((part, i) => [...(i ? [' or '] : []), say(`look:${part}`)]),
    ', ',
    say('labels'),
    '; ',
    say('quiet'),
    '.',
  ],
  finer: (cue, say, words) => [['Statistics look ', say('scope'), `, ${amongWords(words, cue.measure, cue.scope)}.`]],
  parts: partsOf,
  columns: cue => [cue.measure, ...levelColumns(cue.other)],
  expand: (cue, nameFor) => {
    const m = nameText(cue.measure);
    const helper = (part: string, formula: string): HelperFormula => ({ part, name: nameFor(part), formula });
    const difference = helper('difference', `${m} - (${levelFormula(cue.other, cue.measure, windowOf(cue.scope), cue.scope)})`);
    const d = nameText(difference.name);
    const direction = helper('direction', `case when ${d} > 0 then 'more' when ${d} < 0 then 'less' when ${d} = 0 then 'equal' end`);
    const parts = partsOf(cue).map(part =>
      valuesWhere({ part, name: nameFor(part), when: `${nameText(direction.name)} = '${part}'`, measure: m }),
    );
    return {
      helpers: [difference, direction, ...parts],
      treatments: parts.map(({ part }) => markOf(cue, part, `${part} than ${levelWords(cue.other)}`, { difference: 'difference' })),
    };
  },
  why: (cue, { frame, row, part, write, helper }) => {
    const value = write(cue.measure, (columnOf(frame.table, cue.measure) as Column).data[row] as number);
    return `${cue.measure} ${value} is ${part} than ${levelWords(cue.other)} by ${write(cue.measure, Math.abs(Number(helper('difference'))))}`;
  },
  renamed: (cue, from, to) => ({ ...cue, other: renamedLevel(cue.other, from, to) }),
});

function partsOf({ which }: Pick<CompareCue, 'which'>): ('more' | 'less')[] {
  return which === 'both' ? ['more', 'less'] : [which];
}
