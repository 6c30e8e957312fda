import { readFileSync } from 'node:fs';
import { readProjectFile } from 'core/io';
import { LIGHT_LIVERY } from 'core/plan';
import { functionReference } from 'core/formula';
import { messageFor } from 'core/result/words';
import { Session } from 'engine';
import { figureText, handedOf, type Handed } from 'handover';
import { formatOffers } from 'handover/offers';
import { drawingsOf } from 'headless';
import { manual, commands } from '../../cli/usage';
import { needs, says } from './needs';

/** A page of the guide, for docs and for the application's help. */
export interface GuidePage {
  readonly id: string;
  readonly title: string;
  /** Words by which it is found beside its own. */
  readonly words: string;
  readonly blocks: readonly GuideBlock[];
  /** The name of its picture, without an ending; null for none. */
  readonly picture: string | null;
}

/** What stands on a page. */
export type GuideBlock =
  | { readonly kind: 'heading' | 'text' | 'code'; readonly text: string }
  | { readonly kind: 'list'; readonly items: readonly string[] }
  | { readonly kind: 'links'; readonly items: readonly { readonly text: string; readonly page: string }[] };

const heading = (text: string): GuideBlock => ({ kind: 'heading', text });
const paragraph = (text: string): GuideBlock => ({ kind: 'text', text });

/** The figures of the sample project by their names. */
export function sampleFigures(): ReadonlyMap<string, Handed> {
  const read = readProjectFile(readFileSync(new URL('../../demo/data/highmeadow.json', import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  const session = new Session(read.value.project, new Map(Object.entries(read.value.tables)));
  return new Map(
    read.value.project.figures.map(figure => {
      const made = handedOf(session, { ...figure, view: 'cued' }, LIGHT_LIVERY);
      if (!made.ok) throw new Error(made.problems.map(messageFor).join());
      return [figure.name, made.value];
    }),
  );
}

/** Every page of the guide. What is said of figures is computed from the sample project, so that it is true. */
export function guidePages(figures = sampleFigures()): GuidePage[] {
  return [indexPage(), ...needs.map(need => needPage(need, figures)), filesPage(), commandPage(), formulaPage()];
}

function indexPage(): GuidePage {
  const titleOf = (id: string): string => needs.find(need => need.id === id)?.title ?? id;
  return {
    id: 'index',
    title: 'What do I say for …',
    words: 'start begin help overview contents',
    picture: null,
    blocks: [
      paragraph(
        'Say what matters in a sentence; Cowbell computes the helper columns, shows them with their formulas, and draws the figure from them.',
      ),
      { kind: 'links', items: says.map(([wish, page]) => ({ text: `${wish}: ${titleOf(page)}`, page })) },
      heading('All needs'),
      { kind: 'links', items: needs.map(({ id, title }) => ({ text: title, page: id })) },
      heading('To look up'),
      {
        kind: 'links',
        items: [
          { text: 'Files that come in and go out', page: 'files' },
          { text: 'The command line', page: 'command-line' },
          { text: 'Formulas', page: 'formulas' },
        ],
      },
    ],
  };
}

function needPage({ id, title, about, steps, figure, words }: (typeof needs)[number], figures: ReadonlyMap<string, Handed>): GuidePage {
  const handed = figures.get(figure);
  if (!handed) throw new Error(`the sample project has no figure ${figure}`);
  const { brief, cues, description } = figureText(handed);
  return {
    id,
    title,
    words,
    picture: id,
    blocks: [
      paragraph(about),
      heading('How to say it'),
      { kind: 'list', items: steps },
      heading(`In the sample project: ${figure}`),
      { kind: 'list', items: [...brief, ...cues.map(({ sentence }) => sentence)] },
      heading('What it says'),
      paragraph(description),
    ],
  };
}

const filesPage = (): GuidePage => ({
  id: 'files',
  title: 'Files that come in and go out',
  words: 'formats csv json xlsx ods parquet arrow gzip import export intake',
  picture: null,
  blocks: [
    heading('In'),
    {
      kind: 'list',
      items: [
        'CSV and its kin: commas, semicolons, tabs, pipes; UTF-8, UTF-16, Windows-1252.',
        'JSON: a list of records, columns, a record on each line; nested keys joined by dots.',
        'Workbooks: .xlsx and .ods, by sheet and range, headers joined, hidden rows said.',
        'Parquet and Arrow files; any of these packed with gzip; several at once, or a folder of like files.',
        'Cells from the clipboard, with or without a header.',
        'A project file: JSON, described by the schema that cowbell schema prints.',
      ],
    },
    heading('Out'),
    { kind: 'list', items: Object.entries(formatOffers).map(([name, { about, ending }]) => `${name} (.${ending}): ${about}.`) },
  ],
});

const commandPage = (): GuidePage => ({
  id: 'command-line',
  title: 'The command line',
  words: 'cowbell render run terminal shell nightly job schedule',
  picture: null,
  blocks: [
    paragraph('The same computing and drawing without a screen: for next month’s file, for a nightly job, for a script.'),
    ...commands.flatMap((command): GuideBlock[] => [heading(`cowbell ${command.name}`), { kind: 'code', text: manual(command) }]),
    heading('Over HTTP'),
    paragraph(
      'npm start -- --render also answers POST /render with a figure of the project that is sent to it; GET /openapi.json describes it.',
    ),
  ],
});

const formulaPage = (): GuidePage => ({
  id: 'formulas',
  title: 'Formulas',
  words: 'sql functions expression window aggregate reference',
  picture: null,
  blocks: [
    paragraph('Formulas are SQL expressions. Missing is not zero: what is computed from a missing value is missing.'),
    { kind: 'list', items: functionReference.map(({ signature, help, example }) => `${signature}: ${help} For example ${example}`) },
  ],
});

/** A page as Markdown. */
export function pageMarkdown({ title, blocks, picture }: GuidePage): string {
  const texts = blocks.map(block => {
    switch (block.kind) {
      case 'heading':
        return `## ${block.text}`;
      case 'code':
        return `\`\`\`\n${block.text}\n\`\`\``;
      case 'list':
        return block.items.map(item => `- ${item}`).join('\n');
      case 'links':
        return block.items.map(({ text, page }) => `- [${text}](${page}.md)`).join('\n');
      case 'text':
        return block.text;
    }
  });
  const shown = picture ? [`![${title}](pictures/${picture}.png)`] : [];
  return `${[`# ${title}`, ...shown, ...texts].join('\n\n')}\n`;
}

// CSS pixels of a picture of the guide.
const SIZE = { width: 800, height: 450 } as const;

/** The picture of a need, as the command draws it. */
export async function needPicture(figure: string, figures: ReadonlyMap<string, Handed>): Promise<Uint8Array> {
  const handed = figures.get(figure);
  if (!handed) throw new Error(`the sample project has no figure ${figure}`);
  return (await drawingsOf(handed, SIZE, { transparent: false, embedFonts: false })).png(1);
}
