import { compileFormula, Evaluator, nameText, scopeOf, scopeWith, type Scope } from 'core/formula';
import type { Frame } from 'core/frame';
import { failure, success, type CueProblem, type FormulaProblem, type Result } from 'core/result';
import { keptPer, oncePer, runAll, type Stages } from 'core/stages';
import { named, type Table, type Values } from 'core/table';
import { type Expansion, type HelperColumn, type HelperFormula } from './kind';
import { aroundOf, type Surroundings } from './scope/surroundings';
import { kindOf, type Cue } from './registry';
import type { Treatment } from './looks/treatments';

/** A cue applied to a frame: its helper columns and treatments, or the reason why it rests. */
export interface AppliedCue {
  readonly cue: Cue;
  /** Its number in the figure's list of cues, from 1. */
  readonly number: number;
  readonly helpers: readonly HelperColumn[];
  readonly treatments: readonly Treatment[];
  readonly quietsRest: boolean;
  readonly problems: readonly CueProblem[];
}

/**
 * Computes every cue's helper columns over the frame, in order. A cue that is off or cannot apply has none. Later cues see the
 * helper columns of earlier ones. Cost: one pass per distinct sub-expression of all cues; a cue whose formulas are those of the last time costs none.
 */
export function applyCues(cues: readonly Cue[], frame: Frame, stages: Stages = runAll): AppliedCue[] {
  const helpers = new HelperRun(frame.table, stages);
  const around = aroundOf(frame);
  // What of the surroundings a cue's text may depend on.
  const signature = JSON.stringify([around.category, around.typeOf(around.category), around.series, around.panel]);
  return cues.map((cue, i) => {
    const kind = kindOf(cue);
    const found = cue.on ? stages(`problems ${i}`, [cue, frame], () => kind.problems(cue, frame)) : [];
    const problems = found.map(({ problem }) => problem);
    const resting = { cue, number: i + 1, problems, helpers: [], treatments: [], quietsRest: false };
    // Totals are no rows of a frame: a crosstab applies such a cue to a frame of them.
    if (cue.on && cue.scope.kind === 'totals') return { ...resting, problems: [{ code: 'cue-no-totals', of: cue.scope.of }] };
    if (!cue.on || found.some(({ rests }) => rests)) return resting;
    const { helpers: formulas, treatments } = expanded(cue, { around, signature }, part => helpers.freeName(part));
    const computed = helpers.computeAll(i, formulas);
    if (!computed.ok) return { ...resting, problems: computed.problems as CueProblem[] };
    // The same one while nothing of it changes, whatever happens to other cues.
    return stages(`applied ${i}`, [cue, found, computed.value, treatments], () => ({
      ...resting,
      helpers: computed.value,
      treatments,
      quietsRest: quiets(cue, treatments),
    }));
  });
}

interface Written {
  /** The parts of the surroundings on which the text may depend, as a key. */
  readonly around: string;
  /** Parts for which a name was asked, and the names given. */
  readonly parts: readonly string[];
  readonly names: readonly string[];
  readonly expansion: Expansion;
}

const written = keptPer<Cue, Written>();

/** A cue expanded into formulas. Edits of data leave cues unchanged, so a cue that gets the same names is not expanded again. */
function expanded(
  cue: Cue,
  { around, signature }: { readonly around: Surroundings; readonly signature: string },
  freeName: (part: string) => string,
): Expansion {
  const kept = written.get(cue);
  const known = kept?.around === signature ? kept : undefined;
  const given = known?.parts.map(freeName) ?? [];
  if (known && known.names.every((name, i) => name === given[i])) return known.expansion;
  const [parts, names]: [string[], string[]] = [[], []];
  const nameFor = (part: string): string => {
    const name = given[names.length] ?? freeName(part);
    parts.push(part);
    names.push(name);
    return name;
  };
  const expansion = kindOf(cue).expand(cue, nameFor, around);
  written.set(cue, { around: signature, parts, names, expansion });
  return expansion;
}

