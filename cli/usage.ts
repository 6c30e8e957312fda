/** Wrong use of the command: told with the help of the command it was meant for. */
export class WrongUse extends Error {}

const derive = `cowbell derive FILE.csv "name = expression" ["name2 = expression2" …]
  [--filter EXPR] [--group-by a,b --measure "name = aggregate" …] [--order-by EXPR [desc]]
  [--format csv|json] [-o FILE]

Adds columns to a table, keeps some rows, sums them up, orders them. Later columns may use earlier ones.
FILE - is standard input. Without --group-by the rows keep their order and all their columns; new ones follow.
A missing value is an empty CSV field, null in JSON.

  cowbell derive deliveries.csv "share = milk / sum(milk) over ()"
  cowbell derive deliveries.csv --group-by valley --measure "milk = sum(milk)" --measure "fat = sum(butterfat) / sum(milk)" --order-by "milk desc"
  cowbell derive - "change = milk - lag(milk) over (partition by hut order by week)" --filter "milk is not null" --format json < deliveries.csv`;

const describe = `cowbell describe FILE.csv [--format csv|json]

One line per column: its type, how many values are missing, how many are different, the smallest and the largest.

  cowbell describe deliveries.csv`;

const checkFormula = `cowbell check-formula "EXPR" [--columns FILE.csv] [--place column|filter|measure]

Says whether a formula is right and, with the columns of a table, what type it gives and its SQL text.

  cowbell check-formula "sum(milk) over (partition by valley)" --columns deliveries.csv`;

export const helpOf: Readonly<Record<string, string>> = { derive, describe, 'check-formula': checkFormula };

export const HELP = `cowbell: helper columns from formulas, without a screen.

${derive}

${describe}

${checkFormula}

Exit codes: 0 done, 1 bad data or a bad formula, 2 wrong use.`;
