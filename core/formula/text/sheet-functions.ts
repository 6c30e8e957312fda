/** Functions of one row as spreadsheet formulas, for arguments that are not missing. */
const SCALARS: Readonly<Record<string, (args: readonly string[]) => string | null>> = {
  abs: ([x]) => `ABS(${x})`,
  sign: ([x]) => `SIGN(${x})`,
  sqrt: ([x]) => `IF(${x}<0,"",SQRT(${x}))`,
  exp: ([x]) => `EXP(${x})`,
  ln: ([x]) => `IF(${x}<=0,"",LN(${x}))`,
  log10: ([x]) => `IF(${x}<=0,"",LOG10(${x}))`,
  power: ([x, y]) => `IFERROR(POWER(${x},${y}),"")`,
  // Programs differ in what INT makes of negative numbers.
  floor: ([x]) => `(TRUNC(${x})-IF(${x}<TRUNC(${x}),1,0))`,
  ceil: ([x]) => `(TRUNC(${x})+IF(${x}>TRUNC(${x}),1,0))`,
  ceiling: ([x]) => `(TRUNC(${x})+IF(${x}>TRUNC(${x}),1,0))`,
  trunc: ([x]) => `TRUNC(${x})`,
  round: ([x, n = '0']) => `ROUND(${x},${n})`,
  greatest: args => `MAX(${args.join(',')})`,
  least: args => `MIN(${args.join(',')})`,
  upper: ([x]) => `UPPER(${x})`,
  lower: ([x]) => `LOWER(${x})`,
  char_length: ([x]) => `LEN(${x})`,
};

/** A function of one row as a spreadsheet formula; null where spreadsheets have none. */
export const scalarSheet = (name: string, args: readonly string[]): string | null => SCALARS[name]?.(args) ?? null;

/** The start of the period of a day; null for periods that spreadsheets do not have. */
export function truncSheet(grain: string, x: string): string | null {
  return TRUNCS[grain]?.(x) ?? null;
}

const TRUNCS: Readonly<Record<string, (x: string) => string>> = {
  day: x => `INT(${x})`,
  week: x => `(INT(${x})-WEEKDAY(${x},2)+1)`,
  month: x => `DATE(YEAR(${x}),MONTH(${x}),1)`,
  quarter: x => `DATE(YEAR(${x}),3*INT((MONTH(${x})-1)/3)+1,1)`,
  year: x => `DATE(YEAR(${x}),1,1)`,
};
