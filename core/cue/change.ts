import { nameText } from 'core/formula';
import { columnOf } from 'core/table';
import * as z from 'zod/mini';
import { choice, colour, cueFields, defineKind, level, markOf } from './define';
import type { HelperFormula } from './kind';
import { levelFormula, levelSchema, type Level } from './level';
import { AXIS_OPTIONS, drawn, FORM_OPTIONS } from './line-tokens';
import { look } from './look';
import { orderOf, partitionOf, type CueScope } from './scope';

const schema = z.object({
  ...cueFields('change'),
  from: z.enum(['previous', 'first', 'year']),
  as: z.enum(['difference', 'percent']),
  /** What the first row gets. */
  first: z.enum(['missing', 'zero', 'value']),
  value: levelSchema,
  draw: z.enum(['none', 'joined', 'stepped', 'points', 'columns']),
  axis: z.enum(['same', 'second']),
  line: z.string(),
});

export type ChangeCue = z.infer<typeof schema>;

/** Marks rises and falls of a measure along an order. A percent change is a fraction of the size of what was before. */
export const change = defineKind<ChangeCue>({
  kind: 'change',
  help: 'Mark rises and falls against the one before, the first, or a year before.',
  search: 'change growth rise fall up down previous year before difference percent arrow direction trend',
  schema,
  fresh: ({ measures, along }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'along', ...along, within: null },
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
  orders: 'must',
  differs: true,
  tokens: {
    from: choice('from', 'Compared with', [
      { value: 'previous', label: 'the one before' },
      { value: 'first', label: 'the first' },
      { value: 'year', label: 'the same time a year before' },
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
    axis: choice('axis', 'Axis of the change', AXIS_OPTIONS),
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
    const previous = helper(cue.from === 'first' ? 'first' : 'previous', previousOf(cue));
    const before = nameText(previous.name);
    const difference = helper('difference', firstRow(cue, `${m} - ${before}`, 'difference'));
    const percent = helper('percent change', firstRow(cue, `(${m} - ${before}) / abs(${before})`, 'percent'), 'percent');
    const by = nameText((cue.as === 'percent' && cue.first !== 'missing' ? percent : difference).name);
    const direction = helper('direction', `case when ${by} > 0 then 'rise' when ${by} < 0 then 'fall' when ${by} = 0 then 'level' end`);
    const where = (part: string): HelperFormula => helper(part, `case when ${nameText(direction.name)} = '${part}' then ${m} end`);
    const shown = cue.as === 'percent' ? 'percent change' : 'difference';
    return {
      helpers: [previous, difference, percent, direction, where('rise'), where('fall')],
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
    return cue.from === 'year' && !dated ? [{ problem: { code: 'cue-needs-dates', name: order?.name ?? '' }, rests: true }] : [];
  },
  why: (cue, { part, write, helper }) => {
    const [before, percent] = [helper('previous') ?? helper('first'), helper('percent change')];
    const by = write(cue.measure, Math.abs(Number(helper('difference'))));
    const share = typeof percent === 'number' ? ` (${(Math.abs(percent) * 100).toFixed(1)} %)` : '';
    return `${cue.measure} ${part === 'rise' ? 'rose' : 'fell'} by ${by}${share} from ${before === null ? 'none' : write(cue.measure, Number(before))}`;
  },
});

const legendOf = (cue: ChangeCue): string =>
  `${cue.as === 'percent' ? 'percent change' : 'difference'} from ${{ previous: 'the one before', first: 'the first', year: 'a year before' }[cue.from]}`;

/** The value a row is compared with. */
function previousOf({ measure, scope, from }: ChangeCue): string {
  const m = nameText(measure);
  if (from === 'previous') return `lag(${m}) over (${partitionOf(scope)}${orderOf(scope)})`;
  if (from === 'first') return `first_value(${m}) over (${partitionOf(scope)}${orderOf(scope)})`;
  return yearBefore(m, scope);
}

/**
 * The same day a year before where there is one; else the row nearest to it, at most a few days off: weeks that begin on the same
 * weekday lie 364 days apart.
 */
function yearBefore(m: string, scope: CueScope): string {
  const d = scope.kind === 'along' ? nameText(scope.column) : '';
  const same = `over (${partitionOf(scope, `extract(month from ${d})`, `extract(day from ${d})`)}order by ${d})`;
  const near = `over (${partitionOf(scope)}order by ${d} range between interval '368 days' preceding and interval '362 days' preceding)`;
  return `case when extract(year from ${d}) - lag(extract(year from ${d})) ${same} = 1 then lag(${m}) ${same} else max(${m}) ${near} end`;
}

/** A change with what the first row of the order is given. */
function firstRow({ scope, first, value, measure }: ChangeCue, formula: string, of: ChangeCue['as']): string {
  if (first === 'missing') return formula;
  const given: Level = first === 'zero' ? { is: 'number', value: 0 } : value;
  const window = `over (${partitionOf(scope)}${orderOf(scope)})`;
  const text = levelFormula(given, measure, window);
  // A value given in percent stands as a fraction in the column of percents.
  const own = of === 'percent' && given.is === 'number' ? `${text} / 100` : text;
  return `case when row_number() ${window} = 1 then ${own} else ${formula} end`;
}
