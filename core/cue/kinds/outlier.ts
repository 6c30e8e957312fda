import { nameText } from 'core/formula';
import type { Frame } from 'core/frame';
import { columnOf, type Column } from 'core/table';
import * as z from 'zod/mini';
import { dataOf } from '../common-problems';
import { choice, cueFields, defineKind, markOf, number } from '../define';
import type { FoundProblem, HelperFormula, Placed } from '../kind';
import { look } from '../looks/look';
import { methodOf, OUTLIER_METHODS, type OutlierMethodName } from './outlier-methods';
import { partSizes, type PartSize } from '../scope/part-sizes';
import { legendScope, placeWords, windowOf } from '../scope/scope';
import { valuesWhere } from '../scope/values-where';

const METHOD_NAMES = Object.keys(OUTLIER_METHODS) as [OutlierMethodName, ...OutlierMethodName[]];

const schema = z.object({
  ...cueFields('outlier'),
  method: z.enum(METHOD_NAMES),
  k: z.number().check(z.minimum(0), z.maximum(100)),
});

/** Outliers by a method. */
export type OutlierCue = z.infer<typeof schema>;

/** Marks values beyond the fences of a method (see `OUTLIER_METHODS`); the fences are helper columns. */
export const outlier = defineKind<OutlierCue>({
  kind: 'outlier',
  help: 'Mark values far outside the usual spread.',
  search: 'outlier unusual anomaly quartile iqr standard deviation mad robust score fence extreme',
  schema,
  fresh: ({ measures }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'panels' },
    method: 'iqr',
    k: methodOf('iqr').k,
    quiet: true,
    looks: { outlier: look('clay', 'value') },
  }),
  tokens: {
    k: number('k', 'How far', { low: 0, high: 100, offers: [1.5, 2, 2.5, 3, 3.5, 5] }),
    method: {
      ...choice<OutlierCue>(
        'method',
        'Measured in',
        METHOD_NAMES.map(value => ({ value, label: methodOf(value).label })),
      ),
      // Each method counts in a unit of its own, so the number goes with it.
      set: (cue, value) => ({ ...cue, method: value as OutlierMethodName, k: methodOf(value as OutlierMethodName).k }),
    },
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
  sees: () => true,
  parts: () => ['outlier'],
  columns: cue => [cue.measure],
  expand: (cue, nameFor) => {
    const [m, method] = [nameText(cue.measure), methodOf(cue.method)];
    const helper = (part: string, formula: string, as?: 'number'): HelperFormula => ({
      part,
      name: nameFor(part),
      formula,
      ...(as ? { as } : {}),
    });
    const around = method.around(m, windowOf(cue.scope), helper);
    const names = [nameText(around[0].name), nameText(around[1].name)] as const;
    const [low, high] = method.fences(names, cue.k);
    const [lower, upper] = [helper('lower fence', low), helper('upper fence', high)];
    const score = helper('score', method.score(m, names), 'number');
    const beyond = `${m} < ${nameText(lower.name)} or ${m} > ${nameText(upper.name)}`;
    const measured = method.spread === null ? beyond : `${names[1]} > 0 and (${beyond})`;
    const out = valuesWhere({ part: 'outlier', name: nameFor('outlier'), when: measured, measure: m });
    const rest = valuesWhere({ part: 'rest', name: nameFor('rest'), when: `${nameText(out.name)} is null`, measure: m });
    return {
      helpers: [...around, lower, upper, score, out, rest],
      treatments: [markOf(cue, 'outlier', `unusual${legendScope(cue.scope)}`)],
    };
  },
  problems: (cue, frame) => (cue.scope.kind === 'along' ? [] : limitProblems(cue, frame)),
  why: (cue, { frame, row, write, helper }) => {
    const value = write(cue.measure, (columnOf(frame.table, cue.measure) as Column).data[row] as number);
    const score = helper('score');
    const place = placeWords(cue.scope, frame, row);
    if (typeof score !== 'number') {
      const fence = write(cue.measure, Number(helper('upper fence')));
      return `${cue.measure} ${value} differs from ${fence}, at which both quartiles lie${place}`;
    }
    return `${cue.measure} ${value} lies ${Math.abs(score).toFixed(1)} ${methodOf(cue.method).unit}${place}`;
  },
});

/** Notes where no value can be marked: the spread is zero, or there are too few rows for the limit. */
function limitProblems(cue: Placed<OutlierCue>, frame: Frame): FoundProblem[] {
  const { spread, least, label } = methodOf(cue.method);
  const parts = partSizes(cue.scope, frame, dataOf(frame, cue.measure));
  const needed = least(cue.k);
  const small = parts.filter(({ count }) => count > 0 && count < needed).length;
  const flat = spread === null ? 0 : parts.filter(part => part.count >= needed && isFlat(part, cue.method)).length;
  return [
    ...(small
      ? [{ problem: { code: 'cue-too-few' as const, parts: small, of: parts.length, needed, limit: `${cue.k} ${label}` }, rests: false }]
      : []),
    ...(flat
      ? [{ problem: { code: 'cue-no-spread' as const, parts: flat, of: parts.length, spread: spread as string }, rests: false }]
      : []),
  ];
}

/** Whether the spread of a part is zero: all values are equal, or, for deviations from a median, more than half of them. */
function isFlat({ values }: PartSize, method: OutlierMethodName): boolean {
  if (method === 'deviation') return values.every(value => value === values[0]);
  const sorted = new Float64Array(values).sort();
  const middle = medianOf(sorted);
  return medianOf(sorted.map(value => Math.abs(value - middle)).sort()) === 0;
}

function medianOf(sorted: Float64Array): number {
  const half = sorted.length >> 1;
  return sorted.length % 2 ? (sorted[half] as number) : ((sorted[half - 1] as number) + (sorted[half] as number)) / 2;
}
