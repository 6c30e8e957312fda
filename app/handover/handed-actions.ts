import { PNG_SCALES, type HandingTask } from './handing-task';

/** What can be handed over as the search for actions finds it. */
export interface HandedAction {
  readonly name: string;
  readonly search: string;
  readonly task: HandingTask;
}

const format = (name: string, words: string, search: string): HandedAction => ({ name: words, search, task: { kind: 'format', name } });

/** Of every figure. */
export const HANDED: readonly HandedAction[] = [
  ...PNG_SCALES.map((scale): HandedAction => ({
    name: `Hand over PNG ${scale}×`,
    search: 'export picture image save download',
    task: { kind: 'png', scale },
  })),
  { name: 'Hand over SVG', search: 'export vector picture save', task: { kind: 'svg' } },
  { name: 'Hand over PDF', search: 'export page save', task: { kind: 'pdf' } },
  { name: 'Print the figure', search: 'paper pdf', task: { kind: 'print' } },
  { name: 'Copy the figure as a picture', search: 'clipboard png', task: { kind: 'copy-picture' } },
  { name: 'Copy the figure in words', search: 'description alternative text alt', task: { kind: 'copy-words' } },
  format('xlsx', 'Hand over a workbook', 'export spreadsheet xlsx formulas'),
  format('csv', 'Hand over CSV of the ledger', 'export numbers save'),
  format('parquet', 'Hand over Parquet of the ledger', 'export columns'),
  format('sql', 'Hand over SQL of the figure', 'export statement query'),
  format('html', 'Hand over a document', 'export html page report'),
  format('text', 'Hand over the words', 'export description findings text'),
];

/** Of a crosstab. */
export const HANDED_TABLE: readonly HandedAction[] = [
  { name: 'Copy the cells of the crosstab', search: 'clipboard paste grid', task: { kind: 'copy-cells' } },
  { name: 'Hand over CSV of the crosstab', search: 'export totals', task: { kind: 'crosstab', as: 'csv' } },
];
