import { namesOfText, parseFormula, type Expr } from 'core/formula';
import type { Check, CheckSubject, Risk } from './check';

/** A ratio as two texts. */
interface Ratio {
  readonly above: string;
  readonly below: string;
}

/** The average of ratios counts a small whole as much as a large one; the ratio of the sums is what a total would give. */
export const meanOfRatios: Check = {
  severity: 'wrong',
  about: 'a mean of ratios where the ratio of sums is meant',
  find: subject =>
    subject.figure.data.measures.flatMap(({ name, formula }, at): Risk[] => {
      const parsed = parseFormula(formula);
      const call = parsed.ok ? averaged(parsed.value) : null;
      const ratio = call && ratioOf(call.arg, formula, subject);
      if (!call || !ratio) return [];
      const mended = `${formula.slice(0, call.start)}sum(${ratio.above}) / sum(${ratio.below})${formula.slice(call.end)}`;
      const { data } = subject.figure;
      return [
        {
          words: `${name} averages ${ratio.above} / ${ratio.below} row by row: a small row counts as much as a large one.`,
          key: `summary:${at}`,
          mend: {
            words: 'Take the ratio of the sums',
            change: {
              data: { ...data, measures: data.measures.map((measure, i) => (i === at ? { ...measure, formula: mended } : measure)) },
            },
          },
        },
      ];
    }),
};

/** The whole formula as an average of one thing, without filter or window. */
function averaged(expr: Expr): { readonly arg: Expr; readonly start: number; readonly end: number } | null {
  if (expr.kind !== 'call' || expr.name.toLowerCase() !== 'avg' || expr.filter || expr.over || expr.distinct) return null;
  const [arg] = expr.args;
  return arg ? { arg, start: expr.start, end: expr.end } : null;
}

/** The two sides of a division of columns; of a derived column, those of its formula. */
function ratioOf(expr: Expr, text: string, subject: CheckSubject): Ratio | null {
  if (expr.kind === 'name') {
    const derived = subject.derived.find(({ name }) => name === expr.name);
    const parsed = derived && parseFormula(derived.formula);
    return derived && parsed?.ok && parsed.value.kind !== 'name' ? ratioOf(parsed.value, derived.formula, subject) : null;
  }
  if (expr.kind !== 'binary' || expr.op !== '/') return null;
  const [above, below] = [expr.left, expr.right].map(({ start, end }) => text.slice(start, end)) as [string, string];
  // By a number, an average is divided as well as a sum.
  return [above, below].every(side => [...namesOfText(side)].length > 0) ? { above, below } : null;
}
