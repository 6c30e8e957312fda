import { PLAIN_DIALECT, type SqlDialect } from 'core/formula';

/** A form of SQL that a statement can be written in. Adding one is adding an entry. */
export interface StatementDialect extends SqlDialect {
  /** What it is, for lists. */
  readonly about: string;
  /** What has to be there before the statement runs: definitions of what its text uses and the engine lacks; empty for none. */
  readonly before: (statement: string) => string;
}

/** A definition that an engine lacks, told by the words that use it. */
interface Lacking {
  readonly used: RegExp;
  readonly sql: string;
}

const nothing = (): string => '';

const TRIES = { number: 'double precision', boolean: 'boolean', date: 'date', timestamp: 'timestamp' } as const;

/** What the large open-source server lacks: casts that try, rounding of floats to places, medians and shares that move. */
const SERVER_LACKS: readonly Lacking[] = [
  ...Object.entries(TRIES).map(([type, sql]): Lacking => ({
    used: new RegExp(`\\btry_${type}\\(`),
    sql: `create or replace function try_${type}(item text) returns ${sql} language plpgsql immutable as
  $$ begin return cast(item as ${sql}); exception when others then return null; end $$;`,
  })),
  {
    used: /\bround\(/,
    sql: `create or replace function round(item double precision, places integer) returns double precision language sql immutable as
  'select cast(round(cast(item as numeric), places) as double precision)';`,
  },
  {
    used: /\b(median|quantile_cont)\(/,
    sql: `create or replace function gather(gathered double precision[], item double precision, share double precision)
  returns double precision[] language sql immutable as 'select coalesce(gathered, array[share]) || item';
create or replace function gather_halved(gathered double precision[], item double precision)
  returns double precision[] language sql immutable as 'select gather(gathered, item, 0.5)';
create or replace function share_of(gathered double precision[]) returns double precision language sql immutable as
  'select percentile_cont(gathered[1]) within group (order by item) from unnest(gathered[2:]) as item';
create or replace aggregate median(double precision) (sfunc = gather_halved, stype = double precision[], finalfunc = share_of);
create or replace aggregate quantile_cont(double precision, double precision)
  (sfunc = gather, stype = double precision[], finalfunc = share_of);`,
  },
];

const lacking = (statement: string, lacks: readonly Lacking[]): string => {
  const needed = lacks.filter(({ used }) => used.test(statement)).map(({ sql }) => sql);
  return needed.length ? `-- What this statement uses and the engine has not got; run once.\n${needed.join('\n')}\n\n` : '';
};

/** The forms in which statements are written, the standard's first. */
export const dialects = {
  standard: {
    ...PLAIN_DIALECT,
    name: 'standard',
    about: 'the standard’s form, for any engine',
    // The standard has no cast that tries: what does not read as the type is an error there.
    readText: (text, type, whole) => (whole ? `cast(cast(${text} as double precision) as bigint)` : `cast(${text} as ${TRIES[type]})`),
    before: nothing,
  },
  duckdb: { ...PLAIN_DIALECT, name: 'duckdb', about: 'the form of DuckDB, an embedded engine', before: nothing },
  postgresql: {
    name: 'postgresql',
    about: 'the form of PostgreSQL, a server',
    readText: (text, type, whole) => (whole ? `cast(try_number(${text}) as bigint)` : `try_${type}(${text})`),
    before: statement => lacking(statement, SERVER_LACKS),
  },
} satisfies Record<string, StatementDialect>;

/** A form of SQL by its name. */
export type DialectName = keyof typeof dialects;

/** Whether a word names a form of SQL. */
export const isDialect = (name: string): name is DialectName => Object.hasOwn(dialects, name);
