import { patternOf, type Pattern, type Step } from './similar-pattern';
import type { BooleanVec, TextVec } from '../evaluate/vec';
import { areThere, perRow } from './texts';

/**
 * `text similar to pattern`, the standard's regular expression over the whole text. A pattern that breaks the rules gives missing.
 * Method: Thompson's construction, all states followed at once. Cost: length of the text times length of the pattern.
 */
export function similarTexts(arg: TextVec, pattern: TextVec, escape: string, rows: number): BooleanVec {
  const patterns = new Map<string, Pattern | null>();
  const patternFor = (text: string): Pattern | null => {
    let found = patterns.get(text);
    if (found === undefined) patterns.set(text, (found = patternOf(text, escape)));
    return found;
  };
  const found = perRow([arg, pattern], rows, values => {
    const read = areThere(values) ? patternFor(values[1] as string) : null;
    return read ? Number(matches(Array.from(values[0] as string), read)) : undefined;
  });
  return { type: 'boolean', data: Uint8Array.from(found, hit => hit ?? 2), constant: arg.constant && pattern.constant };
}

function matches(text: readonly string[], { steps, start }: Pattern): boolean {
  // A state is marked with the place in the text at which it was last reached, so that each is followed once per place.
  const reached = new Int32Array(steps.length).fill(-1);
  let now = reach(steps, [start], reached, 0);
  for (let at = 0; at < text.length && now.length > 0; at++) {
    const next: number[] = [];
    for (const state of now) {
      const step = steps[state] as Step;
      if (step.takes?.(text[at] as string)) next.push(step.to[0] as number);
    }
    now = reach(steps, next, reached, at + 1);
  }
  return now.some(state => steps[state]?.takes === undefined);
}

/** States that take a character, and the end, reachable from some without taking one. */
function reach(steps: readonly Step[], from: readonly number[], reached: Int32Array, place: number): number[] {
  const [found, open] = [[] as number[], [...from]];
  while (open.length) {
    const state = open.pop() as number;
    if (reached[state] === place) continue;
    reached[state] = place;
    const step = steps[state] as Step;
    if (step.takes === null) open.push(...step.to);
    else found.push(state);
  }
  return found;
}
