import { type FigureSize, type Scene } from 'plot';
import { layOut, layOutTable, toSvg } from 'plot/files';
import type { Plan } from 'core/plan';
import type { Drawings, Handed } from 'handover';
import { hoverMarks } from 'handover/offers';
import { scenePng, type PictureWishes } from './picture';
import { embeddedFonts, ShippedFonts } from './shipped-fonts';

/** How figures are drawn without a screen. */
export interface DrawingWishes {
  readonly transparent: boolean;
  /** The shipped fonts go into each SVG; else they are named. */
  readonly embedFonts: boolean;
}

/** A figure laid out once, and drawn in whatever a format needs. Texts are measured and drawn in the shipped fonts. */
export async function drawingsOf(handed: Handed, size: FigureSize, { transparent, embedFonts }: DrawingWishes): Promise<Drawings> {
  const { plan, numbers } = handed;
  const fonts = await ShippedFonts.load(plan.livery.font);
  const scene = await sceneOfPlan(handed, size, fonts);
  return {
    size: { width: scene.width, height: scene.height },
    svg: async ({ hover, embedFonts: wished }) =>
      toSvg(scene, plan, numbers, {
        transparent,
        fonts: (wished ?? embedFonts) ? await embeddedFonts(plan.livery.font, textsOf(scene)) : [],
        ...(hover ? { hover: hoverMarks(handed, scene) } : {}),
      }),
    png: scale => scenePng(scene, fonts, { scale, transparent }),
  };
}

/** A plan as SVG of a size, with ids of its own, so that it can stand in a document with others. */
export async function planSvg(plan: Plan, size: FigureSize, prefix: string, embedFonts: boolean): Promise<string> {
  const fonts = await ShippedFonts.load(plan.livery.font);
  const scene = await sceneOfPlan({ plan }, size, fonts);
  return toSvg(scene, plan, new Map(), { prefix, fonts: embedFonts ? await embeddedFonts(plan.livery.font, [EVERY_LETTER]) : [] });
}

/** A plan as a PNG file of a size in CSS pixels. */
export async function planPng(plan: Plan, size: FigureSize, wishes: PictureWishes): Promise<Uint8Array> {
  const fonts = await ShippedFonts.load(plan.livery.font);
  return scenePng(await sceneOfPlan({ plan }, size, fonts), fonts, wishes);
}

// Letters of every file of a family: the words around the figure are written in it too.
const EVERY_LETTER = 'aĂę';

/** The laid-out figure: a chart at its size, a table as large as its rows and columns need. */
const sceneOfPlan = ({ plan }: Pick<Handed, 'plan'>, size: FigureSize, fonts: ShippedFonts): Promise<Scene> =>
  plan.kind === 'table' ? layOutTable(plan, { width: 0, height: null }, fonts.width) : Promise.resolve(layOut(plan, size, fonts.width));

const textsOf = ({ groups }: Scene): string[] =>
  groups.flatMap(({ items }) => items.flatMap(item => (item.kind === 'text' ? [item.text] : [])));
