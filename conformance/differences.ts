import type { Cell } from 'core/table';

/** A deliberate difference from the engine of these tests: the formula, both values, and why ours is so. */
export interface Difference {
  readonly formula: string;
  /** Plain SQL that asks the engine the same without Cowbell's guards. */
  readonly asked: string;
  readonly ours: Cell;
  readonly engine: Cell;
  readonly why: string;
}

export const differences: readonly Difference[] = [
  { formula: '1 / 0', asked: '1 / 0', ours: null, engine: Infinity, why: 'No infinity reaches a column; the rows are counted.' },
  { formula: '5 % 0', asked: '5.0::double % 0', ours: null, engine: NaN, why: 'A remainder of a division by zero has no value.' },
  { formula: 'power(-8, 0.5)', asked: 'power(-8.0, 0.5)', ours: null, engine: NaN, why: 'A power with no real value is missing.' },
  { formula: '1e308 * 10', asked: '1e308 * 10', ours: null, engine: Infinity, why: 'What no float can hold is missing.' },
  { formula: 'greatest(1, null)', asked: 'greatest(1, null)', ours: null, engine: 1, why: 'The standard: missing when any argument is.' },
  { formula: 'least(1, null)', asked: 'least(1, null)', ours: null, engine: 1, why: 'The standard: missing when any argument is.' },
  {
    formula: "'abc' similar to '%b%'",
    asked: "'abc' similar to '%b%'",
    ours: true,
    engine: false,
    why: 'The standard: % and _ are wildcards in it; the engine reads the pattern as a regular expression of its own.',
  },
  {
    formula: "substring('hello', -1, 3)",
    asked: "substring('hello', -1, 3)",
    ours: 'h',
    engine: 'o',
    why: 'The standard: places before the first count towards the length.',
  },
  {
    formula: "cast('twelve' as double precision)",
    asked: "try_cast('twelve' as double)",
    ours: null,
    engine: null,
    why: 'A text that is no number is missing and counted; a plain cast ends the engine’s query with an error.',
  },
  {
    formula: 'cast(10 as text)',
    asked: 'cast(10.0::double as varchar)',
    ours: '10',
    engine: '10.0',
    why: 'Numbers are written in their shortest exact form.',
  },
  {
    formula: '0.1 + 0.2',
    asked: 'cast(0.1 + 0.2 as varchar)',
    ours: 0.30000000000000004,
    engine: '0.3',
    why: 'All numbers are 64-bit floats; the engine reads short literals as decimals.',
  },
  {
    formula: "cast('abcdef' as varchar(3))",
    asked: "cast('abcdef' as varchar(3))",
    ours: 'abc',
    engine: 'abcdef',
    why: 'The standard: a cast cuts a text to the size of its type; the engine leaves sizes aside.',
  },
  {
    formula: 'cast(12345.6 as decimal(5, 2))',
    asked: 'try_cast(12345.6 as decimal(5, 2))',
    ours: null,
    engine: null,
    why: 'A number with more digits than its type is missing and counted; a plain cast ends the engine’s query with an error.',
  },
  {
    formula: "cast('1e400' as double precision)",
    asked: "cast('1e400' as double precision)",
    ours: null,
    engine: Infinity,
    why: 'What no float can hold is missing.',
  },
  {
    formula: "extract(year from date '9999-12-31' + interval '1 day')",
    asked: "cast(extract(year from date '9999-12-31' + interval '1 day') as double)",
    ours: null,
    engine: 10000,
    why: 'Dates stay within the years 1 to 9999.',
  },
  { formula: "upper('ß')", asked: "upper('ß')", ours: 'SS', engine: 'ẞ', why: 'Capitals follow Unicode’s full case mapping.' },
  {
    formula: "date '2031-01-31' + interval '1 month'",
    asked: "cast(date '2031-01-31' + interval '1 month' as varchar)",
    ours: '2031-02-28',
    engine: '2031-02-28 00:00:00',
    why: 'The standard: a date moved by whole days or months stays a date.',
  },
];
