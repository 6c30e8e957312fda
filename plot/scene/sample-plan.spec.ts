import {
  namedParts,
  type AlongPlan,
  type BandPlan,
  type ChartPlan,
  type Layer,
  type LevelLine,
  type Livery,
  type PanelPlan,
} from 'core/plan';
import type { PlotLayout } from './layout';

export const livery: Livery = {
  ground: '#ffffff',
  ink: '#000000',
  soft: '#777777',
  hair: '#dddddd',
  base: '#5f7a70',
  series: [],
  quiet: '#84978e',
  colours: {},
  font: 'sans-serif',
};
export const RED = '#ff0000';
export const GREEN = '#00ff00';
export const BLUE = '#0000ff';

export const layer = (values: readonly number[], change: Partial<Layer> = {}): Layer => ({
  name: 'milk',
  measure: 'milk',
  as: null,
  shape: 'column',
  panel: 0,
  axis: 0,
  slot: 0,
  slots: 1,
  values: Float64Array.from(values),
  ends: Float64Array.from(values),
  bases: null,
  base: 0,
  rows: Int32Array.from(values, (_, i) => i),
  colour: RED,
  colours: values.map(() => RED),
  marked: new Uint8Array(values.length),
  outlined: [],
  beyond: [],
  glyphs: [],
  labels: [],
  stroke: { width: 3, dash: 'solid', marker: '' },
  span: null,
  cue: null,
  ...change,
});
export const axis = (low: number, high: number, title = '') => ({
  scale: { kind: 'linear' as const, low, high, ticks: [low, high] },
  tickLabels: [`${low}`, `${high}`],
  title,
  numbers: true,
  reversed: false,
  side: 'near' as const,
});
export const level = (value: number, change: Partial<LevelLine> = {}): LevelLine => ({
  panel: 0,
  axis: 0,
  values: Float64Array.of(value, value, value),
  colour: BLUE,
  stroke: { width: 3, dash: 'solid', marker: '' },
  label: '',
  cue: 'c',
  drag: null,
  ...change,
});

/**
 * Three categories of 100 px on a plot of 300 × 100 px: position 0 stands at y = 120, position 1 at y = 20; on an axis from 0 to 10 a unit has 10 px.
 */
export const layout: PlotLayout = {
  width: 340,
  height: 140,
  area: { left: 20, top: 20, width: 300, height: 100 },
  first: 70,
  perCategory: 100,
  axes: [[{ from: 120, to: 20 }]],
  strips: [null],
  names: null,
  head: null,
  foot: null,
  side: null,
};
/** The same plot turned: categories run down, position 0 stands at x = 20, position 1 at x = 320. */
export const turned: PlotLayout = { ...layout, first: 36, perCategory: 33, axes: [[{ from: 20, to: 320 }]] };
/** Names side by side, none of them marked. */
export const LISTED: AlongPlan = { places: null, counted: null, ordered: false, names: 'fitting', marked: [], beside: 'axis' };

/** A plan in whose panels everything stands where it says. */
export interface PlanParts extends Partial<Omit<ChartPlan, 'panels'>> {
  readonly panels?: readonly Pick<PanelPlan, 'title' | 'axes'>[];
  readonly lines?: readonly LevelLine[];
  readonly bands?: readonly BandPlan[];
}

const inPanel = <T extends { readonly panel: number }>(items: readonly T[], panel: number): T[] =>
  items.filter(item => item.panel === panel);

export function planOf(layers: readonly Layer[], { panels, lines = [], bands = [], ...change }: PlanParts = {}): ChartPlan {
  const plan = {
    kind: 'chart' as const,
    title: '',
    subtitle: '',
    note: '',
    axisNote: '',
    legend: [],
    categories: ['Alm', 'Berg', 'Cloud'],
    along: LISTED,
    panels: (panels ?? [{ title: '', axes: [axis(0, 10)] }]).map((panel, i) => ({
      ...panel,
      layers: inPanel(layers, i),
      levelLines: inPanel(lines, i),
      bands: inPanel(bands, i),
    })),
    legendAt: 'top' as const,
    source: '',
    wordFaults: [],
    panelColumns: null,
    gridlines: false,
    zeroLine: 'auto' as const,
    horizontal: false,
    notes: [],
    description: '',
    livery,
    pictures: {},
    outside: [],
    ...change,
  };
  return { ...plan, parts: namedParts(plan) };
}

/** Three colours, one of them given. */
export const only = (at: number, colour: string): string[] => [0, 1, 2].map(i => (i === at ? colour : livery.quiet));
