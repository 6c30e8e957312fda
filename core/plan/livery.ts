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
  /** Emphasis colours by the names that cues use. */
  readonly colours: Readonly<Record<string, string>>;
  readonly font: string;
}

/** A cue's colour in this livery: a name of its own, or the hex value itself. */
export function colourIn(livery: Livery, colour: string): string {
  const named = livery.colours[colour];
  if (named !== undefined) return named;
  return /^#[0-9a-f]{6}$/i.test(colour) ? colour : livery.base;
}
