import { formatNumber, type NumberStyle } from 'core/format';
import { unitOf, type Figure, type NumberFormat, type Picture } from 'core/project';

/** What numbers are written with: units by column of the table, and the project's formats. */
export interface Writing {
  readonly units: Readonly<Record<string, string>>;
  readonly formats: readonly NumberFormat[];
  /** The analyst's own small pictures. */
  readonly pictures?: readonly Picture[];
}

/** Writes values of a figure's measures and helper columns as their formats, or else the figure's scales, say. */
export interface ValueWriter {
  readonly unit: (measure: string) => string | undefined;
  /** The number alone, as on a label or at a tick. */
  readonly value: (measure: string, value: number) => string;
  /** The number with its unit, as in a sentence. */
  readonly full: (measure: string, value: number) => string;
  readonly tick: (measure: string, value: number) => string;
  /** A helper column's number: as the measure's, as a percent, or plain. */
  readonly as: (as: 'percent' | 'number' | undefined, measure: string, value: number) => string;
  /** As a format of the project by its name, else as the measure's of that name. */
  readonly format: (format: string | undefined, name: string, value: number) => string;
}

/** How one measure's numbers are written in each place. */
interface Ways {
  readonly unit: string | undefined;
  readonly value: NumberStyle;
  readonly full: NumberStyle;
  readonly tick: NumberStyle;
}

export function writerOf(figure: Figure, writing: Writing): ValueWriter {
  const known = new Map<string, Ways>();
  const ways = (name: string): Ways => {
    let found = known.get(name);
    if (!found) known.set(name, (found = waysOf(name, figure, writing)));
    return found;
  };
  return {
    unit: name => ways(name).unit,
    value: (name, value) => formatNumber(value, ways(name).value),
    full: (name, value) => formatNumber(value, ways(name).full),
    tick: (name, value) => formatNumber(value, ways(name).tick),
    as: (as, name, value) => formatNumber(value, as === undefined ? ways(name).value : as === 'percent' ? PERCENT : PLAIN),
    format: (format, name, value) => {
      const named = writing.formats.find(item => item.name === format);
      return formatNumber(value, named ? styleOf(named) : ways(name).value);
    },
  };
}

/** A format says it all, unit included; without one the figure's scales and the column's unit do. */
function waysOf(name: string, { data, scales }: Figure, { units, formats }: Writing): Ways {
  const measure = data.measures.find(item => item.name === name);
  const column = measure ?? data.helpers.find(item => item.name === name);
  const format = formats.find(item => item.name === column?.format);
  if (format) {
    const style = styleOf(format);
    return { unit: undefined, value: style, full: style, tick: { ...style, decimals: undefined } };
  }
  const own = measure && unitOf(measure, units);
  const unit = ((name === data.measures[0]?.name ? scales.unit : null) ?? own) || undefined;
  const value = { decimals: scales.decimals ?? undefined };
  return { unit, value, full: { ...value, unit }, tick: PLAIN };
}

const PLAIN: NumberStyle = {};
// Tenths of a percent in shares of a few percent; none is wanted where the number is large anyway.
const PERCENT: NumberStyle = { percent: true };

/** A project's format as a way to write. */
export const styleOf = ({ decimals, grouping, percent, prefix, suffix, scale }: NumberFormat): NumberStyle => ({
  decimals: decimals ?? undefined,
  grouping,
  percent,
  prefix,
  suffix,
  scale,
});
