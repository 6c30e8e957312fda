import type { BandStyle, Dash } from 'core/cue';
import type { ShapeName } from 'core/shape';
import type { WordFault } from './figure-words';
import type { Livery } from '../dress/livery';

/** The parts that every kind of figure has. */
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
  /** At the foot; empty for none. */
  readonly note: string;
  readonly source: string;
  /** Words that hold something that cannot be computed. */
  readonly wordFaults: readonly WordFault[];
  /** What a reader must know to read it right, such as values that lie beyond an axis. */
  readonly notes: readonly string[];
  /** The figure in words, for who cannot see it. */
  readonly description: string;
  readonly livery: Livery;
}

/** What a thing beside the marks is and says, so that it can be pointed at, outlined and read; the drawing says where it lies. */
export interface NamedPart {
  /** `title`, `axis first`, `legend 2`; several of a kind are counted from 1. */
  readonly id: string;
  /** In words, for who cannot see it. */
  readonly says: string;
  /** The cue that it belongs to; null for the figure's own. */
  readonly cue: string | null;
  /** The series whose name it is, at its marks. */
  readonly series?: string;
}

/** A legend's entry looks like what it explains. */
export interface LegendEntry {
  readonly text: string;
  /** The cue that it explains; null for a series, a measure or the rest. */
  readonly cue: string | null;
  readonly key:
    | { readonly kind: 'mark'; readonly shape: ShapeName; readonly colour: string; readonly glyph: string; readonly stroke: Stroke | null }
    | { readonly kind: 'band'; readonly style: BandStyle; readonly colour: string }
    | { readonly kind: 'ramp'; readonly colours: readonly string[] };
}

/** How a line is drawn, resolved. */
export interface Stroke {
  readonly width: number;
  readonly dash: Dash;
  /** Glyph at every point; empty for none. */
  readonly marker: string;
}
