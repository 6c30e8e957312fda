import { liveryNamed, type Figure, type LiveryDoc } from 'core/document';
import type { Livery } from './livery';

const FAMILIES: { readonly [F in LiveryDoc['family']]: string } = {
  grotesk: "'Hanken Grotesk Variable', system-ui, sans-serif",
  mono: "'Spline Sans Mono Variable', ui-monospace, monospace",
};

/** What a figure wears: the livery that it names, of the project or of those that come with Cowbell; the page's own where it names none, or one that is gone. */
export function dressedLivery({ dress }: Figure, own: readonly LiveryDoc[] | undefined, page: Livery): Livery {
  const doc = liveryNamed(dress.livery, own);
  return doc ? resolved(doc) : page;
}

/** A livery as drawings read it. */
export function resolved(doc: LiveryDoc): Livery {
  const { ground, ink, soft, hair, base, quiet, series, colours, sizes, line, grid, legend } = doc;
  return {
    ground,
    ink,
    soft,
    hair,
    base,
    series,
    quiet,
    quietSeries: [quiet, ...series.slice(1).map(colour => between(colour, quiet))],
    colours,
    font: FAMILIES[doc.family],
    sizes,
    line,
    bar: { share: doc.bar, corner: doc.corner },
    grid,
    legend,
  };
}

/** Half way from one hex colour to another, so that series that step back are still told apart. */
function between(a: string, b: string): string {
  const channel = (hex: string, at: number): number => parseInt(hex.slice(at, at + 2), 16);
  return `#${[1, 3, 5]
    .map(at =>
      Math.round((channel(a, at) + channel(b, at)) / 2)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}
