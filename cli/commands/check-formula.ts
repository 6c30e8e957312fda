import { compileFormula, parseFormula, scopeOf, sqlTextOf, type FormulaPlace } from 'core/formula';
import { read, warnTo, WrongUse, type Command, type Speech } from '../command';
import { readTable, valueOf } from '../table-file';

const help = `cowbell check-formula "EXPR" [--columns FILE.csv] [--place column|filter|measure]

Says whether a formula is right and, with the columns of a table, what type it gives and its SQL text.

  cowbell check-formula "sum(milk) over (partition by valley)" --columns deliveries.csv`;

const PLACES: readonly string[] = ['column', 'filter', 'measure'];

async function run(args: readonly string[], speech: Speech): Promise<void> {
  const { values, positionals } = read(args, { columns: { type: 'string' }, place: { type: 'string', default: 'column' } });
  const [formula, ...more] = positionals;
  if (formula === undefined || more.length) throw new WrongUse('Give one formula, in quotes.');
  if (!PLACES.includes(values.place)) throw new WrongUse(`There is no place ${values.place}. Choose column, filter or measure.`);
  if (values.columns === undefined) {
    valueOf(parseFormula(formula));
    speech.out('The formula reads well. Give --columns FILE.csv to check its names and types.\n');
    return;
  }
  const table = await readTable(values.columns, warnTo(speech));
  const typed = valueOf(compileFormula(formula, scopeOf(table), values.place as FormulaPlace));
  speech.out(`type: ${typed.type === 'null' ? 'missing' : typed.type}\nsql: ${valueOf(sqlTextOf(typed))}\n`);
}

/** Whether a formula is right. */
export const checkFormula: Command = { name: 'check-formula', about: 'whether a formula is right', help, run };
