import { cueKinds, cueFactsOf, type Cue, type CueKindName, type CueFacts, type Look } from 'core/cue';

/** A look of a cue in a figure. */
export const look = (colour: string, change: Partial<Look> = {}): Look => ({
  colour,
  outline: false,
  glyph: '',
  label: 'none',
  text: '',
  ...change,
});

const wordsFor = (measures: readonly string[], category: string): CueFacts => cueFactsOf({ category, measures });

/** A cue as adding it would make it, with changes. */
export function cueOf<K extends CueKindName>(
  kind: K,
  measures: readonly string[],
  category: string,
  change: Partial<Extract<Cue, { kind: K }>>,
): Cue {
  return { ...cueKinds[kind].create(`${kind}-1`, wordsFor(measures, category)), ...change };
}

/** Highest and lowest of a measure, as a first figure marks them. */
export const extremesOf = (measure: string) => cueKinds.extremes.create('cue-1', cueFactsOf({ measures: [measure] }));
