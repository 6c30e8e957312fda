import { briefOf, cueFactsIn, subjectOf } from 'core/brief';
import { kindOf } from 'core/cue';
import { messageFor } from 'core/result/words';
import { readSentence, type Sentence } from 'core/sentence';
import { foundIn, titlesIn, type Handed } from './handed';

/** A cue in words: its sentence, what it found, and why it rests where it does. */
export interface CueText {
  readonly number: number;
  readonly sentence: string;
  readonly on: boolean;
  readonly found: readonly string[];
  readonly problems: readonly string[];
}

/** A figure in words: what a reader hears, what was decided, what its cues found. */
export interface FigureText {
  readonly figure: string;
  readonly title: string;
  readonly subtitle: string;
  readonly description: string;
  /** Titles that state what the first cue found, plainly, with its number, compared. */
  readonly titles: readonly string[];
  readonly cues: readonly CueText[];
  /** The brief without its cues, a text for each of its sections. */
  readonly brief: readonly string[];
  readonly note: string;
  readonly source: string;
}

/** A figure in words. Cost: O(marks). */
export function figureText(handed: Handed): FigureText {
  const { figure, plan, picture, project } = handed;
  const subject = subjectOf(
    figure,
    [factsOf(handed)],
    project.formats,
    { emptyRows: picture.frame.emptyRows, marks: [], titles: titlesIn(handed) },
    project.liveries.map(({ name }) => name),
  );
  const { data, shape, helpers, scales, words } = briefOf(subject);
  const spoken = [data, shape, ...helpers, scales, words].map(({ said }) => plain(said)).filter(Boolean);
  return {
    figure: figure.name,
    title: plan.title,
    subtitle: plan.subtitle,
    description: plan.description,
    titles: titlesIn(handed).map(({ text }) => text),
    cues: cuesIn(handed, subject),
    brief: spoken,
    note: plan.note,
    source: plan.source,
  };
}

function cuesIn(handed: Handed, subject: ReturnType<typeof subjectOf>): CueText[] {
  const { figure, picture, project } = handed;
  const facts = cueFactsIn({
    figure,
    frame: picture.frame,
    subject,
    pictures: project.pictures.map(({ name }) => name),
    looks: project.looks.map(({ name }) => name),
  });
  const found = new Map(foundIn(handed).map(item => [item.cue, item.parts.map(({ said }) => said).filter(Boolean)]));
  return figure.cues.map((cue, i) => ({
    number: i + 1,
    sentence: plain(kindOf(cue).sentence(cue, facts)),
    on: cue.on,
    found: found.get(cue.id) ?? [],
    problems: picture.applied.find(applied => applied.cue.id === cue.id)?.problems.map(messageFor) ?? [],
  }));
}

const factsOf = ({ tableDoc, table }: Handed) => ({
  id: tableDoc.id,
  name: tableDoc.name,
  rowCount: table.rowCount,
  units: tableDoc.units,
  columns: table.columns.map(({ name, type }) => ({ name, type })),
});

const plain = (sentence: Sentence): string => readSentence(sentence).replace(/\s+/g, ' ').trim();

/** The same as plain text, a paragraph for each of its parts. */
export function figureTextLines({ title, subtitle, description, titles, cues, brief, note, source }: FigureText): string {
  const cueLines = cues.flatMap(({ number, sentence, on, found, problems }) => [
    `${number}. ${sentence}${on ? '' : ' (off)'}`,
    ...[...found, ...problems].map(words => `   ${words}`),
  ]);
  const parts = [
    [title, subtitle],
    [description],
    titles.length ? ['Titles that state the finding:', ...titles.map(text => `- ${text}`)] : [],
    cueLines.length ? ['Cues:', ...cueLines] : [],
    ['The figure as it was decided:', ...brief],
    [note, source && `Source: ${source}`],
  ];
  return `${parts
    .map(lines => lines.filter(Boolean).join('\n'))
    .filter(Boolean)
    .join('\n\n')}\n`;
}
