import { cueKinds, cueFactsOf } from 'core/cue';
import { givenTitle, plainCrosstab, plainDress, plainLabels, plainScales, plainShape, type Figure } from 'core/document';
import { nameText } from 'core/formula';
import { plainMeasure, ROWS, simpleMeasure, type FigureData, type Filter, type Measure, type Step } from 'core/frame';
import { listed } from 'core/sentence';
import { isAveraged, isIdentifier, isMeasurable, isMoment, isMonthNamed, isNaming, isYear } from '../data/column-roles';
import { offeredColumns, type ColumnFacts, type TableFacts } from '../data/table-facts';

/** A first figure, the reasons for it, and alternatives. */
export interface FirstFigures {
  readonly figure: Figure;
  /** One clause per reason; empty for an obvious figure. */
  readonly reasons: readonly string[];
  readonly others: readonly Figure[];
}

// More categories than this are cut to the largest of them.
const MOST_CATEGORIES = 40;
const KEPT = 20;
// A line over time with more points than this takes longer steps.
const MOST_POINTS = 120;
const MOST_OTHERS = 3;
const MOST_SERIES = 6;

/** The figure of `firstFigures`; by a given category, where one was chosen. */
export const firstFigure = (id: string, table: TableFacts, category?: string): Figure =>
  made(id, table, { category: table.columns.find(({ name }) => name === category) ?? categoryOf(table) }).figure;

/**
 * First sensible figures of a table: dates become a line over time, names sorted bars, years their own order, numbers alone a histogram; what means
 * nothing summed is averaged; of many categories the largest are kept, by a filter. Every choice that would surprise has its reason.
 */
export function firstFigures(id: string, whole: TableFacts): FirstFigures {
  const offered = offeredColumns(whole);
  const table = offered.length ? { ...whole, columns: offered } : whole;
  const category = categoryOf(table);
  const first = made(id, table, { category });
  const others = othersThan(category, table).map((choice, i) => made(`${id}-${i + 1}`, table, choice).figure);
  const isNew = (figure: Figure, at: number): boolean => [first.figure, ...others.slice(0, at)].every(other => other.name !== figure.name);
  return { ...first, others: others.filter(isNew).slice(0, MOST_OTHERS) };
}

interface Choice {
  /** Undefined for a table without columns. */
  readonly category: ColumnFacts | undefined;
  readonly measure?: ColumnFacts;
  readonly series?: ColumnFacts;
}

/** The category: dates, then names, then years, then booleans, then identifiers, then any column; columns without values last. */
function categoryOf({ columns }: TableFacts): ColumnFacts | undefined {
  const there = columns.filter(({ stats }) => stats?.there !== 0);
  const varied = (column: ColumnFacts): boolean => column.stats === undefined || column.stats.distinct > 1;
  const texts = there.filter(column => column.type === 'text' && isNaming(column));
  return (
    there.find(column => isMoment(column) && varied(column)) ??
    texts.find(({ stats }) => stats === undefined || stats.distinct <= MOST_CATEGORIES) ??
    texts[0] ??
    there.find(column => isYear(column) && varied(column)) ??
    there.find(isNaming) ??
    there.find(isIdentifier) ??
    there.find(({ type }) => type === 'text') ??
    there[0] ??
    columns[0]
  );
}

/** Alternatives: over time or by name, split into a few series, another measure, the distribution of a measure. */
function othersThan(category: ColumnFacts | undefined, { columns }: TableFacts): Choice[] {
  const varied = columns.filter(column => isNaming(column) && column !== category);
  const [measure, second] = columns.filter(isMeasurable);
  const year = columns.find(column => isYear(column) && column !== category && (column.stats?.distinct ?? 0) > 2);
  const few = varied.find(({ stats }) => (stats?.distinct ?? MOST_SERIES + 1) <= MOST_SERIES);
  return [
    ...(year ? [{ category: year }] : []),
    ...varied.slice(0, year ? 1 : 2).map(column => ({ category: column })),
    ...(few && category && (isMoment(category) || isYear(category)) ? [{ category, series: few }] : []),
    ...(second && second !== category ? [{ category, measure: second }] : []),
    ...(measure && measure !== category ? [{ category: measure }] : []),
  ];
}

interface Made {
  readonly figure: Figure;
  readonly reasons: readonly string[];
}

