import type { Sentence, Token } from 'core/sentence';
import { briefOf } from './brief';
import { settingOf } from './settings';
import type { Subject } from './setting';

/**
 * The sentences of the brief about a part of the figure (`title`, `axis first`, `legend 2`, …): decided settings first, then the others. Empty for a
 * part without settings.
 */
export function wordsGoverning(subject: Subject, part: string): readonly Sentence[] {
  const { data, shape, helpers, scales, words } = briefOf(subject);
  const sections = [data, shape, ...helpers, scales, words];
  const governs = (sentence: Sentence): boolean => sentence.some(word => typeof word !== 'string' && isGoverned(subject, word, part));
  return [...sections.map(({ said }) => said), ...sections.flatMap(({ finer }) => finer)].filter(governs);
}

function isGoverned({ figure }: Subject, { key }: Token, part: string): boolean {
  const found = settingOf(figure, key);
  return (found?.setting.governs?.(found.place) ?? []).some(name => part === name || part.startsWith(`${name} `));
}
