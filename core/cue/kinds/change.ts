import { nameText } from 'core/formula';
import { cellAt, columnOf, type NumericValues } from 'core/table';
import * as z from 'zod/mini';
import { dataOf } from '../common-problems';
import { choice, colour, cueFields, defineKind, level, markOf } from '../define';
import type { FoundProblem, HelperFormula, Placed } from '../kind';
import { levelFormula, levelSchema, type Level } from '../level/level';
import { CUE_AXIS_OPTIONS, drawn, FORM_OPTIONS } from '../looks/line-tokens';
import { look } from '../looks/look';
import { orderOf, partitionOf } from '../scope/scope';
import type { Frame } from 'core/frame';
import { sortRows, type SortKey } from 'core/formula';
import { valuesWhere } from '../scope/values-where';

const schema = z.object({
  ...cueFields('change'),
  from: z.enum(['previous', 'first', 'year']),
  as: z.enum(['difference', 'percent']),
  /** The value of the first row. */
  first: z.enum(['missing', 'zero', 'value']),
  value: levelSchema,
  draw: z.enum(['none', 'joined', 'stepped', 'points', 'columns']),
  axis: z.enum(['same', 'second']),
  line: z.string(),
});

/** Change from the row before, from the first row, or from a year before. */
export type ChangeCue = z.infer<typeof schema>;

