import type { Layer, Plan } from 'core/plan';

/** The layers of a chart, panel after panel; a table has none. */
export const layersOf = (plan: Plan | undefined): readonly Layer[] =>
  plan?.kind === 'chart' ? plan.panels.flatMap(panel => panel.layers) : [];
