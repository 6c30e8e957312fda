import { typedNumber } from 'core/cue';
import { plainScales, withAxis, type AxisChoice, type Scales } from 'core/document';
import { unitOf } from 'core/frame';
import type { Change, Subject } from '../setting';

/** Which value axis. */
export type AxisName = keyof Scales['axes'];

/** Both value axes, by name. */
export const AXIS_NAMES: readonly AxisName[] = ['first', 'second'];

const nameAt = (place: string): AxisName => (place === 'second' ? 'second' : 'first');

/** The decisions about an axis. */
export const axisAt = ({ figure }: Pick<Subject, 'figure'>, place: string): AxisChoice => figure.scales.axes[nameAt(place)];

/** The defaults of an axis. */
export const plainAt = (place: string): AxisChoice => plainScales.axes[nameAt(place)];

/** The subject of a setting, with its axis when that is the second. */
export const aboutOf = (words: string, place: string): string => (place === 'second' ? `${words}, second axis` : words);

/** The part of the drawing that an axis is. */
export const axisPart = (place: string): string => `axis ${nameAt(place)}`;

/** A figure's scales with one axis changed. */
export const changedAxis = ({ figure }: Subject, place: string, change: Partial<AxisChoice>): Change => ({
  scales: withAxis(figure.scales, nameAt(place), change),
});

const plain = new Intl.NumberFormat('en', { maximumFractionDigits: 12 });

/** A number as it is typed and read back. */
export const written = (value: number): string => plain.format(value);

/** A typed value of an axis; NaN where it is none. A percent is a share of one, unless the values are percents themselves. */
export function typedValue({ figure, table }: Subject, typed: string): number {
  const percent = /^(.*\S)\s*%$/.exec(typed.trim());
  if (!percent) return typedNumber(typed);
  const [measure] = figure.data.measures;
  const unit = figure.scales.unit ?? (measure && table ? unitOf(measure, table.units) : undefined);
  return typedNumber(percent[1] as string) / (unit === '%' ? 1 : 100);
}
