import { collapsesIn, contrastOf, LEAST_MARK, nearestToldApart } from 'core/colour';
import type { ChartPlan } from 'core/plan';
import { listed } from 'core/sentence';
import { shapeOf } from 'core/shape';
import type { Check, CheckSubject, Mend, Risk } from './check';

/** What a colour stands for in a figure. */
interface Shown {
  readonly colour: string;
  readonly words: string;
}

/** Colours of the legend by what they explain: that is where a reader tells them apart. */
const shownIn = ({ legend }: ChartPlan): Shown[] =>
  legend.flatMap(({ text, key }) => (key.kind === 'mark' ? [{ colour: key.colour, words: text }] : []));

/** Colours that look alike to readers with a colour-vision deficiency, where nothing but colour tells them apart. */
export const collapsingColours: Check = {
  severity: 'unclear',
  about: 'colours that look alike',
  find(subject) {
    const shown = shownIn(subject.plan).filter(({ colour }, i, all) => all.findIndex(other => other.colour === colour) === i);
    return shown.flatMap((a, i) =>
      shown.slice(i + 1).flatMap((b): Risk[] => {
        const visions = collapsesIn(a.colour, b.colour);
        return visions.length && isBare(subject.plan, a.words, b.words) ? [risk(subject, [a, b], visions)] : [];
      }),
    );
  },
};

/** Whether two entries look alike but for their colour: same kind of mark, no glyph, no dash. */
function isBare({ legend }: ChartPlan, a: string, b: string): boolean {
  const [one, other] = [a, b].map(text => legend.find(entry => entry.text === text)?.key);
  if (one?.kind !== 'mark' || other?.kind !== 'mark') return false;
  return (
    shapeOf(one).key === shapeOf(other).key &&
    one.glyph === other.glyph &&
    one.stroke?.dash === other.stroke?.dash &&
    one.stroke?.marker === other.stroke?.marker
  );
}

function risk({ figure, plan }: CheckSubject, [a, b]: readonly [Shown, Shown], visions: readonly string[]): Risk {
  return {
    words: `“${a.words}” and “${b.words}” look alike in ${listed(visions)}.`,
    key: 'livery',
    mend: mendFor({ figure, plan }, a, b),
  };
}

/** Another colour for the second one, where a cue chose it. */
function mendFor({ figure, plan }: Pick<CheckSubject, 'figure' | 'plan'>, a: Shown, b: Shown): Mend | null {
  const entry = plan.legend.find(({ text }) => text === b.words);
  const cue = figure.cues.find(({ id }) => id === entry?.cue);
  const name = Object.entries(plan.livery.colours).find(([, colour]) => colour === b.colour)?.[0];
  const next = nearestToldApart(
    b.colour,
    [a.colour, plan.livery.quiet].filter(colour => colour !== b.colour),
    plan.livery.ground,
    LEAST_MARK,
  );
  if (!cue || !next) return null;
  const looks = Object.fromEntries(
    Object.entries(cue.looks).map(([part, look]) => [
      part,
      look.colour === name || look.colour === b.colour ? { ...look, colour: next } : look,
    ]),
  );
  const changed = { ...cue, looks };
  return {
    words: `Give “${b.words}” the nearest colour that differs`,
    change: { cues: figure.cues.map(item => (item.id === cue.id ? changed : item)) },
  };
}

/** Text and marks that hardly stand out from what they lie on. */
export const lowContrast: Check = {
  severity: 'unclear',
  about: 'contrast under the limit',
  find({ plan }) {
    const { ground } = plan.livery;
    const faint = shownIn(plan).filter(({ colour }) => contrastOf(colour, ground) < LEAST_MARK);
    return faint.map(({ words, colour }): Risk => ({
      words: `“${words}” stands out from the ground at ${contrastOf(colour, ground).toFixed(1)} : 1 alone; 3 : 1 is the least that is seen well.`,
      key: 'livery',
      mend: null,
    }));
  },
};