/** Formulas as one text, for comparison with the last time. */
const textOf = oncePer((formulas: readonly HelperFormula[]): string => JSON.stringify(formulas));

/** Whether a cue has marks that stand out, so that others can move to the background. */
const quiets = (cue: Cue, treatments: readonly Treatment[]): boolean =>
  cue.quiet && treatments.some(({ show }) => show === 'mark' || show === 'line');

const BETWEEN_WORDS = /[^\p{L}\p{N}_]+/u;

/** One evaluator for all cues of a figure, so that what they share is computed once. It costs nothing until a cue has to be computed. */
class HelperRun {
  private evaluator: Evaluator | null = null;
  private scope: Scope;
  private readonly claimed = new Set<string>();

  /** Formulas of earlier cues, which later ones may read, and their columns that the evaluator does not have yet. */
  private before = '';
  private waiting: HelperColumn[] = [];
  private readonly readable: string[] = [];

  constructor(
    private readonly table: Table,
    private readonly stages: Stages,
  ) {
    this.scope = scopeOf(table);
    for (const { name } of table.columns) this.claimed.add(name.toLowerCase());
  }

  /** "highest", or "highest 2" when that is taken. */
  freeName(part: string): string {
    let name = part;
    for (let n = 2; this.claimed.has(name.toLowerCase()); n++) name = `${part} ${n}`;
    this.claimed.add(name.toLowerCase());
    return name;
  }

  /** All columns of a cue, or the first formula that does not compile, which can happen with the analyst's own. */
  computeAll(place: number, formulas: readonly HelperFormula[]): Result<HelperColumn[]> {
    const written = textOf(formulas);
    let isNew = false;
    const computed = this.stages(`cue ${place}`, [this.table, this.mayRead(formulas) ? this.before : '', written], () => {
      isNew = true;
      return this.computed(formulas);
    });
    if (!computed.ok) return computed;
    // What was computed just now is known already.
    if (!isNew) this.waiting.push(...computed.value);
    this.before += written;
    for (const { name } of formulas) this.readable.push(name.toLowerCase());
    return computed;
  }

  /** Whether formulas may name a column of an earlier cue; if none does, the earlier cues do not matter. */
  private mayRead(formulas: readonly HelperFormula[]): boolean {
    if (this.readable.length === 0) return false;
    const text = formulas
      .map(({ formula }) => formula)
      .join('\n')
      .toLowerCase();
    const words = new Set(text.split(BETWEEN_WORDS));
    // A name of several words is looked for as it is; a quote is written otherwise within a name in quotes.
    return this.readable.some(name => name.includes('"') || (BETWEEN_WORDS.test(name) ? text.includes(name) : words.has(name)));
  }

  private define(evaluator: Evaluator, name: string, values: Values): void {
    evaluator.define(nameText(name), values);
    this.scope = scopeWith(this.scope, name, values.type);
  }

  private computed(formulas: readonly HelperFormula[]): Result<HelperColumn[]> {
    const evaluator = (this.evaluator ??= new Evaluator(this.table, null, this.stages));
    for (const { name, column } of this.waiting) this.define(evaluator, name, column);
    this.waiting = [];
    const { scope } = this;
    const columns: HelperColumn[] = [];
    for (const helper of formulas) {
      const compiled = compileFormula(helper.formula, this.scope);
      if (!compiled.ok) {
        // Nothing is seen of a cue that rests.
        this.scope = scope;
        return failure({ code: 'cue-formula', name: helper.name, problem: compiled.problems[0] as FormulaProblem });
      }
      const values = evaluator.values(compiled.value);
      this.define(evaluator, helper.name, values);
      columns.push({ ...helper, column: named(helper.name, values), withoutValue: evaluator.withoutValue(compiled.value) });
    }
    return success(columns);
  }
}
