import { colourIn } from 'core/plan';
import { figureText, type FigureText } from '../figure-text';
import { totalsOf, type Handed } from '../handed';
import { ledgerSheet, type LedgerSheet, type ToldColumn } from './ledger-sheet';
import { rowsSheet, type RowsSheet } from './rows-sheet';
import { sheetName, type Sheet } from './sheet';

/** Cells that take a colour wherever a helper column beside them has a value. */
export interface ColouredCells {
  /** Places of the column that is coloured, and of the one that says so. */
  readonly column: number;
  readonly where: number;
  readonly colour: string;
}

/** A workbook in the making: everything that a file of it holds, without the file. */
export interface FigureWorkbook {
  readonly title: string;
  readonly ledger: Sheet;
  readonly rows: Sheet | null;
  /** Totals of a crosstab that cues look at: the totals as values, the helper columns as formulas. */
  readonly totals: readonly { readonly sheet: Sheet; readonly coloured: readonly ColouredCells[] }[];
  /** How each column of the ledger is computed there. */
  readonly told: readonly ToldColumn[];
  readonly coloured: readonly ColouredCells[];
  /** Lines of the sheet of words: a heading has one cell, a line of a table several. */
  readonly words: readonly (readonly string[])[];
  readonly names: { readonly figure: string; readonly words: string };
}

/** A figure as a workbook whose measures and helper columns are formulas: the rows, the ledger, the figure as a picture, its words. Cost: O(cells). */
export function figureWorkbook(handed: Handed): FigureWorkbook {
  const taken = new Set<string>();
  const [figure, ledgerName, wordsName] = [sheetName('Figure', taken), sheetName('Ledger', taken), sheetName('Words', taken)];
  const rows = rowsSheet(handed, sheetName(handed.tableDoc.name, taken));
  const ledger = ledgerSheet(handed, ledgerName, rows);
  const totals = totalsOf(handed).map(({ title, handed: own }) => {
    const made = ledgerSheet(own, sheetName(title, taken), null);
    return { sheet: made.sheet, coloured: colouredCells(own, made) };
  });
  const text = figureText(handed);
  return {
    title: text.title || handed.figure.name,
    ledger: ledger.sheet,
    rows: rows?.sheet ?? null,
    totals,
    told: ledger.told,
    coloured: colouredCells(handed, ledger),
    words: wordsOf(text, ledger, rows, totals.length > 0),
    names: { figure, words: wordsName },
  };
}

/** What cues mark in a colour; of two that mark one cell the first goes before. */
function colouredCells({ picture, plan }: Handed, { places }: LedgerSheet): ColouredCells[] {
  return picture.applied.flatMap(({ treatments, helpers }) =>
    treatments.flatMap((item): ColouredCells[] => {
      if (item.show !== 'mark' || !item.look.colour) return [];
      const helper = helpers.find(({ part }) => part === item.part);
      const [column, where] = [places.get(item.measure), places.get(helper?.name ?? '')];
      return column === undefined || where === undefined ? [] : [{ column, where, colour: colourIn(plan.livery, item.look.colour) }];
    }),
  );
}

function wordsOf(text: FigureText, { told }: LedgerSheet, rows: RowsSheet | null, hasTotals: boolean): string[][] {
  const computed = told.filter(({ formula }) => formula);
  return [
    [text.title],
    ...(text.subtitle ? [[text.subtitle]] : []),
    [text.description],
    [],
    ...(text.cues.length ? [['Cues']] : []),
    ...text.cues.flatMap(({ number, sentence, on, found, problems }) => [
      [`${number}. ${sentence}${on ? '' : ' (off)'}`],
      ...[...found, ...problems].map(words => [words]),
    ]),
    [],
    ['The figure as it was decided'],
    ...text.brief.map(words => [words]),
    [],
    ['How the columns of the ledger are computed here'],
    ['column', 'formula in the project', 'here'],
    ...computed.map(({ name, formula, isLive, why }) => [
      name,
      formula,
      isLive ? 'a formula, which follows the cells' : `values, since ${why}`,
    ]),
    ...(rows
      ? rows.told.map(words => ['', '', words])
      : [['', '', 'The rows behind the ledger are too many for a sheet, so they are not here.']]),
    ...(hasTotals
      ? [['Totals that cues look at stand on sheets of their own: they are values, and the helper columns over them follow.']]
      : []),
    ['Names, dates and the groups that rows lie in are values: a row that should belong elsewhere has to be handed over anew.'],
    ...(text.note ? [[], [text.note]] : []),
    ...(text.source ? [[`Source: ${text.source}`]] : []),
  ];
}
