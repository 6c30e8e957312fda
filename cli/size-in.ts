import type { FigureSize } from 'plot';
import { WrongUse } from './command';

// A figure of fewer pixels shows nothing, one of more has no screen.
const [LEAST, MOST] = [100, 8_000];

/** "900x506" as a size. */
export function sizeIn(text: string): FigureSize {
  const [, width = NaN, height = NaN] = (/^(\d{1,5})x(\d{1,5})$/.exec(text) ?? []).map(Number);
  const fits = [width, height].every(side => side >= LEAST && side <= MOST);
  if (!fits)
    throw new WrongUse(
      `--size ${text} is no size. Give width x height in pixels from ${LEAST} to ${MOST.toLocaleString('en')}, such as 900x506.`,
    );
  return { width, height };
}
