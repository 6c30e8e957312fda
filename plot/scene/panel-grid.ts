import type { AxisPlan, ChartPlan, LetterSizes, PanelPlan } from 'core/plan';
import { sizesOf } from './head/type-sizes';

/** Columns and rows of a grid of panels. */
export interface GridShape {
  readonly columns: number;
  readonly rows: number;
}

/** A strip of a grid: panels one below the other, or side by side where bars are lying. They share their categories, which are named once. */
export interface Strip {
  readonly plan: ChartPlan;
  /** Indexes of its panels in the whole plan; −1 for an empty cell. */
  readonly panels: readonly number[];
  /** Indexes of its layers among those of the whole plan. */
  readonly layers: readonly number[];
}

// What a panel needs at least to be read, and what head and margins take, in CSS pixels.
const [LOWEST, NARROWEST, NARROWEST_LYING] = [60, 92, 112];
const [BESIDE, ABOVE] = [40, 96];
// Below these widths of a panel its letters shrink, in CSS pixels: the width, and their size at most.
const SHRINKS: readonly (readonly [below: number, text: number])[] = [
  [110, 9.5],
  [150, 10.5],
  [200, 11],
];

/** The grid of a figure's panels; null for a single strip. As chosen, else with as few strips as keep every panel legible. */
export function gridShape(
  { panels, horizontal, panelColumns, isStrip }: ChartPlan,
  { width, height }: { readonly width: number; readonly height: number },
): GridShape | null {
  const count = panels.length;
  // A strip is no grid of its own.
  if (count < 2 || isStrip) return null;
  const columns =
    panelColumns === null
      ? fitting(count, horizontal, Math.max(1, width - BESIDE), Math.max(1, height - ABOVE))
      : Math.min(panelColumns, count);
  const shape = { columns, rows: Math.ceil(count / columns) };
  return (horizontal ? shape.rows : shape.columns) === 1 ? null : shape;
}

function fitting(count: number, horizontal: boolean, width: number, height: number): number {
  const least = horizontal ? NARROWEST_LYING : NARROWEST;
  const worst = (columns: number): number => Math.min(width / columns / least, height / Math.ceil(count / columns) / LOWEST);
  const all = Array.from({ length: count }, (_, i) => (horizontal ? count - i : i + 1));
  return all.find(columns => worst(columns) >= 1) ?? all.reduce((best, columns) => (worst(columns) > worst(best) ? columns : best));
}

/** The strips of a grid, with letter sizes for its panels' width. */
export function stripsOf(plan: ChartPlan, shape: GridShape, panelWidth: number): readonly Strip[] {
  const { horizontal, panels } = plan;
  const count = horizontal ? shape.rows : shape.columns;
  const length = horizontal ? shape.columns : shape.rows;
  const firsts = layerPlaces(panels);
  return Array.from({ length: count }, (_, nth) => {
    const places = Array.from({ length }, (_, i) => (horizontal ? nth * shape.columns + i : i * shape.columns + nth)).map(place =>
      place < panels.length ? place : -1,
    );
    const own = places.map((place, i) => placedIn(panels[place] ?? blankOf(panels[0] as PanelPlan), i));
    return {
      plan: stripPlan(plan, own, panelWidth),
      panels: places,
      layers: places.flatMap(place =>
        place === -1 ? [] : (panels[place] as PanelPlan).layers.map((_, i) => (firsts[place] as number) + i),
      ),
    };
  });
}

/** The plan for which the axes of every strip are laid out: the widest numbers of each panel, and everything that needs room. */
export function layoutPlanOf(strips: readonly Strip[]): ChartPlan {
  const [first] = strips as readonly [Strip];
  return {
    ...first.plan,
    panels: first.plan.panels.map((panel, i) => {
      const beside = strips.map(({ plan }) => plan.panels[i] as PanelPlan).filter(({ isBlank }) => !isBlank);
      return {
        ...panel,
        axes: panel.axes.map((axis, nth) => ({
          ...axis,
          tickLabels: beside.flatMap(({ axes }) => axes[nth]?.tickLabels ?? []),
          numbers: beside.some(({ axes }) => axes[nth]?.numbers),
        })),
        layers: beside.flatMap(({ layers }) => layers),
        levelLines: beside.flatMap(({ levelLines }) => levelLines),
      };
    }),
  };
}

const layerPlaces = (panels: readonly PanelPlan[]): readonly number[] => {
  let at = 0;
  return panels.map(({ layers }) => {
    const from = at;
    at += layers.length;
    return from;
  });
};

/** The contents of a panel, with the index in its strip. */
const placedIn = (panel: PanelPlan, at: number): PanelPlan => ({
  ...panel,
  layers: panel.layers.map(layer => ({ ...layer, panel: at })),
  levelLines: panel.levelLines.map(line => ({ ...line, panel: at })),
  bands: panel.bands.map(band => ({ ...band, panel: at })),
});

/** An empty cell in the last strip. */
const blankOf = ({ axes }: PanelPlan): PanelPlan => ({
  title: '',
  axes: axes.map((axis): AxisPlan => ({ ...axis, numbers: false, title: '' })),
  layers: [],
  levelLines: [],
  bands: [],
  isBlank: true,
});

function stripPlan(plan: ChartPlan, panels: readonly PanelPlan[], width: number): ChartPlan {
  const sizes = sizesOf(plan.livery);
  return {
    ...plan,
    title: '',
    subtitle: '',
    note: '',
    source: '',
    axisNote: '',
    legend: [],
    parts: [],
    panels,
    isStrip: true,
    livery: { ...plan.livery, sizes: shrunk(sizes, width) },
  };
}

function shrunk(sizes: LetterSizes, width: number): LetterSizes {
  const most = SHRINKS.find(([below]) => width < below)?.[1] ?? Infinity;
  return { ...sizes, text: Math.min(sizes.text, most), label: Math.max(10, Math.min(sizes.label, most + 1)) };
}
