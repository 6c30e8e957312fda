import type { ShapeName } from 'core/shape';
import type { AppliedCue } from 'core/cue';
import type { Figure } from 'core/document';
import type { Frame, Pen } from 'core/frame';
import type { Livery } from './dress/livery';
import type { LookedTotals } from './table/looked-totals';

import type { ValueWriter, Writing } from 'core/words';

/** Inputs of a plan. `applied` is empty for the figure without its cues. */
export interface PlanRequest {
  readonly figure: Figure;
  readonly frame: Frame;
  readonly applied: readonly AppliedCue[];
  /** Totals of a crosstab that cues look at. */
  readonly totals?: readonly LookedTotals[] | undefined;
  readonly writing: Writing;
  readonly livery: Livery;
  /** Reserve room for the labels of these cues even where they are not drawn, so that plain and cued share one scale. */
  readonly roomForLabels?: boolean;
}

/** The same with what writes its values. */
export interface LayoutRequest {
  readonly figure: Figure;
  readonly frame: Frame;
  readonly applied: readonly AppliedCue[];
  readonly totals?: readonly LookedTotals[] | undefined;
  readonly livery: Livery;
  readonly write: ValueWriter;
  /** Names of the project's number formats. */
  readonly formats?: readonly string[];
}

/** A column that the figure draws. */
export interface Drawn {
  readonly measure: string;
  readonly shape: ShapeName;
  readonly axis: number;
  readonly pen?: Pen | undefined;
}
