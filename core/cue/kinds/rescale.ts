import { literalText, nameText } from 'core/formula';
import type { Frame } from 'core/frame';
import { columnOf, textAt, type Column } from 'core/table';
import * as z from 'zod/mini';
import { dataOf, negativeProblems } from '../common-problems';
import { choice, colour, cueFields, defineKind, measure, words } from '../define';
import type { FoundProblem, HelperFormula, Placed } from '../kind';
import type { Surroundings } from '../scope/surroundings';
import { typedNumber } from '../level/level';
import { drawn, FORM_OPTIONS } from '../looks/line-tokens';
import { orderOf, partitionOf, placeWords, unordered, wholeWindowOf } from '../scope/scope';
import { typedMoment } from '../level/typed-moment';
import type { Treatment } from '../looks/treatments';

const schema = z.object({
  ...cueFields('rescale'),
  to: z.enum(['index', 'share', 'unit', 'z', 'range']),
  /** The row with index 100: empty for the first along the order, else a value of the category. */
  base: z.string(),
  other: z.string(),
  draw: z.enum(['instead', 'joined', 'stepped', 'points', 'columns']),
  line: z.string(),
});

/** A measure as a share, an index or a standard score. */
export type RescaleCue = z.infer<typeof schema>;

/** Whether a scale follows an order: only an index based on the first row does. */
const goesAlong = ({ to, base }: Pick<RescaleCue, 'to' | 'base'>): boolean => to === 'index' && base === '';

/** Draws a measure on a scale that makes it comparable: an index, a share, 0 to 1, z-scores, or the range of another measure. */
export const rescale = defineKind<RescaleCue>({
  kind: 'rescale',
  help: 'Draw as an index, a share of the total, 0 to 1, z-scores, or in the range of another measure.',
  search: 'index base 100 share of total normalise standardise scaled z score percent helper series',
  schema,
  fresh: ({ measures, along }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'along', ...along, within: 'split' },
    to: 'index',
    base: '',
    other: measures[1] ?? measures[0] ?? '',
    draw: 'instead',
    line: 'brass',
    quiet: false,
    looks: {},
  }),
  orders: cue => (goesAlong(cue) ? 'must' : 'never'),
  tokens: {
    to: {
      ...choice<RescaleCue>('to', 'Scaled to', [
        { value: 'index', label: 'an index' },
        { value: 'share', label: 'its share of the total' },
        { value: 'unit', label: 'the range 0 to 1' },
        { value: 'z', label: 'z-scores' },
        { value: 'range', label: 'the range of' },
      ]),
      set: (cue, value, words) => {
        const next = { ...cue, to: value as RescaleCue['to'] };
        if (!goesAlong(next))
          return { ...next, scope: cue.scope.kind === 'along' && cue.scope.within === 'split' ? cue.scope : unordered(cue.scope, words) };
        return cue.scope.kind === 'along' ? next : { ...next, scope: { kind: 'along', ...words.along, within: 'split' } };
      },
    },
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
  sees: ({ to }) => to !== 'index',
  parts: () => [],
  columns: cue => [cue.measure, ...(cue.to === 'range' ? [cue.other] : [])],
  named: ['other'],
  expand: (cue, nameFor, around) => {
    const factor: HelperFormula = { part: 'factor', name: nameFor('factor'), formula: factorOf(cue, around), as: 'number' };
    const scaled: HelperFormula = {
      part: 'scaled',
      name: nameFor(NAMES[cue.to]),
      formula: scaledOf(cue, nameText(factor.name)),
      as: cue.to === 'share' ? 'percent' : 'number',
    };
    return { helpers: [factor, scaled], treatments: [drawnAs(cue)] };
  },
  problems: (cue, frame) => {
    if (cue.to === 'share') return negativeProblems(cue.measure, frame);
    return cue.to === 'index' ? baseProblems(cue, frame) : [];
  },
  why: (cue, { frame, row, write, helper }) => {
    const value = write(cue.measure, (columnOf(frame.table, cue.measure) as Column).data[row] as number);
    return `${cue.measure} ${value} ${SAYS[cue.to](Number(helper('scaled')), cue)}${placeWords(cue.scope, frame, row).replace(/ so far$/, '')}`;
  },
});

