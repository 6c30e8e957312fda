import type { Shown } from '../services/engine/picture-store';

/** A part of the ledger: the figure's cells, or totals of a crosstab that cues look at. */
export type LedgerPart = 'cells' | 'rows' | 'columns';

/** The parts as their switch names them. */
export const PART_LABELS: Readonly<Record<LedgerPart, string>> = { cells: 'Cells', rows: 'Totals of rows', columns: 'Totals of columns' };

/** The parts that there are: cells, and totals that a cue looks at. */
export const partsOf = ({ picture }: Shown): LedgerPart[] => ['cells', ...(picture?.totals ?? []).map(({ of }) => of)];

/** The shown figure with totals in place of its cells; unchanged when it has no totals of that part. */
export function shownPart(shown: Shown, part: LedgerPart): Shown {
  const totals = shown.picture?.totals.find(({ of }) => of === part);
  if (!totals || !shown.picture) return shown;
  const { frame, applied, figure } = totals;
  return { ...shown, ask: { ...shown.ask, figure }, picture: { ...shown.picture, frame, applied, drawn: [] } };
}
