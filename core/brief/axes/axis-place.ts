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

/** The title of a setting, with "second axis" where it is that one. */
export const aboutOf = (words: string, place: string): string => (place === 'second' ? `${words}, second axis` : words);

/** The name of an axis as a part of the drawing. */
export const axisPart = (place: string): string => `axis ${nameAt(place)}`;

/** A figure's scales with one axis changed. */
export const changedAxis = ({ figure }: Subject, place: string, change: Partial<AxisChoice>): Change => ({
  scales: withAxis(figure.scales, nameAt(place), change),
});

const plain = new Intl.NumberFormat('en', { maximumFractionDigits: 12 });

/** A number in the form in which it can be typed. */
export const written = (value: number): string => plain.format(value);

/** A typed value of an axis; NaN for an invalid text. A percent is divided by a hundred, unless the values are percents. */
export function typedValue({ figure, table }: Subject, typed: string): number {
  const percent = /^(.*\S)\s*%$/.exec(typed.trim());
  if (!percent) return typedNumber(typed);
  const [measure] = figure.data.measures;
  const unit = figure.scales.unit ?? (measure && table ? unitOf(measure, table.units) : undefined);
  return typedNumber(percent[1] as string) / (unit === '%' ? 1 : 100);
}
