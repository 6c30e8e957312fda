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
  /** Colour of marks in the background. */
  readonly quiet: string;
  /** Background colours by series, so that series still differ; `quiet` for all where not given. */
  readonly quietSeries?: readonly string[];
  /** Emphasis colours by the names that cues use. */
  readonly colours: Readonly<Record<string, string>>;
  readonly font: string;
  /** Sizes of letters in CSS pixels; the usual ones where not given. */
  readonly sizes?: LetterSizes;
  /** Factor on the usual widths of lines. */
  readonly line?: number;
  /** Bars: the share of its slot that a bar takes, and the radius of its corners in CSS pixels. */
  readonly bar?: { readonly share: number; readonly corner: number };
  /** Whether figures have gridlines by default. */
  readonly grid?: boolean;
  /** Where the legend is by default. */
  readonly legend?: 'top' | 'side' | 'direct' | 'none';
}

/** Sizes of letters, in CSS pixels: `text` of names, numbers and the legend, `label` of labels at their largest. */
export interface LetterSizes {
  readonly title: number;
  readonly subtitle: number;
  readonly text: number;
  readonly label: number;
}

/** The light livery for drawing without a page to read colours from; the same values as the variables of app/tokens.css. */
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

/** The dark livery for drawing without a page. */
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

/** A black on white livery, for numbers alone. */
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

/** The background colour of a series. */
export const quietIn = ({ quiet, quietSeries = [] }: Livery, nth: number): string => quietSeries[nth % quietSeries.length] ?? quiet;

/** A colour of a cue in this livery: by its name, or the hex value itself. */
export function colourIn(livery: Livery, colour: string): string {
  const named = livery.colours[colour];
  if (named !== undefined) return named;
  return /^#[0-9a-f]{6}$/i.test(colour) ? colour : livery.base;
}
