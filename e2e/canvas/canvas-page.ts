import { readProjectFile } from 'core/io';
import { LIGHT_LIVERY, pictureOf, type Plan } from 'core/plan';
import { Session } from 'engine';
import { FigureDrawing } from 'plot';
import { pageScene, toPng } from 'plot/files';
import { sizeOfFigure } from 'handover/offers';
import { grownFigure } from '../../conformance/grown-figures';

interface Size {
  readonly width: number;
  readonly height: number;
}

let session: Session | null = null;

/** Opens a project file; its figures by their ids. */
function openProject(text: string): void {
  const read = readProjectFile(text);
  if (!read.ok) throw new Error('the project cannot be read');
  session = new Session(read.value.project, new Map(Object.entries(read.value.tables)));
}

/** A figure of the open project, with its cues, as the stage draws it: a PNG as base64. */
function ofProject(id: string): Promise<string> {
  const figure = session?.figure(id);
  const request = figure && session?.requestFor({ ...figure, view: 'cued' }, LIGHT_LIVERY);
  const made = request?.ok ? pictureOf(request.value) : undefined;
  if (!figure || !made?.ok) throw new Error(`figure ${id} cannot be drawn`);
  return pictured(made.value.plans[0] as Plan, sizeOfFigure(figure));
}

/** A generated figure, likewise. */
function ofSeed(seed: number): Promise<string> {
  const { table, figure, size } = grownFigure(seed);
  const made = pictureOf({ figure: { ...figure, view: 'cued' }, table, writing: { units: {}, formats: [] }, livery: LIGHT_LIVERY });
  if (!made.ok) throw new Error(`figure ${seed} cannot be drawn`);
  return pictured(made.value.plans[0] as Plan, size);
}

/** A chart by the stage's own drawing; a table, which is none there, as its picture. */
async function pictured(plan: Plan, size: Size): Promise<string> {
  if (plan.kind === 'table') return textOf(await toPng(await pageScene(plan, size), { scale: 1 }));
  const canvas = Object.assign(document.createElement('canvas'), size);
  document.body.append(canvas);
  const drawing = new FigureDrawing(canvas, plan, { fixed: { responsive: false, devicePixelRatio: 1 } });
  // Small pictures of the analyst's own come a moment later.
  await new Promise(resolve => setTimeout(resolve, Object.keys(plan.pictures).length ? 300 : 0));
  const blob = await new Promise<Blob | null>(resolve => canvas.toBlob(resolve, 'image/png'));
  drawing.destroy();
  canvas.remove();
  return textOf(blob as Blob);
}

const textOf = async (blob: Blob): Promise<string> => {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
};

Object.assign(globalThis, { openProject, ofProject, ofSeed });
