import { nameText } from 'core/formula';
import type { Frame } from 'core/frame';
import type { CueProblem } from 'core/result';
import { choiceToken, counted, plainOptions, type Sentence } from 'core/sentence';
import { columnOf, isMissing, type NumericValues } from 'core/table';
import * as z from 'zod/mini';
import { colourOptions } from './colours';
import type { CueKind, Expansion, HelperFormula, WhyFacts } from './kind';
import { legendScope, readScope, rowsInScope, scopeSchema, scopeToken, scopeWords, windowOf } from './scope';

const schema = z.object({
  id: z.string(),
  kind: z.literal('extremes'),
  on: z.boolean(),
  measure: z.string(),
  which: z.enum(['both', 'highest', 'lowest']),
  scope: scopeSchema,
  highest: z.string(),
  lowest: z.string(),
  labels: z.boolean(),
  quiet: z.boolean(),
});

export type ExtremesCue = z.infer<typeof schema>;

/** Marks the highest and the lowest of a measure, ties included; a missing value is neither. */
export const extremes: CueKind<ExtremesCue> = {
  kind: 'extremes',
  help: 'Mark the highest and the lowest of a measure; the rest steps back.',
  schema,
  create: (id, { measures }) => ({
    id,
    kind: 'extremes',
    on: true,
    measure: measures[0] ?? '',
    which: 'both',
    scope: { kind: 'figure' },
    highest: 'brass',
    lowest: 'slate',
    labels: true,
    quiet: true,
  }),
  sentence,
  change,
  expand,
  problems,
  why,
};

const WHICH = [
  { value: 'both', label: 'the highest and the lowest' },
  { value: 'highest', label: 'the highest' },
  { value: 'lowest', label: 'the lowest' },
];

const marks = (cue: ExtremesCue, part: 'highest' | 'lowest'): boolean => cue.which === 'both' || cue.which === part;

function sentence(cue: ExtremesCue, words: Parameters<typeof extremes.sentence>[1]): Sentence {
  const colour = (part: 'highest' | 'lowest') => ({
    key: part,
    about: `Colour of the ${part}`,
    text: cue[part],
    input: { kind: 'colour' as const, value: cue[part], options: colourOptions },
  });
  return [
    'Mark ',
    choiceToken('which', 'What to mark', cue.which, WHICH),
    ' of ',
    choiceToken('measure', 'Measure', cue.measure, plainOptions(words.measures)),
    ' ',
    scopeToken(cue.scope, words),
    ' in ',
    ...(marks(cue, 'highest') ? [colour('highest')] : []),
    ...(cue.which === 'both' ? [' and '] : []),
    ...(marks(cue, 'lowest') ? [colour('lowest')] : []),
    ', ',
    choiceToken('labels', 'Labels', String(cue.labels), [
      { value: 'true', label: 'with their values' },
      { value: 'false', label: 'without labels' },
    ]),
    '; ',
    choiceToken('quiet', 'All the others', String(cue.quiet), [
      { value: 'true', label: 'quiet the rest' },
      { value: 'false', label: 'leave the rest' },
    ]),
    '.',
  ];
}

function change(cue: ExtremesCue, token: string, value: string): ExtremesCue {
  switch (token) {
    case 'which':
      return { ...cue, which: value as ExtremesCue['which'] };
    case 'scope':
      return { ...cue, scope: readScope(value) };
    case 'labels':
    case 'quiet':
      return { ...cue, [token]: value === 'true' };
    case 'measure':
    case 'highest':
    case 'lowest':
      return { ...cue, [token]: value };
    default:
      throw new RangeError(`extremes has no token ${token}`);
  }
}

function expand(cue: ExtremesCue, nameFor: (part: string) => string): Expansion {
  const measure = nameText(cue.measure);
  const window = windowOf(cue.scope);
  const at = (part: 'highest' | 'lowest', summary: 'max' | 'min'): HelperFormula => ({
    part,
    name: nameFor(part),
    formula: `case when ${measure} = ${summary}(${measure}) ${window} then ${measure} end`,
  });
  const found = [...(marks(cue, 'highest') ? [at('highest', 'max')] : []), ...(marks(cue, 'lowest') ? [at('lowest', 'min')] : [])];
  const unmarked = found.map(helper => `${nameText(helper.name)} is null`).join(' and ');
  const rest = { part: 'rest', name: nameFor('rest'), formula: `case when ${unmarked} then ${measure} end` };
  return {
    helpers: [...found, rest],
    treatments: found.map(({ part }) => ({
      part,
      colour: cue[part as 'highest' | 'lowest'],
      label: cue.labels,
      legend: `${part}${legendScope(cue.scope)}`,
    })),
    quietsRest: cue.quiet,
  };
}

function problems(cue: ExtremesCue, frame: Frame): { problem: CueProblem; rests: boolean }[] {
  const column = columnOf(frame.table, cue.measure);
  const known = [...frame.measures, ...frame.helpers].filter(name => columnOf(frame.table, name)?.type === 'number');
  if (!column || !known.includes(cue.measure)) return [{ problem: { code: 'cue-no-measure', name: cue.measure, known }, rests: true }];
  if (cue.scope.kind === 'within' && !columnOf(frame.table, cue.scope.column))
    return [{ problem: { code: 'cue-no-scope', name: cue.scope.column, category: frame.category }, rests: true }];
  const { count, equal } = variety((column as NumericValues).data);
  const name = cue.measure;
  if (count === 0) return [{ problem: { code: 'cue-all-missing', name }, rests: true }];
  if (count === 1) return [{ problem: { code: 'cue-one-value', name }, rests: false }];
  return equal ? [{ problem: { code: 'cue-all-equal', name }, rests: false }] : [];
}

/** How many values are there, and whether all of them are equal; looks no further than the second different one. */
function variety(data: Float64Array): { count: number; equal: boolean } {
  let [count, first] = [0, NaN];
  for (let row = 0; row < data.length; row++) {
    const value = data[row] as number;
    if (value !== value) continue;
    if (count++ === 0) first = value;
    else if (value !== first) return { count, equal: false };
  }
  return { count, equal: true };
}

function why(cue: ExtremesCue, { frame, row, part, write }: WhyFacts): string {
  const column = columnOf(frame.table, cue.measure) as NumericValues;
  const value = column.data[row] as number;
  const peers = rowsInScope(cue.scope, frame, row).filter(other => !isMissing(column, other));
  const tied = peers.filter(other => column.data[other] === value).length - 1;
  const tie = tied > 0 ? `, tied with ${counted(tied, 'other')}` : '';
  return `${cue.measure} ${write(cue.measure, value)} is the ${part} of ${counted(peers.length, frame.category)}${scopeWords(cue.scope, frame, row)}${tie}`;
}
