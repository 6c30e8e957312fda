import { functionReference, type FunctionEntry } from 'core/formula';
import type { Cell } from 'core/table';
import { differences } from './differences';

const GROUPS = {
  number: 'Numbers',
  missing: 'Missing values',
  text: 'Texts',
  date: 'Dates',
  aggregate: 'Aggregates',
  window: 'Windows',
} as const;

const inCell = (text: string): string => text.replaceAll('|', '\\|');
const row = (cells: readonly string[]): string => `| ${cells.map(inCell).join(' | ')} |`;
const shown = (value: Cell): string => (value === null ? 'missing' : `\`${String(value)}\``);

function groupTable(group: keyof typeof GROUPS, entries: readonly FunctionEntry[]): string {
  const rows = entries
    .filter(entry => entry.group === group)
    .map(entry => row([`\`${entry.signature}\``, entry.help, `\`${entry.example}\``]));
  return [`## ${GROUPS[group]}`, '', '| Function | What it gives | Example |', '| --- | --- | --- |', ...rows].join('\n');
}

const FORMS: readonly string[] = [
  '`substring(x from 2 for 3)`, `position(a in b)`, `trim(both x from y)` (`leading`, `trailing`), `overlay(x placing y from 2 for 1)`',
  '`extract(year from date)`, and `month`, `day`, `quarter`, `week`, `isodow`, `dow`, `doy`, `hour`, `minute`, `second` and others',
  '`cast(x as decimal(10, 2))`, `varchar(n)`, `char(n)`: a text that is too long is cut; `x is true`, `x is not distinct from y`, `between asymmetric`',
  '`case x when a, b then … end`: any of several values; Cowbell’s SQL text writes the values out one by one, for engines that do not know the form',
  "`like … escape …`; `similar to '(a|b)%'` with the standard’s patterns: `% _ | ( ) [a-z] [^a-z] [[:digit:]] * + ? {m,n}`",
  '`nulls first` and `nulls last` in every order, `filter (where …)` and `within group (order by …)` for aggregates',
];

/** What each limit holds, as the code does it: `MAX_CHARACTERS`, `MAX_CHAIN`, `LONGEST_TEXT`, `MAX_SQL_CHARACTERS`. */
const LIMITS: readonly (readonly [what: string, limit: string])[] = [
  ['A formula', '10,000 characters, values of `in` lists not counted; 1,000,000 with them'],
  ['Parentheses, functions and cases within each other', '200'],
  ['Operators in a row, such as `a + b + …` or `x or y or …`', '1,000'],
  ['A text that a formula makes', '100,000 characters; a longer one is missing and counted'],
  ['The SQL text of a formula', '200,000 characters; a longer one is not written out, the values are computed all the same'],
  ['A date', 'years 1 to 9999; what lies beyond is missing and counted'],
  ['A number', 'what a 64-bit float holds; what would be infinite is missing and counted'],
];

/** docs/FORMULAS.md, from the tables that the language itself runs on. */
export function formulaDocs(): string {
  const groups = (Object.keys(GROUPS) as (keyof typeof GROUPS)[]).map(group => groupTable(group, functionReference));
  const table = differences.map(({ formula, ours, engine, why }) => row([`\`${formula}\``, shown(ours), shown(engine), why]));
  return [
    '# Formulas',
    '',
    'Made by `npm run formula-docs` from the function tables and from the cases of `conformance/`; a spec holds it current.',
    '',
    'A formula is a scalar expression of standard SQL. Cowbell writes it out as SQL that gives the same numbers in any engine: `conformance/` runs some six hundred of them in a real one.',
    '',
    ...groups.flatMap(group => [group, '']),
    '## Standard forms',
    '',
    ...FORMS.map(form => `- ${form}`),
    '',
    '## Limits',
    '',
    'What goes beyond a limit is refused at its place, or, where only the values do, missing and counted beside the column.',
    '',
    '| What | Limit |',
    '| --- | --- |',
    ...LIMITS.map(row),
    '',
    '## Deliberate differences from the engine of the tests',
    '',
    'The engine is asked in plain SQL, without the guards that Cowbell writes into its own SQL text.',
    '',
    '| Formula | Cowbell | Engine | Why |',
    '| --- | --- | --- | --- |',
    ...table,
    '',
  ].join('\n');
}
