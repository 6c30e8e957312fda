import { writeCsv, type CsvOptions } from 'core/io';
import { crosstabHtml, crosstabLines, crosstabTable, type Picture, type Plan, type TablePlan } from 'core/plan';
import type { Figure } from 'core/document';
import type { Writing } from 'core/words';
import { hoverMarks, pixelsOf, sizeOfFigure, withResolution } from 'handover/offers';
import { type Scene } from 'plot';
import { pageScene, toPdf, toPng, toSvg } from 'plot/files';
import type { HandingWishes } from './handing-wishes';
import { pageFonts } from './page-fonts';

/** A figure on the page with its picture. */
export interface PageFigure {
  readonly picture: Picture;
  readonly figure: Figure;
  readonly writing: Writing;
}

/** The figure with its cues, unless it shows plain. */
const planIn = ({ picture }: PageFigure): Plan => picture.plans.at(-1) as Plan;

async function sceneIn(of: PageFigure): Promise<Scene> {
  await document.fonts.ready;
  return pageScene(planIn(of), sizeOfFigure(of.figure));
}

/** The figure as a picture file, so many pixels to each of its own. */
export const figurePng = async (of: PageFigure, scale: number, transparent: boolean): Promise<Blob> =>
  toPng(await sceneIn(of), { scale, transparent });

/** The figure as a picture file of a width; one in centimetres says how large it prints. */
export async function sizedPng(of: PageFigure, { width, unit, perInch, transparent }: HandingWishes): Promise<Blob> {
  const scene = await sceneIn(of);
  const png = await toPng(scene, { scale: pixelsOf({ amount: width, unit, perInch }) / scene.width, transparent });
  if (unit === 'px') return png;
  const bytes = withResolution(new Uint8Array(await png.arrayBuffer()), perInch);
  return new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'image/png' });
}

/** A figure drawn as SVG, and how large it is. */
export interface DrawnSvg {
  readonly svg: string;
  readonly width: number;
  readonly height: number;
}

/** The figure as lines and letters. */
export async function figureSvg(
  of: PageFigure,
  { fonts, transparent }: Pick<HandingWishes, 'fonts' | 'transparent'>,
  hover = false,
): Promise<DrawnSvg> {
  const scene = await sceneIn(of);
  const plan = planIn(of);
  const texts = scene.groups.flatMap(({ items }) => items.flatMap(item => (item.kind === 'text' ? [item.text] : [])));
  const numbers = new Map(of.picture.applied.map(({ cue, number }) => [cue.id, number]));
  const svg = toSvg(scene, plan, numbers, {
    transparent,
    fonts: fonts === 'embedded' ? await pageFonts(plan.livery.font, texts) : [],
    ...(hover ? { hover: hoverMarks(of, scene) } : {}),
  });
  return { svg, width: scene.width, height: scene.height };
}

// Pixels of a picture on a page, for each CSS pixel.
const PAGE_SCALE = 4;

/** The figure on a page of its own size, as a PDF. */
export async function figurePdf(of: PageFigure): Promise<Blob> {
  const [plan, scene] = [planIn(of), await sceneIn(of)];
  const png = await toPng(scene, { scale: PAGE_SCALE });
  return toPdf(png, { width: scene.width, height: scene.height }, { title: plan.title, subject: plan.description });
}

/** The table that a figure is drawn as; undefined for a chart. */
export function tableIn(of: PageFigure): TablePlan | undefined {
  const plan = planIn(of);
  return plan.kind === 'table' ? plan : undefined;
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

/** Hands a file to the browser's downloads. */
export function download(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
