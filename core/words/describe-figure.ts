import { isTable, type Figure, type FigureShape } from 'core/document';
import { figureForms } from 'core/shape';
import type { AppliedCue } from 'core/cue';
import { numberFacts } from 'core/format';
import type { Frame } from 'core/frame';
import { counted, listed } from 'core/sentence';
import { columnOf, rowsWithValue } from 'core/table';
import { filterWords } from './filter-words';
import { findingOf } from './findings';
import type { ValueWriter } from './value-writer';
import type { Computed } from './why';

/** Numbers that a figure is described by: its own, and those of the totals that cues look at. */
type Described = Computed & {
  readonly totals?: readonly (Computed & { readonly figure: Figure; readonly of: 'rows' | 'columns' })[] | undefined;
};

/** The figure in sentences: what is shown, in which order, from which value to which, what is marked, what is missing. */
export function describeFigure(figure: Figure, { frame, applied, totals = [] }: Described, write: ValueWriter): readonly string[] {
  const measure = frame.measures[0] ?? '';
  const { data, shape } = figure;
  const names = [...frame.measures, ...data.helpers.filter(helper => helper.shape !== null).map(helper => helper.name)];
  const split = isTable({ shape })
    ? [...partWords('column', data.series, frame), ...nestedWords(frame)]
    : [...partWords('series', data.series, frame), ...partWords('panel', data.panel, frame)];
  const rows = counted(frame.table.rowCount, split.length ? 'value' : data.step?.kind === 'grain' ? data.step.grain : frame.category);
  const shown = `${shapeWords(shape.mark)} of ${names.join(', ')} for ${rows}${split.map(words => `, ${words}`).join('')}, ${orderWords(data.order)}.`;
  const kept = data.filters.length ? `Kept: ${data.filters.map(filter => filterWords(filter)).join('; ')}.` : '';
  const foundIn = ({ frame, applied, figure }: Computed & { readonly figure: Figure }): string[] =>
    applied.flatMap(from => from.treatments.map(item => findingOf(item, { from, frame, figure, write }))).filter(Boolean);
  const ofTotals = totals.flatMap(item =>
    foundIn(item).map(words => `Totals of ${item.of}: ${words.charAt(0).toLowerCase()}${words.slice(1)}`),
  );
  return [
    shown,
    kept,
    rangeWords(frame, measure, write),
    ...foundIn({ frame, applied, figure }),
    ...ofTotals,
    missingWords(frame, measure),
    viewWords(figure, applied),
  ].filter(Boolean);
}

/** Sentences in so many at most: those that are too many follow others behind a semicolon, from the second on, the shortest first. */
export function inSentences(sentences: readonly string[], most: number): string {
  const told = [...sentences];
  while (told.length > most) {
    const lengths = told.slice(1, -1).map((sentence, i) => sentence.length + (told[i + 2] as string).length);
    const at = 1 + lengths.indexOf(Math.min(...lengths));
    told.splice(at, 2, `${(told[at] as string).replace(/\.$/, '')}; ${told[at + 1] as string}`);
  }
  return told.join(' ');
}

/** "Values run from 23,890 L to 94,190 L": of the first measure; nothing where it has one value alone, or none. */
function rangeWords({ table }: Frame, measure: string, write: ValueWriter): string {
  const column = columnOf(table, measure);
  if (column?.type !== 'number') return '';
  const { low, high } = numberFacts(column.data);
  return low < high ? `Values run from ${write.full(measure, low)} to ${write.full(measure, high)}.` : '';
}

// More names than this are a list to be read in the ledger, not heard.
const MOST_NAMES = 6;

/** "Columns", or "Lying bars". */
const shapeWords = (mark: FigureShape): string => (mark === 'crosstab' ? 'Crosstab' : figureForms[mark].plural);

function orderWords(order: Figure['data']['order']): string {
  if (order.by === 'table') return order.backward ? 'last row first' : 'in table order';
  if (order.by === 'hand') return 'ordered by hand';
  if (order.by === 'category') return order.descending ? 'categories falling' : 'categories rising';
  return order.descending ? 'largest first' : 'smallest first';
}

/** What a split names: "a series per valley: Tolm and Siddel". */
function partWords(kind: string, name: string | null, { table }: Frame): string[] {
  if (name === null) return [];
  const column = columnOf(table, name);
  const names = column?.type === 'text' ? column.dictionary.filter((_, code) => column.data.includes(code)) : [];
  const told = names.length > 0 && names.length <= MOST_NAMES ? `: ${listed(names)}` : '';
  return [`a ${kind} per ${name}${told}`];
}

/** "rows nested in valley and herd". */
function nestedWords({ panel, outer }: Frame): string[] {
  const names = [...(panel === null ? [] : [panel]), ...outer];
  return names.length ? [`rows nested in ${listed(names)}`] : [];
}

/** Whether what is told is the figure with its cues or without them. */
function viewWords(figure: Figure, applied: readonly AppliedCue[]): string {
  if (figure.cues.length === 0) return '';
  return applied.length === 0 ? 'Shown plain, without its cues.' : 'Shown cued.';
}

function missingWords(frame: Frame, measure: string): string {
  const column = columnOf(frame.table, measure);
  const count = !column
    ? 0
    : column.type === 'number'
      ? numberFacts(column.data).missing
      : column.data.length - rowsWithValue(column).length;
  return count ? `Missing: ${counted(count, 'value')}.` : '';
}
