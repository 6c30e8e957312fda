import { isTable, givenTitle, type Dress, type Figure } from 'core/document';
import type { FindingTitle } from 'core/words';
import { labelClauses, labelSettings } from './label-words';
import { finerOf, proseOf, speakerOf, type Section } from '../section';
import { choices, choiceSetting, textSetting, type Choice, type Subject } from '../setting';

/** Settings for title, subtitle, note and source. */
export const wordsSettings = {
  title: textSetting({
    about: 'Title',
    search: 'name heading caption',
    governs: () => ['title'],
    plain: ({ figure }) => givenTitle(figure.data),
    nothing: 'no title',
    now: ({ figure }) => figure.words.title,
    // What is written by hand stands from then on.
    set: ({ figure }, title) => ({ words: { ...withoutFinding(figure), title } }),
  }),
  finding: choiceSetting<FindingTitle | null>({
    about: 'What the title states',
    search: 'title finding headline takeaway claim message automatic',
    plain: '',
    options: ({ facts, figure }) => [
      { value: '', label: figure.words.finding ? `the words you wrote: ${figure.words.title}` : 'the words you wrote', means: null },
      ...facts.titles.map(title => ({ value: titleKey(title), label: title.text, means: title })),
      ...gone(figure, facts.titles),
    ],
    now: ({ figure }) => (figure.words.finding ? titleKey(figure.words.finding) : ''),
    set: ({ figure }, _place, title) => ({
      words: { ...withoutFinding(figure), ...(title ? { finding: { cue: title.cue, wording: title.wording } } : {}) },
    }),
  }),
  subtitle: textSetting({
    about: 'Subtitle',
    search: 'note text below the title',
    governs: () => ['subtitle'],
    plain: () => '',
    nothing: 'nothing',
    now: ({ figure }) => figure.words.subtitle,
    set: ({ figure }, subtitle) => ({ words: { ...figure.words, subtitle } }),
  }),
  note: textSetting({
    about: 'Note',
    search: 'footnote source remark foot',
    governs: () => ['foot'],
    plain: () => '',
    nothing: 'nothing',
    now: ({ figure }) => figure.words.note ?? '',
    set: ({ figure }, note) => ({ words: { ...figure.words, note } }),
  }),
  source: textSetting({
    about: 'Source',
    search: 'source data origin credit foot',
    governs: () => ['source'],
    plain: () => '',
    nothing: 'nothing',
    now: ({ figure }) => figure.words.source ?? '',
    set: ({ figure }, source) => ({ words: { ...figure.words, source } }),
  }),
  legend: choiceSetting<Dress['legend']>({
    about: 'Legend',
    search: 'legend key place none direct side top',
    governs: () => ['legend'],
    plain: 'auto',
    options: choices([
      ['auto', 'where its livery has it'],
      ['top', 'above the plot'],
      ['side', 'beside the plot'],
      ['direct', 'at the marks themselves'],
      ['none', 'nowhere'],
    ]),
    now: ({ figure }) => figure.dress.legend,
    set: ({ figure }, _place, legend) => ({ dress: { ...figure.dress, legend } }),
  }),
  ...labelSettings,
};

const titleKey = ({ cue, wording }: Pick<FindingTitle, 'cue' | 'wording'>): string => `${cue} ${wording}`;

function withoutFinding({ words: { finding: _, ...words } }: Figure): Figure['words'] {
  return words;
}

/** A chosen finding that is no longer proposed. */
function gone({ words: { finding, title } }: Figure, titles: readonly FindingTitle[]): Choice<FindingTitle | null>[] {
  if (!finding || titles.some(item => titleKey(item) === titleKey(finding))) return [];
  return [{ value: titleKey(finding), label: 'what a cue found', means: { ...finding, text: title } }];
}

const { clause } = speakerOf(wordsSettings);

/** "Call it Milk, at last. Say a word on it below." */
export function wordsSection(subject: Subject): Section {
  const clauses = [
    clause('title', subject, { said: ['Call it ', '.'], finer: ['It is called ', '.'] }),
    ...(subject.facts.titles.length || subject.figure.words.finding
      ? [clause('finding', subject, { said: [' The title states ', '.'], finer: ['The title states ', '.'] })]
      : []),
    clause('subtitle', subject, { said: [' Say ', ' below.'], finer: ['Below the title stands ', '.'] }),
    clause('note', subject, { said: [' Note ', ' at the foot.'], finer: ['At the foot stands ', '.'] }),
    clause('source', subject, { said: [' Name ', ' as the source.'], finer: ['As its source it names ', '.'] }),
    ...(isTable(subject.figure) ? [] : labelClauses(subject)),
    clause('legend', subject, { said: [' The legend stands ', '.'], finer: ['The legend stands ', '.'] }),
  ];
  return { said: proseOf(clauses), finer: finerOf(clauses) };
}
