import type { AppliedCue, Treatment, TreatmentOf } from 'core/cue';
import { oncePer, type Stages } from 'core/stages';
import { colourIn, type Livery } from '../dress/livery';

/** Cues with placeholders for their colours. The list is the same object while only colours change, so that later stages are not repeated. */
export interface Uncoloured {
  readonly applied: readonly AppliedCue[];
  /** The livery, which gives placeholders back unchanged. */
  readonly livery: Livery;
  /** The colour of a placeholder; any other colour is given back. */
  readonly paint: Paint;
}

/** Resolves a colour that may be a placeholder. */
export type Paint = (colour: string) => string;

/** Whether a colour is a placeholder. */
export const isPlaceholder = (colour: string): boolean => colour.charCodeAt(0) === MARK;

// No colour of a livery begins with it; one of a file that does is none.
const MARK = 0;

/**
 * Replaces the colours of marks, parts, lines and bands by placeholders. Ramps and spans keep theirs, since steps are computed from them. Cost: that
 * of the cues that changed.
 */
export function uncoloured(applied: readonly AppliedCue[], livery: Livery, stages: Stages): Uncoloured {
  const all = applied.map(bareOf);
  const bare = stages<readonly Bare[]>('without colours', [applied], before =>
    before?.length === all.length && before.every((item, i) => isSame(item, all[i] as Bare)) ? before : all,
  );
  const cues = stages('uncoloured', [bare], () => bare.map(({ cue }) => cue));
  const known = stages('placeholders', [bare, livery], () => ({
    ...livery,
    colours: { ...livery.colours, ...Object.fromEntries(bare.flatMap(({ colours }) => [...colours.keys()].map(key => [key, key]))) },
  }));
  const resolved = new Map(all.flatMap(({ colours }) => [...colours].map(([key, colour]) => [key, colourIn(livery, colour)] as const)));
  return { applied: cues, livery: known, paint: colour => (isPlaceholder(colour) ? (resolved.get(colour) ?? livery.base) : colour) };
}

/** An applied cue with placeholders, and the colours for which they stand. */
interface Bare {
  readonly cue: AppliedCue;
  readonly colours: ReadonlyMap<string, string>;
  /** The cue as text, without its colours and its columns. */
  readonly text: string;
}

const isSame = (a: Bare, b: Bare): boolean => a === b || (a.cue.helpers === b.cue.helpers && a.text === b.text);

const bareOf = oncePer(withPlaceholders);

function withPlaceholders(applied: AppliedCue): Bare {
  const colours = new Map<string, string>();
  const take: Take = colour => {
    // A look without a colour leaves the mark its own.
    if (colour === '') return '';
    const placeholder = `${String.fromCharCode(MARK)}${applied.number}.${colours.size}`;
    colours.set(placeholder, colour);
    return placeholder;
  };
  const treatments = applied.treatments.map(item => (takers[item.show] as Taker)(item, take));
  const { cue, number, quietsRest, problems } = applied;
  // Colours stand in the looks and in fields of the kind's own; all that is drawn of them stands in the treatments.
  const { id, kind, measure, scope } = cue;
  return {
    cue: { ...applied, treatments },
    colours,
    text: JSON.stringify([id, kind, measure, scope, number, quietsRest, problems, treatments]),
  };
}

/** Gives the placeholder of a colour. */
type Take = (colour: string) => string;
type Taker = (item: Treatment, take: Take) => Treatment;

const itself = <T>(item: T): T => item;
/** The colour itself; empty where a file's colour looks like a placeholder. */
const own = (colour: string): string => (isPlaceholder(colour) ? '' : colour);
const withColour = <T extends { readonly colour: string }>(item: T, take: Take): T => ({ ...item, colour: take(item.colour) });
const withLook = <T extends { readonly look: { readonly colour: string } }>(item: T, take: Take): T => ({
  ...item,
  look: withColour(item.look, take),
});

/** For each kind of treatment, its copy with placeholders. */
const takers: { readonly [S in Treatment['show']]: (item: TreatmentOf<S>, take: Take) => TreatmentOf<S> } = {
  mark: withLook,
  split: (item, take) => ({ ...item, parts: item.parts.map(part => withLook(part, take)) }),
  line: withColour,
  band: withColour,
  ramp: item => ({ ...item, low: own(item.low), middle: item.middle && own(item.middle), high: own(item.high) }),
  span: item => ({ ...item, colour: own(item.colour), deep: item.deep && own(item.deep) }),
  instead: itself,
};
