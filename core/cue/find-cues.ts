import { readSentence } from 'core/sentence';
import type { CueKind } from './kind';
import type { CueFacts } from './surroundings';
import { cueKinds, type Cue, type CueKindName } from './registry';

/** A kind of cue as it would read on this figure. */
export interface CueOffer {
  readonly kind: CueKindName;
  readonly reads: string;
  readonly help: string;
  readonly cue: Cue;
}

/**
 * Kinds whose sentence, help or further words hold every word typed, or a form of it; what matches at the front of the words comes
 * first. A number in the query goes into the cue where it takes one: "top 5".
 */
export function findCues(query: string, words: CueFacts): CueOffer[] {
  const typed = query
    .toLowerCase()
    .split(/[^\p{L}\p{N}.]+/u)
    .filter(Boolean);
  const names = typed.filter(word => !/^[\d.]+$/.test(word));
  const offers = (Object.keys(cueKinds) as CueKindName[]).map(kind => offerOf(kind, words, typed));
  return offers
    .map((offer, place) => ({ offer, place, score: scoreOf(offer, names) }))
    .filter(({ score }) => score > 0 || names.length === 0)
    .sort((a, b) => b.score - a.score || a.place - b.place)
    .map(({ offer }) => offer);
}

function offerOf(name: CueKindName, words: CueFacts, typed: readonly string[]): CueOffer {
  const kind = cueKinds[name] as unknown as CueKind<Cue>;
  const cue = tuned(kind, kind.create('', words), typed, words);
  return { kind: name, reads: readSentence(kind.sentence(cue, words)), help: kind.help, cue };
}

/** The facts about the cue that the typed words state: an end, a number, a measure. */
function tuned(kind: CueKind<Cue>, cue: Cue, typed: readonly string[], words: CueFacts): Cue {
  const number = typed.find(word => /^\d+(\.\d+)?$/.test(word));
  const measure = words.measures.find(name => typed.includes(name.toLowerCase()));
  let out = measure === undefined ? cue : kind.change(cue, 'measure', measure, words);
  if (number !== undefined && out.kind === 'rank') out = kind.change(out, 'n', number, words);
  if (out.kind === 'rank' && typed.includes('bottom')) out = kind.change(out, 'end', 'bottom', words);
  if (out.kind === 'typical' && typed.includes('median')) out = kind.change(out, 'level', 'median', words);
  if (out.kind === 'running' && typed.includes('total')) out = kind.change(kind.change(out, 'of', 'total', words), 'n', '0', words);
  return out;
}

function scoreOf({ reads, help, kind }: CueOffer, typed: readonly string[]): number {
  const texts = [kind, cueKinds[kind].search, help, reads].map(text => text.toLowerCase().split(/[^\p{L}\p{N}]+/u));
  const scores = typed.map(word => {
    const at = texts.findIndex(list =>
      list.some(item => item.startsWith(word) || (word.length > 4 && word.startsWith(item) && item.length > 3)),
    );
    return at === -1 ? 0 : 4 - at;
  });
  return scores.some(score => score === 0) ? 0 : scores.reduce((sum, score) => sum + score, 0);
}
