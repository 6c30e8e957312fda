import { readSentence, type Sentence, type Token } from 'core/sentence';
import type { CueKind } from './kind';
import type { CueFacts } from './scope/surroundings';
import { cueKinds, type Cue, type CueKindName } from './registry';

/** A kind of cue with its sentence for this figure. */
export interface CueOffer {
  readonly kind: CueKindName;
  readonly reads: string;
  readonly help: string;
  readonly cue: Cue;
}

/**
 * Kinds whose sentence, help or search words contain every typed word or a form of it, the best matches first. Words that tune a kind, such as the
 * number in "top 5", are applied to the offered cue.
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

/** A new cue tuned by the typed words: the measure that they name, then what its kind is tuned by. */
function tuned(kind: CueKind<Cue>, cue: Cue, typed: readonly string[], words: CueFacts): Cue {
  const measure = words.measures.find(name => typed.includes(name.toLowerCase()));
  const about = measure === undefined ? cue : kind.change(cue, 'measure', measure, words);
  return kind.tuning.reduce((out, { word, token, value }) => {
    const said = typed.find(text => word.test(text));
    if (said === undefined) return out;
    const wanted = value ?? said;
    return accepts(kind.sentence(out, words), token, wanted) ? kind.change(out, token, wanted, words) : out;
  }, about);
}

/** Whether a token of a sentence takes a value: what is typed in the search may be no more than what can be typed there. */
function accepts(sentence: Sentence, key: string, value: string): boolean {
  const token = sentence.find(part => typeof part !== 'string' && part.key === key) as Token | undefined;
  return token?.input.kind !== 'entry' || token.input.check(value) === null;
}

function scoreOf({ reads, help, kind }: CueOffer, typed: readonly string[]): number {
  const { search, tuning } = cueKinds[kind];
  const texts = [kind, search, help, reads].map(text => text.toLowerCase().split(/[^\p{L}\p{N}]+/u));
  const scores = typed.map(word => {
    const at = texts.findIndex(list =>
      list.some(item => item.startsWith(word) || (word.length > 4 && word.startsWith(item) && item.length > 3)),
    );
    return at >= 0 ? 4 - at : tuning.some(item => item.word.test(word)) ? 1 : 0;
  });
  return scores.some(score => score === 0) ? 0 : scores.reduce((sum, score) => sum + score, 0);
}
