import { isTable, type CrosstabChoice, type Figure } from 'core/document';
import type { Change, Subject } from '../setting';

/** Places of a setting that only tables have. */
export const inTables =
  (places: (figure: Figure) => readonly string[]) =>
  (figure: Figure): readonly string[] =>
    isTable(figure) ? places(figure) : [];

/** Once in a table. */
export const once = inTables(() => ['']);

/** A table with some of its choices made anew. */
export const changed = ({ figure }: Subject, change: Partial<CrosstabChoice>): Change => ({ crosstab: { ...figure.crosstab, ...change } });
