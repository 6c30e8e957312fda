import { oncePer } from 'core/stages';
import { formatNumber, LADDERS, oneDecimals, type NumberStyle } from 'core/format';
import { liveryNamed, type Figure, type LiveryDoc, type NamedLook, type NumberFormat, type SmallPicture } from 'core/document';
import { unitOf } from 'core/frame';

/** What numbers are written with: units by column of the table, and the project's formats. */
export interface Writing {
  readonly units: Readonly<Record<string, string>>;
  readonly formats: readonly NumberFormat[];
  /** The project's own liveries. */
  readonly liveries?: readonly LiveryDoc[];
  /** The project's named looks. */
  readonly looks?: readonly NamedLook[];
  /** The analyst's own small pictures. */
  readonly pictures?: readonly SmallPicture[];
}

/** Writes values of a figure's measures and helper columns as their formats, or else the figure's scales, say. */
export interface ValueWriter {
  readonly unit: (measure: string) => string | undefined;
  /** The number alone, as on a label or at a tick. */
  readonly value: (measure: string, value: number) => string;
  /** The number with its unit, as in a sentence. */
  readonly full: (measure: string, value: number) => string;
  /** How a measure's number alone is written. */
  readonly style: (measure: string) => NumberStyle;
  readonly tick: (measure: string, value: number) => string;
  /** Numbers of one column, all with the same decimals. `place`: how they are written, as the measure's unless said. */
  readonly alike: (measure: string, values: ArrayLike<number>, place?: 'percent' | 'number') => (value: number) => string;
  /** Numbers of one axis: at even steps all with the same decimals, else each as it needs them; large ones in the units of a ladder. */
  readonly ticks: (measure: string, values: readonly number[], as: 'percent' | 'number' | null, even: boolean) => (value: number) => string;
  /** A helper column's number: as the measure's, as a percent, or plain. */
  readonly as: (as: 'percent' | 'number' | undefined, measure: string, value: number) => string;
  /** As a format of the project by its name, else as the measure's of that name. */
  readonly format: (format: string | undefined, name: string, value: number) => string;
}

/** The style that fits all values of a column; several cues ask for the same. A column is measured once, and not before it is written. */
function oncePerColumn(): (style: NumberStyle, values: ArrayLike<number>) => () => NumberStyle {
  // A writer outlives the columns that it wrote.
  const known = oncePer((_values: ArrayLike<number>) => new Map<NumberStyle, NumberStyle>());
  return (style, values) => () => {
    const styles = known(values);
    const fixed = styles.get(style) ?? oneDecimals(style, values);
    styles.set(style, fixed);
    return fixed;
  };
}

// Enough for every label and sentence of a figure; an edit leaves most values as they were.
const KEPT = 10_000;

/** Writes numbers by one style, and remembers what it wrote. */
function remembering(style: NumberStyle): (value: number) => string {
  const texts = new Map<number, string>();
  return value => {
    let text = texts.get(value);
    if (text === undefined) {
      if (texts.size >= KEPT) texts.clear();
      texts.set(value, (text = formatNumber(value, style)));
    }
    return text;
  };
}

/** How one measure's numbers are written in each place. */
interface Ways {
  readonly unit: string | undefined;
  readonly value: NumberStyle;
  readonly full: NumberStyle;
  readonly tick: NumberStyle;
  readonly writeValue: (value: number) => string;
  readonly writeFull: (value: number) => string;
}

/** The parts of a figure that its writer depends on: while they are unchanged, so is the writer. */
export type WrittenFigure = Pick<Figure, 'data' | 'dress'> & { readonly scales: Pick<Figure['scales'], 'unit' | 'decimals'> };

/** How a figure's values are written. Cost: a style per measure, made when it is first asked for. */
export function writerOf(figure: WrittenFigure, writing: Writing): ValueWriter {
  const known = new Map<string, Ways>();
  const measured = oncePerColumn();
  const ways = (name: string): Ways => {
    let found = known.get(name);
    if (!found) known.set(name, (found = waysOf(name, figure, writing)));
    return found;
  };
  return {
    unit: name => ways(name).unit,
    value: (name, value) => ways(name).writeValue(value),
    full: (name, value) => ways(name).writeFull(value),
    style: name => ways(name).value,
    tick: (name, value) => formatNumber(value, ways(name).tick),
    alike: (name, values, place) => {
      const own = ways(name);
      const style = place === undefined ? own.value : { percent: PERCENT, number: PLAIN }[place];
      const fixed = measured(style, values);
      return value => formatNumber(value, fixed());
    },
    ticks: (name, values, as, even) => {
      const style = as === null ? ways(name).tick : { percent: PERCENT, number: PLAIN }[as];
      const large = style === PLAIN && values.some(value => Math.abs(value) >= LARGE);
      const own = large ? { ...style, ladder: LADDERS.counts, unitForAll: even } : style;
      const fixed = even ? oneDecimals(own, values) : own;
      // Nothing is nothing in any unit.
      return value => (large && value === 0 ? formatNumber(0, PLAIN) : formatNumber(value, fixed));
    },
    as: (as, name, value) => formatNumber(value, as === undefined ? ways(name).value : as === 'percent' ? PERCENT : PLAIN),
    format: (format, name, value) => {
      const named = writing.formats.find(item => item.name === format);
      return formatNumber(value, named ? styleOf(named) : ways(name).value);
    },
  };
}

function waysOf(name: string, figure: WrittenFigure, writing: Writing): Ways {
  const styles = stylesOf(name, figure, writing);
  return { ...styles, writeValue: remembering(styles.value), writeFull: remembering(styles.full) };
}

/** A format says it all, unit included; without one the figure's scales and the column's unit do. */
function stylesOf(
  name: string,
  { data, scales, dress }: WrittenFigure,
  { units, formats, liveries }: Writing,
): Omit<Ways, 'writeValue' | 'writeFull'> {
  const measure = data.measures.find(item => item.name === name);
  const column = measure ?? data.helpers.find(item => item.name === name);
  const format = formats.find(item => item.name === (column?.format ?? liveryNamed(dress.livery, liveries)?.format));
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
// From here on an axis is read in thousands, millions, billions unless a format says otherwise.
const LARGE = 10_000;
// Tenths of a percent in shares of a few percent; none is wanted where the number is large anyway.
const PERCENT: NumberStyle = { percent: true };

/** A project's format as a way to write. */
export const styleOf = ({ decimals, significant, ladder, unitFor, sign, negative, ...rest }: NumberFormat): NumberStyle => ({
  decimals: decimals ?? undefined,
  significant: significant ?? undefined,
  grouping: rest.grouping,
  percent: rest.percent,
  prefix: rest.prefix,
  suffix: rest.suffix,
  scale: rest.scale,
  language: rest.language,
  ladder: ladder.length ? ladder : undefined,
  unitForAll: unitFor === 'all',
  signed: sign === 'always',
  parentheses: negative === 'parentheses',
  missing: rest.missing,
});
