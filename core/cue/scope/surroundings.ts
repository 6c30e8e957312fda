import type { Frame } from 'core/frame';
import { columnOf, type ColumnType } from 'core/table';

/** The context in which a cue is expanded: how the figure is split, and its columns. */
export interface Surroundings {
  readonly category: string;
  readonly series: string | null;
  readonly panel: string | null;
  /** Undefined where no column of the figure has the name. */
  readonly typeOf: (column: string) => ColumnType | undefined;
}

/** The surroundings that a frame makes. */
export const aroundOf = ({ category, series, panel, table }: Frame): Surroundings => ({
  category,
  series,
  panel,
  typeOf: name => columnOf(table, name)?.type,
});

/** A column of the table that could be measured beside the figure's measures, under the name that it would have there. */
export interface Candidate {
  readonly name: string;
  /** As a measure of the figure. */
  readonly formula: string;
}

/** The smallest and the largest value behind a measure or candidate. */
export interface ValueRange {
  readonly low: number;
  readonly high: number;
}

/** What a sentence is written against: the words that make sense in this figure. */
export interface CueFacts extends Surroundings {
  readonly measures: readonly string[];
  /** Columns that could be measured too: choosing one adds it to the figure. */
  readonly candidates?: readonly Candidate[];
  /** The rows behind a measure or candidate; undefined when they are unknown. */
  readonly rangeOf?: (name: string) => ValueRange | undefined;
  /** Measures that over all rows are more than a total: averages, ratios, medians. */
  readonly ratios?: readonly string[];
  /** Columns with one value per row of the frame, to look within. */
  readonly scopes: readonly string[];
  /** What the rows of a crosstab are nested in, outermost first: together they are one row. */
  readonly rows?: readonly string[];
  /** Totals of a crosstab that cues may look at. */
  readonly totals?: readonly ('rows' | 'columns')[];
  /** The order that cues follow unless told otherwise: the figure's own; forward in time where the categories are dates. */
  readonly along: { readonly column: string; readonly descending: boolean };
  /** How many rows have a value of a measure, and how many there are; undefined while that is not known. */
  readonly counts?: (measure: string) => { readonly there: number; readonly all: number } | undefined;
  /** Names of the project's named looks. */
  readonly looks?: readonly string[];
  /** Names of the analyst's own small pictures. */
  readonly pictures?: readonly string[];
}

/** Words of a figure of which little is known. */
export const cueFactsOf = (words: Partial<CueFacts> & Pick<CueFacts, 'measures'>): CueFacts => ({
  category: '',
  series: null,
  panel: null,
  typeOf: () => undefined,
  scopes: [],
  along: { column: words.category ?? '', descending: false },
  ...words,
});
