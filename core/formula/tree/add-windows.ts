import type { Expr } from './ast';
import { WINDOWED_NAMES } from '../functions/windowed-names';
import { partsInside } from './parts-inside';
import { parseFormula } from './parse';

/**
 * The formula with `over (window)` after every aggregate and window function that has none: how a scope writes the window for the analyst. A text
 * that does not parse is unchanged.
 */
export function addWindows(text: string, window: string): string {
  return windowEnds(text).reduceRight((written, end) => `${written.slice(0, end)}${overText(window)}${written.slice(end)}`, text);
}

/** A position in the text that `addWindows` wrote as a position in its input; one inside an added window is where the window begins. */
export function placeWithoutWindows(text: string, window: string, offset: number): number {
  const { length } = overText(window);
  let before = 0;
  for (const end of windowEnds(text)) {
    if (offset - before <= end) break;
    if (offset - before < end + length) return end;
    before += length;
  }
  return offset - before;
}

const overText = (window: string): string => ` over (${window})`;

/** Positions for added windows, sorted ascending; none in a text that does not parse. */
function windowEnds(text: string): number[] {
  const parsed = parseFormula(text);
  return parsed.ok ? callsWithout(parsed.value).sort((a, b) => a - b) : [];
}

/** The ends of the outermost calls that can have a window and have none. */
function callsWithout(expr: Expr): number[] {
  if (expr.kind === 'call' && WINDOWED_NAMES.has(expr.name)) return expr.over ? [] : [expr.end];
  return partsInside(expr).flatMap(callsWithout);
}
