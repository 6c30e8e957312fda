import { join } from 'node:path';
import { isAsGrave } from 'core/check';
import { cuedPlaces } from 'core/plan';
import { changedFindings } from 'core/words';
import type { Session } from 'engine';
import { figureText, figureTextLines, foundIn, type Handed } from 'handover';
import { read, warnTo, WrongUse, type Command, type Speech } from '../command';
import { computedFigures } from '../figures-in';
import { folderOf, type Given } from '../files-to';
import { formatsIn } from '../formats-in';
import { pageFiles } from '../page-file';
import { sessionWith } from '../session-with';
import { BadInput, readProject } from '../table-file';
import { themeIn, withLivery, type Theme } from '../theme-in';
import { severityIn, toldRisks, type ToldRisk } from './checks';
import { DRAWING, lookIn, madeOf } from './render';

const help = `cowbell run PROJECT.json [--data TABLE=FILE …] [--format NAME …] [--size 1200x675] [--scale N] [--theme light|dark|LIVERY]
  [--fonts embedded|named] [--transparent] [--plain] [--severity wrong|misleading|unclear] [--json] -o FOLDER

Makes the whole report again: every figure in every format asked for (png and html unless said), every page as a document, and with png or svg as a
folder of its pictures too; beside them findings.txt and findings.json, checks.txt and checks.json, and what-changed.txt and what-changed.json: what the
cues find over these rows that they did not find over the project's own. Progress is told on a terminal; --json tells each step as a line of JSON
instead. With --severity it ends with code 3 when a check stands that is so grave, after all is written. A figure that cannot be made is told, and stops
no other.

  cowbell run season.json --data deliveries=july.csv -o july/
  cowbell run season.json --data deliveries=july.csv --format svg --format xlsx --severity wrong --json -o july/`;

async function work(args: readonly string[], speech: Speech): Promise<number> {
  const { values, positionals } = read(args, { ...DRAWING, severity: { type: 'string' }, json: { type: 'boolean', default: false } });
  const [path, ...more] = positionals;
  if (!path || more.length) throw new WrongUse('Name one project file.');
  if (!values.output) throw new WrongUse('Name the folder that all of it goes into: -o FOLDER.');
  const least = values.severity === undefined ? null : severityIn(values.severity);
  const formats = values.format?.length ? formatsIn(values.format, undefined, 'png') : formatsIn(['png', 'html'], undefined, 'png');
  const look = lookIn(values);
  const bundle = await readProject(path, warnTo(speech));
  const theme = await themeIn(values.theme, bundle.project);
  const own = { ...bundle, project: withLivery(bundle.project, theme) };
  const session = await sessionWith(own, values.data ?? [], warnTo(speech));
  const before = values.data?.length ? foundBefore(await sessionWith(own, [], () => undefined), theme) : new Map<string, never>();
  const tell = tellerOf(speech, values.json, session.project.figures.length + (session.project.pages ?? []).length);
  const report = new Report(values.output);
  for (const { figure, handed, problems } of computedFigures(session, [], theme, values.plain)) {
    if (!handed) {
      report.failed.push(...problems.map(words => `${figure.name}: ${words}`));
      tell({ figure: figure.name, problems });
      continue;
    }
    const given = await madeOf(handed, formats, look);
    await report.take(handed, given, before.get(figure.id));
    tell({ figure: figure.name, files: given.map(({ name }) => name) });
  }
  for (const page of session.project.pages ?? []) {
    const { document, folder } = await pageFiles(session, page, theme, { formats: formats.map(({ name }) => name), look });
    await folderOf([document], values.output);
    if (folder) await folderOf(folder.files, join(values.output, folder.name));
    tell({ page: page.name, files: [document.name, ...(folder?.files ?? []).map(({ name }) => `${folder?.name ?? ''}/${name}`)] });
  }
  await report.finish();
  tell({ done: true, folder: values.output });
  if (report.failed.length) throw new BadInput(report.failed);
  return least && report.risks.some(({ severity }) => isAsGrave(severity, least)) ? 3 : 0;
}

type Found = ReturnType<typeof foundIn>;

/** Findings of all figures over the project's own rows. */
function foundBefore(session: Session, theme: Theme): Map<string, Found> {
  const found = new Map<string, Found>();
  for (const { figure, handed } of computedFigures(session, [], theme)) if (handed) found.set(figure.id, foundIn(handed));
  return found;
}

/** Files that a run writes beside the figures. */
class Report {
  readonly failed: string[] = [];
  readonly risks: ToldRisk[] = [];
  private readonly texts: ReturnType<typeof figureText>[] = [];
  private readonly changes: { readonly figure: string; readonly cue: number; readonly words: string }[] = [];

  constructor(private readonly folder: string) {}

  /** Writes a figure's files, and keeps what is to be told of it. */
  async take(handed: Handed, given: readonly Given[], before: Found | undefined): Promise<void> {
    await folderOf(given, this.folder);
    this.texts.push(figureText(handed));
    this.risks.push(...toldRisks(handed));
    if (!before) return;
    const { figure, picture, write } = handed;
    for (const { number, words, isQuiet } of changedFindings(before, cuedPlaces(figure, picture), write))
      if (!isQuiet) this.changes.push({ figure: figure.name, cue: number, words });
  }

  async finish(): Promise<void> {
    const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;
    const lines = (all: readonly string[], none: string): string => `${all.length ? all.join('\n') : none}\n`;
    await folderOf(
      [
        { name: 'findings.txt', content: this.texts.map(text => `${text.figure}\n\n${figureTextLines(text)}`).join('\n\n') },
        { name: 'findings.json', content: json(this.texts) },
        {
          name: 'checks.txt',
          content: lines(
            this.risks.map(({ severity, figure, words }) => `${severity}: ${figure}: ${words}`),
            'Nothing was found.',
          ),
        },
        { name: 'checks.json', content: json(this.risks) },
        {
          name: 'what-changed.txt',
          content: lines(
            this.changes.map(({ figure, words }) => `${figure}: ${words}`),
            'The cues find what they found before.',
          ),
        },
        { name: 'what-changed.json', content: json(this.changes) },
      ],
      this.folder,
    );
  }
}

/** Tells steps: as lines of JSON, or as a count where somebody watches. */
function tellerOf(speech: Speech, json: boolean, all: number): (step: Readonly<Record<string, unknown>>) => void {
  let done = 0;
  return step => {
    if (!('done' in step)) done++;
    if (json) speech.out(`${JSON.stringify({ ...step, step: done, of: all })}\n`);
    else if (speech.isWatched) speech.err('done' in step ? `\n` : `\r\u001b[K${done} of ${all}: ${String(step['figure'] ?? step['page'])}`);
  };
}

/** The whole report again, without the screen. */
export const run: Command = { name: 'run', about: 'the whole report again, over other rows', help, run: work };
