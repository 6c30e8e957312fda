import type { AppliedCue } from 'core/cue';
import type { Derived, Figure, NumberFormat } from 'core/document';
import type { Frame } from 'core/frame';
import type { AxisPlan, ChartPlan, Layer } from 'core/plan';
import type { Severity } from './severity';

/** The input of checks: a figure, its drawing, and the facts about its table. */
export interface CheckSubject {
  readonly figure: Figure;
  readonly plan: ChartPlan;
  /** Units by column of the table. */
  readonly units: Readonly<Record<string, string>>;
  /** The table's derived columns. */
  readonly derived: readonly Derived[];
  readonly formats: readonly NumberFormat[];
  readonly frame: Frame;
  readonly applied: readonly AppliedCue[];
}

/** The mend of a risk: in words, and as a change of the figure; one step of undo. */
export interface Mend {
  readonly words: string;
  readonly change: Partial<Omit<Figure, 'id'>>;
}

/** A risk that was found. `key`: the word of the brief where it is decided; null where no word decides it. */
export interface Risk {
  readonly words: string;
  readonly key: string | null;
  readonly mend: Mend | null;
}

/** A named risk: what it looks for. Cost of all: O(marks). */
export interface Check {
  readonly severity: Severity;
  /** Its subject, for a list of checks. */
  readonly about: string;
  find(subject: CheckSubject): readonly Risk[];
}

/** A value axis by its place, with all that is read at it. */
export interface SeenAxis {
  readonly place: 'first' | 'second';
  /** "the axis", or which of the two. */
  readonly words: string;
  /** By panel. */
  readonly axes: readonly AxisPlan[];
  readonly layers: readonly Layer[];
}

/** The value axes of a drawing with what is read at each. */
export function axesIn({ panels }: ChartPlan): readonly SeenAxis[] {
  const second = panels.some(({ axes }) => axes.length > 1);
  return (second ? [0, 1] : [0]).map(at => ({
    place: at === 0 ? 'first' : 'second',
    words: second ? `the ${at === 0 ? 'first' : 'second'} axis` : 'the axis',
    axes: panels.flatMap(({ axes }) => axes.slice(at, at + 1)),
    layers: panels.flatMap(({ layers }) => layers.filter(layer => layer.axis === at)),
  }));
}

/** Every value where a mark of some layers ends; missing is left out. */
export const endsOf = (layers: readonly Layer[]): number[] => layers.flatMap(({ ends }) => [...ends].filter(value => !Number.isNaN(value)));

/** "The axis", at the beginning of a sentence. */
export const opening = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
