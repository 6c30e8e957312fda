import type { FormulaProblem } from 'core/result';
import type { Expr } from '../tree/ast';
import type { Fault } from './checking';
import type { Typed } from '../evaluate/typed';

/** The placeholder for a faulty part: missing, whose type fits everywhere. */
export const NOTHING: Typed = { op: 'constant', value: null, type: 'null', key: 'null' };

// More than anybody mends at once.
const MOST_FAULTS = 50;

/** The faults of a formula, in the order found, and the parts already checked. */
export class Faults {
  readonly problems: FormulaProblem[] = [];

  constructor(readonly seen: Set<Expr> = new Set<Expr>()) {}

  take({ problem }: Fault): Typed {
    this.add(problem);
    return NOTHING;
  }

  add(problem: FormulaProblem): void {
    // What follows from a fault at the same place is none of its own.
    const isNew = this.problems.every(({ at }) => at.start !== problem.at.start || at.end !== problem.at.end);
    if (isNew && this.problems.length < MOST_FAULTS) this.problems.push(problem);
  }
}
