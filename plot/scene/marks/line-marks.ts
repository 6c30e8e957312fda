import { shapeOf } from 'core/shape';
import { dashed, solid } from './looks';
import { cutPath } from '../axes/breaks';
import { byLook, picked } from './flat';
import type { MarkFacts, MarkMaker } from './mark-maker';
import type { PlacedLayer } from '../pixel-scales';
import { reduceLine } from './reduce-line';
import type { SceneItem, StrokeLook } from '../scene';

const FILL_ALPHA = '3d';
// Corners of so many points are too small to be seen round.
const DENSE = 1000;

/** A line through the points of a layer, with a gap at a missing one. */
export const lineMarks: MarkMaker = (placed, facts) => {
  const stroke = strokeOf(placed, facts);
  const lines = runsIn(placed, facts).flatMap(run => pathsOf(traced(placed, run, facts), stroke, placed, facts));
  return { lines, points: points(placed, facts) };
};

/** A line with the area between it and its base filled. */
export const areaMarks: MarkMaker = (placed, facts) => {
  const stroke = strokeOf(placed, facts);
  const areas = runsIn(placed, facts).flatMap((run): SceneItem[] => {
    const top = traced(placed, run, facts);
    return [
      {
        kind: 'path',
        points: joined(top, tracedBack(placed, run, facts)),
        closed: true,
        fill: `${placed.layer.colour}${FILL_ALPHA}`,
        stroke: null,
      },
      ...pathsOf(top, stroke, placed, facts),
    ];
  });
  return { areas: [...areas, ...points(placed, facts)] };
};

/** Points alone. */
export const pointMarks: MarkMaker = (placed, facts) => ({ points: points(placed, facts) });

/** A path without the parts within breaks of its axis. */
function pathsOf(points: Float64Array, stroke: StrokeLook, { layer }: PlacedLayer, { pixels }: MarkFacts): SceneItem[] {
  const strips = pixels.breaksOf(layer.panel, layer.axis);
  // Where a break cuts it, a line ends straight: a round end would reach into the gap.
  const look = strips.length ? { ...stroke, cap: 'butt' as const } : stroke;
  return cutPath(points, strips, pixels.plan.horizontal ? 0 : 1).map((piece): SceneItem => ({
    kind: 'path',
    points: piece,
    closed: false,
    fill: null,
    stroke: look,
  }));
}

/** A dashed line is one path so that its dashes are continuous; a solid one may be several whose round ends meet. */
function strokeOf({ layer }: PlacedLayer, { pixels, sizes }: MarkFacts): StrokeLook {
  const width = Math.min(layer.stroke.width, sizes.line);
  const look = dashed(layer.colour, width, layer.stroke.dash);
  return { ...look, join: pixels.plan.categories.length > DENSE ? 'bevel' : 'round', cap: look.dash.length ? 'butt' : 'round' };
}

/** Points between missing values, reduced to what shows at the plot's width. */
function runsIn({ layer }: PlacedLayer, { pixels }: MarkFacts): number[][] {
  const { area } = pixels.layout;
  const beyond = layer.beyond.length > 0;
  const runs: number[][] = [];
  let run: number[] | null = null;
  for (const at of reduceLine(layer.ends, pixels.plan.horizontal ? area.height : area.width, layer.marked, pixels.plan.along.places)) {
    const value = layer.ends[at] as number;
    // What has no place on its scale is marked at the edge; a line down to it would tell a value.
    if (value !== value || (beyond && !pixels.hasPlace(layer, value))) run = null;
    else if (run && at < pixels.placedTo) run.push(at);
    else runs.push((run = [at]));
  }
  return runs;
}

const joined = (a: Float64Array, b: Float64Array): Float64Array => {
  const out = new Float64Array(a.length + b.length);
  out.set(a);
  out.set(b, a.length);
  return out;
};

