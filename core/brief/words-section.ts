import { givenTitle } from 'core/document';
import { finerOf, proseOf, speakerOf, type Section } from './section';
import { textSetting, type Subject } from './setting';

/** What stands above the figure and at its foot. */
export const wordsSettings = {
  title: textSetting({
    about: 'Title',
    search: 'name heading caption',
    governs: () => ['title'],
    plain: ({ figure }) => givenTitle(figure.data),
    nothing: 'no title',
    now: ({ figure }) => figure.words.title,
    set: ({ figure }, title) => ({ words: { ...figure.words, title } }),
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
};

const { clause } = speakerOf(wordsSettings);

/** "Call it Milk, at last. Say a word on it below." */
export function wordsSection(subject: Subject): Section {
  const clauses = [
    clause('title', subject, { said: ['Call it ', '.'], finer: ['It is called ', '.'] }),
    clause('subtitle', subject, { said: [' Say ', ' below.'], finer: ['Below the title stands ', '.'] }),
    clause('note', subject, { said: [' Note ', ' at the foot.'], finer: ['At the foot stands ', '.'] }),
  ];
  return { said: proseOf(clauses), finer: finerOf(clauses) };
}
