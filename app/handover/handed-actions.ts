import { formatOffers, type FormatOffer } from 'handover/offers';
import { PNG_SCALES, type HandingTask } from './handing-task';

/** An export action as the search for actions lists it. */
export interface HandedAction {
  readonly name: string;
  readonly search: string;
  readonly task: HandingTask;
}

/** The formats that the engine makes: an entry of `formatOffers` is found by its own words. */
const formats: readonly HandedAction[] = Object.entries<Omit<FormatOffer, 'name'>>(formatOffers).flatMap(([name, { action }]) =>
  action ? [{ name: action.words, search: action.search, task: { kind: 'format', name } }] : [],
);

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
  ...formats,
];

/** Of a crosstab. */
export const HANDED_TABLE: readonly HandedAction[] = [
  { name: 'Copy the cells of the crosstab', search: 'clipboard paste grid', task: { kind: 'copy-cells' } },
  { name: 'Hand over CSV of the crosstab', search: 'export totals', task: { kind: 'crosstab', as: 'csv' } },
  { name: 'Hand over HTML of the crosstab', search: 'export totals table', task: { kind: 'crosstab', as: 'html' } },
];
