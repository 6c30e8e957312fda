import { brokenKind, brokenScale, type Break } from './broken-scale';
import { linearKind, linearScale, type LinearScaleOptions } from './linear-scale';
import { logAxis, logKind, type LogOptions } from './log-scale';
import type { AxisScale, ScaleKind, ValueScale } from './scale';
import { symlogAxis, symlogKind } from './symlog-scale';

/** All that any scale is made from beside its values. */
export interface ScaleOptions extends LinearScaleOptions, LogOptions {
  readonly breaks?: readonly Break[];
  readonly shares?: readonly number[];
}

/** Every kind of scale that can be drawn. A new one is a file, its type in `scale.ts`, and its lines here. */
export const kinds: { readonly [K in ValueScale['kind']]: ScaleKind<Extract<ValueScale, { readonly kind: K }>> } = {
  linear: linearKind,
  log: logKind,
  symlog: symlogKind,
  broken: brokenKind,
};

/** A linear axis: a broken one where it has breaks. */
const linearAxis: AxisScale<ScaleOptions> = {
  words: 'linear',
  axisWords: 'a linear',
  isStraight: true,
  hasBase: false,
  isDefinedAt: () => true,
  make: (values, { breaks = [], ...options }) =>
    breaks.length ? brokenScale(values, { ...options, breaks }) : linearScale(values, options),
};

const axisScales = { linear: linearAxis, log: logAxis, symlog: symlogAxis };

/** The scale of an axis by its name in the document. */
export type ScaleName = keyof typeof axisScales;

/** Every scale that an axis can be given, by its name in the document, in the order in which they are offered. */
export const AXIS_SCALES: { readonly [N in ScaleName]: AxisScale<ScaleOptions> } = axisScales;

/** Names of the scales that an axis can be given. */
export const SCALE_NAMES = Object.keys(axisScales) as ScaleName[];

/** The scale of a name around values. Cost: O(n). */
export const makeScale = (name: ScaleName, values: Float64Array, options: ScaleOptions): ValueScale =>
  AXIS_SCALES[name].make(values, options);
