import { nameText } from 'core/formula';
import { columnOf, type Column } from 'core/table';
import * as z from 'zod/mini';
import { peersOf } from '../scope/among';
import { dataOf, negativeProblems, samenessProblems } from '../common-problems';
import { choice, cueFields, defineKind, markOf, number, TYPED_NUMBER } from '../define';
import { look } from '../looks/look';
import { partSizes } from '../scope/part-sizes';
import { legendScope, partitionOf } from '../scope/scope';
import type { FoundProblem, HelperFormula, Placed } from '../kind';
import type { Frame } from 'core/frame';
import { valuesWhere } from '../scope/values-where';

const schema = z.object({
  ...cueFields('rank'),
  end: z.enum(['top', 'bottom']),
  n: z.number().check(z.minimum(0.1), z.maximum(1_000_000)),
  unit: z.enum(['places', 'percent', 'share']),
});

/** Places, or shares of the whole, from the top or the bottom. */
export type RankCue = z.infer<typeof schema>;

/**
 * Marks the first n places, the first n percent of the places, or those that together make n percent of the total; ties at the
 * edge are all in. Ranks leave gaps after ties, as `rank()` does.
 */
export const rank = defineKind<RankCue>({
  kind: 'rank',
  help: 'Mark the top or bottom few, or those that together make most of the total.',
  search: 'top bottom first last best worst biggest ranking sort places pareto 80 share position',
  schema,
  tuning: [
    { word: TYPED_NUMBER, token: 'n' },
    { word: /^bottom$/, token: 'end' },
  ],
  // A place among the rows so far is more than a window can tell.
  orders: 'never',
  fresh: ({ measures }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'panels' },
    end: 'top',
    n: 3,
    unit: 'places',
    quiet: true,
    looks: { in: look('brass', 'value') },
  }),
  tokens: {
    end: choice('end', 'Which end', [
      { value: 'top', label: 'top' },
      { value: 'bottom', label: 'bottom' },
    ]),
    n: number('n', 'How many', { low: 0.1, high: 1_000_000, offers: [1, 3, 5, 10, 20, 80] }),
    unit: choice('unit', 'Counted how', [
      { value: 'places', label: 'places' },
      { value: 'percent', label: '% of the places' },
      { value: 'share', label: '% of the total, together' },
    ]),
  },
  reads: (_cue, say) => [
    'Mark the ',
    say('end'),
    ' ',
    say('n'),
    ' ',
    say('unit'),
    ' by ',
    say('measure'),
    ' ',
    say('scope'),
    ' in ',
    say('look:in'),
    ', ',
    say('labels'),
    '; ',
    say('quiet'),
    '.',
  ],
  sees: ({ unit }) => unit !== 'places',
  parts: () => ['in'],
  columns: cue => [cue.measure],
  expand: (cue, nameFor) => {
    const m = nameText(cue.measure);
    const [part, desc] = [partitionOf(cue.scope), cue.end === 'top' ? ' desc' : ''];
    const rank: HelperFormula = {
      part: 'rank',
      name: nameFor('rank'),
      formula: `case when ${m} is not null then rank() over (${part}order by ${m}${desc}) end`,
      as: 'number',
    };
    const total = `sum(${m}) over (${part.trim()})`;
    const share: HelperFormula = {
      part: 'cumulated share',
      name: nameFor('cumulated share'),
      formula: `case when ${m} is not null then sum(${m}) over (${part}order by ${m}${desc}) / ${total} end`,
      as: 'percent',
    };
    // What stands before a value and its ties: the total without it, its ties and what comes after.
    const before = `${total} - sum(${m}) over (${part}order by ${m}${desc ? '' : ' desc'})`;
    const within = {
      places: `${nameText(rank.name)} <= ${cue.n}`,
      percent: `${nameText(rank.name)} <= ceil(round(${cue.n} * count(${m}) over (${part.trim()}) / 100, 9))`,
      share: `${m} is not null and round((${before}) / ${total}, 12) < ${cue.n} / 100`,
    }[cue.unit];
    const found = valuesWhere({ part: 'in', name: nameFor('in'), when: within, measure: m });
    const rest = valuesWhere({ part: 'rest', name: nameFor('rest'), when: `${nameText(found.name)} is null`, measure: m });
    return { helpers: [rank, share, found, rest], treatments: [markOf(cue, 'in', `${legendOf(cue)}${legendScope(cue.scope)}`)] };
  },
  problems: (cue, frame) => [
    ...samenessProblems(cue.measure, frame),
    ...(cue.unit === 'share' ? negativeProblems(cue.measure, frame) : []),
    ...tieProblems(cue, frame),
  ],
  why: (cue, { frame, row, helper, write }) => {
    const column = columnOf(frame.table, cue.measure) as Column;
    const value = write(cue.measure, column.data[row] as number);
    const place = `number ${helper('rank')} of ${peersOf(cue.scope, frame, row, cue.measure).words}`;
    const from = cue.end === 'bottom' ? ' from the bottom' : '';
    return `${cue.measure} ${value} is ${place}${from}`;
  },
});

function legendOf({ end, n, unit }: Placed<RankCue>): string {
  return unit === 'places' ? `${end} ${n}` : unit === 'percent' ? `${end} ${n} %` : `${end}, together ${n} %`;
}

/** A note where ties at the edge mark more rows than were asked for. */
function tieProblems({ measure, scope, end, n, unit }: Placed<RankCue>, frame: Frame): FoundProblem[] {
  if (unit !== 'places') return [];
  for (const { values } of partSizes(scope, frame, dataOf(frame, measure))) {
    const sorted = new Float64Array(values).sort();
    if (end === 'top') sorted.reverse();
    const edge = sorted[Math.floor(n) - 1];
    const marked = edge === undefined ? 0 : sorted.lastIndexOf(edge) + 1;
    if (marked > n) return [{ problem: { code: 'cue-ties', n, marked }, rests: false }];
  }
  return [];
}
