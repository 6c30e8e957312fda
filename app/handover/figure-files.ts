import { writeCsv, type CsvOptions } from 'core/io';
import { ledgerTable, type Picture, type Plan } from 'core/plan';
import type { Figure } from 'core/document';
import { toPng, type PngSize } from 'plot';

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
