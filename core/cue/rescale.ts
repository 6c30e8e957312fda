import { literalText, nameText } from 'core/formula';
import { columnOf, textAt, type Column } from 'core/table';
import * as z from 'zod/mini';
import { choice, colour, cueFields, defineKind, measure, words } from './define';
import type { HelperFormula } from './kind';
import { drawn, FORM_OPTIONS } from './line-tokens';
import { orderOf, partitionOf } from './scope';
import type { Treatment } from './treatments';

const schema = z.object({
  ...cueFields('rescale'),
  to: z.enum(['index', 'share', 'unit', 'z', 'range']),
  /** The row that is 100: empty for the first along the order, else a value of the category. */
  base: z.string(),
  other: z.string(),
  draw: z.enum(['instead', 'joined', 'stepped', 'points', 'columns']),
  line: z.string(),
});

export type RescaleCue = z.infer<typeof schema>;

/** Draws a measure on a scale on which it compares: an index, a share, 0 to 1, z-scores, or the range of another measure. */
export const rescale = defineKind<RescaleCue>({
  kind: 'rescale',
  help: 'Draw as an index, a share of the total, 0 to 1, z-scores, or in the range of another measure.',
  search: 'index base 100 share of total normalise standardise scaled z score percent helper series',
  schema,
  fresh: ({ measures, along }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'along', ...along, within: null },
    to: 'index',
    base: '',
    other: measures[1] ?? measures[0] ?? '',
    draw: 'instead',
    line: 'brass',
    quiet: false,
    looks: {},
  }),
  orders: 'must',
  tokens: {
    to: choice('to', 'Scaled to', [
      { value: 'index', label: 'an index' },
      { value: 'share', label: 'its share of the total' },
      { value: 'unit', label: 'the range 0 to 1' },
      { value: 'z', label: 'z-scores' },
      { value: 'range', label: 'the range of' },
    ]),
    base: words('base', 'Row that is 100: a value of the category', 'the first'),
    other: measure('other', 'Range of'),
    draw: choice('draw', 'Drawn', [{ value: 'instead', label: 'in its place' }, ...FORM_OPTIONS]),
    line: colour('line', 'Colour of the scaled values'),
  },
  reads: (cue, say) => [
    'Scale ',
    say('measure'),
    ' to ',
    say('to'),
    ...(cue.to === 'index' ? [' where ', say('base'), ' is 100'] : []),
    ...(cue.to === 'range' ? [' ', say('other')] : []),
    ' ',
    say('scope'),
    ', drawn ',
    say('draw'),
    ...(cue.draw === 'instead' ? [] : [' in ', say('line')]),
    '.',
  ],
  parts: () => [],
  columns: cue => [cue.measure, ...(cue.to === 'range' ? [cue.other] : [])],
  named: ['other'],
  expand: (cue, nameFor) => {
    const factor: HelperFormula = { part: 'factor', name: nameFor('factor'), formula: factorOf(cue), as: 'number' };
    const scaled: HelperFormula = {
      part: 'scaled',
      name: nameFor(NAMES[cue.to]),
      formula: scaledOf(cue, nameText(factor.name)),
      as: cue.to === 'share' ? 'percent' : 'number',
    };
    return { helpers: [factor, scaled], treatments: [drawnAs(cue)] };
  },
  problems: (cue, frame) => {
    const names = columnOf(frame.table, frame.category) as Column;
    const there = Array.from({ length: frame.table.rowCount }, (_, row) => textAt(names, row)).includes(cue.base);
    return cue.to === 'index' && cue.base !== '' && !there
      ? [{ problem: { code: 'cue-no-row', name: cue.base, category: frame.category }, rests: true }]
      : [];
  },
  why: (cue, { helper }) =>
    `${cue.measure} scaled by ${Number(helper('factor')).toPrecision(4)} gives ${Number(helper('scaled')).toPrecision(4)}`,
});

const NAMES = { index: 'index', share: 'share of total', unit: '0 to 1', z: 'z-score', range: 'scaled' } as const;

function drawnAs(cue: RescaleCue): Treatment {
  const { measure } = cue;
  if (cue.draw === 'instead') return { show: 'instead', part: 'scaled', measure, percent: cue.to === 'share', labels: false };
  const axis = cue.to === 'range' ? 'same' : 'second';
  return drawn({
    part: 'scaled',
    measure: cue.to === 'range' ? cue.other : measure,
    colour: cue.line,
    form: cue.draw,
    axis,
    legend: `${measure}, ${NAMES[cue.to]}`,
  });
}

/** What values are multiplied with. */
function factorOf(cue: RescaleCue): string {
  const m = nameText(cue.measure);
  const all = `over (${partitionOf(cue.scope).trim()})`;
  switch (cue.to) {
    case 'index':
      return `100 / ${baseOf(cue, m)}`;
    case 'share':
      return `1 / sum(${m}) ${all}`;
    case 'unit':
      return `1 / (max(${m}) ${all} - min(${m}) ${all})`;
    case 'z':
      return `1 / stddev_samp(${m}) ${all}`;
    case 'range': {
      const other = nameText(cue.other);
      return `(max(${other}) ${all} - min(${other}) ${all}) / (max(${m}) ${all} - min(${m}) ${all})`;
    }
  }
}

/** The value that is 100: of the first row along the order that has one, or of the chosen row. */
function baseOf({ base, scope }: RescaleCue, m: string): string {
  const category = scope.kind === 'along' ? nameText(scope.column) : '';
  if (base !== '')
    return `max(case when cast(${category} as text) = ${literalText('text', base)} then ${m} end) over (${partitionOf(scope).trim()})`;
  const order = orderOf(scope).replace('order by ', '');
  return `first_value(${m}) over (${partitionOf(scope)}order by case when ${m} is null then 1 else 0 end, ${order})`;
}

function scaledOf(cue: RescaleCue, factor: string): string {
  const m = nameText(cue.measure);
  const all = `over (${partitionOf(cue.scope).trim()})`;
  switch (cue.to) {
    case 'index':
    case 'share':
      return `${m} * ${factor}`;
    case 'unit':
      return `(${m} - min(${m}) ${all}) * ${factor}`;
    case 'z':
      return `(${m} - avg(${m}) ${all}) * ${factor}`;
    case 'range':
      return `min(${nameText(cue.other)}) ${all} + (${m} - min(${m}) ${all}) * ${factor}`;
  }
}