function made(id: string, table: TableFacts, choice: Choice): Made {
  const { category, series } = choice;
  const name = category?.name ?? '';
  const measured = measureFor(table, choice);
  const { measure } = measured;
  const step = category ? stepFor(category) : null;
  const ordered = category !== undefined && (isMoment(category) || isYear(category) || category.type === 'number');
  const filter = step === null && !ordered ? cutFor(category, measure) : null;
  const isLine = category !== undefined && (isMoment(category) || (isYear(category) && (category.stats?.distinct ?? 0) > 12));
  const data: FigureData = {
    table: table.id,
    category: name,
    step,
    outer: [],
    seriesStep: null,
    empty: 'missing',
    series: series?.name ?? null,
    panel: null,
    measures: [measure],
    helpers: [],
    filters: filter ? [filter] : [],
    order: ordered ? { by: 'category', descending: false } : { by: 'measure', measure: measure.name, descending: true },
    whatIfs: [],
  };
  const title = givenTitle(data);
  const figure: Figure = {
    id,
    name: title,
    data,
    shape: isLine ? { ...plainShape, mark: 'line' } : plainShape,
    cues: [cueKinds.extremes.create('cue-1', cueFactsOf({ category: name, measures: [measure.name], series: series?.name ?? null }))],
    scales: plainScales,
    words: { title, subtitle: '' },
    labels: plainLabels,
    dress: plainDress,
    crosstab: plainCrosstab,
    view: 'cued',
  };
  const kept = filter ? [`the ${KEPT} largest of ${(category?.stats?.distinct ?? 0).toLocaleString('en')} are kept, by a filter`] : [];
  const stepped = step?.kind === 'grain' ? [`dates are taken ${step.grain} by ${step.grain}`] : [];
  return { figure, reasons: [...measured.reasons, ...stepped, ...kept, ...identifiersLeft(table, measured.measure)] };
}

/** A number column that was not measured because it is an identifier. */
function identifiersLeft({ columns }: TableFacts, { formula }: Measure): string[] {
  const numbers = columns.filter(({ type }) => type === 'number');
  const first = numbers.findIndex(({ name }) => formula.includes(nameText(name)));
  const passed = numbers.slice(0, first === -1 ? numbers.length : first).filter(column => isYear(column) || isIdentifier(column));
  return passed.length
    ? [
        `${listed(passed.slice(0, 3).map(({ name }) => name))} ${passed.length > 1 ? 'name' : 'names'} things and ${passed.length > 1 ? 'are' : 'is'} not summed`,
      ]
    : [];
}

function measureFor(table: TableFacts, { category, measure }: Choice): { readonly measure: Measure; readonly reasons: readonly string[] } {
  const name = category?.name ?? '';
  const columns = table.columns.filter(column => column.name !== name);
  const months = columns.filter(isMonthNamed);
  const counted = { measure: simpleMeasure('count', ROWS, [name]), reasons: [] };
  // A spread counts rows; nothing else is measured against its bins.
  if (category && isHistogram(category))
    return { ...counted, reasons: [`there are no names or dates to go by, so rows are counted by ${name}`] };
  if (!measure && months.length >= 3)
    return {
      measure: addedUp(months),
      reasons: [`the ${months.length} months from ${months[0]?.name ?? ''} to ${months.at(-1)?.name ?? ''} are added up`],
    };
  const measurable = columns.filter(isMeasurable);
  // Averages of many names tie: what can be added up tells them apart.
  const told = isCut(category) ? measurable.find(column => !isAveraged(column, table.units[column.name])) : undefined;
  const column = measure ?? told ?? measurable[0];
  if (!column)
    return {
      ...counted,
      reasons: table.columns.some(({ type }) => type === 'number') ? [] : ['there is no number to measure, so rows are counted'],
    };
  const averages = isAveraged(column, table.units[column.name]);
  return {
    measure: simpleMeasure(averages ? 'avg' : 'sum', column.name, [name]),
    reasons: averages ? [`${column.name} is averaged, because summing it means nothing`] : [],
  };
}

const isHistogram = (category: ColumnFacts): boolean => category.type === 'number' && !isYear(category) && !isIdentifier(category);

const addedUp = (columns: readonly ColumnFacts[]): Measure =>
  plainMeasure('total', columns.map(({ name }) => `coalesce(sum(${nameText(name)}), 0)`).join(' + '));

const DAY = 1;
const DAYS = [
  ['week', 7],
  ['month', 30],
  ['quarter', 91],
  ['year', 365],
] as const;
const MS_PER_DAY = 86_400_000;

/** The step of a category: bins for numbers; for dates the shortest step with a legible number of points. */
function stepFor(category: ColumnFacts): Step {
  if (isHistogram(category)) return { kind: 'bin', width: null };
  const { stats } = category;
  if (!isMoment(category) || !stats || stats.there === 0) return null;
  const days = (stats.high - stats.low) / (category.type === 'timestamp' ? MS_PER_DAY : DAY) + 1;
  if (stats.distinct <= MOST_POINTS && (category.type === 'date' || days <= 2)) return null;
  if (days <= MOST_POINTS) return { kind: 'grain', grain: 'day' };
  const [grain] = DAYS.find(([, length]) => days / length <= MOST_POINTS) ?? ['year'];
  return { kind: 'grain', grain };
}

/** Whether a category has too many names to read. */
const isCut = (category: ColumnFacts | undefined): boolean =>
  category?.type === 'text' && (category.stats?.distinct ?? 0) > MOST_CATEGORIES;

/** A filter that keeps the largest of many names. */
function cutFor(category: ColumnFacts | undefined, { formula }: Measure): Filter | null {
  return category && isCut(category) ? { kind: 'top', column: category.name, n: KEPT, measure: formula, end: 'largest' } : null;
}
