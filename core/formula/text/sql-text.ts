import { keptPer, type Kept } from 'core/stages';
import { failure, success, type Result } from 'core/result';
import { aggregates, scalars } from '../functions';
import { literalText, nameText, windowText } from '../evaluate/key';
import type { Typed, TypedAggregate } from '../evaluate/typed';

/** Longest SQL text: guards write some parts twice, so a deeply nested formula would grow without limit. */
export const MAX_SQL_CHARACTERS = 200_000;

/**
 * A checked formula as standard SQL that any engine runs and gets the same numbers. Where engines fail on a value that has no
 * result (a division by zero, the root of a negative number), the text guards against it, so that it gives null. Throws where the text would be
 * longer than `MAX_SQL_CHARACTERS`; see `sqlTextOf`.
 */
export function sqlOf(f: Typed): string {
  const known = knownIn(spoken);
  let text = known.get(f);
  if (text === undefined) known.set(f, (text = written(f)));
  if (text.length > MAX_SQL_CHARACTERS) throw new SqlTooLong(`the SQL of this formula has more than ${MAX_SQL_CHARACTERS} characters`);
  return text;
}

/** The differences between engines. */
export interface SqlDialect {
  readonly name: string;
  /** A text read as another type, null where it cannot be read. `whole`: a number without decimals. */
  readonly readText: (text: string, type: 'number' | 'boolean' | 'date' | 'timestamp', whole: boolean) => string;
}

/** The SQL of engines with a cast that gives null instead of an error. */
export const PLAIN_DIALECT: SqlDialect = {
  name: 'plain',
  readText: (text, type, whole) =>
    whole ? `cast(try_cast(${text} as double precision) as bigint)` : `try_cast(${text} as ${TYPE_NAMES[type]})`,
};

/** As `sqlOf`, for another dialect. Throws like it. */
export function sqlIn(dialect: SqlDialect, f: Typed): string {
  const before = spoken;
  spoken = dialect;
  try {
    return sqlOf(f);
  } finally {
    spoken = before;
  }
}

/** The SQL text of an analyst's formula, or a note that it would be too long. */
export function sqlTextOf(f: Typed): Result<string> {
  try {
    return success(sqlOf(f));
  } catch (error) {
    if (error instanceof SqlTooLong) return failure({ code: 'sql-too-long', limit: MAX_SQL_CHARACTERS });
    throw error;
  }
}

/** Thrown for a statement that would be too long to use. */
export class SqlTooLong extends RangeError {}

// Parts that stand in a formula twice are written once, in each dialect.
const knownBy = new Map<SqlDialect, Kept<Typed, string>>();

function knownIn(dialect: SqlDialect): Kept<Typed, string> {
  let known = knownBy.get(dialect);
  if (!known) knownBy.set(dialect, (known = keptPer()));
  return known;
}

function written(f: Typed): string {
  switch (f.op) {
    case 'constant':
      return literalText(f.type, f.value);
    case 'column':
      return nameText(f.name);
    case 'negate':
      return `(- ${sqlOf(f.arg)})`;
    case 'not':
      return `(not ${sqlOf(f.arg)})`;
    case 'arithmetic':
      return arithmeticSql(f.sign, sqlOf(f.left), sqlOf(f.right));
    case 'days-between':
      return daysBetweenSql(f.left, f.right);
    case 'shift':
      return `cast(${sqlOf(f.arg)} ${f.back ? '-' : '+'} interval '${f.text}' as ${f.type})`;
    case 'join':
      return infix(f.left, '||', f.right);
    case 'compare':
      return infix(f.left, f.sign, f.right);
    case 'and':
    case 'or':
      return infix(f.left, f.op, f.right);
    case 'is-null':
      return `(${sqlOf(f.arg)} is ${f.negated ? 'not ' : ''}null)`;
    case 'is-truth':
      return `(${sqlOf(f.arg)} is ${f.negated ? 'not ' : ''}${f.truth})`;
    case 'in':
      return `(${sqlOf(f.arg)} in (${f.items.map(item => sqlOf(item)).join(', ')}))`;
    case 'is-distinct':
      return infix(f.left, `is ${f.negated ? 'not ' : ''}distinct from`, f.right);
    case 'like':
      return f.escape
        ? `(${sqlOf(f.arg)} ${f.how} ${sqlOf(f.pattern)} escape ${literalText('text', f.escape)})`
        : infix(f.arg, f.how, f.pattern);
    case 'case':
      return caseSql(f);
    case 'cast':
      return castSql(f);
    case 'extract':
      return `extract(${f.field} from ${sqlOf(f.arg)})`;
    case 'scalar':
      return scalarSql(f);
    case 'aggregate':
      return aggregateSql(f);
    case 'window':
      return `${f.name}(${windowArguments(f).join(', ')}) ${windowText(f.window, write)}`;
  }
}

