import type { Crosstab } from 'core/crosstab';
import type { Figure } from 'core/document';
import type { Frame, Step } from 'core/frame';
import { axisNames, rowNames } from 'core/words';
import type { TableHead, TableRow } from './table-plan';

/** Names of the values of a key column, by row of the frame. `short`: days without their year where all are in one year. */
function namesBy(frame: Frame, figure: Figure, column: string, step: Step, short: boolean): readonly string[] {
  const named = { data: { ...figure.data, step }, scales: figure.scales };
  return short ? axisNames({ ...frame, category: column }, named) : rowNames({ ...frame, category: column }, named);
}

const ALL = 'Total';
const othersWords = (count: number): string => `the others (${count.toLocaleString('en')})`;

const isBehind = (depth: number, { crosstab }: Figure): boolean => crosstab.totals.parts[depth] === 'last';

/** Rows with the names of their levels. Names that repeat those of the row before are counted, so that they can be left out. */
export function tableRows(crosstab: Crosstab, frame: Frame, figure: Figure): TableRow[] {
  const names = crosstab.levels.map(({ column, step }) => namesBy(frame, figure, column, step, false));
  const blank = crosstab.levels.map(() => '');
  let before: readonly string[] = [];
  return crosstab.rows.map(({ kind, depth, of, folded }) => {
    const own = names.map((list, level) => (level <= depth ? (list[of] ?? '') : ''));
    const written =
      kind === 'total'
        ? [ALL, ...blank.slice(1)]
        : kind === 'others'
          ? own.map((name, level) => (level === depth ? othersWords(folded) : name))
          : kind === 'part' && isBehind(depth, figure)
            ? own.map((name, level) => (level === depth ? `${name}, total` : name))
            : own;
    const differs = written.findIndex((name, level) => name !== before[level]);
    before = written;
    // The innermost name of a row is always its own.
    return { kind, depth, names: written, same: kind === 'total' ? 0 : Math.min(differs === -1 ? depth : differs, Math.max(0, depth)) };
  });
}

/** The rows of heads above the columns: keys, and measures where there are several. */
export function tableHeads(crosstab: Crosstab, frame: Frame, figure: Figure, trends: readonly string[]): TableHead[][] {
  const { across, columns, measures } = crosstab;
  const step = across === null ? null : across === frame.category ? figure.data.step : figure.data.seriesStep;
  const names = across === null ? [] : namesBy(frame, figure, across, step, true);
  const several = measures.length > 1;
  const head = (text: string, kind: TableHead['kind'], span = 1): TableHead => ({ text, full: text, span, kind });
  const trendHeads = trends.map(measure => head(several ? `${measure} along` : 'along', 'trend'));
  if (across === null) return [[...columns.flatMap(({ kind }) => measures.map(measure => head(measure, kind))), ...trendHeads]];
  const values = columns.map(({ kind, of }) => head(kind === 'total' ? ALL : (names[of] ?? ''), kind, measures.length));
  if (!several) return [[...values, ...trendHeads]];
  return [
    [...values, ...(trends.length ? [head('', 'trend', trends.length)] : [])],
    [...columns.flatMap(({ kind }) => measures.map(measure => head(measure, kind))), ...trendHeads],
  ];
}
