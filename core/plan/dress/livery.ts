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
  /** Sizes of letters in CSS pixels; as usual where unsaid. */
  readonly sizes?: LetterSizes;
  /** Widths of lines, times the usual. */
  readonly line?: number;
  /** The share of its place that a bar takes, and the radius of its corners in CSS pixels. */
  readonly bar?: { readonly share: number; readonly corner: number };
  /** Whether figures have gridlines as long as nobody takes them away. */
  readonly grid?: boolean;
  /** Where the legend stands where a figure does not say. */
  readonly legend?: 'top' | 'side' | 'direct' | 'none';
}

/** Sizes of letters, in CSS pixels: `text` of names, numbers and the legend, `label` of labels at their largest. */
export interface LetterSizes {
  readonly title: number;
  readonly subtitle: number;
  readonly text: number;
  readonly label: number;
}

/** How figures are dressed by day where there is no page to read the colours from; the same as the variables of app/tokens.css. */
export const LIGHT_LIVERY: Livery = {
  ground: '#fcfdfc',
  ink: '#15302a',
  soft: '#4a6059',
  hair: '#d2ddd7',
  base: '#5f7a70',
  series: ['#5f7a70', '#3b66a6', '#99662d', '#723e77', '#328b9c', '#8b8b28'],
  quiet: '#84978e',
  quietSeries: ['#84978e', '#5a6b89', '#917861', '#a787ad', '#62838b', '#969666'],
  colours: {
    brass: '#b37a07',
    slate: '#31485f',
    pasture: '#417d47',
    clay: '#b5401f',
    plum: '#7a4688',
    lake: '#2d859a',
    ink: '#15302a',
  },
  font: "'Hanken Grotesk Variable', system-ui, sans-serif",
};

/** The same by night. */
export const DARK_LIVERY: Livery = {
  ground: '#14211d',
  ink: '#e7f0eb',
  soft: '#a6b8b0',
  hair: '#2b3d36',
  base: '#8ca79b',
  series: ['#8ca79b', '#80aeeb', '#c9975e', '#b48cbc', '#80d3e2', '#cbca75'],
  quiet: '#62786f',
  quietSeries: ['#62786f', '#6b86ad', '#947d65', '#8b7e8f', '#387180', '#717043'],
  colours: {
    brass: '#e6aa35',
    slate: '#add2fe',
    pasture: '#82cc84',
    clay: '#e27359',
    plum: '#d099df',
    lake: '#4ca6b6',
    ink: '#e7f0eb',
  },
  font: LIGHT_LIVERY.font,
};

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
