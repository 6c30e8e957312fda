import type { Figure } from 'core/document';
import type { Handed, HandoverFormat } from 'handover';
import { fileName, formatOffers, sizeOfFigure } from 'handover/offers';
import { read, warnTo, WrongUse, type Command, type Speech } from '../command';
import { figureIn } from '../figure-in';
import { filesTo, type Given } from '../files-to';
import { formatsIn } from '../formats-in';
import { sessionWith } from '../session-with';
import { sizeIn } from '../size-in';
import { readProject, valueOf } from '../table-file';
import { dressed, themeIn, withLivery } from '../theme-in';

const help = `cowbell render PROJECT.json [--figure NAME …] [--data TABLE=FILE …] [--format NAME …] [--size 1200x675]
  [--scale N] [--theme light|dark|LIVERY] [--fonts embedded|named] [--transparent] [--plain] [-o PATH]

Makes figures without a screen, as the application hands them over: the first, or those named; --figure "*" means all. --data puts the rows of a file in
the place of a table, as in cowbell ledger. --theme takes light, dark, the name of a livery, or a file with one. --scale is for png: so many pixels to
each of the figure's, up to 8. Without --format the ending of -o decides, else svg. More than one file goes into the folder that -o names; a single
text without -o is printed. Formats:

${Object.entries(formatOffers)
  .map(([name, { about }]) => `  ${name.padEnd(8)} ${about}`)
  .join('\n')}

  cowbell render season.json -o milk.svg
  cowbell render season.json --figure "Milk by hut" --data deliveries=july.csv --format png --scale 2 -o july.png
  cowbell render season.json --figure "*" --format svg --format sql -o out/`;

/** Options that say how figures are drawn; `run` has them too. */
export const DRAWING = {
  data: { type: 'string', multiple: true },
  format: { type: 'string', multiple: true },
  size: { type: 'string' },
  scale: { type: 'string', default: '1' },
  theme: { type: 'string', default: 'light' },
  fonts: { type: 'string', default: 'embedded' },
  transparent: { type: 'boolean', default: false },
  plain: { type: 'boolean', default: false },
  'guard-formulas': { type: 'boolean', default: false },
  output: { type: 'string', short: 'o' },
} as const;

async function run(args: readonly string[], speech: Speech): Promise<void> {
  const { values, positionals } = read(args, { figure: { type: 'string', multiple: true }, ...DRAWING });
  const [path, ...more] = positionals;
  if (!path || more.length) throw new WrongUse('Name one project file.');
  const formats = formatsIn(values.format ?? [], values.output, 'svg');
  const look = lookIn(values);
  const give = filesTo(values.output, speech);
  const bundle = await readProject(path, warnTo(speech));
  const theme = await themeIn(values.theme, bundle.project);
  const session = await sessionWith({ ...bundle, project: withLivery(bundle.project, theme) }, values.data ?? [], warnTo(speech));
  const names: readonly (string | undefined)[] = values.figure ?? [undefined];
  const figures = names.includes('*') ? session.project.figures : names.map(name => figureIn(session.project, name));
  const { handedOf } = await import('handover');
  const given: Given[] = [];
  for (const figure of figures) {
    const handed = valueOf(handedOf(session, dressed(figure, theme, values.plain), theme.livery), `${figure.name}: `);
    given.push(...(await madeOf(handed, formats, look)));
  }
  await give(given);
}

/** How figures are drawn, as it was asked for. */
export interface DrawingLook {
  readonly size: ReturnType<typeof sizeIn> | null;
  readonly scale: number;
  readonly embedFonts: boolean;
  readonly transparent: boolean;
  readonly guardsFormulas: boolean;
}

/** The options as they are meant. Throws `WrongUse` for what cannot be meant. */
export function lookIn(values: {
  readonly size?: string | undefined;
  readonly scale: string;
  readonly fonts: string;
  readonly transparent: boolean;
  readonly 'guard-formulas': boolean;
}): DrawingLook {
  const scale = Number(values.scale);
  if (!(scale >= 0.1 && scale <= 8)) throw new WrongUse(`--scale ${values.scale} is no scale. Give a number from 0.1 to 8.`);
  if (values.fonts !== 'named' && values.fonts !== 'embedded')
    throw new WrongUse(`--fonts ${values.fonts} is none. Choose named or embedded.`);
  return {
    size: values.size === undefined ? null : sizeIn(values.size),
    scale,
    embedFonts: values.fonts === 'embedded',
    transparent: values.transparent,
    guardsFormulas: values['guard-formulas'],
  };
}

/** A figure in some formats, as files. Drawing and fonts are loaded only where a format needs them. */
export async function madeOf(handed: Handed, formats: readonly HandoverFormat[], look: DrawingLook): Promise<Given[]> {
  const { figure } = handed;
  const drawings = formats.some(({ draws }) => draws)
    ? await (await import('headless')).drawingsOf(handed, look.size ?? sizeOfFigure(figure), look)
    : NOT_DRAWN(figure);
  const wishes = { scale: look.scale, csv: { guardsFormulas: look.guardsFormulas } };
  const given: Given[] = [];
  for (const format of formats)
    given.push({ name: fileName(figure.name, format.ending), content: await format.make(handed, drawings, wishes) });
  return given;
}

/** For formats that show nothing. */
const NOT_DRAWN = (figure: Figure) => {
  const never = (): Promise<never> => Promise.reject(new Error(`${figure.name} was not drawn`));
  return { svg: never, png: never, size: { width: 0, height: 0 } };
};

/** Figures in any format, without the screen. */
export const render: Command = { name: 'render', about: 'figures in any format', help, run };
