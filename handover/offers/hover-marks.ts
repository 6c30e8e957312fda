import type { Figure } from 'core/document';
import { hoverText, type Computed, type Writing } from 'core/words';

/** The words of a mark, and where it lies, in CSS pixels. */
export interface MarkWords {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  readonly words: string;
}

/** A figure with its numbers and how they are written. */
export interface PictureWords {
  readonly picture: Computed;
  readonly figure: Figure;
  readonly writing: Writing;
}

/** The marks of a laid-out figure, layer by layer: the row behind each, its end, and its box where it is a bar. */
export interface LaidMarks {
  readonly targets: readonly { readonly rows: Int32Array; readonly ends: Float64Array; readonly boxes: Float64Array | null }[];
}

// Marks that say something, at most: a file with the words of more is read by nobody.
const MOST = 3_000;
// Half the side of what is pointed at around a point, in CSS pixels.
const AROUND = 6;

/** What hovering tells of each mark of a laid-out figure, at its place: bars whole, points with some room around. */
export function hoverMarks({ picture, figure, writing }: PictureWords, { targets }: LaidMarks): MarkWords[] {
  const marks: MarkWords[] = [];
  const words = new Map<number, string>();
  const wordsOf = (row: number): string => {
    let text = words.get(row);
    if (text === undefined) words.set(row, (text = told(hoverText(picture, row, figure, writing))));
    return text;
  };
  for (const { rows, ends, boxes } of targets)
    for (let at = 0; at < rows.length && marks.length < MOST; at++) {
      const box = boxes ? boxAt(boxes, at) : around(ends[2 * at] as number, ends[2 * at + 1] as number);
      const row = rows[at] as number;
      if (row >= 0 && Number.isFinite(box.left + box.top + box.width + box.height)) marks.push({ ...box, words: wordsOf(row) });
    }
  return marks;
}

const told = ({ title, lines, why }: ReturnType<typeof hoverText>): string =>
  [title, ...lines.map(({ name, value }) => `${name}: ${value}`), why].filter(Boolean).join('\n');

/** A box with its sides the right way round, never too thin to be met. */
function boxAt(boxes: Float64Array, at: number): Omit<MarkWords, 'words'> {
  const [x, y, wide, high] = boxes.subarray(4 * at, 4 * at + 4) as unknown as [number, number, number, number];
  return {
    left: Math.min(x, x + wide),
    top: Math.min(y, y + high),
    width: Math.max(3, Math.abs(wide)),
    height: Math.max(3, Math.abs(high)),
  };
}

const around = (x: number, y: number): Omit<MarkWords, 'words'> => ({
  left: x - AROUND,
  top: y - AROUND,
  width: 2 * AROUND,
  height: 2 * AROUND,
});
