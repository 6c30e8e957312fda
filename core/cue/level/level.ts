import { addWindows, nameText, renameNames } from 'core/formula';
import { overallName } from 'core/frame';
import { plainOptions, type Token } from 'core/sentence';
import * as z from 'zod/mini';
import type { CueFacts } from '../scope/surroundings';
import { measureOptions, measuresWithin } from '../scope/partners';
import { partsOfScope, type Scope } from '../scope/scope';

/**
 * A value that a cue compares with: a number, a column, a share of one, a statistic of the bars, the first or the last of them along an order, the measure's own
 * formula over all rows behind them, or a formula. */
export const levelSchema = z.discriminatedUnion('is', [
  z.object({ is: z.literal('number'), value: z.number() }),
  z.object({ is: z.literal('column'), column: z.string() }),
  z.object({ is: z.literal('percent'), percent: z.number(), column: z.string() }),
  z.object({ is: z.literal('stat'), stat: z.enum(['average', 'median', 'minimum', 'maximum', 'total']) }),
  z.object({ is: z.literal('end'), end: z.enum(['first', 'last']), along: z.string(), descending: z.boolean() }),
  z.object({ is: z.literal('deviation'), k: z.number() }),
  z.object({ is: z.literal('percentile'), percentile: z.number().check(z.minimum(0), z.maximum(100)) }),
  z.object({ is: z.literal('overall') }),
  z.object({ is: z.literal('formula'), formula: z.string() }),
]);

/** A value to compare with. */
export type Level = z.infer<typeof levelSchema>;
/** A level that is a number. */
export const numberLevel = (value: number): Level => ({ is: 'number', value });

/** A number as formula text: plain digits, negative numbers in parentheses. */
export const numberText = (value: number): string => (value < 0 ? `(${String(value)})` : String(value));

const STATS = { average: 'avg', median: 'median', minimum: 'min', maximum: 'max', total: 'sum' } as const;

/** The level as a formula over the frame. `window`: the window of the scope, or a moving one, such as `over ()`. */
export function levelFormula(level: Level, measure: string, window: string, scope: Scope): string {
  const m = nameText(measure);
  switch (level.is) {
    case 'number':
      return numberText(level.value);
    case 'column':
      return nameText(level.column);
    case 'percent':
      return `${numberText(level.percent)} / 100 * ${nameText(level.column)}`;
    case 'stat':
      return `${STATS[level.stat]}(${m}) ${window}`;
    case 'end':
      return `first_value(${m}) ${endWindow(level, window)}`;
    case 'deviation':
      return `avg(${m}) ${window} + ${numberText(level.k)} * stddev_samp(${m}) ${window}`;
    case 'percentile':
      return `percentile_cont(${numberText(level.percentile / 100)}) within group (order by ${m}) ${window}`;
    case 'overall':
      return nameText(overallName({ measure, within: partsOfScope(scope) }));
    case 'formula':
      return addWindows(level.formula, window.slice('over ('.length, -1));
  }
}

/** The whole window, ordered so that its first value is the wanted end. A window with an order of its own stays. */
function endWindow({ end, along, descending }: Extract<Level, { is: 'end' }>, window: string): string {
  if (/\border by\b/.test(window)) return window;
  const falls = (end === 'last') !== descending;
  return `${window.slice(0, -1).trimEnd()}${window.endsWith('()') ? '' : ' '}order by ${nameText(along)}${falls ? ' desc' : ''} rows between unbounded preceding and unbounded following)`;
}

const OVERALL = 'over all rows';

// Made once: a brief writes the same few numbers at every change.
const shown = new Intl.NumberFormat('en', { maximumFractionDigits: 12 });

/** The level in words: as a token reads, and as it can be typed. */
export function levelWords(level: Level): string {
  switch (level.is) {
    case 'number':
      return shown.format(level.value);
    case 'column':
      return level.column;
    case 'percent':
      return `${level.percent} % of ${level.column}`;
    case 'stat':
      return level.stat;
    case 'end':
      return level.end;
    case 'deviation':
      return `average ${level.k < 0 ? '−' : '+'} ${Math.abs(level.k)} sd`;
    case 'percentile':
      return `percentile ${level.percentile}`;
    case 'overall':
      return OVERALL;
    case 'formula':
      return `= ${level.formula}`;
  }
}