// The dialect that is written in: formulas are written in one go, so that nothing else can come between.
let spoken: SqlDialect = PLAIN_DIALECT;

const write = (part: { readonly key: string }): string => sqlOf(part as Typed);
const infix = (left: Typed, sign: string, right: Typed): string => `(${sqlOf(left)} ${sign} ${sqlOf(right)})`;

/** Quotients are real numbers, and a division by zero gives null. */
function arithmeticSql(sign: string, left: string, right: string): string {
  if (sign === '/') return `(${left} * 1.0 / nullif(${right}, 0))`;
  return sign === '%' ? `(${left} % nullif(${right}, 0))` : `(${left} ${sign} ${right})`;
}

function daysBetweenSql(left: Typed, right: Typed): string {
  if (left.type === 'date') return infix(left, '-', right);
  return `(extract(epoch from (${sqlOf(left)} - ${sqlOf(right)})) / 86400.0)`;
}

function caseSql(f: Extract<Typed, { op: 'case' }>): string {
  const branches = f.branches.map(({ when, then }) => `when ${sqlOf(when)} then ${sqlOf(then)}`).join(' ');
  return `case ${branches}${f.otherwise ? ` else ${sqlOf(f.otherwise)}` : ''} end`;
}

/** Rounded like `round`; a number with more digits than the type holds gives null. */
function decimalSql(number: string, { all, decimals }: { readonly all: number; readonly decimals: number }): string {
  const rounded = `round(${number}, ${decimals})`;
  return `case when abs(${rounded}) < 1e${all - decimals} then ${rounded} end`;
}

const TYPE_NAMES = { number: 'double precision', text: 'varchar', boolean: 'boolean', date: 'date', timestamp: 'timestamp' } as const;

/** A text that cannot be read as the type gives null, where `cast` alone would fail. */
function castSql(f: Extract<Typed, { op: 'cast' }>): string {
  const { digits, size, type } = f.to;
  if (digits) return decimalSql(plainCastSql(f), digits);
  if (size !== null && type === 'text') return `substring(${plainCastSql(f)}, 1, ${size})`;
  return size !== null && type === 'timestamp' ? `cast(${plainCastSql(f)} as timestamp(${size}))` : plainCastSql(f);
}

function plainCastSql({ arg, to }: Extract<Typed, { op: 'cast' }>): string {
  const type = to.whole ? 'bigint' : TYPE_NAMES[to.type];
  if (arg.type !== 'text' || to.type === 'text') return `cast(${sqlOf(arg)} as ${type})`;
  return spoken.readText(sqlOf(arg), to.type, to.whole);
}

function scalarSql({ name, args, type }: Extract<Typed, { op: 'scalar' }>): string {
  const texts = args.map(sqlOf);
  const own = scalars[name]?.sql;
  return own ? own(texts, type) : `${name}(${texts.join(', ')})`;
}

function aggregateSql({ name, args, distinct, filter, within, window }: TypedAggregate): string {
  const entry = aggregates[name];
  const texts = args.map(sqlOf);
  if (within && window) return `${movingSql(name, texts[0] as string, within)}${filterSql(filter)} ${windowText(window, write)}`;
  const body = within
    ? `${name}(${entry?.within === 'fraction' ? within.fraction : ''}) within group (order by ${texts[0]}${within.descending ? ' desc' : ''})`
    : `${name}(${distinct ? 'distinct ' : ''}${texts.join(', ') || '*'})`;
  const whole = `${body}${filterSql(filter)}${window ? ` ${windowText(window, write)}` : ''}`;
  // Where the pairs lie on one spot, some engines answer with a value that is no number.
  return entry?.pair ? `nullif(${whole}, cast('NaN' as double precision))` : whole;
}

const filterSql = (filter: Typed | null): string => (filter ? ` filter (where ${sqlOf(filter)})` : '');

/** Moving percentiles, which the standard does not have, as engines with them write them. A descending order inverts the fraction. */
function movingSql(name: string, arg: string, { fraction, descending }: NonNullable<TypedAggregate['within']>): string {
  if (name === 'mode') return `mode(${arg})`;
  const share = descending ? 1 - fraction : fraction;
  return `${name === 'percentile_cont' ? 'quantile_cont' : 'quantile_disc'}(${arg}, ${share})`;
}

/** Row counts as integers, as engines need them. */
function windowArguments({ name, args }: Extract<Typed, { op: 'window' }>): string[] {
  const countAt = name === 'ntile' ? 0 : name === 'lag' || name === 'lead' || name === 'nth_value' ? 1 : -1;
  return args.map((arg, i) => (i === countAt && arg.op !== 'constant' ? `cast(${sqlOf(arg)} as bigint)` : sqlOf(arg)));
}
