/** The colours and type that dress a figure, all resolved: hex colours and a font family. */
export interface Livery {
  readonly ground: string;
  readonly ink: string;
  /** Secondary words: tick labels, the line under the title. */
  readonly soft: string;
  /** Gridlines. */
  readonly hair: string;
  /** Marks of a figure without cues. */
  readonly base: string;
  /** Series of a figure without cues, in order; the first is the base. */
  readonly series: readonly string[];
  /** Marks that step back. */
  readonly quiet: string;
  /** The same for each series, so that they stay told apart; `quiet` alone where unsaid. */
  readonly quietSeries?: readonly string[];
  /** Emphasis colours by the names that cues use. */
  readonly colours: Readonly<Record<string, string>>;
  readonly font: string;
}

/** Black on white, for who asks for numbers alone. */
export const BARE_LIVERY: Livery = {
  ground: '#ffffff',
  ink: '#000000',
  soft: '#000000',
  hair: '#000000',
  base: '#000000',
  series: ['#000000'],
  quiet: '#000000',
  colours: {},
  font: 'sans-serif',
};

/** The tone in which the marks of a series step back. */
export const quietIn = ({ quiet, quietSeries = [] }: Livery, nth: number): string => quietSeries[nth % quietSeries.length] ?? quiet;

/** A cue's colour in this livery: a name of its own, or the hex value itself. */
export function colourIn(livery: Livery, colour: string): string {
  const named = livery.colours[colour];
  if (named !== undefined) return named;
  return /^#[0-9a-f]{6}$/i.test(colour) ? colour : livery.base;
}
