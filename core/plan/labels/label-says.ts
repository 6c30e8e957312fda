import { isLying, type Labels } from 'core/document';
import { columnOf } from 'core/table';
import { rowNames } from 'core/words';
import { labelTexts } from './label-text';
import { numbersOf, signed, valueTexts, type LabelNumbers } from '../layers/marks';
import type { Layer } from '../plan';
import type { LayoutRequest } from '../requests';

/** What the labels of a layer say, by item along the category axis; an empty text for no label. */
export interface Said {
  readonly text: (at: number) => string;
  /** The numbers behind the texts, where a label may be written shorter. */
  readonly numbers: LabelNumbers | null;
}

/** Inputs for the texts of labels. */
export interface SaysFacts {
  readonly request: LayoutRequest;
  readonly layer: Layer;
  /** For each item the total of all parts at the same place: the base of shares of a stack. */
  readonly wholes: Float64Array;
}

const plainly = (text: (at: number) => string): Said => ({ text, numbers: null });

/** Everything that a label can say. A new one is an entry here and its words in the brief. */
export const says: { readonly [S in Labels['says']]: (facts: SaysFacts) => Said } = {
  value(facts) {
    const { request, layer } = facts;
    const { labels } = request.figure;
    const measure = otherOf(facts) ?? layer.measure;
    if (labels.format !== null) {
      const numbers = columnNumbers(request, measure);
      const { format } = labels;
      return plainly(byRow(layer, row => (isThere(numbers[row]) ? request.write.format(format, measure, numbers[row]) : '')));
    }
    const [written, numbers] = [valueTexts(request, measure), columnNumbers(request, measure)];
    return { text: byRow(layer, row => (isThere(numbers[row]) ? written(row) : '')), numbers: numbersOf(request, measure) };
  },
  name({ request, layer }) {
    const names = rowNames(request.frame, request.figure);
    return plainly(byRow(layer, row => names[row] ?? ''));
  },
  series: ({ layer }) => plainly(() => layer.name),
  share({ request, layer }) {
    const total = sumOf(columnNumbers(request, layer.measure));
    const own = measured(request, layer);
    return plainly(percents(request, layer, at => (own[at] as number) / total));
  },
  part: ({ request, layer, wholes }) =>
    plainly(percents(request, layer, at => Math.abs(layer.values[at] as number) / (wholes[at] as number))),
  difference(facts) {
    const { request, layer } = facts;
    const other = otherOf(facts);
    const numbers = other === null ? null : columnNumbers(request, other);
    return plainly(differences(request, layer, at => (numbers ? numbers[layer.rows[at] as number] : undefined) ?? NaN));
  },
  previous({ request, layer }) {
    const own = measured(request, layer);
    return plainly(differences(request, layer, at => before(own, at)));
  },
  rank({ request, layer }) {
    const sorted = Float64Array.from(columnNumbers(request, layer.measure).filter(isThere)).sort();
    const own = measured(request, layer);
    return plainly(at => (isThere(own[at]) ? `${1 + above(sorted, own[at])}.` : ''));
  },
  glyph({ request, layer }) {
    const [rise, fall] = isLying(request.figure.shape) ? ['▶', '◀'] : ['▲', '▼'];
    const own = measured(request, layer);
    return plainly(at => {
      const change = (own[at] as number) - before(own, at);
      return Number.isNaN(change) ? '' : change > 0 ? rise : change < 0 ? fall : '■';
    });
  },
  text({ request, layer }) {
    const helpers = request.applied.flatMap(({ helpers: own }) => own.map(({ column }) => column));
    // A line break is typed as it is in most places.
    const text = labelTexts(request.figure.labels.text.replaceAll('\\n', '\n'), request, helpers);
    return plainly(byRow(layer, text));
  },
};

const isThere = (value: number | undefined): value is number => value !== undefined && !Number.isNaN(value);

const byRow =
  ({ rows }: Layer, text: (row: number) => string) =>
  (at: number): string =>
    rows[at] === -1 || rows[at] === undefined ? '' : text(rows[at]);

/** The other measure that labels speak of, where the frame has it as a number. */
function otherOf({ request: { figure, frame } }: SaysFacts): string | null {
  const { measure } = figure.labels;
  return measure !== null && columnOf(frame.table, measure)?.type === 'number' ? measure : null;
}

/** A column of the frame as numbers; undefined where it holds another type. */
function columnNumbers({ frame }: LayoutRequest, name: string): Float64Array {
  const column = columnOf(frame.table, name);
  return column?.type === 'number' ? column.data : new Float64Array(frame.table.rowCount).fill(NaN);
}

/** The measure's own values along a layer, also where a cue draws other values instead. */
function measured(request: LayoutRequest, { measure, rows }: Layer): Float64Array {
  const numbers = columnNumbers(request, measure);
  return Float64Array.from(rows, row => (row === -1 ? NaN : (numbers[row] as number)));
}

const sumOf = (values: Float64Array): number => values.reduce((sum, value) => (Number.isNaN(value) ? sum : sum + value), 0);

/** How many sorted values are greater than a value. Method: bisection. */
function above(sorted: Float64Array, value: number): number {
  let [from, to] = [0, sorted.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if ((sorted[middle] as number) > value) to = middle;
    else from = middle + 1;
  }
  return sorted.length - from;
}

/** The previous value along the category axis, missing ones skipped; NaN for the first. */
function before(values: Float64Array, at: number): number {
  for (let i = at - 1; i >= 0; i--) if (isThere(values[i])) return values[i] as number;
  return NaN;
}

function percents(request: LayoutRequest, layer: Layer, share: (at: number) => number): (at: number) => string {
  // A tenth of a percent is as much as a label is read with.
  const shares = Float64Array.from(layer.values, (_, at) => Math.round(share(at) * 1000) / 1000);
  const write = request.write.alike(layer.measure, shares, 'percent');
  return at => (Number.isFinite(shares[at]) ? write(shares[at] as number) : '');
}

function differences(request: LayoutRequest, layer: Layer, other: (at: number) => number): (at: number) => string {
  const values = measured(request, layer).map((value, at) => value - other(at));
  const write = request.write.alike(layer.measure, values);
  return at => signed(values[at] as number, write);
}
