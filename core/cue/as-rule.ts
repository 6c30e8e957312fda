import type { Expansion } from './kind';
import { kindOf, type Cue } from './registry';
import type { RuleCue } from './rule';
import type { TreatmentOf } from './treatments';

/**
 * The cue as a rule that does the same: its helper columns as formulas to be edited, its marks as branches, its lines, bands and splits
 * as they are. A rule stays itself.
 */
export function asRule(cue: Cue): RuleCue {
  if (cue.kind === 'rule') return cue;
  const { helpers, treatments } = kindOf(cue).expand(cue, part => part);
  const marks = treatments.filter((item): item is TreatmentOf<'mark'> => item.show === 'mark');
  const conditions = new Map(marks.map(({ part }) => [part, conditionOf(helpers, part)]));
  const branches = marks.map(({ part }) => ({ name: part, when: conditions.get(part) ?? `"${part.replaceAll('"', '""')}" is not null` }));
  const gone = (part: string): boolean => part === 'rest' || typeof conditions.get(part) === 'string';
  return {
    id: cue.id,
    kind: 'rule',
    on: cue.on,
    measure: cue.measure,
    scope: cue.scope,
    quiet: cue.quiet,
    columns: helpers.filter(({ part }) => !gone(part)).map(helper => ({ ...helper })),
    branches,
    shows: treatments.filter(({ show }) => show !== 'mark'),
    looks: Object.fromEntries(marks.map(({ part, look }) => [part, look])),
  };
}

/** The condition in "case when … then measure end", the form of every marked part. */
function conditionOf(helpers: Expansion['helpers'], part: string): string | undefined {
  const formula = helpers.find(helper => helper.part === part)?.formula ?? '';
  return /^case when ([\s\S]+) then (?:"(?:[^"]|"")+"|[\p{L}\p{N}_]+) end$/u.exec(formula)?.[1];
}
