import type { AxisChoice, CrosstabChoice, Dress, Figure, Labels, NumberFormat, Scales } from './schema';

const FITTING: AxisChoice = {
  scale: 'linear',
  base: 10,
  every: null,
  zero: 'auto',
  low: null,
  high: null,
  ceiling: null,
  floor: null,
  headroom: null,
  step: null,
  breaks: [],
  shares: [],
  reversed: false,
  numbers: true,
  written: 'plain',
  power: null,
  title: null,
};

/** Scales that fit the data. */
export const plainScales: Scales = {
  gridlines: true,
  zeroLine: 'auto',
  unit: null,
  decimals: null,
  axes: { first: FITTING, second: FITTING },
  between: 'free',
  tie: 1,
  panels: 'matched',
  side: 'near',
  along: { spacing: 'auto', names: 'fitting', weeks: 'monday', language: 'en', beside: 'axis' },
};

/** Labels only where cues ask for them. */
export const plainLabels: Labels = {
  what: 'cued',
  every: 2,
  where: '',
  of: 'parts',
  says: 'value',
  measure: null,
  text: '',
  format: null,
  place: 'auto',
  offset: { as: 'pixels', amount: 0 },
  zeros: false,
  missing: false,
  pins: [],
};

/** The dress of the page. */
export const plainDress: Dress = { livery: null, legend: 'auto', colours: [] };

/** A crosstab with totals after its rows and columns. */
export const plainCrosstab: CrosstabChoice = {
  totals: { rows: 'last', columns: 'last', parts: [] },
  columns: { by: 'name', descending: false, keys: [] },
  top: [],
  paints: 'ground',
  drawings: [],
  lines: 'hair',
  aligns: [],
  widths: [],
};

/** The default shape of figures. */
export const plainShape: Figure['shape'] = {
  mark: 'column',
  proportion: '16:9',
  arrange: 'side',
  panels: 'one',
  columns: null,
  panelOrder: { by: 'table', descending: false, keys: [] },
};

/** A number format with defaults, except for given fields. */
export const plainFormat = (name: string, change: Partial<NumberFormat> = {}): NumberFormat => ({
  name,
  decimals: null,
  significant: null,
  grouping: true,
  percent: false,
  prefix: '',
  suffix: '',
  scale: 1,
  language: 'en',
  ladder: [],
  unitFor: 'each',
  sign: 'negative',
  negative: 'minus',
  missing: '–',
  ...change,
});
