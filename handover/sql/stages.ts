import { compileFormula, namesIn, nameText, scopeWith, sqlIn, type FormulaPlace, type Scope, type Typed } from 'core/formula';
import type { ColumnType } from 'core/table';
import type { StatementDialect } from './dialects';

/** A column that a formula computes. */
export interface ComputedColumn {
  readonly name: string;
  readonly formula: string;
}

/**
 * A statement in the making: one common table expression for each stage, each over the one before, with a comment that says what it does. Names of
 * stages are free of those that are taken.
 */
export class Stages {
  private readonly parts: string[] = [];
  private isRecursive = false;

  constructor(
    readonly dialect: StatementDialect,
    private readonly taken: Set<string>,
  ) {}

  /** Adds a stage, and gives the name that it has. */
  add(wished: string, comment: string, select: (own: string) => string, { recursive = false, columns = '' } = {}): string {
    let name = wished;
    for (let n = 2; this.taken.has(name.toLowerCase()); n++) name = `${wished}_${n}`;
    this.taken.add(name.toLowerCase());
    this.isRecursive ||= recursive;
    const head = comment ? `-- ${oneLine(comment)}\n` : '';
    this.parts.push(`${head}${nameText(name)}${columns} as (\n  ${select(name).replaceAll('\n', '\n  ')}\n)`);
    return name;
  }

  /** A formula as this statement's engine reads it. Throws where it does not compile, or is too long. */
  sql(formula: string, scope: Scope, place: FormulaPlace = 'column'): { readonly text: string; readonly typed: Typed } {
    const compiled = compileFormula(formula, scope, place);
    if (!compiled.ok) throw new RangeError(`the formula ${formula} does not compile`);
    return { text: sqlIn(this.dialect, compiled.value), typed: compiled.value };
  }

  /** Columns behind those of a stage, as few stages as they need: one for all that do not read each other. */
  compute(from: string, wished: string, comment: string, scope: Scope, columns: readonly ComputedColumn[]): { from: string; scope: Scope } {
    let [at, seen, said] = [from, scope, comment];
    let waiting: { readonly name: string; readonly text: string }[] = [];
    const flush = (): void => {
      if (waiting.length === 0) return;
      const shown = waiting.map(({ name, text }) => `${text} as ${nameText(name)}`);
      const source = at;
      at = this.add(wished, said, () => `select *, ${shown.join(',\n  ')}\nfrom ${nameText(source)}`);
      [waiting, said] = [[], ''];
    };
    for (const { name, formula } of columns) {
      const { text, typed } = this.sql(formula, seen);
      const reads = namesIn(typed);
      if (waiting.some(other => reads.has(other.name))) flush();
      waiting.push({ name, text });
      seen = scopeWith(seen, name, typed.type === 'null' ? 'number' : typed.type);
    }
    flush();
    return { from: at, scope: seen };
  }

  /** The statement: all stages, then what is selected of the last. */
  statement(head: readonly string[], select: string): string {
    const text = this.parts.length
      ? `with${this.isRecursive ? ' recursive' : ''}\n${this.parts.join(',\n')}\n${select};\n`
      : `${select};\n`;
    return `${head.map(line => `-- ${oneLine(line)}\n`).join('')}${this.dialect.before(text)}${text}`;
  }
}

/** A comment ends with its line. */
const oneLine = (text: string): string => text.replace(/[\u0000-\u001f\u007f\u0085\u2028\u2029]+/g, ' ').trim();

/** A scope by names and types. */
export const scopeFor = (columns: readonly { readonly name: string; readonly type: ColumnType }[]): Scope =>
  new Map(columns.map(({ name, type }) => [name, type]));
