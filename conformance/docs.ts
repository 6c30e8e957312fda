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
