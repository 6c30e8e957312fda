import type { Option } from 'core/sentence';

/** A glyph as SVG path data in a box from −1 to 1, y down. `stroke`: drawn as a line, not filled. */
export interface Glyph {
  readonly label: string;
  readonly path: string;
  readonly stroke?: boolean;
}

/** Every glyph of the set. A new one is one entry here. */
export const glyphs = {
  up: { label: '▲ pointing up', path: 'M0-.85 .95 .8H-.95Z' },
  down: { label: '▼ pointing down', path: 'M0 .85 .95-.8H-.95Z' },
  right: { label: '▶ pointing right', path: 'M.85 0-.8 .95V-.95Z' },
  left: { label: '◀ pointing left', path: 'M-.85 0 .8 .95V-.95Z' },
  'arrow-up': { label: '↑ arrow up', path: 'M0 .9V-.8M-.65-.2 0-.9 .65-.2', stroke: true },
  'arrow-down': { label: '↓ arrow down', path: 'M0-.9V.8M-.65 .2 0 .9 .65 .2', stroke: true },
  'arrow-right': { label: '→ arrow right', path: 'M-.9 0H.8M.2-.65 .9 0 .2 .65', stroke: true },
  'arrow-rise': { label: '↗ arrow rising', path: 'M-.75 .75 .7-.7M-.2-.75H.75V.2', stroke: true },
  'arrow-sink': { label: '↘ arrow sinking', path: 'M-.75-.75 .7 .7M-.2 .75H.75V-.2', stroke: true },
  dot: { label: '● dot', path: 'M.8 0A.8 .8 0 1 1-.8 0 .8 .8 0 1 1 .8 0Z' },
  ring: { label: '○ ring', path: 'M.75 0A.75 .75 0 1 1-.75 0 .75 .75 0 1 1 .75 0Z', stroke: true },
  square: { label: '■ square', path: 'M-.75-.75H.75V.75H-.75Z' },
  diamond: { label: '◆ diamond', path: 'M0-1 1 0 0 1-1 0Z' },
  star: { label: '★ star', path: 'M0-1 .26-.35 .95-.31 .42 .14 .59 .81 0 .44-.59 .81-.42 .14-.95-.31-.26-.35Z' },
  plus: { label: '+ plus', path: 'M0-.85V.85M-.85 0H.85', stroke: true },
  cross: { label: '× cross', path: 'M-.7-.7 .7 .7M.7-.7-.7 .7', stroke: true },
  check: { label: '✓ check', path: 'M-.8 .1-.25 .65 .8-.6', stroke: true },
  level: { label: '– level', path: 'M-.85 0H.85', stroke: true },
  drop: { label: 'drop', path: 'M0-1C.25-.45 .75-.05 .75 .35A.75 .7 0 0 1-.75 .35C-.75-.05-.25-.45 0-1Z' },
  flag: { label: 'flag', path: 'M-.7-1H-.45V-.85H.85L.45-.35 .85 .15H-.45V1H-.7Z' },
  bell: {
    label: 'bell',
    path: 'M-.18-1H.18V-.75C.6-.65 .62-.2 .65 .25L.9 .6H-.9L-.65 .25C-.62-.2-.6-.65-.18-.75ZM-.28 .72H.28A.28 .26 0 0 1-.28 .72Z',
  },
} satisfies Record<string, Glyph>;

/** A glyph of the set by name. */
export type GlyphName = keyof typeof glyphs;

/** A glyph of the set by its name; undefined for a picture of the analyst's own. */
export const glyphOf = (name: string): Glyph | undefined => (Object.hasOwn(glyphs, name) ? glyphs[name as GlyphName] : undefined);

/** The value of a picture of the analyst's own among the glyphs. */
export const pictureGlyph = (name: string): string => `picture:${name}`;

/** Glyphs to choose from, the analyst's own pictures last. */
export const glyphOptions = (pictures: readonly string[]): Option[] => [
  { value: '', label: 'no glyph' },
  ...Object.entries(glyphs).map(([value, { label }]) => ({ value, label })),
  ...pictures.map(name => ({ value: pictureGlyph(name), label: `your picture ${name}` })),
];
