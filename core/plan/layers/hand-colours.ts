import { categoryAt } from 'core/frame';
import type { LayoutRequest } from '../requests';

/** Colours set by hand, by the category or series that they belong to. */
export interface HandColours {
  /** The colour of a series by its name; undefined where it has none. */
  readonly series: (name: string | null) => string | undefined;
  /** The colour of a row of the frame, by its category. */
  readonly row: ((row: number) => string | undefined) | null;
}

/** The colours set by hand in a figure. Cost: none where there are none. */
export function handColours({ figure: { dress }, frame }: LayoutRequest): HandColours {
  const of = (kind: 'category' | 'series'): Map<string, string> =>
    new Map(dress.colours.filter(item => item.of === kind).map(({ value, colour }) => [value, colour]));
  const [categories, series] = [of('category'), of('series')];
  return {
    series: name => (name === null ? undefined : series.get(name)),
    row: categories.size ? row => categories.get(categoryAt(frame, row)) : null,
  };
}
