import { brokenScale, type Break } from './broken-scale';
import { linearScale, type LinearScaleOptions } from './linear-scale';
import { logScale, type LogOptions } from './log-scale';
import type { ValueScale } from './scale';
import { symlogScale } from './symlog-scale';

/** How an axis may run. A broken one is a linear one with breaks. */
export const SCALE_NAMES = ['linear', 'log', 'symlog'] as const;

/** How an axis runs. */
export type ScaleName = (typeof SCALE_NAMES)[number];

/** All that any scale is made from beside its values. */
export interface ScaleOptions extends LinearScaleOptions, LogOptions {
  readonly breaks?: readonly Break[];
  readonly shares?: readonly number[];
}

const makers: { readonly [N in ScaleName]: (values: Float64Array, options: ScaleOptions) => ValueScale } = {
  linear: (values, { breaks = [], ...options }) =>
    breaks.length ? brokenScale(values, { ...options, breaks }) : linearScale(values, options),
  log: logScale,
  symlog: symlogScale,
};

/** The scale of a kind around values. Cost: O(n). */
export const makeScale = (name: ScaleName, values: Float64Array, options: ScaleOptions): ValueScale => makers[name](values, options);
