import { escaped } from 'core/markup';
import { ledgerTable } from 'core/plan';
import { cellAt, isMissing, textAt, type Column } from 'core/table';
import type { Handed } from '../handed';

// Rows that a page shows, at most: the whole ledger leaves as CSV.
const MOST = 1_000;

/** The ledger as a table of a document: numbers as the figure writes them, helper columns by the formula at their head. */
export function ledgerHtml(handed: Handed): string {
  const { columns, rowCount } = ledgerTable(handed.picture);
  const formulas = formulasOf(handed);
  const writers = columns.map(column => writerFor(column, handed));
  const heads = columns.map(({ name, type }) => {
    const formula = formulas.get(name);
    const hint = formula ? ` title="${escaped(formula)}"` : '';
    return `<th scope="col"${type === 'number' ? ' class="number"' : ''}${hint}>${escaped(name)}</th>`;
  });
  const shown = Math.min(rowCount, MOST);
  const rows = Array.from({ length: shown }, (_, row) => {
    const cells = columns.map((column, i) =>
      i === 0
        ? `<th scope="row">${escaped(writers[i]?.(row) ?? '')}</th>`
        : `<td${column.type === 'number' ? ' class="number"' : ''}>${escaped(writers[i]?.(row) ?? '')}</td>`,
    );
    return `<tr>${cells.join('')}</tr>`;
  });
  const more =
    rowCount > shown ? `<p class="soft">The first ${shown.toLocaleString('en')} of ${rowCount.toLocaleString('en')} rows.</p>` : '';
  return `<div class="table"><table><thead><tr>${heads.join('')}</tr></thead><tbody>\n${rows.join('\n')}\n</tbody></table></div>${more}`;
}

function formulasOf({ figure, picture }: Handed): ReadonlyMap<string, string> {
  return new Map([
    ...figure.data.measures.map(({ name, formula }) => [name, formula] as const),
    ...figure.data.helpers.map(({ name, formula }) => [name, formula] as const),
    ...picture.drawn.map(({ name, formula }) => [name, formula] as const),
    ...picture.applied.flatMap(({ helpers }) => helpers.map(({ name, formula }) => [name, formula] as const)),
  ]);
}

/** How the cells of a column are written: all numbers with the same decimals, nothing for missing. */
function writerFor(column: Column, { picture, write }: Handed): (row: number) => string {
  if (column.type !== 'number') return row => (isMissing(column, row) ? '' : textAt(column, row));
  const helper = picture.applied
    .flatMap(({ cue, helpers }) => helpers.map(own => ({ ...own, measure: cue.measure })))
    .find(({ name }) => name === column.name);
  const number = write.alike(helper?.measure ?? column.name, column.data, helper?.as);
  return row => (cellAt(column, row) === null ? '' : number(column.data[row] as number));
}
