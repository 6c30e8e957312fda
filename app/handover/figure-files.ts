import { writeCsv, type CsvOptions } from 'core/io';
import { crosstabHtml, crosstabLines, crosstabTable, ledgerTable, type Picture, type Plan, type TablePlan } from 'core/plan';
import type { Figure } from 'core/document';
import { toPdf, toPng, type PngSize } from 'plot';

/** CSS pixels of a handed-over figure in each of its proportions. */
const SIZES: Readonly<Record<Figure['shape']['proportion'], readonly [width: number, height: number]>> = {
  '16:9': [1200, 675],
  '4:3': [1000, 750],
  '1:1': [800, 800],
};

/** The figure as a picture file: with its cues, unless it shows plain. */
export async function figurePng(picture: Picture, figure: Figure, scale: PngSize['scale']): Promise<Blob> {
  await document.fonts.ready;
  const [width, height] = SIZES[figure.shape.proportion];
  return toPng(picture.plans.at(-1) as Plan, { width, height, scale });
}

// Pixels of a picture on a page, for each CSS pixel.
const PAGE_SCALE = 4;

/** The figure on a page of its own size, as a PDF. */
export async function figurePdf(picture: Picture, figure: Figure): Promise<Blob> {
  const plan = picture.plans.at(-1) as Plan;
  const png = await figurePng(picture, figure, PAGE_SCALE);
  const bitmap = await createImageBitmap(png);
  return toPdf(
    png,
    { width: bitmap.width / PAGE_SCALE, height: bitmap.height / PAGE_SCALE },
    { title: plan.title, subject: plan.description },
  );
}

/** The table that a figure is drawn as; undefined for a chart. */
export function tableIn(picture: Picture): TablePlan | undefined {
  const plan = picture.plans.at(-1);
  return plan?.kind === 'table' ? plan : undefined;
}

/** A crosstab as it stands, as CSV. */
export const crosstabCsv = (plan: TablePlan, options: CsvOptions): Blob =>
  new Blob([writeCsv(crosstabTable(plan), options)], { type: 'text/csv;charset=utf-8' });

/** A crosstab as a page. */
export const crosstabPage = (plan: TablePlan): Blob => new Blob([crosstabHtml(plan)], { type: 'text/html;charset=utf-8' });

/** A crosstab for the clipboard: lines for grids, a page for whatever takes one. */
export const crosstabClip = (plan: TablePlan): ClipboardItem =>
  new ClipboardItem({
    'text/plain': new Blob([crosstabLines(plan)], { type: 'text/plain' }),
    'text/html': new Blob([crosstabHtml(plan)], { type: 'text/html' }),
  });

/** The ledger as CSV, as it stands on the screen. */
export const ledgerCsv = (picture: Picture, options: CsvOptions): Blob =>
  new Blob([writeCsv(ledgerTable(picture), options)], { type: 'text/csv;charset=utf-8' });

/** A name that every file system takes; letters of any script stay. */
export const fileName = (name: string, ending: string): string =>
  `${
    name
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .toLowerCase() || 'figure'
  }.${ending}`;

/** Hands a file to the browser's downloads. */
export function download(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
