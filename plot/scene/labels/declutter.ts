import type { Box } from 'core/label';
import RBush from 'rbush';
import type { DroppedLabel, SceneGroup, SceneItem, TextRole, TextWidth } from '../scene';
import { cornersOf, textBox, type Corner, type TextItem } from './text-box';

// What stays when a figure is too small for all of its words: the first.
const ORDER: readonly TextRole[] = [
  'title',
  'legend',
  'axis first',
  'axis second',
  'category',
  'panel',
  'axis title first',
  'axis title second',
  'subtitle',
  'note',
  'foot',
];
// Less than this is not seen, in CSS pixels.
const UNSEEN = 0.2;

const TOO_SMALL = 'the figure is too small for it';

interface Entry {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
  readonly corners: readonly Corner[] | null;
}

/** Words with their positions: those kept, with their boxes, and those left out. */
export interface Decluttered {
  readonly groups: readonly SceneGroup[];
  readonly boxes: readonly Box[];
  readonly dropped: readonly DroppedLabel[];
}

/** Leaves out words that would overlap more important ones or be cut off at an edge, so that a figure of any size stays legible. Cost: O(n log n). */
export function decluttered(
  groups: readonly SceneGroup[],
  size: { readonly width: number; readonly height: number },
  width: TextWidth,
): Decluttered {
  const boxes: Box[] = [];
  const written = new RBush<Entry>();
  const gone = new Set<SceneItem>();
  const texts = groups.flatMap(({ items }) => items.filter((item): item is TextItem => item.kind === 'text' && item.text !== ''));
  const inOrder = texts.map((item, i) => ({ item, rank: ORDER.indexOf(item.role), i })).sort((a, b) => a.rank - b.rank || a.i - b.i);
  for (const { item } of inOrder) {
    const box = textBox(item, width);
    const { left, top, width: wide, height } = box;
    const entry: Entry = {
      minX: left + UNSEEN,
      minY: top + UNSEEN,
      maxX: left + wide - UNSEEN,
      maxY: top + height - UNSEEN,
      corners: item.turn ? cornersOf(item, width) : null,
    };
    const isCut = entry.minX < 0 || entry.minY < 0 || entry.maxX > size.width || entry.maxY > size.height;
    if (isCut || written.search(entry).some(other => meet(entry, other))) gone.add(item);
    else {
      written.insert(entry);
      boxes.push(box);
    }
  }
  if (gone.size === 0) return { groups, boxes, dropped: [] };
  const dropped = texts.filter(item => gone.has(item)).map(({ text }) => ({ text, why: TOO_SMALL, row: -1, layer: -1 }));
  return { boxes, groups: groups.map(group => ({ ...group, items: group.items.filter(item => !gone.has(item)) })), dropped };
}

/** Whether two texts overlap whose bounding boxes do. Rotated ones are tested along the axes of both. */
function meet(a: Entry, b: Entry): boolean {
  if (!a.corners && !b.corners) return true;
  const [one, other] = [a, b].map(entry => entry.corners ?? uprightCorners(entry)) as [readonly Corner[], readonly Corner[]];
  return !isParted(one, other) && !isParted(other, one);
}

const uprightCorners = ({ minX, minY, maxX, maxY }: Entry): Corner[] => [
  [minX, minY],
  [maxX, minY],
  [maxX, maxY],
  [minX, maxY],
];

/** Whether an edge of one shape separates it from another. Method: separating axes. */
function isParted(shape: readonly Corner[], other: readonly Corner[]): boolean {
  return shape.slice(0, 2).some(([x, y], i) => {
    const [nextX, nextY] = shape[i + 1] as Corner;
    const along = (points: readonly Corner[]): number[] => points.map(([px, py]) => px * (nextX - x) + py * (nextY - y));
    const slack = UNSEEN * Math.hypot(nextX - x, nextY - y);
    const [own, theirs] = [along(shape), along(other)];
    return Math.max(...own) - slack <= Math.min(...theirs) || Math.max(...theirs) - slack <= Math.min(...own);
  });
}
