/** Cells that are merged into one, rows and columns counted from 0, ends included. */
export interface Merge {
  readonly top: number;
  readonly left: number;
  readonly bottom: number;
  readonly right: number;
}

// Names lie in the first rows, below a title at most.
const TOP_ROWS = 30;

/** Rows of names that belong together, from the first to the last, and the names they make. */
export interface JoinedHead {
  readonly first: number;
  readonly last: number;
  readonly names: readonly string[];
}

/**
 * Names of columns that stand in several rows, an upper one merged over those it belongs to: “Milk” over “litres” and “kg” gives “Milk litres” and “Milk
 * kg”. Undefined where no row of names has a merge over some of the columns. `isValue`: whether a cell holds a number, a date or an answer.
 */
export function joinedHead(
  rows: readonly (readonly string[])[],
  merges: readonly Merge[],
  isValue: (row: number, column: number) => boolean,
): JoinedHead | undefined {
  const width = Math.max(0, ...rows.map(row => row.length));
  const isNames = (row: number): boolean => {
    const cells = rows[row] ?? [];
    return cells.some(text => text !== '') && cells.every((text, column) => text === '' || !isValue(row, column));
  };
  const spans = (row: number): boolean => merges.some(({ top, left, right }) => top === row && right > left && right - left + 1 < width);
  const first = Array.from({ length: Math.min(TOP_ROWS, rows.length) }, (_, row) => row).find(row => spans(row) && isNames(row));
  if (first === undefined) return undefined;
  let last = first;
  // Each row that spans others has a row of names below it.
  while (spans(last) && isNames(last + 1)) last++;
  if (last === first) return undefined;
  return { first, last, names: Array.from({ length: width }, (_, column) => nameAt(rows, merges, { first, last, column })) };
}

interface NamePlace {
  readonly first: number;
  readonly last: number;
  readonly column: number;
}

/** The texts above each other, a merged one in each of its columns, each once. */
function nameAt(rows: readonly (readonly string[])[], merges: readonly Merge[], { first, last, column }: NamePlace): string {
  const parts: string[] = [];
  for (let row = first; row <= last; row++) {
    const merge = merges.find(({ top, left, bottom, right }) => row >= top && row <= bottom && column >= left && column <= right);
    const text = (merge ? (rows[merge.top]?.[merge.left] ?? '') : (rows[row]?.[column] ?? '')).trim();
    if (text && parts.at(-1) !== text) parts.push(text);
  }
  return parts.join(' ');
}
