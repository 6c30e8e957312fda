import { compileFormula, Evaluator, nameText, scopeOf, scopeWith, type Scope } from 'core/formula';
import type { Frame } from 'core/frame';
import type { CueProblem } from 'core/result';
import { named, type Table } from 'core/table';
import type { HelperColumn, HelperFormula, Treatment } from './kind';
import { kindOf, type Cue } from './registry';

/** A cue applied to a frame: its helper columns and treatments, or why it rests. */
export interface AppliedCue {
  readonly cue: Cue;
  /** Place in the figure's list, from 1, counted over all cues. */
  readonly number: number;
  readonly helpers: readonly HelperColumn[];
  readonly treatments: readonly Treatment[];
  readonly quietsRest: boolean;
  readonly problems: readonly CueProblem[];
}

/**
 * Computes every cue's helper columns over the frame, in order. A cue that is off or cannot apply has none.
 * Later cues see the helper columns of earlier ones. Cost: one pass per distinct sub-expression of all cues.
 */
export function applyCues(cues: readonly Cue[], frame: Frame): AppliedCue[] {
  const helpers = new HelperRun(frame.table);
  return cues.map((cue, i) => {
    const kind = kindOf(cue);
    const found = cue.on ? kind.problems(cue, frame) : [];
    const problems = found.map(({ problem }) => problem);
    const base = { cue, number: i + 1, problems };
    if (!cue.on || found.some(({ rests }) => rests)) return { ...base, helpers: [], treatments: [], quietsRest: false };
    const expansion = kind.expand(cue, part => helpers.freeName(part));
    return { ...base, ...expansion, helpers: expansion.helpers.map(helper => helpers.compute(helper)) };
  });
}

/** One evaluator for all cues of a figure, so that what they share is computed once. */
class HelperRun {
  private readonly evaluator: Evaluator;
  private scope: Scope;
  private readonly claimed = new Set<string>();

  constructor(table: Table) {
    this.evaluator = new Evaluator(table);
    this.scope = scopeOf(table);
    for (const name of this.scope.keys()) this.claimed.add(name.toLowerCase());
  }

  /** "highest", or "highest 2" when that is taken. */
  freeName(part: string): string {
    let name = part;
    for (let n = 2; this.claimed.has(name.toLowerCase()); n++) name = `${part} ${n}`;
    this.claimed.add(name.toLowerCase());
    return name;
  }

  compute(helper: HelperFormula): HelperColumn {
    const compiled = compileFormula(helper.formula, this.scope);
    if (!compiled.ok) throw new RangeError(`the formula of ${helper.name} does not compile: ${helper.formula}`);
    const values = this.evaluator.values(compiled.value);
    this.evaluator.define(nameText(helper.name), values);
    this.scope = scopeWith(this.scope, helper.name, values.type);
    return { ...helper, column: named(helper.name, values) };
  }
}
