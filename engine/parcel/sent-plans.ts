import type { ChartPlan, Plan, TableCells, TablePlan } from 'core/plan';

/** Texts that repeat, by their distinct ones: `codes` holds the place of each among them. */
interface PackedTexts {
  readonly distinct: readonly string[];
  readonly codes: Uint32Array;
}

// What cells are painted in: thousands of texts, a handful of distinct ones.
type Paint = 'grounds' | 'inks' | 'barColours';

/** A table's plan without what the page has of it: what is left out is as in the plan before. */
interface SentTable {
  readonly kind: 'sent table';
  readonly own: Partial<Omit<TablePlan, 'cells'>>;
  readonly cells: Partial<Omit<TableCells, Paint>>;
  readonly paints: Readonly<Record<Paint, PackedTexts>>;
}

/** A plan on its way to the page. */
export type SentPlan = ChartPlan | SentTable;

/** A plan as it is sent: of a table, what is not in the plan that the page has, and its colours by the few that there are. Cost: O(cells). */
export function sentPlan(plan: Plan, known: Plan | undefined): SentPlan {
  if (plan.kind !== 'table') return plan;
  const before = known?.kind === 'table' ? known : undefined;
  const { cells, ...rest } = plan;
  const { grounds, inks, barColours, ...others } = cells;
  return {
    kind: 'sent table',
    own: newIn(rest, before),
    cells: newIn(others, before?.cells),
    paints: { grounds: packed(grounds), inks: packed(inks), barColours: packed(barColours) },
  };
}

/** The plan that was sent. `known`: the plan that the page has, as the one who sent knew it. What has not changed stays the same object. */
export function receivedPlan(sent: SentPlan, known: Plan | undefined): Plan {
  if (sent.kind !== 'sent table') return sent;
  const before = known?.kind === 'table' ? known : undefined;
  const { grounds, inks, barColours } = sent.paints;
  const paints = { grounds: unpacked(grounds), inks: unpacked(inks), barColours: unpacked(barColours) };
  return { ...before, ...sent.own, cells: { ...before?.cells, ...sent.cells, ...paints } } as TablePlan;
}

/** The fields that are not as before. */
const newIn = <T extends object>(now: T, before: T | undefined): Partial<T> =>
  Object.fromEntries(Object.entries(now).filter(([name, value]) => !before || !isAlike(value, before[name as keyof T]))) as Partial<T>;

/** Whether two values say the same. Typed arrays do only where they are the same one: most are made anew with each plan. */
function isAlike(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (!a || !b || typeof a !== 'object' || typeof b !== 'object' || ArrayBuffer.isView(a)) return false;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((item, at) => isAlike(item, b[at]));
  const names = Object.keys(a);
  return names.length === Object.keys(b).length && names.every(name => isAlike((a as Fields)[name], (b as Fields)[name]));
}

type Fields = Readonly<Record<string, unknown>>;

function packed(texts: readonly string[]): PackedTexts {
  const places = new Map<string, number>();
  const codes = new Uint32Array(texts.length);
  texts.forEach((text, at) => {
    let place = places.get(text);
    if (place === undefined) places.set(text, (place = places.size));
    codes[at] = place;
  });
  return { distinct: [...places.keys()], codes };
}

function unpacked({ distinct, codes }: PackedTexts): string[] {
  const texts = new Array<string>(codes.length);
  for (let at = 0; at < texts.length; at++) texts[at] = distinct[codes[at] as number] as string;
  return texts;
}
