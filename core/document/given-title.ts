import { listed } from 'core/sentence';
import type { FigureData, Filter } from 'core/frame';

const MOST_NAMES = 3;

/** The automatic title of a figure: its measures, its category, and what its filters keep. "Milk and fat by month, the 20 largest". */
export function givenTitle({ measures, category, step, series, filters }: FigureData): string {
  const drawn = measures.filter(({ shape }) => shape !== 'none').map(({ name }) => name);
  const shown = drawn.length ? drawn : measures.map(({ name }) => name);
  const names = shown.length > MOST_NAMES ? [...shown.slice(0, 2), `${shown.length - 2} more`] : shown;
  const by = step?.kind === 'grain' ? step.grain : category;
  const kept = filters.map(filterWords).filter((words, i, all) => words !== '' && all.indexOf(words) === i);
  return [`${capital(listed(names))} by ${series === null ? by : `${by} and ${series}`}`, ...kept].join(', ');
}

const capital = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
const FILTERED = 'filtered';

/** What a filter keeps, where a few words can say it; else empty. */
function filterWords(filter: Filter): string {
  switch (filter.kind) {
    case 'top':
      return `the ${filter.n} ${filter.end}`;
    case 'values':
      return filter.keep.length > 0 && filter.keep.length <= MOST_NAMES ? listed(filter.keep.map(value => value ?? 'missing')) : FILTERED;
    case 'range':
      if (filter.low === null && filter.high === null) return '';
      if (filter.low === null) return `${filter.column} up to ${String(filter.high)}`;
      return filter.high === null
        ? `${filter.column} from ${String(filter.low)}`
        : `${filter.column} ${String(filter.low)} to ${String(filter.high)}`;
    default:
      return FILTERED;
  }
}
