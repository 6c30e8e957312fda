import { liveryNamed, type Figure, type LiveryDoc, type NamedLook } from 'core/document';
import type { Stages } from 'core/stages';
import { writerOf, type Writing } from 'core/words';
import { colourIn, type Livery } from './livery';
import type { LayoutRequest, PlanRequest } from '../requests';

const FAMILIES: { readonly [F in LiveryDoc['family']]: string } = {
  grotesk: "'Hanken Grotesk Variable', system-ui, sans-serif",
  mono: "'Spline Sans Mono Variable', ui-monospace, monospace",
};

/** The livery that a figure is drawn with. Cost: none while its inputs are unchanged. */
export function dressedIn(
  { figure, writing, livery: page }: Pick<PlanRequest, 'figure' | 'writing' | 'livery'>,
  stages: Stages,
): Pick<LayoutRequest, 'livery' | 'write' | 'formats'> {
  const { data, scales, dress } = figure;
  return {
    livery: stages('dressed', [dress.livery, writing.liveries, writing.looks, page], () => dressedLivery(figure, writing, page)),
    write: stages('writer', [data, scales.unit, scales.decimals, dress, writing], () => writerOf(figure, writing)),
    formats: writing.formats.map(({ name }) => name),
  };
}

/** The livery of a figure: the one that it names, of the project or built in; the page's own where it names none or one that no longer exists. */
export function dressedLivery({ dress }: Figure, { liveries, looks = [] }: Pick<Writing, 'liveries' | 'looks'>, page: Livery): Livery {
  const doc = liveryNamed(dress.livery, liveries);
  const livery = doc ? resolved(doc) : page;
  return looks.length ? { ...livery, colours: { ...livery.colours, ...namedColours(looks, livery) } } : livery;
}

/** The project's named looks as colours of a livery. A built-in colour name keeps its own colour. */
const namedColours = (looks: readonly NamedLook[], livery: Livery): Readonly<Record<string, string>> =>
  Object.fromEntries(looks.filter(({ name }) => !(name in livery.colours)).map(({ name, colour }) => [name, colourIn(livery, colour)]));

/** A livery with every value resolved, as drawings read it. */
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

/** The colour half way between two hex colours, so that series in the background still differ from each other. */
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