/** A typed number, with or without group separators; NaN when the text is none. */
export const typedNumber = (text: string): number => {
  const plain = text
    .trim()
    .replace(/^−/, '-')
    .replace(/[, \u00a0\u202f](?=\d{3}(\D|$))/g, '');
  return plain === '' ? NaN : Number(plain);
};

/**
 * Reads a level from typed words; null when they are none. Column names are found regardless of case. `along`: the order that has a first and a last
 * row.
 */
export function readLevel(text: string, columns: readonly string[], along?: CueFacts['along']): Level | null {
  const words = text.trim();
  const end = words.toLowerCase();
  if (along && (end === 'first' || end === 'last')) return { is: 'end', end, along: along.column, descending: along.descending };
  const column = columns.find(name => name.toLowerCase() === words.toLowerCase());
  if (column !== undefined) return { is: 'column', column };
  const number = typedNumber(words);
  if (!Number.isNaN(number) && Number.isFinite(number)) return numberLevel(number);
  if (/^=\s*\S/.test(words)) return { is: 'formula', formula: words.replace(/^=\s*/, '') };
  if (words.toLowerCase() === OVERALL) return { is: 'overall' };
  return readStat(words) ?? readShare(words, columns);
}

function readStat(words: string): Level | null {
  const stat = words.toLowerCase().replace('mean', 'average');
  if (Object.hasOwn(STATS, stat)) return { is: 'stat', stat: stat as keyof typeof STATS };
  const away = /^average\s*([+\-−])\s*(\d*\.?\d*)\s*(sd|standard deviations?)$/.exec(stat);
  if (away) return { is: 'deviation', k: Number(away[2] || 1) * (away[1] === '+' ? 1 : -1) };
  const percentile = /^(?:percentile\s*|p)(\d+(?:\.\d+)?)$/.exec(stat)?.[1];
  return percentile !== undefined && Number(percentile) <= 100 ? { is: 'percentile', percentile: Number(percentile) } : null;
}

function readShare(words: string, columns: readonly string[]): Level | null {
  const [, percent, name = ''] = /^(-?\d+(?:\.\d+)?)\s*%\s+of\s+(.+)$/i.exec(words) ?? [];
  const column = columns.find(item => item.toLowerCase() === name.toLowerCase());
  return percent !== undefined && column !== undefined ? { is: 'percent', percent: Number(percent), column } : null;
}

const HINT =
  'A number, a column, “90 % of” a column, average, minimum, maximum, total, first, last, “average + 1 sd”, median, “percentile 90”, “over all rows”, or “= ” and a formula.';

/** A token that takes a level, typed or chosen. */
export function levelToken(key: string, about: string, level: Level, words: CueFacts): Token {
  const value = levelWords(level);
  const whole = level.is === 'overall' || (words.ratios?.length ?? 0) > 0 ? [OVERALL] : [];
  const options = [
    ...measureOptions(words),
    ...plainOptions(['average', 'median', 'minimum', 'maximum', 'total', 'first', 'last', 'average + 1 sd', 'percentile 90', ...whole]),
  ];
  const check = (text: string): string | null => (readLevel(text, measuresWithin(words), words.along) ? null : HINT);
  return { key, about, text: value, input: { kind: 'entry', value, options, hint: HINT, check } };
}

/** The columns that a level needs. A formula reports its missing columns itself. */
export const levelColumns = (level: Level): string[] => (level.is === 'column' || level.is === 'percent' ? [level.column] : []);

/** Whether a level is a statistic of the figure's rows, so that its sentence must state which rows were used. */
export const isStatistic = ({ is }: Level): boolean => is === 'stat' || is === 'end' || is === 'deviation' || is === 'percentile';

/** The level after a measure was renamed. */
export const renamedLevel = (level: Level, from: string, to: string): Level =>
  (level.is === 'column' || level.is === 'percent') && level.column === from
    ? { ...level, column: to }
    : level.is === 'formula'
      ? { ...level, formula: renameNames(level.formula, new Map([[from, to]])) }
      : level;
