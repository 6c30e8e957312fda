import { around, type Box } from 'core/label';
import type { SceneGroup, SceneItem } from '../scene/scene';
import { compared, isAlike, wholeChanged, type Comparing } from './item-changes';

// How far one looks on for an item's like: what lies farther away is painted again.
const AHEAD = 16;

/**
 * Tells what differs between two lists that are painted in their order, and answers the second as it is painted then (see `compared`). Items that are alike
 * are paired in their order, so that where neither list has anything else, one paints what the other does. Cost: O(items).
 */
function itemsCompared(before: readonly SceneItem[], next: readonly SceneItem[], comparing: Comparing): SceneItem[] {
  let at = 0;
  const kept = next.map(item => {
    if (comparing.isEnough()) return item;
    const like = placeOf(at, Math.min(before.length, at + AHEAD), place => isAlike(before[place] as SceneItem, item));
    if (like === -1) {
      wholeChanged(item, comparing);
      return item;
    }
    for (; at < like; at++) wholeChanged(before[at] as SceneItem, comparing);
    return compared(before[at++] as SceneItem, item, comparing);
  });
  for (; at < before.length && !comparing.isEnough(); at++) wholeChanged(before[at] as SceneItem, comparing);
  return kept;
}

/** The same for groups, which are alike where they have one name. */
export function groupsCompared(before: readonly SceneGroup[], next: readonly SceneGroup[], comparing: Comparing): SceneGroup[] {
  let at = 0;
  const gone = (group: SceneGroup): void => group.items.forEach(item => wholeChanged(item, comparing));
  const kept = next.map(group => {
    if (comparing.isEnough()) return group;
    const like = placeOf(at, before.length, place => before[place]?.name === group.name);
    if (like === -1) {
      gone(group);
      return group;
    }
    for (; at < like; at++) gone(before[at] as SceneGroup);
    const own = before[at++] as SceneGroup;
    if (!sameClip(own.clip, group.clip)) comparing.changed(own.clip && group.clip ? around(own.clip, group.clip) : ALL);
    return { ...group, items: itemsCompared(own.items, group.items, comparing) };
  });
  for (; at < before.length && !comparing.isEnough(); at++) gone(before[at] as SceneGroup);
  return kept;
}

// What is cut off now and was not before, or the other way round, may lie anywhere.
const ALL: Box = { left: 0, top: 0, width: 1e6, height: 1e6 };

const sameClip = (a: Box | null, b: Box | null): boolean =>
  a === b || (a !== null && b !== null && a.left === b.left && a.top === b.top && a.width === b.width && a.height === b.height);

function placeOf(from: number, to: number, isIt: (place: number) => boolean): number {
  for (let place = from; place < to; place++) if (isIt(place)) return place;
  return -1;
}
