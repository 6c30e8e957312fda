import { kindOf, type Candidate, type Cue } from 'core/cue';
import type { Figure } from 'core/document';
import { plainMeasure } from 'core/frame';
import type { Change } from '../setting';

/**
 * The figure with some cues, and with the measures that they need and the figure lacks. A measure that only a cue's level needs is shown in the
 * ledger alone.
 */
export function withCues({ data }: Figure, cues: readonly Cue[], candidates: readonly Candidate[]): Change {
  const there = new Set([...data.measures, ...data.helpers].map(({ name }) => name));
  const wanted = cues.flatMap(cue =>
    kindOf(cue)
      .columns(cue)
      .map(name => ({ name, isOwn: name === cue.measure })),
  );
  const added = candidates.flatMap(({ name, formula }) => {
    const uses = wanted.filter(item => item.name === name);
    if (uses.length === 0 || there.has(name)) return [];
    return [{ ...plainMeasure(name, formula), shape: uses.some(({ isOwn }) => isOwn) ? null : ('none' as const) }];
  });
  return { cues: [...cues], ...(added.length ? { data: { ...data, measures: [...data.measures, ...added] } } : {}) };
}
