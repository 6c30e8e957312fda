import { converter, formatHex, toGamut } from 'culori';
import { isReadable } from './contrast';
import { collapsesIn } from './told-apart';

const oklch = converter('oklch');
const inGamut = toGamut('rgb', 'oklch');
// Lightness is tried in steps of so much, first nearby; of OKLCH, from 0 to 1.
const STEP = 0.01;

/** The same hue and chroma at the nearest lightness that passes; null where none does. */
function nearest(colour: string, passes: (hex: string) => boolean): string | null {
  const from = oklch(colour);
  if (!from) return null;
  for (let steps = 0; steps * STEP <= 1; steps++)
    for (const direction of steps === 0 ? [1] : [1, -1]) {
      const l = from.l + direction * steps * STEP;
      if (l < 0 || l > 1) continue;
      const hex = formatHex(inGamut({ ...from, l }));
      if (hex && passes(hex)) return hex;
    }
  return null;
}

/** The nearest hex colour that has so much contrast on a ground, of the same hue; null where there is none. */
export const nearestReadable = (colour: string, ground: string, least: number): string | null =>
  nearest(colour, hex => isReadable(hex, ground, least));

/** The nearest hex colour that is told apart from others in every vision and has so much contrast on a ground; null where there is none. */
export const nearestToldApart = (colour: string, others: readonly string[], ground: string, least: number): string | null =>
  nearest(colour, hex => isReadable(hex, ground, least) && others.every(other => collapsesIn(hex, other).length === 0));
