import type { BandStyle } from 'core/cue';
import type { BandPlan } from 'core/plan';
import { solid } from './looks';
import type { PixelScales } from '../pixel-scales';
import type { SceneItem } from '../scene';

const FILL_ALPHA = '33';

/** A band with the pixels of its ends. */
interface BandFacts {
  readonly band: BandPlan;
  readonly pixels: PixelScales;
  /** Indexes of categories that have both ends. */
  readonly there: readonly number[];
}

/** How each style of band is drawn. A new style is an entry here and in `core/cue`. */
const styles: { readonly [S in BandStyle]: (facts: BandFacts) => SceneItem[] } = {
  filled: facts =>
    runsOf(facts.there).map(run => {
      const [high, low] = [alongRun(run, facts.band.high, facts), alongRun(run, facts.band.low, facts)];
      return filled([...high, ...low.reverse()], facts.band);
    }),
  edges: facts =>
    runsOf(facts.there).flatMap(run =>
      [facts.band.low, facts.band.high].map((values): SceneItem => ({
        kind: 'path',
        points: flat(alongRun(run, values, facts)),
        closed: false,
        fill: null,
        stroke: edge(facts.band),
      })),
    ),
  boxes: facts => facts.there.map(at => filled(boxAt(at, facts), facts.band)),
  whiskers: facts => sticks(facts, 1.5, Math.min(10, facts.pixels.pitch * 0.4)),
  sticks: facts => sticks(facts, 3, 0),
  dots: facts => [
    {
      kind: 'dots',
      points: flat(facts.there.flatMap(at => [facts.band.low, facts.band.high].map(values => pointOf(facts, at, values[at] as number)))),
      radius: 3,
      fill: facts.band.colour,
      stroke: null,
    },
  ],
};

type Point = readonly [x: number, y: number];

/** A band behind the marks. */
export function bandItems(band: BandPlan, pixels: PixelScales): SceneItem[] {
  const there = Array.from(band.low.keys()).filter(at => !Number.isNaN((band.low[at] as number) + (band.high[at] as number)));
  return styles[band.style]({ band, pixels, there });
}

const edge = ({ colour }: BandPlan) => ({ ...solid(colour, 1.5), join: 'miter' as const });
const flat = (points: readonly Point[]): Float64Array => Float64Array.from(points.flat());
const filled = (points: readonly Point[], { colour }: BandPlan): SceneItem => ({
  kind: 'path',
  points: flat(points),
  closed: true,
  fill: `${colour}${FILL_ALPHA}`,
  stroke: null,
});

/** A value at a category, or some pixels beside its middle. */
const pointOf = ({ band, pixels }: BandFacts, at: number, value: number, beside = 0): Point =>
  pixels.point(pixels.along(at) + beside, pixels.value(band.panel, band.axis, value));

/** Runs of neighbouring categories that have a band: a missing value leaves a gap. */
function runsOf(there: readonly number[]): number[][] {
  const runs: number[][] = [];
  for (const at of there) {
    const last = runs.at(-1);
    if (last?.at(-1) === at - 1) last?.push(at);
    else runs.push([at]);
  }
  return runs;
}

/** A run reaches to the outer edges of its first and last category, so that a single category shows too. */
function alongRun(run: readonly number[], values: Float64Array, facts: BandFacts): Point[] {
  const [first, last] = [run[0] as number, run.at(-1) as number];
  const { pixels } = facts;
  const [before, after] = [pixels.edgesOf(first)[0] - pixels.along(first), pixels.edgesOf(last)[1] - pixels.along(last)];
  // Where a band stays at its level, the ends of that stretch say it all.
  const bends = run.filter(at => values[at - 1] !== values[at] || values[at] !== values[at + 1]);
  return [
    pointOf(facts, first, values[first] as number, before),
    ...bends.map(at => pointOf(facts, at, values[at] as number)),
    pointOf(facts, last, values[last] as number, after),
  ];
}

function boxAt(at: number, facts: BandFacts): Point[] {
  const [low, high] = [facts.band.low[at] as number, facts.band.high[at] as number];
  const half = (facts.pixels.pitch * 0.86) / 2;
  return [pointOf(facts, at, low, -half), pointOf(facts, at, high, -half), pointOf(facts, at, high, half), pointOf(facts, at, low, half)];
}

function sticks(facts: BandFacts, width: number, cap: number): SceneItem[] {
  const { band, there } = facts;
  const points = there.flatMap((at): Point[] => {
    const [low, high] = [band.low[at] as number, band.high[at] as number];
    const caps = cap === 0 ? [] : [low, high].flatMap(value => [-cap / 2, cap / 2].map(beside => pointOf(facts, at, value, beside)));
    return [pointOf(facts, at, low), pointOf(facts, at, high), ...caps];
  });
  return [{ kind: 'segments', points: flat(points), stroke: solid(band.colour, width) }];
}
