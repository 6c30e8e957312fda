import { read, warnTo, WRITING, WrongUse, type Command, type Speech } from '../command';
import { derive as derivedTable, readDefinition } from '../derived-table';
import { writingOf } from '../give-table';
import { readTable } from '../table-file';

const help = `cowbell derive FILE.csv "name = expression" ["name2 = expression2" …]
  [--filter EXPR] [--group-by a,b --measure "name = aggregate" …] [--order-by EXPR [desc]]
  [--format csv|json] [--guard-formulas] [--mark] [-o FILE]

Adds columns to a table, keeps some rows, sums them up, orders them. Later columns may use earlier ones.
FILE - is standard input. Without --group-by the rows keep their order and all their columns; new ones follow.
A missing value is an empty CSV field, null in JSON. Texts such as =1+1, which a spreadsheet would run, are written as they are;
--guard-formulas puts an apostrophe before them, which reading takes off again. --mark begins the file with a byte-order mark.

  cowbell derive deliveries.csv "share = milk / sum(milk) over ()"
  cowbell derive deliveries.csv --group-by valley --measure "milk = sum(milk)" --measure "fat = sum(butterfat) / sum(milk)" --order-by "milk desc"
  cowbell derive - "change = milk - lag(milk) over (partition by hut order by week)" --filter "milk is not null" --format json < deliveries.csv`;

async function run(args: readonly string[], speech: Speech): Promise<void> {
  const { values, positionals } = read(args, {
    filter: { type: 'string' },
    'group-by': { type: 'string' },
    measure: { type: 'string', multiple: true },
    'order-by': { type: 'string' },
    ...WRITING,
  });
  const [file, ...columns] = positionals;
  if (!file) throw new WrongUse('Name a CSV file, or - for standard input.');
  const give = writingOf(values);
  const groupBy = (values['group-by'] ?? '')
    .split(',')
    .map(name => name.trim())
    .filter(Boolean);
  const measures = (values.measure ?? []).map(readDefinition);
  if (groupBy.length && !measures.length) throw new WrongUse('--group-by needs at least one --measure "name = aggregate".');
  const request = { columns: columns.map(readDefinition), filter: values.filter, groupBy, measures, orderBy: values['order-by'] };
  const warn = warnTo(speech);
  await give(derivedTable(await readTable(file, warn), request, warn), speech);
}

/** New columns, filters, groups and orders of a table. */
export const derive: Command = { name: 'derive', about: 'columns by formulas, and summaries, of any table', help, run };
