import type { ScaleName } from './make-scale';

/** Facts about a scale that an axis can have. The brief, bounds and checks ask for these facts, never for the scale's name. */
export interface ScaleFacts {
  /** As the brief offers it: "The axis is …". */
  readonly words: string;
  /** Its name before "axis" in a sentence, with its article. */
  readonly axisWords: string;
  /** Equal differences take equal room: the axis may have steps and breaks, and zero may be left out of it. */
  readonly isStraight: boolean;
  /** Its ticks are powers of a base. */
  readonly hasBase: boolean;
  /** Whether a value has a place on it. */
  readonly isDefinedAt: (value: number) => boolean;
}

const everywhere = (): boolean => true;

/** Every scale that an axis can have, with its facts; the names are those of the document. */
export const SCALE_FACTS: { readonly [N in ScaleName]: ScaleFacts } = {
  linear: { words: 'linear', axisWords: 'a linear', isStraight: true, hasBase: false, isDefinedAt: everywhere },
  log: { words: 'logarithmic', axisWords: 'a log', isStraight: false, hasBase: true, isDefinedAt: value => value > 0 },
  symlog: {
    words: 'symmetric log, for values on both sides of zero',
    axisWords: 'a symmetric log',
    isStraight: false,
    hasBase: true,
    isDefinedAt: everywhere,
  },
};
