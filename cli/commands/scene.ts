import type { Figure } from 'core/document';
import { LIGHT_LIVERY, pictureOf } from 'core/plan';
import { Session } from 'engine';
import { sizeIn } from '../size-in';
import { read, warnTo, WrongUse, type Command, type Speech } from '../command';
import { figureIn } from '../figure-in';
import { save } from '../give-table';
import { BadInput, readProject, valueOf } from '../table-file';

const help = `cowbell scene PROJECT.json [--figure NAME] [--size 900x506] [--plain] [-o FILE]

Lays out a figure without a screen, as the application draws it in the light, and gives it as JSON: every text with its role, box, colour and what it
stands on; every mark with its category, series, measure and cue; every line; and the labels that found no place, with the reason. Boxes are in
pixels; that of a turned text is the box of the level one, turned by its angle about its middle. Texts are measured in the fonts that Cowbell
ships. Without --figure the first; --plain leaves its cues out.

  cowbell scene season.json
  cowbell scene season.json --figure "Milk by hut" --size 1280x720 -o scene.json`;

async function run(args: readonly string[], speech: Speech): Promise<void> {
  const { values, positionals } = read(args, {
    figure: { type: 'string' },
    size: { type: 'string', default: '900x506' },
    plain: { type: 'boolean', default: false },
    output: { type: 'string', short: 'o' },
  });
  const [path, ...more] = positionals;
  if (!path || more.length) throw new WrongUse('Name one project file.');
  const size = sizeIn(values.size);
  const { project, tables } = await readProject(path, warnTo(speech));
  const figure: Figure = { ...figureIn(project, values.figure), view: values.plain ? 'plain' : 'cued' };
  const session = new Session(project, new Map(Object.entries(tables)));
  const asked = valueOf(session.requestFor(figure, LIGHT_LIVERY), `${figure.name}: `);
  const picture = valueOf(pictureOf(asked), `${figure.name}: `);
  // Drawing and fonts are loaded by this command alone.
  const [{ layOut, layOutTable }, { shippedWidths }, { sceneJson }] = await Promise.all([
    import('plot/files'),
    import('headless'),
    import('../scene-json'),
  ]);
  const widths = await shippedWidths();
  const [plan] = picture.plans;
  if (!plan) throw new BadInput([`${figure.name}: there is nothing to draw.`]);
  const numbers = new Map(picture.applied.map(({ cue, number }) => [cue.id, number]));
  const scene = plan.kind === 'table' ? await layOutTable(plan, size, widths) : layOut(plan, size, widths);
  const text = `${JSON.stringify(sceneJson(plan, scene, numbers, widths), null, 1)}\n`;
  if (values.output) await save(values.output, text);
  else speech.out(text);
}

/** Lays a figure out without a screen. */
export const scene: Command = { name: 'scene', about: 'a laid-out figure as data', help, run };
