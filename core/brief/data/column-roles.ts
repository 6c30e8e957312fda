import type { ColumnFacts } from './table-facts';

/** Whether a column holds dates or timestamps. */
export const isMoment = (column: Pick<ColumnFacts, 'type'> | undefined): boolean => column?.type === 'date' || column?.type === 'timestamp';

/** Whether a column's values have a natural order: dates, years, numbers. */
export const isOrdered = (column: ColumnFacts): boolean => isMoment(column) || column.type === 'number';

const word = (words: string): RegExp => new RegExp(`(^|[\\s_./-])(${words})([\\s_./-]|$)`, 'i');
const YEAR = word('year|years|yr|fy|season|jahr|año|année|anno');
// Years, numbers and identifiers are numbers that nobody wants added up.
const IDENTIFIER = word(
  'id|ids|key|no|nr|num|number|week|month|day|quarter|code|zip|postcode|plz|phone|lat|latitude|lon|longitude|rank|index',
);
const AVERAGED = word(
  'rate|rates|ratio|share|percent|percentage|pct|proportion|price|prices|cost per|rating|ratings|score|grade|temperature|temp|degrees|density|age|speed|level|content|humidity|pressure|average|avg|mean|median|per',
);
const AVERAGED_UNITS = /^(%|‰|°[CF]?|K|pH|mg\/l|km\/h|mph|bar|hPa)$/i;
const [FIRST_YEAR, LAST_YEAR] = [1500, 2200];
const MOST_YEARS = 300;

/** Whether a number column holds years: by its name, or because it has few distinct whole numbers near the present. */
export function isYear({ name, type, stats }: ColumnFacts): boolean {
  if (type !== 'number') return false;
  if (!stats) return YEAR.test(name);
  if (stats.there === 0 || !stats.whole || stats.low < FIRST_YEAR || stats.high > LAST_YEAR) return false;
  return YEAR.test(name) || (stats.low >= 1900 && stats.high <= 2100 && stats.distinct <= MOST_YEARS && stats.distinct > 1);
}

/** Whether a number column identifies things: by its name, or because it numbers rows without a gap. */
export function isIdentifier({ name, type, stats }: ColumnFacts): boolean {
  if (type !== 'number' || (stats && !stats.whole)) return false;
  if (IDENTIFIER.test(name)) return true;
  return stats !== undefined && stats.there > 20 && stats.distinct === stats.there && stats.high - stats.low + 1 === stats.there;
}

/** Whether sums of a column have no meaning: rates, shares, prices, ratings, temperatures and the like, by its name or its unit. */
export const isAveraged = ({ name }: ColumnFacts, unit = ''): boolean =>
  AVERAGED.test(name) || /%|°/.test(name) || AVERAGED_UNITS.test(unit);

/** Whether a number column can be measured: it holds values, and neither years nor identifiers. */
export const isMeasurable = (column: ColumnFacts): boolean =>
  column.type === 'number' && !isYear(column) && !isIdentifier(column) && column.stats?.there !== 0;

/** Whether a text or boolean column has more than one value. */
export const isNaming = ({ type, stats }: ColumnFacts): boolean =>
  (type === 'text' || type === 'boolean') && (stats === undefined || stats.distinct > 1);

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/** Whether a column is named after a month, such as Jan, March 2031 or 2031-03: one column per month in a wide table. */
export const isMonthNamed = ({ name, type }: ColumnFacts): boolean =>
  type === 'number' &&
  (/^\d{4}[-/.]\d{1,2}$/.test(name.trim()) || new RegExp(`^(${MONTHS.join('|')})[a-z]*[\\s'./-]*(\\d{2}|\\d{4})?$`, 'i').test(name.trim()));
