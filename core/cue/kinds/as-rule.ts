import type { Surroundings } from '../scope/surroundings';
import { kindOf, type Cue } from '../registry';
import type { RuleCue } from './rule';
import type { TreatmentOf } from '../looks/treatments';

/**
 * The cue as a rule that does the same: its helper columns as formulas to be edited, its marks as branches, its lines, bands and splits
 * as they are. No column of it takes a name that one of the figure's (`taken`) has, so that every formula goes on meaning what it meant. A rule stays itself.
 */
export function asRule(cue: Cue, around: Surroundings, taken: readonly string[]): RuleCue {
  if (cue.kind === 'rule') return cue;
  const { helpers, treatments } = kindOf(cue).expand(cue, freeNames(taken), around);
  const marks = treatments.filter((item): item is TreatmentOf<'mark'> => item.show === 'mark');
  const conditions = new Map(helpers.map(({ part, when }) => [part, when]));
  const branches = marks.map(({ part, legend, difference }) => ({
    name: part,
    when: conditions.get(part) ?? `"${part.replaceAll('"', '""')}" is not null`,
    legend,
    ...(difference === undefined ? {} : { difference }),
  }));
  const marked = new Set(marks.map(({ part }) => part));
  // What a branch says, and what is left by all branches, needs no column of its own.
  const gone = (part: string): boolean => part === 'rest' || (marked.has(part) && conditions.get(part) !== undefined);
  return {
    id: cue.id,
    kind: 'rule',
    on: cue.on,
    measure: cue.measure,
    scope: cue.scope,
    quiet: cue.quiet,
    columns: helpers.filter(({ part }) => !gone(part)).map(({ when: _when, ...helper }) => helper),
    branches,
    // A row may be both the highest and the lowest: each mark of the cue shows where it did.
    takes: 'every',
    shows: treatments.filter(({ show }) => show !== 'mark'),
    looks: Object.fromEntries(marks.map(({ part, look }) => [part, look])),
  };
}

/** Free names for columns: "average", or "average 2" where a column of the figure has that name. */
function freeNames(taken: readonly string[]): (part: string) => string {
  const claimed = new Set(taken.map(name => name.toLowerCase()));
  return part => {
    let name = part;
    for (let n = 2; claimed.has(name.toLowerCase()); n++) name = `${part} ${n}`;
    claimed.add(name.toLowerCase());
    return name;
  };
}
