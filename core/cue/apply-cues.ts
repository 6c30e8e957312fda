import { compileFormula, Evaluator, nameText, scopeOf, scopeWith, type Scope } from 'core/formula';
import type { Frame } from 'core/frame';
import { failure, success, type CueProblem, type FormulaProblem, type Result } from 'core/result';
import { named, type Table } from 'core/table';
import type { Expansion, HelperColumn, HelperFormula } from './kind';
import { kindOf, type Cue } from './registry';
import type { Treatment } from './treatments';

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
 * Computes every cue's helper columns over the frame, in order. A cue that is off or cannot apply has none. Later cues see the
 * helper columns of earlier ones. Cost: one pass per distinct sub-expression of all cues.
 */
export function applyCues(cues: readonly Cue[], frame: Frame): AppliedCue[] {
  const helpers = new HelperRun(frame.table);
  return cues.map((cue, i) => {
    const kind = kindOf(cue);
    const found = cue.on ? kind.problems(cue, frame) : [];
    const problems = found.map(({ problem }) => problem);
    const resting = { cue, number: i + 1, problems, helpers: [], treatments: [], quietsRest: false };
    if (!cue.on || found.some(({ rests }) => rests)) return resting;
    const { helpers: formulas, treatments } = expanded(cue, part => helpers.freeName(part));
    const computed = helpers.computeAll(formulas);
    if (!computed.ok) return { ...resting, problems: computed.problems as CueProblem[] };
    return { cue, number: i + 1, problems, helpers: computed.value, treatments, quietsRest: quiets(cue, treatments) };
  });
}

interface Written {
  /** Parts that asked for a name, and the names they were given. */
  readonly parts: readonly string[];
  readonly names: readonly string[];
  readonly expansion: Expansion;
}

const written = new WeakMap<Cue, Written>();

/** A cue written out; an edit of data leaves cues as they are, so one that gets the same names again is not written anew. */
function expanded(cue: Cue, freeName: (part: string) => string): Expansion {
  const known = written.get(cue);
  const given = known?.parts.map(freeName) ?? [];
  if (known && known.names.every((name, i) => name === given[i])) return known.expansion;
  const [parts, names]: [string[], string[]] = [[], []];
  const expansion = kindOf(cue).expand(cue, part => {
    const name = given[names.length] ?? freeName(part);
    parts.push(part);
    names.push(name);
    return name;
  });
  written.set(cue, { parts, names, expansion });
  return expansion;
}

/** Only marks can stand out from a rest. */
const quiets = (cue: Cue, treatments: readonly Treatment[]): boolean =>
  cue.quiet && treatments.some(({ show }) => show === 'mark' || show === 'line');

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

  /** All of a cue's columns, or the first formula that does not compile: a formula of the analyst's own may not. */
  computeAll(formulas: readonly HelperFormula[]): Result<HelperColumn[]> {
    const before = this.scope;
    const columns: HelperColumn[] = [];
    for (const helper of formulas) {
      const compiled = compileFormula(helper.formula, this.scope);
      if (!compiled.ok) {
        this.scope = before;
        return failure({ code: 'cue-formula', name: helper.name, problem: compiled.problems[0] as FormulaProblem });
      }
      const values = this.evaluator.values(compiled.value);
      this.evaluator.define(nameText(helper.name), values);
      this.scope = scopeWith(this.scope, helper.name, values.type);
      columns.push({ ...helper, column: named(helper.name, values), withoutValue: this.evaluator.withoutValue(compiled.value) });
    }
    return success(columns);
  }
}
