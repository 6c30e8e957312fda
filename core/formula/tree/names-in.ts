import { partsOf, type Typed } from '../evaluate/typed';

/** The columns that a checked formula reads. */
export function namesIn(formula: Typed): ReadonlySet<string> {
  const names = new Set<string>();
  const seen = new Set<Typed>();
  const walk = (part: Typed): void => {
    if (seen.has(part)) return;
    seen.add(part);
    if (part.op === 'column') names.add(part.name);
    partsOf(part).forEach(walk);
  };
  walk(formula);
  return names;
}
