import type { Expr } from './ast';
import { nameText } from '../evaluate/key';
import { parseFormula } from './parse';

type NameExpr = Extract<Expr, { kind: 'name' }>;

/** The formula with columns renamed, otherwise as written. A text that does not parse is unchanged. */
export function renameNames(text: string, names: ReadonlyMap<string, string>): string {
  const parsed = names.size ? parseFormula(text) : undefined;
  if (!parsed?.ok) return text;
  const found = nameExprs(parsed.value).sort((a, b) => b.start - a.start);
  return found.reduce((written, expr) => {
    const to = newName(expr, names);
    return to === undefined ? written : `${written.slice(0, expr.start)}${nameText(to)}${written.slice(expr.end)}`;
  }, text);
}

/** The column names in a formula as written; none where it does not parse. */
export function namesOfText(text: string): string[] {
  const parsed = parseFormula(text);
  return parsed.ok ? nameExprs(parsed.value).map(({ name }) => name) : [];
}

/** A quoted name is case-sensitive; a bare one is not. */
function newName({ name, quoted }: NameExpr, names: ReadonlyMap<string, string>): string | undefined {
  for (const [from, to] of names) if (quoted ? from === name : from.toLowerCase() === name.toLowerCase()) return to;
  return undefined;
}

/** Every name in the tree, windows and orders included. */
function nameExprs(part: unknown): NameExpr[] {
  if (typeof part !== 'object' || part === null) return [];
  if ((part as Expr).kind === 'name') return [part as NameExpr];
  return Object.values(part).flatMap(nameExprs);
}