const NAMES = { index: 'index', share: 'share of total', unit: '0 to 1', z: 'z-score', range: 'scaled' } as const;

const rounded = (value: number, decimals: number): string => value.toLocaleString('en', { maximumFractionDigits: decimals });

/** The words for a scaled value in the hover. */
const SAYS: Readonly<Record<RescaleCue['to'], (scaled: number, cue: Pick<RescaleCue, 'base' | 'other'>) => string>> = {
  index: (scaled, { base }) => `stands at ${rounded(scaled, 1)}, where ${base === '' ? 'the first' : base} is 100`,
  share: scaled => `is ${rounded(scaled * 100, 1)} % of the total`,
  unit: scaled => `lies at ${rounded(scaled, 3)} on the way from the lowest, 0, to the highest, 1`,
  z: scaled => `lies ${rounded(Math.abs(scaled), 2)} standard deviations ${scaled < 0 ? 'below' : 'above'} the mean`,
  range: (scaled, { other }) => `is drawn at ${rounded(scaled, 3)} in the range of ${other}`,
};

function drawnAs(cue: Placed<RescaleCue>): Treatment {
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

/** The formula of the factor that values are multiplied by. */
function factorOf(cue: Placed<RescaleCue>, around: Surroundings): string {
  const [m, all] = [nameText(cue.measure), wholeWindowOf(cue.scope)];
  switch (cue.to) {
    case 'index':
      return `100 / ${baseOf(cue, m, around)}`;
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

/** The base value of an index: of the first row along the order that has one, or of the chosen category. */
function baseOf({ base, scope }: Placed<RescaleCue>, m: string, { category, typeOf }: Surroundings): string {
  if (base !== '') return `max(case when ${isCategory(category, typeOf(category), base)} then ${m} end) ${wholeWindowOf(scope)}`;
  const order = orderOf(scope).replace('order by ', '');
  return `first_value(${m}) over (${partitionOf(scope)}order by case when ${m} is null then 1 else 0 end, ${order})`;
}

/** A condition for one category, "hut = 'Alm'" or "year = 1975", with a literal of the column's type, so that every engine finds the same row. */
function isCategory(category: string, type: ReturnType<Surroundings['typeOf']>, base: string): string {
  const name = nameText(category);
  switch (type) {
    case 'number': {
      const value = typedNumber(base);
      return Number.isFinite(value) ? `${name} = ${value}` : `${name} is null and false`;
    }
    case 'date':
    case 'timestamp':
      return `${name} = cast(${literalText('text', typedMoment(base))} as ${type})`;
    case 'boolean':
      return `${name} = ${base === 'true'}`;
    default:
      return `${name} = ${literalText('text', base)}`;
  }
}

function scaledOf(cue: Placed<RescaleCue>, factor: string): string {
  const [m, all] = [nameText(cue.measure), wholeWindowOf(cue.scope)];
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

/** A fault where the base is unknown; notes where it has no value, is zero, or is negative, which reverses every index. */
function baseProblems(cue: Placed<RescaleCue>, frame: Frame): FoundProblem[] {
  if (cue.base === '') return [];
  const names = columnOf(frame.table, frame.category) as Column;
  const base = names.type === 'date' || names.type === 'timestamp' ? typedMoment(cue.base) : cue.base;
  const is =
    names.type === 'number' ? (row: number) => names.data[row] === typedNumber(base) : (row: number) => textAt(names, row) === base;
  const rows = Array.from({ length: frame.table.rowCount }, (_, row) => row).filter(is);
  if (rows.length === 0) return [{ problem: { code: 'cue-no-row', name: cue.base, category: frame.category }, rests: true }];
  const data = dataOf(frame, cue.measure);
  const odd = rows.map(row => data[row] as number).find(value => !(value > 0));
  return odd === undefined
    ? []
    : [{ problem: { code: 'cue-odd-base', name: cue.base, value: Number.isNaN(odd) ? null : odd }, rests: false }];
}
