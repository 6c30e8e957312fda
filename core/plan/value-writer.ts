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

export function writerOf({ data, scales }: Figure, { units, formats }: Writing): ValueWriter {
  const formatOf = (name: string): NumberFormat | undefined => {
    const column = data.measures.find(item => item.name === name) ?? data.helpers.find(item => item.name === name);
    return formats.find(item => item.name === column?.format);
  };
  const unit = (name: string): string | undefined => {
    const measure = data.measures.find(item => item.name === name);
    const own = measure && unitOf(measure, units);
    const isFirst = name === data.measures[0]?.name;
    return ((isFirst ? scales.unit : null) ?? own) || undefined;
  };
  const styles = new Map<string, NumberStyle>();
  const style = (name: string): NumberStyle => {
    let found = styles.get(name);
    if (!found) {
      const format = formatOf(name);
      styles.set(name, (found = format ? styleOf(format) : { decimals: scales.decimals ?? undefined }));
    }
    return found;
  };
  return {
    unit: name => (formatOf(name) ? undefined : unit(name)),
    value: (name, value) => formatNumber(value, style(name)),
    full: (name, value) => formatNumber(value, formatOf(name) ? style(name) : { ...style(name), unit: unit(name) }),
    as: (as, name, value) => (as === undefined ? formatNumber(value, style(name)) : formatNumber(value, as === 'percent' ? PERCENT : {})),
    format: (format, name, value) => {
      const named = formats.find(item => item.name === format);
      return formatNumber(value, named ? styleOf(named) : style(name));
    },
    tick: (name, value) => formatNumber(value, formatOf(name) ? { ...style(name), decimals: undefined } : {}),
  };
}

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
