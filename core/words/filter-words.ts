import { partsOfMeasure, ROWS, SUMMARIES, type Filter } from 'core/frame';

const NAMES_SHOWN = 3;

/** A filter in a few words, as its chip reads. `distinct`: how many different values its column has. */
export function filterWords(filter: Filter, distinct = Infinity): string {
  switch (filter.kind) {
    case 'values':
      return `${filter.column}: ${valueWords(filter.keep, distinct)}`;
    case 'range':
      return rangeWords(filter);
    case 'missing':
      return filter.keep === 'missing' ? `${filter.column} is missing` : `${filter.column} is there`;
    case 'top':
      return `${filter.column}: the ${filter.n} ${filter.end} by ${measureWords(filter.measure)}`;
    case 'formula':
      return filter.formula;
  }
}

function rangeWords({ column, low, high }: Extract<Filter, { kind: 'range' }>): string {
  if (low === null && high === null) return `${column}: all`;
  if (low === null) return `${column} up to ${String(high)}`;
  return high === null ? `${column} from ${String(low)}` : `${column} ${String(low)} to ${String(high)}`;
}

/** "milk summed" for `sum(milk)`; another formula as it is. */
function measureWords(formula: string): string {
  const parts = partsOfMeasure({ name: '', formula, shape: null, axis: 'first', format: null });
  if (parts?.column === ROWS) return 'the number of rows';
  const summary = SUMMARIES.find(({ value }) => value === parts?.summary);
  return parts && summary ? `${parts.column} ${summary.label}` : formula;
}

function valueWords(keep: readonly (string | null)[], distinct: number): string {
  if (keep.length === 0) return 'none';
  if (keep.filter(value => value !== null).length >= distinct) return keep.includes(null) ? 'all' : 'all that are there';
  const names = keep.slice(0, NAMES_SHOWN).map(value => value ?? '(missing)');
  return keep.length > NAMES_SHOWN ? `${names.join(', ')} and ${keep.length - NAMES_SHOWN} more` : names.join(', ');
}
