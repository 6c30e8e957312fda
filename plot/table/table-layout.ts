import type { LetterSizes, TablePlan } from 'core/plan';
import type { Font, TextWidth } from '../scene/scene';
import { sizesOf } from '../scene/head/type-sizes';

/** Where the columns of a table lie, in CSS pixels; the same on the page and in pictures. */
export interface TableLayout {
  /** Widths of the names of levels, then of the columns of cells. */
  readonly levels: readonly number[];
  readonly columns: readonly number[];
  /** Whether something in a column is wider than it, and so cut off. */
  readonly cut: { readonly levels: readonly boolean[]; readonly columns: readonly boolean[] };
  /** Of names of rows: two where some are wrapped. */
  readonly nameLines: 1 | 2;
  readonly rowHeight: number;
  readonly headHeight: number;
  /** Of all columns. */
  readonly width: number;
  readonly fonts: { readonly cell: Font; readonly strong: Font; readonly head: Font };
}

/** Room at both sides of a cell. */
export const PADDING = 9;
/** A bar within its cell, at its longest. */
export const BAR = 60;
/** A small line within its cell. */
export const TREND = 92;
/** The room for a glyph, and for a label, beside a value. */
export const [GLYPH, GAP] = [12, 6];
/** Indentation of a name that is a subtotal's. */
const ROW = 2;
const HEAD = 2.1;
/** From one line of a name to the next, as a share of its letters. */
export const LINE = 1.25;
const [NARROWEST, WIDEST_NAME, WIDEST] = [44, 240, 320];
// Only so many of a column's longest texts are measured.
const MEASURED = 4;

/** Sizes of letters of a table. */
export function tableFonts(sizes: LetterSizes): TableLayout['fonts'] {
  const { text } = sizes;
  return { cell: { size: text + 1, weight: 400 }, strong: { size: text + 1, weight: 650 }, head: { size: text, weight: 600 } };
}

/** Widths by content, or as set by hand. Cost: O(cells) to find the longest texts, a few of which are measured. */
export function tableLayout(plan: TablePlan, measure: TextWidth): TableLayout {
  const fonts = tableFonts(sizesOf(plan.livery));
  const levels = plan.levels.map((name, level) => {
    const names = longest(plan.rows.map(({ names: own }) => own[level] ?? ''));
    return roomFor(Math.max(measure(name, fonts.head), ...names.map(text => measure(text, fonts.strong))), WIDEST_NAME);
  });
  const columns = plan.columns.map(({ width, kind, zero }, nth) => {
    if (kind === 'trend') return { width: width ?? TREND + 2 * PADDING, cut: width !== null };
    const own = cellWidth(plan, nth, measure, fonts);
    const head = Math.max(...headsOver(plan, nth).map(({ text, span }) => measure(text, fonts.head) / span));
    return roomFor(Math.max(own + (zero === null ? 0 : BAR + GAP), head), WIDEST, width);
  });
  const nameLines = plan.wraps && levels.some(({ cut }) => cut) ? 2 : 1;
  const widths = { levels: levels.map(({ width }) => width), columns: columns.map(({ width }) => width) };
  return {
    ...widths,
    cut: { levels: levels.map(({ cut }) => cut), columns: columns.map(({ cut }) => cut) },
    nameLines,
    rowHeight: Math.round(fonts.cell.size * (ROW + (nameLines - 1) * LINE)),
    headHeight: Math.round(fonts.head.size * HEAD),
    width: [...widths.levels, ...widths.columns].reduce((sum, width) => sum + width, 0),
    fonts,
  };
}

/** A column's width for what is the widest in it, or as set by hand; and whether that is cut off then. */
function roomFor(widest: number, most: number, byHand: number | null = null): { readonly width: number; readonly cut: boolean } {
  const wanted = Math.ceil(1 + Math.max(NARROWEST, widest + 2 * PADDING));
  const width = byHand ?? Math.min(1 + most, wanted);
  return { width, cut: wanted > width };
}

/** The widest that stands in a column: value, label and glyph together. */
function cellWidth({ cells, columns, rows }: TablePlan, nth: number, measure: TextWidth, { strong }: TableLayout['fonts']): number {
  const ats = rows.map((_, row) => row * columns.length + nth);
  const beside = (at: number): number =>
    (cells.labels[at] === undefined ? 0 : GAP + measure(cells.labels[at], strong)) + (cells.glyphs[at] === undefined ? 0 : GLYPH + GAP);
  const widest = Math.max(0, ...longest(ats.map(at => cells.texts[at] ?? '')).map(text => measure(text, strong)));
  let most = 0;
  for (const at of ats) if (cells.labels[at] !== undefined || cells.glyphs[at] !== undefined) most = Math.max(most, beside(at));
  return widest + most;
}

/** The heads that stand over a column. */
const headsOver = ({ heads }: TablePlan, nth: number): TablePlan['heads'][number] =>
  heads.flatMap(row => {
    let from = 0;
    const found = row.find(({ span }) => (from += span) > nth);
    return found ? [found] : [];
  });

/** The longest few of some texts. */
function longest(texts: readonly string[]): string[] {
  const found: string[] = [];
  for (const text of texts) {
    if (found.length < MEASURED) found.push(text);
    else {
      const shortest = found.reduce((least, item, i) => (item.length < (found[least] as string).length ? i : least), 0);
      if (text.length > (found[shortest] as string).length) found[shortest] = text;
    }
  }
  return found;
}
