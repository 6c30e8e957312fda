import { isTable, type CrosstabChoice, type Figure } from 'core/document';
import type { Change, Subject } from '../setting';

/** Places of a setting that only crosstabs have. */
export const inTables =
  (places: (figure: Figure) => readonly string[]) =>
  (figure: Figure): readonly string[] =>
    isTable(figure) ? places(figure) : [];

/** The single place of a setting of crosstabs. */
export const once = inTables(() => ['']);

/** A change of some choices of a crosstab. */
export const changed = ({ figure }: Subject, change: Partial<CrosstabChoice>): Change => ({ crosstab: { ...figure.crosstab, ...change } });
