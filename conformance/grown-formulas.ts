import type { ColumnType } from 'core/table';

/** Columns of the troubled rows, by type. */
const COLUMNS: Readonly<Record<ColumnType, readonly string[]>> = {
  number: ['x', 'y', 'n', 'id', '"x"', 'X'],
  text: ['g', 'h', 'word'],
  boolean: ['b'],
  date: ['d', 'e'],
  timestamp: ['at'],
};

const LITERALS: Readonly<Record<ColumnType, readonly string[]>> = {
  number: ['0', '1', '2.5', '.5', '1e3', '1e308', '1e-320', '9007199254740993', '0.1', '3', '12', '-1', '1e400'],
  text: [
    "''",
    "'a'",
    "'alm'",
    "'%a%a%b'",
    "'it''s'",
    "'-'",
    "'100%'",
    "'日本'",
    "'1e400'",
    "'2031-02-30'",
    "'aaaaaaaaaaaaaaaaaaaa'",
    "'_'",
  ],
  boolean: ['true', 'false'],
  date: ["date '2031-06-02'", "date '0001-01-01'", "date '9999-12-31'", "date '2032-02-29'"],
  timestamp: ["timestamp '2031-06-02 05:30:00'", "timestamp '9999-12-31 23:59:59'"],
};

const TYPES: readonly ColumnType[] = ['number', 'text', 'boolean', 'date', 'timestamp'];
const CASTS: Readonly<Record<ColumnType, readonly string[]>> = {
  number: ['double precision', 'integer', 'decimal(6, 2)', 'numeric(3)', 'bigint', 'float'],
  text: ['text', 'varchar', 'varchar(3)'],
  boolean: ['boolean'],
  date: ['date'],
  timestamp: ['timestamp', 'timestamp(0)'],
};
const INTERVALS = [
  "'1 day'",
  "'7 days'",
  "'1 month'",
  "'99999 years'",
  "'3 hours'",
  "'1 year 2 months'",
  "'400' day",
  "'12' month",
  "'-5 weeks'",
];
const FIELDS = ['year', 'quarter', 'month', 'week', 'day', 'dow', 'doy', 'isodow', 'isoyear', 'decade', 'century', 'epoch'];
const GRAINS = ['day', 'week', 'month', 'quarter', 'year', 'hour', 'second'];

/**
 * Formulas grown from the grammar, rule by rule, mostly of fitting types: what mutation of known texts hardly reaches. Independent of the parser:
 * written from the grammar in the brief.
 */
export class FormulaGrower {
  constructor(private readonly random: () => number) {}

  /** A formula for a place; now and then one whose types do not fit. */
  formula(place: 'column' | 'filter' | 'measure'): string {
    const type = place === 'filter' ? 'boolean' : this.pick(TYPES);
    return this.of(type, 1 + this.below(5), place === 'measure');
  }

  private below(n: number): number {
    return Math.floor(this.random() * n);
  }

  private pick<T>(list: readonly T[]): T {
    return list[this.below(list.length)] as T;
  }

  private of(wanted: ColumnType, depth: number, measure: boolean): string {
    const type = this.random() < 0.01 ? this.pick(TYPES) : wanted;
    if (depth <= 0) return this.leaf(type, measure);
    const down = (other: ColumnType = type): string => this.of(other, depth - 1, measure);
    if (measure && this.random() < 0.5) return this.aggregate(type, depth);
    if (!measure && this.random() < 0.15) return this.windowed(type, depth);
    if (this.random() < 0.1) return `(${down()})`;
    if (this.random() < 0.1) return this.caseOf(type, down);
    if (this.random() < 0.05) return `coalesce(${down()}, ${down()})`;
    if (this.random() < 0.05) return `nullif(${down()}, ${down()})`;
    if (this.random() < 0.05) return `cast(${down(this.pick(TYPES))} as ${this.pick(CASTS[type])})`;
    return this[type](down);
  }

  private leaf(type: ColumnType, measure: boolean): string {
    if (this.random() < 0.04) return 'null';
    if (measure) return this.random() < 0.5 ? this.pick(LITERALS[type]) : this.aggregate(type, 0);
    return this.random() < 0.6 ? this.pick(COLUMNS[type]) : this.pick(LITERALS[type]);
  }

  private caseOf(type: ColumnType, down: (other?: ColumnType) => string): string {
    const otherwise = this.random() < 0.6 ? ` else ${down()}` : '';
    if (this.random() < 0.6) return `case when ${down('boolean')} then ${down()}${otherwise} end`;
    const other = this.pick(TYPES);
    return `case ${down(other)} when ${down(other)}, ${down(other)} then ${down()} when ${down(other)} then ${down(type)}${otherwise} end`;
  }

  private number(down: (other?: ColumnType) => string): string {
    const moment = this.pick(['date', 'timestamp'] as const);
    const forms: readonly (() => string)[] = [
      () => `${down()} ${this.pick(['+', '-', '*', '/', '%'])} ${down()}`,
      () => `${this.pick(['-', '+', '- -'])} ${down()}`,
      () => `${this.pick(['abs', 'ceil', 'floor', 'round', 'trunc', 'sign', 'sqrt', 'exp', 'ln', 'log10', 'ceiling'])}(${down()})`,
      () => `${this.pick(['round', 'power', 'log', 'mod', 'greatest', 'least'])}(${down()}, ${down()})`,
      () => `extract(${this.pick(FIELDS)} from ${down(moment)})`,
      () => `length(${down('text')})`,
      () => `position(${down('text')} in ${down('text')})`,
      () => `${down(moment)} - ${down(moment)}`,
    ];
    return this.pick(forms)();
  }

