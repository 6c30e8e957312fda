import { LIVERIES, type Figure, type Project } from 'core/document';
import { readProjectFile, type ReadBundle } from 'core/io';
import { DARK_LIVERY, LIGHT_LIVERY } from 'core/plan';
import { messageFor } from 'core/result/words';
import { Session } from 'engine';
import { formatNamed, handedOf } from 'handover';
import { sizeOfFigure } from 'handover/offers';
import { drawingsOf } from 'headless';
import { MOST_PIXELS, problem, renderAskSchema, type RenderAnswer, type RenderAsk } from './ask';

/** Answers a request for a figure; nothing in it reads a file or the network. Cost: one picture. */
export async function rendered(text: string): Promise<RenderAnswer> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return problem(400, 'No JSON', 'The question is no JSON. Send an object with project, figure and format.');
  }
  const ask = renderAskSchema.safeParse(data);
  if (!ask.success) {
    const faults = ask.error.issues.map(({ path, message }) => `${path.join('.') || 'question'}: ${message}`);
    return problem(400, 'A question that cannot be read', faults[0] ?? 'A field is not as it should be.', faults);
  }
  const project = written(ask.data.project);
  if (project === null)
    return problem(400, 'A question that cannot be read', 'The project holds lists within each other, deeper than any project.');
  const read = readProjectFile(project);
  if (!read.ok) {
    const faults = read.problems.map(messageFor);
    return problem(422, 'A project that cannot be read', faults[0] ?? 'The project is none.', faults);
  }
  return figureOf(ask.data, read.value);
}

async function figureOf(ask: RenderAsk, { project, tables }: ReadBundle): Promise<RenderAnswer> {
  const figure = ask.figure === undefined ? project.figures[0] : project.figures.find(({ name }) => name === ask.figure);
  if (!figure) {
    const names = project.figures.map(({ name }) => name).join(', ');
    return problem(
      404,
      'No such figure',
      ask.figure === undefined ? 'The project has no figure.' : `No figure is called ${ask.figure}. Choose one of: ${names}.`,
    );
  }
  const wanted = wearing(ask, figure, project);
  if (!wanted) return problem(400, 'No such theme', `There is no theme ${ask.theme}. Choose light, dark, or the name of a livery.`);
  const session = new Session(project, new Map(Object.entries(tables)));
  const handed = handedOf(session, wanted, ask.theme === 'dark' ? DARK_LIVERY : LIGHT_LIVERY);
  if (!handed.ok) {
    const faults = handed.problems.map(messageFor);
    return problem(422, 'A figure that cannot be drawn', faults[0] ?? 'It cannot be drawn.', faults);
  }
  const usual = sizeOfFigure(figure);
  const size = { width: ask.width ?? usual.width, height: ask.height ?? usual.height };
  if (ask.format === 'png' && size.width * size.height * ask.scale ** 2 > MOST_PIXELS)
    return problem(
      400,
      'Too many pixels',
      `A picture may have ${MOST_PIXELS.toLocaleString('en')} pixels. Ask for a smaller size or scale.`,
    );
  const format = formatNamed(ask.format);
  if (!format) return problem(400, 'No such format', 'Choose svg, png, csv or json.');
  const drawings = await drawingsOf(handed.value, size, { transparent: ask.transparent, embedFonts: true });
  const made = await format.make(handed.value, drawings, { scale: ask.scale, csv: { guardsFormulas: true } });
  return { ok: true, type: format.mime, bytes: typeof made === 'string' ? new TextEncoder().encode(made) : made };
}

/** The figure as it was asked for; null where its theme is none. */
function wearing({ theme, plain }: RenderAsk, figure: Figure, { liveries }: Project): Figure | null {
  const known = theme === 'light' || theme === 'dark' || [...liveries, ...LIVERIES].some(({ name }) => name === theme);
  if (!known) return null;
  const view = plain ? 'plain' : figure.view === 'both' ? 'cued' : figure.view;
  return { ...figure, view, dress: theme === 'light' || theme === 'dark' ? figure.dress : { ...figure.dress, livery: theme } };
}

/** A value as JSON text; null where it is nested too deep to be written. */
function written(value: unknown): string | null {
  try {
    return JSON.stringify(value);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}
