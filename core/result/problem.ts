/** A place in a formula: offsets into its text, and the 1-based line and column of its start. */
export interface Place {
  readonly start: number;
  readonly end: number;
  readonly line: number;
  readonly column: number;
}

/** Everything an analyst can get wrong, as data; `messageFor` puts it into words. */
export type Problem =
  FormulaProblem | FileProblem | MendProblem | MakingProblem | PictureProblem | DocumentProblem | SettingProblem | CueProblem;

/** What can be wrong with a formula, each at its place. */
export type FormulaProblem = { readonly at: Place; readonly words: string } & (
  | { readonly code: 'syntax'; readonly expected: readonly string[] }
  | { readonly code: 'too-long'; readonly limit: number }
  | { readonly code: 'too-deep'; readonly limit: number }
  | { readonly code: 'unknown-name'; readonly nearest: string | undefined; readonly known: readonly string[] }
  | { readonly code: 'unknown-function'; readonly nearest: string | undefined }
  | { readonly code: 'argument-count'; readonly name: string; readonly takes: string; readonly got: number }
  | { readonly code: 'wrong-type'; readonly needs: string; readonly got: string }
  | { readonly code: 'aggregate-here'; readonly name: string }
  | { readonly code: 'aggregate-nested'; readonly name: string }
  | { readonly code: 'not-aggregated'; readonly name: string }
  | { readonly code: 'window-needed'; readonly name: string }
  | { readonly code: 'window-here'; readonly name: string }
  | { readonly code: 'order-needed'; readonly name: string }
  | { readonly code: 'not-windowed'; readonly name: string }
  | { readonly code: 'within-needed'; readonly name: string; readonly signature: string }
  | { readonly code: 'distinct-window'; readonly name: string }
  | { readonly code: 'frame-backwards' }
  | { readonly code: 'range-order' }
  | { readonly code: 'cast-impossible'; readonly from: string; readonly to: string }
);

/** What can be wrong, or was assumed, in a file of rows. */
export type FileProblem =
  | { readonly code: 'file-empty'; readonly file: string }
  | { readonly code: 'file-binary'; readonly file: string; readonly line: number }
  | { readonly code: 'file-too-large'; readonly file: string; readonly bytes: number; readonly limit: number }
  | { readonly code: 'file-no-rows'; readonly file: string }
  | { readonly code: 'quote-unclosed'; readonly line: number }
  | { readonly code: 'quote-misplaced'; readonly line: number }
  | { readonly code: 'unpacked-too-large'; readonly file: string; readonly limit: number }
  | { readonly code: 'file-broken'; readonly file: string; readonly what: string }
  | { readonly code: 'json-broken'; readonly file: string; readonly line: number }
  | { readonly code: 'json-no-list'; readonly file: string }
  | { readonly code: 'json-line-broken'; readonly line: number }
  | { readonly code: 'json-lists-kept'; readonly column: string }
  | { readonly code: 'workbook-locked'; readonly file: string }
  | { readonly code: 'workbook-empty'; readonly file: string; readonly sheet: string | null }
  | { readonly code: 'sheet-absent'; readonly name: string; readonly known: readonly string[] }
  | { readonly code: 'rows-hidden'; readonly count: number; readonly isKept: boolean }
  | { readonly code: 'headers-joined'; readonly rows: number; readonly example: string }
  | { readonly code: 'rows-beyond'; readonly count: number; readonly line: number; readonly counts?: 'row' }
  | { readonly code: 'merges-filled'; readonly count: number }
  | { readonly code: 'errors-missing'; readonly count: number; readonly example: string }
  | { readonly code: 'numbers-as-text'; readonly column: string; readonly count: number }
  | { readonly code: 'row-ragged'; readonly line: number; readonly cells: number; readonly columns: number; readonly counts?: 'row' }
  | { readonly code: 'rows-ragged-more'; readonly count: number }
  | {
      readonly code: 'cell-misfit';
      readonly line: number;
      readonly column: string;
      readonly text: string;
      readonly type: string;
      readonly counts?: 'row';
    }
  | { readonly code: 'cells-misfit-more'; readonly column: string; readonly count: number; readonly type: string }
  | { readonly code: 'name-repeated'; readonly name: string; readonly renamed: string }
  | { readonly code: 'name-missing'; readonly position: number; readonly renamed: string }
  | { readonly code: 'date-order-assumed'; readonly column: string; readonly example: string }
  | { readonly code: 'decimal-assumed'; readonly column: string; readonly example: string; readonly value: number }
  | { readonly code: 'bytes-unreadable'; readonly count: number; readonly line: number }
  | { readonly code: 'lines-above'; readonly count: number; readonly text: string }
  | { readonly code: 'header-missing' }
  | {
      readonly code: 'identifiers-kept';
      readonly column: string;
      readonly sign: 'zeros' | 'plus' | 'digits' | 'codes';
      readonly example: string;
    }
  | { readonly code: 'unit-kept'; readonly column: string; readonly unit: string }
  | { readonly code: 'year-assumed'; readonly column: string; readonly example: string; readonly year: number }
  | { readonly code: 'moments-cut'; readonly column: string; readonly example: string }
  | { readonly code: 'guards-removed'; readonly count: number }
  | { readonly code: 'notes-more'; readonly count: number }
  | { readonly code: 'cell-too-long'; readonly line: number }
  | { readonly code: 'too-many-columns'; readonly line: number; readonly limit: number; readonly counts?: 'row' }
  | { readonly code: 'too-many-cells'; readonly line: number; readonly limit: number; readonly counts?: 'row' }
  | { readonly code: 'encoding-assumed'; readonly encoding: string };

