import type { BandStyle } from 'core/cue';
import type { LegendEntry } from 'core/plan';
import { shapes } from 'core/shape';
import { dashed, SEAM, solid } from '../marks/looks';
import type { SceneItem, StrokeLook } from '../scene';

const SWATCH = 10;
const LINE = 22;
const AREA = SWATCH * 1.4;
const RAMP_STEP = 6;

type Key = LegendEntry['key'];
type MarkKey = Extract<Key, { kind: 'mark' }>;
type BandKey = Extract<Key, { kind: 'band' }>;

/** Width of a symbol of the legend in CSS pixels. */
export function keyWidth(key: Key): number {
  if (key.kind === 'ramp') return key.colours.length * RAMP_STEP;
  if (key.kind === 'band') return key.style === 'edges' ? LINE : AREA;
  return isGlyph(key) ? SWATCH : isSeamed(key) ? LINE : markKeys[shapes[key.shape].key].width;
}

/** The symbol of an entry looks like the marks that it explains: a bar, a line with its dash and marker, a band, a glyph. */
export function keyItems(key: Key, left: number, middle: number, ground: string): SceneItem[] {
  switch (key.kind) {
    case 'ramp':
      return key.colours.map((colour, i) => rect(left + i * RAMP_STEP, middle - SWATCH / 2, RAMP_STEP + 0.5, SWATCH, colour));
    case 'band':
      return bandKeys[key.style](key, left, middle);
    case 'mark':
      return isGlyph(key)
        ? [glyph(key.glyph, left + SWATCH / 2, middle, SWATCH / 2, key.colour)]
        : isSeamed(key)
          ? seamedKey(key, left, middle, ground)
          : markKeys[shapes[key.shape].key].items(key, left, middle);
  }
}

/** The symbol of bars with a seam: long enough to tell its dashes apart. */
const seamedKey = ({ colour, stroke }: MarkKey, left: number, middle: number, ground: string): SceneItem[] => [
  rect(left, middle - SWATCH / 2, LINE, SWATCH, colour),
  level(left, middle, dashed(ground, SEAM.width, stroke?.dash ?? 'solid')),
];

const isSeamed = ({ shape, stroke }: MarkKey): boolean => shapes[shape].key === 'swatch' && stroke !== null;
const isGlyph = ({ glyph, stroke }: MarkKey): boolean => glyph !== '' && stroke === null;

interface KeyLook {
  readonly width: number;
  readonly items: (key: MarkKey, left: number, middle: number) => SceneItem[];
}

/** Symbols of shapes, by the key in their registry entry. */
const markKeys: { readonly [K in (typeof shapes)[keyof typeof shapes]['key']]: KeyLook } = {
  swatch: { width: SWATCH, items: ({ colour }, left, middle) => [rect(left, middle - SWATCH / 2, SWATCH, SWATCH, colour)] },
  stem: {
    width: SWATCH + 4,
    items: ({ colour }, left, middle) => [rect(left, middle - 1, SWATCH, 2, colour), dots([[left + SWATCH, middle]], 4, colour)],
  },
  dot: {
    width: SWATCH,
    items: ({ colour, stroke }, left, middle) => [
      stroke?.marker
        ? glyph(stroke.marker, left + SWATCH / 2, middle, 4, colour)
        : dots([[left + SWATCH / 2, middle]], SWATCH / 2 - 0.5, colour),
    ],
  },
  line: {
    width: LINE,
    items: ({ colour, stroke }, left, middle) => [
      level(left, middle, dashed(colour, stroke?.width ?? 2, stroke?.dash ?? 'solid')),
      ...(stroke?.marker ? [glyph(stroke.marker, left + LINE / 2, middle, 3.5, colour)] : []),
    ],
  },
  area: {
    width: AREA,
    items: ({ colour }, left, middle) => [
      rect(left, middle - SWATCH / 2, AREA, SWATCH, `${colour}3d`),
      rect(left, middle - SWATCH / 2, AREA, 2, colour),
    ],
  },
};

const filledKey = ({ colour }: BandKey, left: number, middle: number): SceneItem[] => [
  rect(left, middle - SWATCH / 2, AREA, SWATCH, `${colour}33`),
];
const stickKey = ({ colour }: BandKey, left: number, middle: number): SceneItem[] => [
  rect(left + AREA / 2 - 1, middle - SWATCH / 2, 2, SWATCH, colour),
];

const bandKeys: { readonly [S in BandStyle]: (key: BandKey, left: number, middle: number) => SceneItem[] } = {
  filled: filledKey,
  boxes: filledKey,
  edges: ({ colour }, left, middle) => [-SWATCH / 2, SWATCH / 2].map(down => level(left, middle + down, solid(colour, 1.5))),
  dots: ({ colour }, left, middle) => [
    dots(
      [1 - SWATCH / 2, SWATCH / 2 - 1].map(down => [left + AREA / 2, middle + down]),
      2.5,
      colour,
    ),
  ],
  sticks: stickKey,
  whiskers: (key, left, middle) => [
    ...stickKey(key, left, middle),
    ...[-SWATCH / 2, SWATCH / 2].map(down => rect(left + AREA / 2 - 4, middle + down - 0.75, 8, 1.5, key.colour)),
  ],
};

const rect = (left: number, top: number, width: number, height: number, fill: string): SceneItem => ({
  kind: 'rects',
  boxes: Float64Array.of(left, top, width, height),
  fill,
  corners: null,
});
const dots = (points: readonly (readonly number[])[], radius: number, fill: string): SceneItem => ({
  kind: 'dots',
  points: Float64Array.from(points.flat()),
  radius,
  fill,
  stroke: null,
});
const glyph = (name: string, x: number, y: number, size: number, colour: string): SceneItem => ({
  kind: 'glyph',
  glyph: name,
  x,
  y,
  size,
  colour,
});
const level = (left: number, y: number, stroke: StrokeLook): SceneItem => ({
  kind: 'segments',
  points: Float64Array.of(left, y, left + LINE, y),
  stroke,
});
