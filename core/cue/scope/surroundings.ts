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

/** A column of the table that can be added to the figure's measures, with the name that it would get. */
export interface Candidate {
  readonly name: string;
  /** Its formula as a measure. */
  readonly formula: string;
}

/** The smallest and the largest value behind a measure or candidate. */
export interface ValueRange {
  readonly low: number;
  readonly high: number;
}

/** What the sentences of a cue need to know of the figure. */
export interface CueFacts extends Surroundings {
  readonly measures: readonly string[];
  /** Columns that can be added as measures: choosing one adds it to the figure. */
  readonly candidates?: readonly Candidate[];
  /** The range of the rows behind a measure or candidate; undefined when unknown. */
  readonly rangeOf?: (name: string) => ValueRange | undefined;
  /** Measures whose value over all rows is not a total: averages, ratios, medians. */
  readonly ratios?: readonly string[];
  /** Columns with one value per row of the frame, to group by. */
  readonly scopes: readonly string[];
  /** The columns in which the rows of a crosstab are nested, outermost first; together they identify a row. */
  readonly rows?: readonly string[];
  /** Totals of a crosstab that cues may look at. */
  readonly totals?: readonly ('rows' | 'columns')[];
  /** The order that cues follow by default: the figure's own; ascending in time where categories are dates. */
  readonly along: { readonly column: string; readonly descending: boolean };
  /** The number of rows with a value of a measure, and of all rows; undefined while unknown. */
  readonly counts?: (measure: string) => { readonly there: number; readonly all: number } | undefined;
  /** Names of the project's named looks. */
  readonly looks?: readonly string[];
  /** Names of the analyst's own small pictures. */
  readonly pictures?: readonly string[];
}

/** Facts about a figure of which little is known, for tests and first offers. */
export const cueFactsOf = (words: Partial<CueFacts> & Pick<CueFacts, 'measures'>): CueFacts => ({
  category: '',
  series: null,
  panel: null,
  typeOf: () => undefined,
  scopes: [],
  along: { column: words.category ?? '', descending: false },
  ...words,
});
