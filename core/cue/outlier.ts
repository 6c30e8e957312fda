import { nameText } from 'core/formula';
import { columnOf, type Column } from 'core/table';
import * as z from 'zod/mini';
import { choice, cueFields, defineKind, markOf, number } from './define';
import type { HelperFormula } from './kind';
import { look } from './look';
import { legendScope, scopeWords, windowOf } from './scope';

const schema = z.object({
  ...cueFields('outlier'),
  method: z.enum(['iqr', 'deviation', 'mad']),
  k: z.number().check(z.minimum(0), z.maximum(100)),
});

export type OutlierCue = z.infer<typeof schema>;

/**
 * Marks values further out than k times a spread: from the quartiles in inter-quartile ranges (Tukey's fences), from the mean in
 * standard deviations, or from the median in median absolute deviations.
 */
export const outlier = defineKind<OutlierCue>({
  kind: 'outlier',
  help: 'Mark values far outside the usual spread.',
  search: 'outlier unusual anomaly quartile iqr standard deviation mad fence extreme',
  schema,
  fresh: ({ measures }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'figure' },
    method: 'iqr',
    k: 1.5,
    quiet: true,
    looks: { outlier: look('clay', 'value') },
  }),
  tokens: {
    k: number('k', 'How far', { low: 0, high: 100, offers: [1.5, 2, 2.5, 3, 3.5, 5] }),
    method: choice('method', 'Measured in', [
      { value: 'iqr', label: 'inter-quartile ranges beyond the quartiles' },
      { value: 'deviation', label: 'standard deviations from the mean' },
      { value: 'mad', label: 'median absolute deviations from the median' },
    ]),
  },
  reads: (_cue, say) => [
    'Mark values of ',
    say('measure'),
    ' more than ',
    say('k'),
    ' ',
    say('method'),
    ' ',
    say('scope'),
    ' in ',
    say('look:outlier'),
    ', ',
    say('labels'),
    '; ',
    say('quiet'),
    '.',
  ],
  parts: () => ['outlier'],
  columns: cue => [cue.measure],
  expand: (cue, nameFor) => {
    const m = nameText(cue.measure);
    const helper = (part: string, formula: string, as?: 'number'): HelperFormula => ({
      part,
      name: nameFor(part),
      formula,
      ...(as ? { as } : {}),
    });
    const around = spreadOf(cue, m, helper);
    const score = helper('score', scoreOf(cue, m, around), 'number');
    const out = helper('outlier', `case when abs(${nameText(score.name)}) > ${cue.k} then ${m} end`);
    const rest = helper('rest', `case when ${nameText(out.name)} is null then ${m} end`);
    return { helpers: [...around, score, out, rest], treatments: [markOf(cue, 'outlier', `unusual${legendScope(cue.scope)}`)] };
  },
  why: (cue, { frame, row, write, helper }) => {
    const value = write(cue.measure, (columnOf(frame.table, cue.measure) as Column).data[row] as number);
    const unit = { iqr: 'inter-quartile ranges beyond the quartiles', deviation: 'sd from the mean', mad: 'MAD from the median' }[
      cue.method
    ];
    return `${cue.measure} ${value} lies ${Math.abs(Number(helper('score'))).toFixed(1)} ${unit}${scopeWords(cue.scope, frame, row)}`;
  },
});

type Make = (part: string, formula: string) => HelperFormula;

/** Where the usual lies: two quartiles, or a centre and a spread around it. */
function spreadOf({ method, scope }: OutlierCue, m: string, helper: Make): [HelperFormula, HelperFormula] {
  const window = windowOf(scope);
  const quartile = (share: number): string => `percentile_cont(${share}) within group (order by ${m}) ${window}`;
  if (method === 'iqr') return [helper('lower quartile', quartile(0.25)), helper('upper quartile', quartile(0.75))];
  if (method === 'deviation') return [helper('mean', `avg(${m}) ${window}`), helper('sd', `stddev_samp(${m}) ${window}`)];
  const centre = helper('median', `median(${m}) ${window}`);
  return [centre, helper('MAD', `median(abs(${m} - ${nameText(centre.name)})) ${window}`)];
}

/** How far out a value lies, in units of the spread; the sign tells the side. */
function scoreOf({ method }: OutlierCue, m: string, [first, second]: [HelperFormula, HelperFormula]): string {
  const [a, b] = [nameText(first.name), nameText(second.name)];
  if (method !== 'iqr') return `(${m} - ${a}) / ${b}`;
  return `case when ${m} > ${b} then (${m} - ${b}) / (${b} - ${a}) when ${m} < ${a} then (${m} - ${a}) / (${b} - ${a}) when ${m} is not null then 0 end`;
}