/** Marks rises and falls of a measure along an order. A percent change is a fraction of the size of what was before. */
export const change = defineKind<ChangeCue>({
  kind: 'change',
  help: 'Mark rises and falls against the one before, the first, or a year before.',
  search: 'change growth rise fall negative up down previous year before difference percent arrow direction trend',
  schema,
  fresh: ({ measures, along }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'along', ...along, within: 'split' },
    from: 'previous',
    as: 'percent',
    first: 'missing',
    value: { is: 'number', value: 0 },
    draw: 'none',
    axis: 'second',
    line: 'plum',
    quiet: false,
    looks: { rise: look('pasture', 'none', 'up'), fall: look('clay', 'none', 'down') },
  }),
  // What comes before comes before in time, whatever the order shown.
  orders: 'forward',
  differs: true,
  tokens: {
    from: choice('from', 'Compared with', [
      { value: 'previous', label: 'the one before' },
      { value: 'first', label: 'the first' },
      { value: 'year', label: 'the row nearest to a year before' },
    ]),
    as: choice('as', 'Change as', [
      { value: 'percent', label: 'percent' },
      { value: 'difference', label: 'difference' },
    ]),
    first: choice('first', 'The first row', [
      { value: 'missing', label: 'has none' },
      { value: 'zero', label: 'counts as zero' },
      { value: 'value', label: 'gets a value' },
    ]),
    value: level('value', 'Change of the first row'),
    draw: choice('draw', 'The change itself', [{ value: 'none', label: 'in the ledger only' }, ...FORM_OPTIONS]),
    axis: choice('axis', 'Axis of the change', CUE_AXIS_OPTIONS),
    line: colour('line', 'Colour of the change'),
  },
  reads: (cue, say) => [
    'Mark rises of ',
    say('measure'),
    ' against ',
    say('from'),
    ' ',
    say('scope'),
    ' in ',
    say('look:rise'),
    ' and falls in ',
    say('look:fall'),
    ', ',
    say('labels'),
    '; show the ',
    say('as'),
    ' ',
    say('draw'),
    ...(cue.draw === 'none' ? [] : [' ', say('axis'), ' in ', say('line')]),
    '.',
  ],
  finer: (cue, say) => [['The first row ', say('first'), ...(cue.first === 'value' ? [': ', say('value')] : []), '; ', say('quiet'), '.']],
  parts: () => ['rise', 'fall'],
  columns: cue => [cue.measure],
  expand: (cue, nameFor) => {
    const m = nameText(cue.measure);
    const helper = (part: string, formula: string, as?: 'percent'): HelperFormula => ({
      part,
      name: nameFor(part),
      formula,
      ...(as ? { as } : {}),
    });
    const nearby = cue.from === 'year' ? yearHelpers(cue, helper) : [];
    const previous = helper(cue.from === 'first' ? 'first' : 'previous', previousOf(cue, nearby));
    const before = nameText(previous.name);
    const difference = helper('difference', firstRow(cue, `${m} - ${before}`, 'difference'));
    const percent = helper('percent change', firstRow(cue, `(${m} - ${before}) / abs(${before})`, 'percent'), 'percent');
    const by = nameText((cue.as === 'percent' && cue.first !== 'missing' ? percent : difference).name);
    const direction = helper('direction', `case when ${by} > 0 then 'rise' when ${by} < 0 then 'fall' when ${by} = 0 then 'level' end`);
    const where = (part: string): HelperFormula =>
      valuesWhere({ part, name: nameFor(part), when: `${nameText(direction.name)} = '${part}'`, measure: m });
    const shown = cue.as === 'percent' ? 'percent change' : 'difference';
    return {
      helpers: [...nearby, previous, difference, percent, direction, where('rise'), where('fall')],
      treatments: [
        markOf(cue, 'rise', 'rise', { difference: shown }),
        markOf(cue, 'fall', 'fall', { difference: shown }),
        ...(cue.draw === 'none'
          ? []
          : [drawn({ part: shown, measure: cue.measure, colour: cue.line, form: cue.draw, axis: cue.axis, legend: legendOf(cue) })]),
      ],
    };
  },
  problems: (cue, frame) => {
    const order = cue.scope.kind === 'along' ? columnOf(frame.table, cue.scope.column) : undefined;
    const dated = order?.type === 'date' || order?.type === 'timestamp';
    if (cue.from === 'year' && !dated) return [{ problem: { code: 'cue-needs-dates', name: order?.name ?? '' }, rests: true }];
    return cue.from === 'first' ? firstProblems(cue, frame) : [];
  },
  why: (cue, { frame, row, part, write, helper }) => {
    const [before, percent] = [helper('previous') ?? helper('first'), helper('percent change')];
    const verb = part === 'rise' ? 'rose' : 'fell';
    const difference = Number(helper('difference'));
    const by = write(cue.measure, Math.abs(difference));
    const share = typeof percent === 'number' ? ` (${(Math.abs(percent) * 100).toFixed(1)} %)` : '';
    const value = (columnOf(frame.table, cue.measure) as NumericValues).data[row] as number;
    // A first row has what it was given, not what it was before.
    if (before === null || value - Number(before) !== difference)
      return `${cue.measure} ${verb} by ${by}${share}, as the first row is given`;
    const when = cue.from === 'year' ? ` on ${String(helper('nearest'))}` : '';
    return `${cue.measure} ${verb} by ${by}${share} from ${write(cue.measure, Number(before))}${when}`;
  },
});

const legendOf = (cue: Pick<ChangeCue, 'as' | 'from'>): string =>
  `${cue.as === 'percent' ? 'percent change' : 'difference'} from ${{ previous: 'the one before', first: 'the first', year: 'nearest to a year before' }[cue.from]}`;

type Make = (part: string, formula: string) => HelperFormula;

/** The formula of the value that a row is compared with. */
function previousOf(cue: Placed<ChangeCue>, nearby: readonly HelperFormula[]): string {
  const m = nameText(cue.measure);
  const { scope } = cue;
  if (cue.from === 'previous') return `lag(${m}) over (${partitionOf(scope)}${orderOf(scope)})`;
  if (cue.from === 'first') return `first_value(${m}) over (${partitionOf(scope)}${orderOf(scope)})`;
  const named = (part: string): string => nameText(nearby.find(helper => helper.part === part)?.name ?? part);
  const [nearest, up, down] = [named('nearest'), lastUpTo(cue, m), firstFrom(cue, m)];
  return `case when ${nearest} = ${named('day up to it')} then ${up} when ${nearest} = ${named('day after it')} then ${down} end`;
}