  private text(down: (other?: ColumnType) => string): string {
    const forms: readonly (() => string)[] = [
      () => `${down()} || ${down()}`,
      () => `${this.pick(['lower', 'upper', 'trim', 'ltrim', 'rtrim'])}(${down()})`,
      () => `substring(${down()} from ${down('number')} for ${down('number')})`,
      () => `trim(${this.pick(['both', 'leading', 'trailing'])} ${down()} from ${down()})`,
      () => `overlay(${down()} placing ${down()} from ${down('number')})`,
      () => `replace(${down()}, ${down()}, ${down()})`,
      () => `concat(${down()}, ${down()}, ${down()})`,
      () => `${this.pick(['left', 'right'])}(${down()}, ${down('number')})`,
    ];
    return this.pick(forms)();
  }

  private boolean(down: (other?: ColumnType) => string): string {
    const other = this.pick(TYPES);
    const not = this.pick(['', 'not ']);
    const forms: readonly (() => string)[] = [
      () => `${down(other)} ${this.pick(['=', '<>', '<', '<=', '>', '>=', '!='])} ${down(other)}`,
      () => `${down()} ${this.pick(['and', 'or'])} ${down()}`,
      () => `not ${down()}`,
      () => `${down(other)} is ${not}null`,
      () => `${down()} is ${not}${this.pick(['true', 'false', 'unknown'])}`,
      () => `${down(other)} is ${not}distinct from ${down(other)}`,
      () => `${down(other)} ${not}between ${down(other)} and ${down(other)}`,
      () => `${down(other)} ${not}in (${Array.from({ length: 1 + this.below(6) }, () => down(other)).join(', ')})`,
      () => `${down('text')} ${not}like ${down('text')}${this.pick(['', " escape '!'", " escape '%'"])}`,
    ];
    return this.pick(forms)();
  }

  private date(down: (other?: ColumnType) => string): string {
    const forms: readonly (() => string)[] = [
      () => `${down()} ${this.pick(['+', '-'])} interval ${this.pick(INTERVALS)}`,
      () => `date_trunc('${this.pick(GRAINS)}', ${down()})`,
      () => `make_date(${down('number')}, ${down('number')}, ${down('number')})`,
    ];
    return this.pick(forms)();
  }

  private timestamp(down: (other?: ColumnType) => string): string {
    const forms: readonly (() => string)[] = [
      () => `${down(this.pick(['date', 'timestamp']))} + interval '${this.below(99)}' hour`,
      () => `date_trunc('${this.pick(GRAINS)}', ${down()})`,
    ];
    return this.pick(forms)();
  }

  private aggregate(type: ColumnType, depth: number): string {
    const arg = this.of(type, Math.min(2, depth - 1), false);
    const filter = this.random() < 0.2 ? ` filter (where ${this.of('boolean', 1, false)})` : '';
    if (type !== 'number')
      return `${this.pick(['min', 'max', 'mode'])}(${arg})${filter}`.replace(/^mode\((.*)\)/s, 'mode() within group (order by $1)');
    const forms: readonly (() => string)[] = [
      () =>
        `${this.pick(['sum', 'avg', 'min', 'max', 'median', 'count', 'stddev_samp', 'stddev_pop', 'var_samp', 'var_pop'])}(${this.pick(['', 'distinct ', 'all '])}${arg})`,
      () => 'count(*)',
      () =>
        `${this.pick(['percentile_cont', 'percentile_disc'])}(${this.pick(['0', '0.5', '0.9', '1'])}) within group (order by ${arg}${this.pick(['', ' desc'])})`,
      () => `${this.pick(['corr', 'regr_slope', 'regr_intercept'])}(${arg}, ${this.of('number', 1, false)})`,
    ];
    return `${this.pick(forms)()}${filter}`;
  }

  private windowed(type: ColumnType, depth: number): string {
    const over = `over (${this.window(depth)})`;
    const arg = this.of(type, depth - 2, false);
    if (type !== 'number' || this.random() < 0.4)
      return `${this.pick(['lag', 'lead', 'first_value', 'last_value', 'min', 'max'])}(${arg}) ${over}`;
    if (this.random() < 0.5)
      return `${this.pick(['row_number()', 'rank()', 'dense_rank()', 'percent_rank()', 'cume_dist()', 'ntile(3)'])} ${over}`;
    return `${this.aggregate('number', depth - 1)} ${over}`;
  }

  private window(depth: number): string {
    const partition = this.random() < 0.5 ? `partition by ${this.of(this.pick(TYPES), depth - 2, false)} ` : '';
    if (this.random() < 0.3) return partition;
    const order = `order by ${this.of(this.pick(TYPES), depth - 2, false)}${this.pick(['', ' desc', ' asc nulls first', ' nulls last'])} `;
    const ends = ['unbounded preceding', '3 preceding', '1 preceding', 'current row', '2 following', 'unbounded following'];
    const from = this.below(ends.length);
    const bounds =
      this.random() < 0.5
        ? `${this.pick(['rows', 'rows', 'range'])} between ${ends[from]} and ${ends[from + this.below(ends.length - from)]}`
        : '';
    return `${partition}${order}${bounds}`;
  }
}