/** What can be wrong with a mend; the others are done all the same. */
export type MendProblem =
  | { readonly code: 'mend-no-column'; readonly name: string }
  | { readonly code: 'mend-other-type'; readonly name: string; readonly needs: 'text' | 'numbers' }
  | { readonly code: 'mend-no-rule'; readonly words: string }
  | { readonly code: 'mend-unread'; readonly text: string };

/** What can be wrong with a table made of others; of a note the table is there all the same. */
export type MakingProblem =
  | { readonly code: 'made-no-table'; readonly name: string }
  | { readonly code: 'made-circle'; readonly name: string }
  | { readonly code: 'made-no-column'; readonly table: string; readonly name: string }
  | { readonly code: 'made-name-taken'; readonly name: string }
  | { readonly code: 'made-too-large'; readonly rows: number; readonly limit: number }
  | { readonly code: 'made-too-wide'; readonly name: string; readonly columns: number; readonly limit: number }
  | { readonly code: 'made-place-twice'; readonly name: string; readonly rows: readonly number[] }
  | { readonly code: 'keys-uneven'; readonly table: string; readonly keys: number; readonly needed: number }
  | { readonly code: 'keys-differ'; readonly name: string; readonly table: string; readonly type: string; readonly other: string }
  | { readonly code: 'keys-twice'; readonly table: string; readonly keys: readonly string[]; readonly isLookedUp?: true }
  | {
      readonly code: 'keys-alone';
      readonly isNote: true;
      readonly table: string;
      readonly count: number;
      readonly examples: readonly string[];
    }
  | { readonly code: 'keys-missing'; readonly isNote: true; readonly table: string; readonly count: number }
  | { readonly code: 'keys-not-found'; readonly isNote: true; readonly table: string; readonly count: number }
  | { readonly code: 'types-differ'; readonly isNote: true; readonly name: string; readonly types: readonly string[] };

/** What can be wrong with a small picture. */
export type PictureProblem =
  | { readonly code: 'picture-too-large'; readonly name: string; readonly bytes: number; readonly limit: number }
  | { readonly code: 'picture-too-wide'; readonly name: string; readonly width: number; readonly height: number; readonly limit: number }
  | { readonly code: 'picture-foreign'; readonly name: string }
  | { readonly code: 'picture-active'; readonly name: string; readonly words: string };

/** What can be wrong with a project, or with what is asked of the engine. */
export type DocumentProblem =
  /** What only wrong code of ours can cause. */
  | { readonly code: 'engine-fault'; readonly words: string }
  | { readonly code: 'document-not-json'; readonly line: number }
  | { readonly code: 'document-foreign' }
  | { readonly code: 'sql-too-long'; readonly limit: number }
  | { readonly code: 'document-newer'; readonly version: number; readonly known: number }
  | { readonly code: 'document-field'; readonly path: string; readonly found: string }
  | { readonly code: 'value-misfit'; readonly column: string; readonly text: string; readonly type: string };

/** What cannot be chosen in the brief. */
export type SettingProblem =
  | { readonly code: 'setting-unknown'; readonly key: string }
  | { readonly code: 'setting-value'; readonly about: string; readonly value: string; readonly offered: readonly string[] }
  | { readonly code: 'setting-too-long'; readonly about: string; readonly limit: number }
  | { readonly code: 'setting-entry'; readonly words: string };

/** What a cue cannot do here, or what must be known of it. */
export type CueProblem =
  | { readonly code: 'cue-no-measure'; readonly name: string; readonly known: readonly string[] }
  | { readonly code: 'cue-no-scope'; readonly name: string; readonly category: string }
  | { readonly code: 'cue-all-missing'; readonly name: string }
  | { readonly code: 'cue-no-rows' }
  | { readonly code: 'cue-no-totals'; readonly of: 'rows' | 'columns' }
  /** What of a cue a table has no place for; `rests`: nothing else is left of it. */
  | { readonly code: 'cue-no-place'; readonly what: readonly string[]; readonly rests: boolean }
  | { readonly code: 'cue-one-value'; readonly name: string }
  | { readonly code: 'cue-all-equal'; readonly name: string }
  | { readonly code: 'cue-no-order' }
  | { readonly code: 'cue-needs-dates'; readonly name: string }
  | { readonly code: 'cue-negative'; readonly name: string }
  | { readonly code: 'cue-ties'; readonly n: number; readonly marked: number }
  | { readonly code: 'cue-first-missing'; readonly name: string }
  | { readonly code: 'cue-odd-base'; readonly name: string; readonly value: number | null }
  | { readonly code: 'cue-mean-interval' }
  | { readonly code: 'cue-window-short'; readonly rows: number; readonly needed: number }
  | { readonly code: 'cue-too-few'; readonly parts: number; readonly of: number; readonly needed: number; readonly limit: string }
  | { readonly code: 'cue-no-spread'; readonly parts: number; readonly of: number; readonly spread: string }
  | { readonly code: 'cue-no-row'; readonly name: string; readonly category: string }
  | { readonly code: 'helper-formula'; readonly name: string; readonly problem: FormulaProblem }
  | { readonly code: 'cue-formula'; readonly name: string; readonly problem: FormulaProblem }
  | { readonly code: 'figure-name-taken'; readonly name: string }
  | { readonly code: 'column-cycle'; readonly names: readonly string[] }
  | { readonly code: 'figure-no-table'; readonly name: string }
  | { readonly code: 'figure-no-column'; readonly name: string; readonly known: readonly string[] };
