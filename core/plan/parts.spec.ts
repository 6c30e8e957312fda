import type { BandPlan, ChartPlan, Layer, LevelLine } from './index';

/** Layers, lines and bands of all panels of a plan, panel by panel. */
export const partsOf = ({ panels }: ChartPlan): { readonly layers: Layer[]; readonly lines: LevelLine[]; readonly bands: BandPlan[] } => ({
  layers: panels.flatMap(panel => panel.layers),
  lines: panels.flatMap(panel => panel.levelLines),
  bands: panels.flatMap(panel => panel.bands),
});