/**
 * The row nearest to a year before: its neighbours on both sides of that day, and the nearer of them, the earlier one where both lie as far. Further
 * off than half a step there is none; the step is the median distance from one day to the next. The 29th of February has the 28th a year before.
 */
function yearHelpers(cue: Placed<ChangeCue>, helper: Make): HelperFormula[] {
  const { scope } = cue;
  const d = dayOf(cue);
  const gap = helper('gap', `nullif(${d} - lag(${d}) over (${partitionOf(scope)}order by ${d}), 0)`);
  const step = helper('step', `median(${nameText(gap.name)}) over (${partitionOf(scope).trim()})`);
  const earlier = helper('day up to it', lastUpTo(cue, d));
  const later = helper('day after it', firstFrom(cue, d));
  const [a, b, half] = [nameText(earlier.name), nameText(later.name), `${nameText(step.name)} / 2`];
  const target = `(${d} - interval '1 year')`;
  const nearest = helper(
    'nearest',
    `case when ${target} - ${a} <= ${half} and (${b} is null or ${target} - ${a} <= ${b} - ${target}) then ${a} when ${b} - ${target} <= ${half} then ${b} end`,
  );
  return [gap, step, earlier, later, nearest];
}

const dayOf = ({ scope }: Placed<ChangeCue>): string => (scope.kind === 'along' ? nameText(scope.column) : '');

/** The last row up to a year before. */
const lastUpTo = (cue: Placed<ChangeCue>, value: string): string =>
  `last_value(${value}) over (${partitionOf(cue.scope)}order by ${dayOf(cue)} range between unbounded preceding and interval '1 year' preceding)`;

/** The first row from a year before on. */
const firstFrom = (cue: Placed<ChangeCue>, value: string): string =>
  `first_value(${value}) over (${partitionOf(cue.scope)}order by ${dayOf(cue)} range between interval '1 year' preceding and interval '1 day' preceding)`;

/** The change with the value of the first row, which has nothing to be compared with. */
function firstRow(cue: Placed<ChangeCue>, formula: string, of: ChangeCue['as']): string {
  const { scope, first, value, measure, from } = cue;
  if (first === 'missing' && from !== 'first') return formula;
  const window = `over (${partitionOf(scope)}${orderOf(scope)})`;
  if (first === 'missing') return `case when row_number() ${window} > 1 then ${formula} end`;
  const given: Level = first === 'zero' ? { is: 'number', value: 0 } : value;
  const text = levelFormula(given, measure, window, scope);
  // A value given in percent stands as a fraction in the column of percents.
  const own = of === 'percent' && given.is === 'number' ? `${text} / 100` : text;
  return `case when row_number() ${window} = 1 then ${own} else ${formula} end`;
}

/** A note where the first row, with which all others are compared, has no value. */
function firstProblems(cue: Placed<ChangeCue>, frame: Frame): FoundProblem[] {
  const { scope } = cue;
  if (scope.kind !== 'along') return [];
  const key = (name: string): SortKey[] => {
    const values = columnOf(frame.table, name);
    return values ? [{ values }] : [];
  };
  const rows = sortRows([...scope.within.flatMap(key), ...key(scope.column)], frame.table.rowCount);
  const parts = scope.within.flatMap(name => columnOf(frame.table, name) ?? []);
  const data = dataOf(frame, cue.measure);
  const isFirst = (at: number): boolean =>
    at === 0 || parts.some(column => cellAt(column, rows[at] as number) !== cellAt(column, rows[at - 1] as number));
  const missing = Array.from(rows).some((row, at) => isFirst(at) && Number.isNaN(data[row]));
  return missing ? [{ problem: { code: 'cue-first-missing', name: cue.measure }, rests: false }] : [];
}