/** The path along the ends of a run. */
function traced({ layer, ends }: PlacedLayer, run: readonly number[], facts: MarkFacts): Float64Array {
  const points = picked(ends, run, 2);
  return shapeOf(layer).steps ? stepped(points, facts.pixels.plan.horizontal) : points;
}

/** The path back along the bases of a run: the parts below, or the common base. */
function tracedBack({ layer }: PlacedLayer, run: readonly number[], { pixels }: MarkFacts): Float64Array {
  const points = new Float64Array(2 * run.length);
  run.forEach((at, i) => {
    const base = layer.bases ? (layer.bases[at] as number) : layer.base;
    points.set(pixels.point(pixels.along(at), pixels.kept(layer, pixels.value(layer.panel, layer.axis, base))), 2 * (run.length - 1 - i));
  });
  return shapeOf(layer).steps ? stepped(points, pixels.plan.horizontal) : points;
}

/** Horizontal segments that change half way between neighbouring points. */
function stepped(points: Float64Array, horizontal: boolean): Float64Array {
  const count = points.length / 2;
  const out = new Float64Array(Math.max(0, 3 * count - 2) * 2);
  let to = 0;
  for (let i = 0; i < count; i++) {
    const [x, y] = [points[2 * i] as number, points[2 * i + 1] as number];
    if (i > 0) {
      const [lastX, lastY] = [points[2 * i - 2] as number, points[2 * i - 1] as number];
      const middle = horizontal ? (lastY + y) / 2 : (lastX + x) / 2;
      out.set(horizontal ? [lastX, middle, x, middle] : [middle, lastY, middle, y], to);
      to += 4;
    }
    out.set([x, y], to);
    to += 2;
  }
  return out;
}

/**
 * Points to draw: all where points are the shape, else those that a cue marks or that no line reaches, such as a missing date. A glyph replaces its
 * point.
 */
function points(placed: PlacedLayer, { pixels, sizes }: MarkFacts): SceneItem[] {
  const { layer, ends } = placed;
  const { ends: values, marked, colours, stroke } = layer;
  const isPoints = !shapeOf(layer).isJoined;
  const glyphed = new Set(layer.glyphs.flatMap(({ at, beyond }) => (beyond ? [] : [at])));
  const shown = (at: number): boolean => {
    const value = values[at] as number;
    const needed = isPoints || isAlone(values, at) || at >= pixels.placedTo;
    if (value !== value || (marked[at] === 0 && !needed)) return false;
    if (layer.beyond.length && pixels.isBeyond(layer, at)) return false;
    return !glyphed.has(at) && !(isPoints && stroke.marker !== '');
  };
  const dots = ([colour, items]: [string, number[]], radius: number): SceneItem => ({
    kind: 'dots',
    points: picked(ends, items, 2),
    radius,
    fill: colour,
    stroke: solid(pixels.plan.livery.ground, 1),
  });
  const colourOf = (at: number): string => colours[at] as string;
  // What a cue marks lies over what it does not.
  return [
    ...[...byLook(layer, at => shown(at) && marked[at] === 0, colourOf)].map(group => dots(group, sizes.point)),
    ...[...byLook(layer, at => shown(at) && marked[at] !== 0, colourOf)].map(group => dots(group, sizes.markedPoint)),
    ...outlines(placed, pixels),
  ];
}

function outlines({ layer, ends }: PlacedLayer, pixels: MarkFacts['pixels']): SceneItem[] {
  const items = layer.outlined.filter(at => !Number.isNaN(layer.ends[at]) && !pixels.isBeyond(layer, at));
  if (items.length === 0) return [];
  return [{ kind: 'dots', points: picked(ends, items, 2), radius: 7, fill: null, stroke: solid(pixels.plan.livery.ink, 2) }];
}

const isAlone = (ends: Float64Array, at: number): boolean => Number.isNaN(ends[at - 1] ?? NaN) && Number.isNaN(ends[at + 1] ?? NaN);
