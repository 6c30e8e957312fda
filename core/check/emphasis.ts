import type { Cue } from 'core/cue';
import type { Layer } from 'core/plan';
import { counted, listed } from 'core/sentence';
import type { Check, Risk } from './check';

// More marks than this share of all are a background, not an emphasis; fewer marks than that are too few to tell.
const [MOST, LEAST_MARKS, NEARLY_ALL] = [1 / 3, 6, 0.9];

/** Emphasis on so many marks that none of them stands out. */
export const tooMuchEmphasis: Check = {
  severity: 'unclear',
  about: 'more than a third of the marks emphasised',
  find({ figure, plan }) {
    const layers = plan.panels.flatMap(panel => panel.layers).filter(({ cue }) => cue === null);
    // Where every mark of a measure is told into one group or another, colour is a key and no emphasis.
    const measures = [...new Set(layers.map(({ measure }) => measure))];
    const told = measures.map(measure => marksOf(layers.filter(layer => layer.measure === measure)));
    const [all, numbers] = told.find(([count, marked]) => isTooMuch(count, marked.length)) ?? [0, []];
    if (all === 0) return [];
    const [number] = [...new Set(numbers)].sort((a, b) => count(numbers, b) - count(numbers, a));
    const cue = figure.cues[(number ?? 1) - 1];
    return [
      {
        words: `${numbers.length.toLocaleString('en')} of ${counted(all, 'mark')} are emphasised: with more than a third of them nothing stands out.`,
        key: colourWord(cue),
        mend:
          cue && figure.cues.length > 1
            ? {
                words: `Switch cue ${number} off`,
                change: { cues: figure.cues.map(item => (item === cue ? { ...item, on: false } : item)) },
              }
            : null,
      },
    ];
  },
};

/** How many marks some layers have, and the numbers of the cues that mark some of them. */
function marksOf(layers: readonly Layer[]): readonly [all: number, numbers: readonly number[]] {
  const all = layers.reduce((sum, { ends }) => sum + ends.reduce((count, end) => count + Number(end === end), 0), 0);
  return [all, layers.flatMap(({ marked, ends }) => [...marked].filter((cue, at) => cue !== 0 && !Number.isNaN(ends[at])))];
}

const isTooMuch = (all: number, marked: number): boolean => all >= LEAST_MARKS && marked > all * MOST && marked < all * NEARLY_ALL;

/** The word of a cue that chooses the colour of its first part. */
const colourWord = (cue: Cue | undefined): string => `look:${Object.keys(cue?.looks ?? {})[0] ?? ''}:colour`;

const count = (numbers: readonly number[], wanted: number): number => numbers.filter(number => number === wanted).length;

/** Two cues that mean different things in one colour. */
export const oneColourTwice: Check = {
  severity: 'unclear',
  about: 'two cues in one colour',
  find({ plan, applied }) {
    const byColour = new Map<string, Map<string, string>>();
    for (const { cue, key, text } of plan.legend) {
      if (cue === null || key.kind !== 'mark' || key.glyph !== '') continue;
      const cues = byColour.get(key.colour) ?? new Map<string, string>();
      byColour.set(key.colour, cues.set(cue, text));
    }
    return [...byColour.values()]
      .filter(cues => cues.size > 1)
      .map((cues): Risk => {
        const numbers = [...cues.keys()].map(id => applied.find(({ cue }) => cue.id === id)?.number ?? 0);
        return {
          words: `${listed([...cues.values()].map(text => `“${text}”`))} have one colour though cues ${listed(numbers.map(String))} mean different things by it.`,
          key: colourWord(applied.find(({ cue }) => cues.has(cue.id))?.cue),
          mend: null,
        };
      });
  },
};

/** A series that the legend does not name. */
export const hiddenSeries: Check = {
  severity: 'misleading',
  about: 'a series that the legend leaves out',
  find({ figure, plan }) {
    if (figure.dress.legend !== 'none') return [];
    const names = [
      ...new Set(
        plan.panels
          .flatMap(panel => panel.layers)
          .filter(({ cue }) => cue === null)
          .map(({ name }) => name),
      ),
    ];
    if (names.length < 2) return [];
    return [
      {
        words: `${listed(names.slice(0, 4))}${names.length > 4 ? ` and ${names.length - 4} more` : ''} are told apart by their looks, and no legend says which is which.`,
        key: 'legend',
        mend: { words: 'Show the legend', change: { dress: { ...figure.dress, legend: 'top' } } },
      },
    ];
  },
};
