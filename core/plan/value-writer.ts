import { formatNumber } from 'core/format';
import { unitOf, type Figure } from 'core/project';

/** Writes values of a figure's measures as the figure's scales say. */
export interface ValueWriter {
  readonly unit: (measure: string) => string | undefined;
  /** The number alone, as on a label. */
  readonly value: (measure: string, value: number) => string;
  /** The number with its unit, as in a sentence. */
  readonly full: (measure: string, value: number) => string;
}

export function writerOf({ data, scales }: Figure, units: Readonly<Record<string, string>>): ValueWriter {
  const decimals = scales.decimals ?? undefined;
  const unit = (name: string): string | undefined => {
    const measure = data.measures.find(item => item.name === name);
    const own = measure && unitOf(measure, units);
    return (scales.unit ?? own) || undefined;
  };
  return {
    unit,
    value: (_measure, value) => formatNumber(value, { decimals }),
    full: (measure, value) => formatNumber(value, { decimals, unit: unit(measure) }),
  };
}
