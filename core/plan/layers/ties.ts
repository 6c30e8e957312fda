import { counted } from 'core/sentence';
import type { LabelAsk } from '../plan';

// Above this many equal labels, one shared label replaces them.
const HANDFUL = 5;

/** Labels of one cue, those that say the same at more than a handful of marks as one: "0 · 7 huts", at the middle one of them. `category`: what the marks are, by the column that names them. */
export function tied(asks: readonly LabelAsk[], category: string): LabelAsk[] {
  // Where most say something of their own, no six of them say the same.
  if (asks.length - new Set(asks.map(({ text }) => text)).size < HANDFUL) return [...asks];
  const alike = new Map<string, LabelAsk[]>();
  for (const ask of asks) {
    const list = alike.get(ask.text);
    if (list) list.push(ask);
    else alike.set(ask.text, [ask]);
  }
  return [...alike.values()].flatMap(list => (list.length > HANDFUL ? [sharedBy(list, category)] : list)).sort((a, b) => a.at - b.at);
}

function sharedBy(asks: readonly LabelAsk[], category: string): LabelAsk {
  const { number: _, ...middle } = asks[Math.floor((asks.length - 1) / 2)] as LabelAsk;
  return { ...middle, text: `${middle.text} · ${counted(asks.length, category)}`, ties: asks.map(({ at }) => at) };
}
