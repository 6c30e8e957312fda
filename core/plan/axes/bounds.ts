import { withAxis, type AxisChoice, type Figure } from 'core/document';
import { AXIS_SCALES } from 'core/scale';
import { compileFormula, Evaluator, groupRows, scopeOf } from 'core/formula';
import type { Frame } from 'core/frame';
import { failure, success, type Result } from 'core/result';
import { messageFor } from 'core/result/words';
import { isNumeric } from 'core/table';

type AxisName = keyof Figure['scales']['axes'];
const AXES: readonly AxisName[] = ['first', 'second'];
const ENDS = ['low', 'high'] as const;

/**
 * The figure with the ends of its axes as numbers: an end that is a formula is computed over all rows of the frame, as a measure over one group. The
 * very same figure where no end is a formula. Problems: a formula that cannot be computed or gives no number, and ends that cross.
 */
export function withBounds(figure: Figure, frame: Frame): Result<Figure> {
  let bounded = figure;
  for (const name of AXES) {
    const axis = figure.scales.axes[name];
    if (ENDS.every(end => typeof axis[end] !== 'string')) continue;
    const ends: { low?: number; high?: number } = {};
    for (const end of ENDS) {
      const bound = axis[end];
      if (typeof bound !== 'string') continue;
      const value = valueOf(bound, frame, wordsFor(name, end));
      if (!value.ok) return value;
      const { isDefinedAt, axisWords } = AXIS_SCALES[axis.scale];
      if (!isDefinedAt(value.value))
        return fault(`${wordsFor(name, end)}, “${bound}”, gives ${value.value}, which has no place on ${axisWords} axis.`);
      ends[end] = value.value;
    }
    const numbers = { ...axis, ...ends };
    if (typeof numbers.low === 'number' && typeof numbers.high === 'number' && numbers.low >= numbers.high)
      return fault(`${wordsFor(name, 'low')}, ${numbers.low}, must lie below its upper end, ${numbers.high}.`);
    bounded = { ...bounded, scales: withAxis(bounded.scales, name, ends) };
  }
  return success(bounded);
}

/** An end of an axis as a number. A formula has been computed before (see `withBounds`). */
export const numberIn = (bound: AxisChoice['low']): number | null => (typeof bound === 'number' ? bound : null);

const wordsFor = (name: AxisName, end: 'low' | 'high'): string =>
  `The ${end === 'low' ? 'lower' : 'upper'} end of the ${name === 'first' ? 'axis' : 'second axis'}`;

function valueOf(formula: string, { table }: Frame, words: string): Result<number> {
  const compiled = compileFormula(formula, scopeOf(table), 'measure');
  if (!compiled.ok) return fault(`${words}, “${formula}”, cannot be computed: ${compiled.problems.map(messageFor).join(' ')}`);
  const values = new Evaluator(table, groupRows([], table.rowCount)).values(compiled.value);
  const value = isNumeric(values) && values.type === 'number' ? values.data[0] : undefined;
  if (value === undefined || !Number.isFinite(value))
    return fault(`${words}, “${formula}”, gives no number here. Type a number, or a formula that gives one, such as 0.8 * min(…).`);
  return success(value);
}

const fault = (words: string): Result<never> => failure({ code: 'setting-entry', words });
