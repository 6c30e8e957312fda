import { collapsesIn, contrastOf, LEAST_MARK, LEAST_TEXT, nearestReadable, nearestToldApart } from 'core/colour';
import type { LiveryDoc } from 'core/document';
import { listed } from 'core/sentence';

/** A colour of a livery by where it stands: a field, an emphasis by its name, or a place among the series. */
export type LiverySpot =
  | { readonly of: 'field'; readonly name: 'ink' | 'soft' | 'base' | 'quiet' }
  | { readonly of: 'emphasis'; readonly name: string }
  | { readonly of: 'series'; readonly at: number };

/** The faults of a livery's colours, each with the nearest colour that passes. */
export interface LiveryFault {
  readonly words: string;
  readonly spot: LiverySpot;
  /** Null where no lightness of this hue passes. */
  readonly offer: string | null;
}

interface Named {
  readonly colour: string;
  readonly words: string;
  readonly spot: LiverySpot;
}

const field = (livery: LiveryDoc, name: 'ink' | 'soft' | 'base' | 'quiet', words: string): Named => ({
  colour: livery[name],
  words,
  spot: { of: 'field', name },
});

/** Colours of a livery that do not stand out from its ground, or that are not told apart in every vision. Cost: pairs of colours, a few dozen. */
export function liveryFaults(livery: LiveryDoc): LiveryFault[] {
  const texts = [field(livery, 'ink', 'ink'), field(livery, 'soft', 'small words')];
  const marks = [field(livery, 'base', 'marks'), field(livery, 'quiet', 'quiet marks')];
  const emphases = Object.entries(livery.colours)
    .filter(([name]) => name !== 'ink')
    .map(([name, colour]): Named => ({ colour, words: name, spot: { of: 'emphasis', name } }));
  const series = livery.series.map((colour, at): Named => ({ colour, words: `series ${at + 1}`, spot: { of: 'series', at } }));
  return [
    ...texts.flatMap(item => faint(item, livery.ground, LEAST_TEXT)),
    ...[...marks, ...emphases, ...series].flatMap(item => faint(item, livery.ground, LEAST_MARK)),
    ...alike([marks[1] as Named, ...emphases], livery.ground),
    ...alike(series, livery.ground),
  ];
}

function faint({ colour, words, spot }: Named, ground: string, least: number): LiveryFault[] {
  const contrast = contrastOf(colour, ground);
  if (contrast >= least) return [];
  return [
    {
      words: `${opened(words)}: ${contrast.toFixed(1)} : 1 on the ground; ${least} : 1 is needed.`,
      spot,
      offer: nearestReadable(colour, ground, least),
    },
  ];
}

/** Each pair that collapses, told at its second colour. */
const alike = (items: readonly Named[], ground: string): LiveryFault[] =>
  items.flatMap((a, i) =>
    items.slice(i + 1).flatMap((b): LiveryFault[] => {
      const visions = collapsesIn(a.colour, b.colour);
      if (visions.length === 0) return [];
      const others = items.filter(item => item !== b).map(({ colour }) => colour);
      return [
        {
          words: `${opened(a.words)} and ${b.words} look alike in ${listed(visions)}.`,
          spot: b.spot,
          offer: nearestToldApart(b.colour, others, ground, LEAST_MARK),
        },
      ];
    }),
  );

const opened = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;

/** A livery with one of its colours changed. */
export function withColour(livery: LiveryDoc, spot: LiverySpot, colour: string): LiveryDoc {
  switch (spot.of) {
    case 'field':
      return { ...livery, [spot.name]: colour };
    case 'emphasis':
      return { ...livery, colours: { ...livery.colours, [spot.name]: colour } };
    case 'series':
      return { ...livery, series: livery.series.with(spot.at, colour) };
  }
}
