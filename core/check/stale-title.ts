import { columnOf } from 'core/table';
import { findingTitles, writerOf } from 'core/words';
import type { Check, CheckSubject, Risk } from './check';

// Numbers up to this one are counts in words of everyday, "the 3 valleys"; from one of these on to the other they are most likely years.
const [SMALL, FIRST_YEAR, LAST_YEAR] = [12, 1900, 2200];
const NUMBER = /(?<![\p{L}\d])[−-]?\d[\d,]*(?:\.\d+)?/gu;
// A number in a title may be in thousands, millions, in percent.
const SCALES = [1, 1e3, 1e6, 1e9, 0.01] as const;

/** A title written by hand that names a number which the figure does not show any more. */
export const staleTitle: Check = {
  severity: 'wrong',
  about: 'a title whose claim no longer holds',
  find(subject) {
    const { figure } = subject;
    if (figure.words.finding || figure.words.title.includes('{')) return [];
    const claims = claimsIn(figure.words.title);
    if (claims.length === 0) return [];
    const told = numbersOf(subject);
    const wrong = claims.filter(claim => !told.some(value => says(claim, value)));
    return wrong.map((claim): Risk => ({
      words: `The title says ${claim.text}, which is no value, sum, average, share or count of this figure.`,
      key: 'title',
      mend: mendFor(subject),
    }));
  },
};

/** A number as a title writes it, and how exactly. */
interface Claim {
  readonly text: string;
  readonly value: number;
  /** Half of its last digit. */
  readonly give: number;
}

function claimsIn(title: string): Claim[] {
  return [...title.matchAll(NUMBER)].flatMap(([text]): Claim[] => {
    const plain = text.replaceAll(',', '').replace('−', '-');
    const value = Number(plain);
    const decimals = plain.split('.')[1]?.length ?? 0;
    const isYear = decimals === 0 && !text.includes(',') && value >= FIRST_YEAR && value <= LAST_YEAR;
    return !Number.isFinite(value) || isYear || (decimals === 0 && Math.abs(value) <= SMALL)
      ? []
      : [{ text, value, give: 0.5 * 10 ** -decimals }];
  });
}

const says = ({ value, give }: Claim, number: number): boolean =>
  SCALES.some(scale => Math.abs(Math.abs(number) - Math.abs(value) * scale) <= give * scale * (1 + 1e-9));

/** Every number that a reader could mean: values, what they add up to, their average, shares, ratios to the average, and counts. */
function numbersOf({ frame, applied, plan }: CheckSubject): number[] {
  const columns = [...frame.table.columns, ...applied.flatMap(({ helpers }) => helpers.map(({ column }) => column))];
  const counts = [frame.table.rowCount, ...plan.panels.flatMap(panel => panel.layers.map(({ marked }) => marked.filter(Boolean).length))];
  const found = columns.flatMap(column => {
    if (column.type !== 'number') return [];
    const there = Array.from(column.data).filter(value => !Number.isNaN(value));
    const sum = there.reduce((total, value) => total + value, 0);
    const average = sum / there.length;
    const sizes = there.flatMap(value => [value, value / sum, value / average, value - average]);
    return [there.length, sum, average, Math.max(...there) - Math.min(...there), Math.max(...there) / Math.min(...there), ...sizes];
  });
  return [...counts, ...found].filter(Number.isFinite);
}

/** The title states the finding from now on, and follows the data. */
function mendFor({ figure, frame, applied, units, formats }: CheckSubject): Risk['mend'] {
  const titles = findingTitles([{ applied, frame, figure }], writerOf(figure, { units, formats }));
  const title = titles.find(({ wording }) => wording === 'number') ?? titles[0];
  if (!title || !columnOf(frame.table, frame.measures[0] ?? '')) return null;
  return {
    words: `Let the title state: ${title.text}`,
    change: { words: { ...figure.words, finding: { cue: title.cue, wording: title.wording } } },
  };
}
