import { nameText } from 'core/formula';
import { columnOf, type Column } from 'core/table';
import * as z from 'zod/mini';
import { samenessProblems } from '../common-problems';
import { choice, colour, cueFields, defineKind, level, lookOf, number } from '../define';
import type { HelperFormula, Placed } from '../kind';
import { levelFormula, levelSchema, renamedLevel } from '../level/level';
import { look } from '../looks/look';
import { windowOf } from '../scope/scope';

const schema = z.object({
  ...cueFields('gradient'),
  way: z.enum(['sequential', 'diverging']),
  midpoint: levelSchema,
  low: z.string(),
  high: z.string(),
  /** Number of equal classes; 0 for a continuous gradient. */
  classes: z.number().check(z.minimum(0), z.maximum(12)),
});

/** Colours from low to high. */
export type GradientCue = z.infer<typeof schema>;

/**
 * Shades a measure from light to dark, or in two hues on both sides of a midpoint. Equal distances from the midpoint have equal shades on both sides.
 */
export const gradient = defineKind<GradientCue>({
  kind: 'gradient',
  help: 'Shade from light to deep, or in two hues around a midpoint.',
  search: 'heat shade colour scale sequential diverging continuous classes light deep intensity',
  schema,
  fresh: ({ measures }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'figure' },
    way: 'sequential',
    midpoint: { is: 'number', value: 0 },
    low: 'clay',
    high: 'lake',
    classes: 0,
    quiet: false,
    looks: { shade: look('') },
  }),
  tokens: {
    way: choice('way', 'Shading', [
      { value: 'sequential', label: 'from light to deep' },
      { value: 'diverging', label: 'away from' },
    ]),
    midpoint: level('midpoint', 'Midpoint'),
    low: colour('low', 'Colour below the midpoint'),
    high: colour('high', 'Deep colour'),
    classes: number('classes', 'Classes; 0 for a smooth scale', {
      low: 0,
      high: 12,
      whole: true,
      offers: [0, 3, 4, 5, 7, 9],
      reads: count => (count === 0 ? 'on a smooth scale' : `in ${count} classes`),
    }),
  },
  reads: (cue, say) => [
    'Shade ',
    say('measure'),
    ' ',
    say('way'),
    ...(cue.way === 'diverging' ? [' ', say('midpoint'), ' in ', say('low'), ' and '] : [' in ']),
    say('high'),
    ' ',
    say('scope'),
    ', ',
    say('classes'),
    ', ',
    say('labels'),
    '.',
  ],
  sees: () => true,
  parts: () => ['shade'],
  columns: cue => [cue.measure],
  expand: (cue, nameFor) => {
    const m = nameText(cue.measure);
    const position: HelperFormula = { part: 'position', name: nameFor('position'), formula: positionOf(cue, m), as: 'number' };
    const treatment = {
      show: 'ramp' as const,
      measure: cue.measure,
      low: cue.way === 'diverging' ? cue.low : '',
      middle: cue.way === 'diverging' ? '' : null,
      high: cue.high,
      look: lookOf(cue, 'shade'),
    };
    if (cue.classes === 0) return { helpers: [position], treatments: [{ ...treatment, part: 'position' }] };
    const p = nameText(position.name);
    const inClass: HelperFormula = {
      part: 'class',
      name: nameFor('class'),
      // Rounded, so that a value right on the edge of two classes, as decimal numbers have it, belongs to the upper one.
      formula: `case when ${p} is not null then least(floor(round(${p} * ${cue.classes}, 9)) + 1, ${cue.classes}) end`,
      as: 'number',
    };
    const shade: HelperFormula = {
      part: 'shade',
      name: nameFor('shade'),
      formula: `(${nameText(inClass.name)} - 0.5) / ${cue.classes}`,
      as: 'number',
    };
    return { helpers: [position, inClass, shade], treatments: [{ ...treatment, part: 'shade' }] };
  },
  problems: (cue, frame) => samenessProblems(cue.measure, frame),
  why: (cue, { frame, row, write, helper }) => {
    const value = write(cue.measure, (columnOf(frame.table, cue.measure) as Column).data[row] as number);
    return `${cue.measure} ${value} lies ${Math.round(Number(helper('position')) * 100)} % along the scale`;
  },
  renamed: (cue, from, to) => ({ ...cue, midpoint: renamedLevel(cue.midpoint, from, to) }),
});

/** The position of a value from 0 to 1; with a midpoint, 0.5 is the midpoint. */
function positionOf(cue: Placed<GradientCue>, m: string): string {
  const window = windowOf(cue.scope);
  const [least, most] = [`min(${m}) ${window}`, `max(${m}) ${window}`];
  if (cue.way === 'sequential')
    return `case when ${most} = ${least} then case when ${m} is not null then 0.5 end else (${m} - ${least}) / (${most} - ${least}) end`;
  const middle = `(${levelFormula(cue.midpoint, cue.measure, window, cue.scope)})`;
  const reach = `greatest(abs(${most} - ${middle}), abs(${least} - ${middle}))`;
  return `case when ${reach} = 0 then case when ${m} is not null then 0.5 end else 0.5 + 0.5 * (${m} - ${middle}) / ${reach} end`;
}
