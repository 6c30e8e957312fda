import type { Filter } from 'core/frame';

const NAMES_SHOWN = 3;

/** A filter in a few words, as its chip reads. */
export function filterWords(filter: Filter): string {
  switch (filter.kind) {
    case 'values':
      return `${filter.column}: ${valueWords(filter.keep)}`;
    case 'range':
      return rangeWords(filter);
    case 'missing':
      return filter.keep === 'missing' ? `${filter.column} is missing` : `${filter.column} is there`;
    case 'top':
      return `${filter.column}: ${filter.n} ${filter.end} by ${filter.measure}`;
    case 'formula':
      return filter.formula;
  }
}

function rangeWords({ column, low, high }: Extract<Filter, { kind: 'range' }>): string {
  if (low === null && high === null) return `${column}: all`;
  if (low === null) return `${column} up to ${String(high)}`;
  return high === null ? `${column} from ${String(low)}` : `${column} ${String(low)} to ${String(high)}`;
}

function valueWords(keep: readonly (string | null)[]): string {
  if (keep.length === 0) return 'none';
  const names = keep.slice(0, NAMES_SHOWN).map(value => value ?? '(missing)');
  return keep.length > NAMES_SHOWN ? `${names.join(', ')} and ${keep.length - NAMES_SHOWN} more` : names.join(', ');
}
