import type { Filter } from 'core/frame';

const NAMES_SHOWN = 3;

/** A filter in a few words, as its chip reads. */
export function filterWords(filter: Filter): string {
  if (filter.kind === 'values') return `${filter.column}: ${valueWords(filter.keep)}`;
  const { column, low, high } = filter;
  if (low === null && high === null) return `${column}: all`;
  if (low === null) return `${column} up to ${String(high)}`;
  return high === null ? `${column} from ${String(low)}` : `${column} ${String(low)} to ${String(high)}`;
}

function valueWords(keep: readonly (string | null)[]): string {
  if (keep.length === 0) return 'none';
  const names = keep.slice(0, NAMES_SHOWN).map(value => value ?? '(missing)');
  return keep.length > NAMES_SHOWN ? `${names.join(', ')} and ${keep.length - NAMES_SHOWN} more` : names.join(', ');
}
