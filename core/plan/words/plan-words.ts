import type { BandStyle, Dash } from 'core/cue';
import type { ShapeName } from 'core/shape';
import type { WordFault } from './figure-words';
import type { Livery } from '../dress/livery';

/** The texts that every kind of figure has. */
export interface PlanWords {
  /** What is measured and what is listed, such as "milk (L) by hut". */
  readonly axisNote: string;
  readonly legend: readonly LegendEntry[];
  /** The analyst's own pictures that marks use, as data URLs by glyph name. */
  readonly pictures: Readonly<Record<string, string>>;
  /** Everything said beside the marks, in the order of reading. */
  readonly parts: readonly NamedPart[];
  readonly title: string;
  readonly subtitle: string;
  /** The note at the foot; empty for none. */
  readonly note: string;
  readonly source: string;
  /** Texts with values that cannot be computed. */
  readonly wordFaults: readonly WordFault[];
  /** Notes that a reader needs, such as values beyond an axis. */
  readonly notes: readonly string[];
  /** The figure in words, for screen readers. */
  readonly description: string;
  readonly livery: Livery;
}

/** A part beside the marks: its id and its words, so that it can be pointed at, outlined and read. The drawing adds where it is. */
export interface NamedPart {
  /** `title`, `axis first`, `legend 2`; several of a kind are counted from 1. */
  readonly id: string;
  /** Its words, for screen readers. */
  readonly says: string;
  /** The cue that it belongs to; null for the figure's own. */
  readonly cue: string | null;
  /** The series whose name it is, at its marks. */
  readonly series?: string;
}

/** An entry of the legend: its symbol looks like the marks that it explains. */
export interface LegendEntry {
  readonly text: string;
  /** The cue that it explains; null for a series, a measure or the rest. */
  readonly cue: string | null;
  readonly key:
    | { readonly kind: 'mark'; readonly shape: ShapeName; readonly colour: string; readonly glyph: string; readonly stroke: Stroke | null }
    | { readonly kind: 'band'; readonly style: BandStyle; readonly colour: string }
    | { readonly kind: 'ramp'; readonly colours: readonly string[] };
}

/** How a line is drawn, with all values resolved. */
export interface Stroke {
  readonly width: number;
  readonly dash: Dash;
  /** Glyph at every point; empty for none. */
  readonly marker: string;
}
