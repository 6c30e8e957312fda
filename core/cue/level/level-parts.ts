import type { Sentence, Token } from 'core/sentence';
import { amongWords } from '../scope/among';
import { isStatistic, type Level } from './level';
import type { Scope } from '../scope/scope';
import type { CueFacts } from '../scope/surroundings';

/**
 * A level with the scope that it depends on, for sentences with the tokens `level`, `measure` and `scope`: "the average of milk over the 20 huts in
 * the whole figure", "ratio over all rows within each valley", "50,000 beside milk".
 */
export function levelParts(
  { level, measure, scope }: { readonly level: Level; readonly measure: string; readonly scope: Scope },
  say: (key: string) => Token,
  words: CueFacts,
): Sentence {
  if (isStatistic(level)) return ['the ', say('level'), ' of ', say('measure'), ` ${amongWords(words, measure, scope)} `, say('scope')];
  if (level.is === 'overall') return [say('measure'), ' ', say('level'), ' ', say('scope')];
  return [say('level'), ' beside ', say('measure'), ...(level.is === 'formula' ? [' ', say('scope')] : [])];
}
