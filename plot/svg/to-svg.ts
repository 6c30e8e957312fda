import type { Plan } from 'core/plan';
import type { Gradient, Scene } from '../scene/scene';
import { cueNames, namedItems, type CueNumbers } from './group-names';
import { attributes, escaped, num } from 'core/markup';
import { svgItem, type SvgSheet } from './svg-items';

/** A file of a font as it goes into a picture. */
export interface EmbeddedFont {
  readonly family: string;
  /** CSS weights, such as "100 900". */
  readonly weights: string;
  /** CSS ranges of the letters that it has. */
  readonly range: string;
  /** A data URL. */
  readonly source: string;
}

/** How an SVG is written. */
export interface SvgWishes {
  /** Files of fonts that go into the picture; without any, fonts are named, with what stands in for them. */
  readonly fonts?: readonly EmbeddedFont[];
  /** No ground: what lies beneath shows through. */
  readonly transparent?: boolean;
  /** Before every id, so that several pictures can stand in one page. */
  readonly prefix?: string;
  /** The hover texts of marks. */
  readonly hover?: readonly HoverMark[];
}

/** The words of a mark, and where it lies, in CSS pixels. */
export interface HoverMark {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  readonly words: string;
}

/**
 * A laid-out figure as SVG: real text, groups by what they are for, a title and a description, nothing that runs and nothing that is fetched. The same
 * scene gives the same bytes. Cost: O(marks).
 */
export function toSvg(
  scene: Scene,
  plan: Plan,
  numbers: CueNumbers,
  { fonts = [], transparent = false, prefix = 'figure', hover = [] }: SvgWishes = {},
): string {
  const { width, height, ground, family, groups } = scene;
  const gradients = new Map<string, string>();
  const sheet: SvgSheet = { scene, gradient: gradient => gradientIn(gradients, gradient, prefix) };
  const cues = cueNames(plan, numbers);
  const body = groups.flatMap((group, nth) => {
    const clip = group.clip && { clip: group.clip, id: `${prefix}-clip-${nth}` };
    const parts = namedItems(group, cues).map(
      ({ name, items }) => `<g${attributes({ 'aria-label': name })}>\n${items.flatMap(item => svgItem(item, sheet)).join('\n')}\n</g>`,
    );
    const id = `${prefix}-${group.name.replace(/[^\p{L}\p{N}]+/gu, '-')}`;
    const cut = clip ? [`<clipPath id="${clip.id}"><rect${boxOf(clip.clip)}/></clipPath>`] : [];
    return [...cut, `<g${attributes({ id, 'clip-path': clip ? `url(#${clip.id})` : undefined })}>`, ...parts, '</g>'];
  });
  const [titled, described] = [`${prefix}-title`, `${prefix}-description`];
  const head = {
    xmlns: 'http://www.w3.org/2000/svg',
    width,
    height,
    viewBox: `0 0 ${num(width)} ${num(height)}`,
    role: 'img',
    'aria-labelledby': `${titled} ${described}`,
    direction: 'ltr',
    'font-family': family,
  };
  return [
    `<svg${attributes(head)}>`,
    `<title id="${titled}">${escaped(plan.title || plan.axisNote)}</title>`,
    `<desc id="${described}">${escaped(plan.description)}</desc>`,
    ...defsOf(fonts, gradients),
    ...(transparent ? [] : [`<rect${attributes({ width, height, fill: ground })}/>`]),
    ...body,
    ...hoverGroup(hover, prefix),
    '</svg>',
    '',
  ].join('\n');
}

const boxOf = ({ left: x, top: y, width, height }: NonNullable<Scene['groups'][number]['clip']>): string =>
  attributes({ x, y, width, height });

/** Marks to point at: they are seen by nobody, and say what they are. */
function hoverGroup(marks: readonly HoverMark[], prefix: string): string[] {
  if (marks.length === 0) return [];
  const rects = marks.map(
    ({ left: x, top: y, width, height, words }) =>
      `<rect${attributes({ x, y, width, height, fill: 'none', 'pointer-events': 'all' })}><title>${escaped(words)}</title></rect>`,
  );
  return [`<g id="${prefix}-words">`, ...rects, '</g>'];
}

// Letters are spaced as the canvas does, and white space is kept.
const PLAIN = 'text{white-space:pre;font-kerning:normal}';

function defsOf(fonts: readonly EmbeddedFont[], gradients: ReadonlyMap<string, string>): string[] {
  const faces = fonts.map(
    ({ family, weights, range, source }) =>
      `@font-face{font-family:'${family}';font-weight:${weights};src:url(${source}) format('woff2');unicode-range:${range}}`,
  );
  return ['<defs>', `<style>${[...faces, PLAIN].join('\n')}</style>`, ...gradients.values(), '</defs>'];
}

/** The reference of a gradient; each is written once, and stretches over whatever it fills. */
function gradientIn(known: Map<string, string>, { low, high, horizontal }: Gradient, prefix: string): string {
  const key = `${low} ${high} ${String(horizontal)}`;
  const id = `${prefix}-gradient-${known.has(key) ? [...known.keys()].indexOf(key) : known.size}`;
  const way = horizontal ? { x1: 0, x2: 1, y1: 0, y2: 0 } : { x1: 0, x2: 0, y1: 1, y2: 0 };
  const stop = (offset: number, colour: string): string => `<stop${attributes({ offset, 'stop-color': colour })}/>`;
  if (!known.has(key)) known.set(key, `<linearGradient${attributes({ id, ...way })}>${stop(0, low)}${stop(1, high)}</linearGradient>`);
  return `url(#${id})`;
}
