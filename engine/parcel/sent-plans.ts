import type { ChartPlan, Plan, TableCells, TablePlan } from 'core/plan';

/** Texts that repeat, by their distinct ones: `codes` holds the place of each among them. */
interface PackedTexts {
  readonly distinct: readonly string[];
  readonly codes: Uint32Array;
}

// What cells are painted in: thousands of texts, a handful of distinct ones.
const PAINTS = ['grounds', 'inks', 'barColours'] as const;
type Paint = (typeof PAINTS)[number];

/** A table's plan without what the page has of it. */
interface SentTable {
  readonly kind: 'sent table';
  /** What is new of the plan, but for its cells. */
  readonly own: Partial<Omit<TablePlan, 'cells'>>;
  readonly cells: Omit<TableCells, Paint | 'texts'>;
  readonly paints: Readonly<Record<Paint, PackedTexts>>;
  /** Null where they are those of the plan before. */
  readonly texts: readonly string[] | null;
}

/** A plan on its way to the page. */
export type SentPlan = ChartPlan | SentTable;

/** A plan as it is sent: of a table, what is not in the plan that the page has, and its colours by the few that there are. Cost: O(cells). */
export function sentPlan(plan: Plan, known: Plan | undefined): SentPlan {
  if (plan.kind !== 'table') return plan;
  const before = known?.kind === 'table' ? known : undefined;
  const { cells, ...rest } = plan;
  const { texts, grounds, inks, barColours, ...others } = cells;
  return {
    kind: 'sent table',
    own: Object.fromEntries(Object.entries(rest).filter(([name, value]) => before?.[name as keyof TablePlan] !== value)),
    cells: others,
    paints: { grounds: packed(grounds), inks: packed(inks), barColours: packed(barColours) },
    texts: before && areAlike(texts, before.cells.texts) ? null : texts,
  };
}

/** The plan that was sent. `known`: the plan that the page has, as the one who sent knew it. */
export function receivedPlan(sent: SentPlan, known: Plan | undefined): Plan {
  if (sent.kind !== 'sent table') return sent;
  const before = known?.kind === 'table' ? known : undefined;
  const paints = Object.fromEntries(PAINTS.map(name => [name, unpacked(sent.paints[name])])) as Record<Paint, string[]>;
  return { ...before, ...sent.own, cells: { ...sent.cells, ...paints, texts: sent.texts ?? before?.cells.texts ?? [] } } as TablePlan;
}

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

const unpacked = ({ distinct, codes }: PackedTexts): string[] => Array.from(codes, code => distinct[code] as string);

const areAlike = (a: readonly string[], b: readonly string[]): boolean => a.length === b.length && a.every((text, at) => text === b[at]);
