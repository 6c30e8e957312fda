import type { Option } from 'core/sentence';
import type { CueFacts, ValueRange } from './surroundings';

/** Everything that a cue can look at: the figure's measures, then columns that can be added. */
export const measuresWithin = ({ measures, candidates = [] }: CueFacts): string[] => [
  ...measures,
  ...candidates.map(({ name }) => name).filter(name => !measures.includes(name)),
];

/** Measures as options of a token; an option says so where choosing it adds a measure. */
export const measureOptions = (words: CueFacts): Option[] =>
  measuresWithin(words).map(name => ({ value: name, label: words.measures.includes(name) ? name : `${name}, added to the ledger` }));

const wordsOf = (name: string): string[] =>
  name
    .toLowerCase()
    .split(/[\s_.\-/()]+|(?<=[a-z])(?=[A-Z])/)
    .filter(word => word.length > 1);

// Values count as alike within this factor of each other.
const ALIKE = 4;

/**
 * The best partner of a measure: by its name, by words that both names share, by values of similar size; then a measure of the figure, then the
 * first. Empty where there is none.
 */
export function partnerOf(words: CueFacts, measure: string, called: RegExp): string {
  const own = new Set(wordsOf(measure));
  const score = (name: string): number =>
    (called.test(name.replaceAll('_', ' ')) ? 8 : 0) +
    (wordsOf(name).some(word => own.has(word)) ? 4 : 0) +
    (areAlike(words.rangeOf?.(measure), words.rangeOf?.(name)) ? 2 : 0) +
    (words.measures.includes(name) ? 1 : 0);
  const others = measuresWithin(words).filter(name => name !== measure);
  return others.reduce((best, name) => (best === '' || score(name) > score(best) ? name : best), '');
}

function areAlike(a: ValueRange | undefined, b: ValueRange | undefined): boolean {
  if (!a || !b) return false;
  const [one, other] = [Math.max(Math.abs(a.low), Math.abs(a.high)), Math.max(Math.abs(b.low), Math.abs(b.high))];
  return one > 0 && other > 0 && one / other < ALIKE && other / one < ALIKE;
}
