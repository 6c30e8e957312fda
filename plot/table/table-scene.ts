import type { TablePlan } from 'core/plan';
import { footItems, footOf } from '../scene/head/figure-foot';
import { headItems, headOf } from '../scene/head/figure-head';
import { solid } from '../scene/marks/looks';
import type { Font, Scene, SceneGroup, SceneItem, TextRole, TextWidth } from '../scene/scene';
import { fitted, wrapped } from '../scene/axes/shortened';
import { BAR, GAP, GLYPH, LINE, PADDING, tableLayout, type TableLayout, TREND } from './table-layout';

// Round a table, in CSS pixels.
const MARGIN = 16;
// A picture higher than this would be refused by a browser at four times its size.
const HIGHEST = 3_800;
const HAIR = 1;
const ZEBRA = 0.06;

/** What a table's picture may take: as wide as asked or as its columns need; as high as asked, or as its rows need. */
export interface TableSize {
  readonly width: number;
  readonly height: number | null;
}

/** A table as a picture: every head, row and cell that there is room for, in pixels; what has none is told at the foot. */
export function tableScene(plan: TablePlan, size: TableSize, measure: TextWidth): Scene {
  const layout = tableLayout(plan, measure);
  const width = Math.max(size.width, layout.width + 2 * MARGIN);
  const headed = { ...plan, legendAt: 'top' as const, panels: [], horizontal: false };
  const head = headOf(headed, width - 2 * MARGIN, measure, Infinity);
  const foot = footOf(plan, width - 2 * MARGIN, measure);
  const top = MARGIN + head.height;
  const heads = plan.heads.length * layout.headHeight;
  const room = (size.height ?? HIGHEST) - top - heads - foot.height - MARGIN;
  const shown = Math.max(0, Math.min(plan.rows.length, Math.floor(room / layout.rowHeight)));
  const bottom = top + heads + shown * layout.rowHeight;
  const height = size.height ?? Math.ceil(bottom + foot.height + MARGIN + (shown < plan.rows.length ? layout.rowHeight : 0));
  const painter = new TablePainter(plan, layout, measure, { left: MARGIN, top });
  return {
    width,
    height,
    ground: plan.livery.ground,
    ink: plan.livery.ink,
    family: plan.livery.font,
    pictures: plan.pictures,
    groups: [
      { name: 'head', clip: null, items: headItems(head, headed, MARGIN, MARGIN) },
      ...painter.groups(shown),
      { name: 'foot', clip: null, items: footItems({ words: foot, left: MARGIN, top: bottom + 4 }, plan) },
    ],
    area: { left: MARGIN, top, width: layout.width, height: bottom - top },
    horizontal: true,
    first: 0,
    perCategory: layout.rowHeight,
    count: shown,
    places: null,
    named: [],
    targets: [painter.target(shown)],
    handles: [],
    labelled: [],
    dropped:
      shown < plan.rows.length ? [{ row: -1, layer: 0, text: `${plan.rows.length - shown} rows`, why: 'no room in the picture' }] : [],
    parts: [],
  };
}

/** Writes and draws the rows of a table from a corner on. */
class TablePainter {
  private readonly lefts: readonly number[];
  private readonly right: number;
  private readonly grounds = new Map<string, number[]>();
  private readonly texts: SceneItem[] = [];
  private readonly drawn: SceneItem[] = [];
  private readonly lines: number[] = [];

  constructor(
    private readonly plan: TablePlan,
    private readonly layout: TableLayout,
    private readonly measure: TextWidth,
    private readonly corner: { readonly left: number; readonly top: number },
  ) {
    let left = corner.left;
    this.lefts = [...layout.levels, ...layout.columns].map(width => {
      const from = left;
      left += width;
      return from;
    });
    this.right = left;
  }

  groups(rows: number): SceneGroup[] {
    this.heads();
    for (let row = 0; row < rows; row++) this.row(row);
    const { livery } = this.plan;
    return [
      {
        name: 'grounds',
        clip: null,
        items: [...this.grounds].map(([fill, boxes]): SceneItem => ({
          kind: 'rects',
          boxes: Float64Array.from(boxes),
          fill,
          corners: null,
        })),
      },
      { name: 'lines', clip: null, items: [{ kind: 'segments', points: Float64Array.from(this.lines), stroke: solid(livery.hair, HAIR) }] },
      { name: 'marks', clip: null, items: this.drawn },
      { name: 'cells', clip: null, items: this.texts },
    ];
  }

  /** The boxes of all cells that are drawn, row by row. */
  target(rows: number): Scene['targets'][number] {
    const { plan, layout, corner } = this;
    const across = plan.columns.length;
    const boxes = new Float64Array(4 * rows * across);
    for (let at = 0; at < rows * across; at++) {
      const [row, column] = [Math.floor(at / across), at % across];
      const top = corner.top + plan.heads.length * layout.headHeight + row * layout.rowHeight;
      boxes.set([this.lefts[layout.levels.length + column] as number, top, layout.columns[column] as number, layout.rowHeight], 4 * at);
    }
    const none = new Float64Array();
    return { rows: plan.cells.rows.subarray(0, rows * across), ends: none, bases: none, boxes, reach: [0, 0] };
  }

  private ground(colour: string, left: number, top: number, width: number, height: number): void {
    const boxes = this.grounds.get(colour);
    if (boxes) boxes.push(left, top, width, height);
    else this.grounds.set(colour, [left, top, width, height]);
  }

  private rule(from: number, to: number, y: number): void {
    this.lines.push(from, y, to, y);
  }

  /** A text in a column, cut to its room. */
  private write(
    role: TextRole,
    text: string,
    at: { readonly left: number; readonly width: number; readonly y: number },
    look: CellLook,
  ): void {
    if (!text) return;
    const { font, colour, align, on } = look;
    const room = at.width - 2 * PADDING;
    const x = align === 'left' ? at.left + PADDING : align === 'right' ? at.left + at.width - PADDING : at.left + at.width / 2;
    this.texts.push({
      kind: 'text',
      role,
      text: fitted(text, room, item => this.measure(item, font)),
      x,
      y: at.y,
      font,
      colour,
      align: align === 'middle' ? 'centre' : align,
      on,
    });
  }

  private heads(): void {
    const { plan, layout, corner } = this;
    const { livery } = plan;
    const look: CellLook = { font: layout.fonts.head, colour: livery.soft, align: 'left', on: livery.ground };
    const lowest = plan.heads.length - 1;
    plan.levels.forEach((name, level) => {
      const y = corner.top + (lowest + 0.5) * layout.headHeight;
      this.write('category', name, { left: this.lefts[level] as number, width: layout.levels[level] as number, y }, look);
    });
    plan.heads.forEach((heads, down) => {
      const y = corner.top + (down + 0.5) * layout.headHeight;
      let nth = 0;
      for (const { text, span } of heads) {
        const left = this.lefts[layout.levels.length + nth] as number;
        const width = layout.columns.slice(nth, nth + span).reduce((sum, own) => sum + own, 0);
        const align = span > 1 ? 'middle' : (plan.columns[nth]?.align ?? 'right');
        this.write('category', text, { left, width, y }, { ...look, align });
        if (span > 1) this.rule(left + PADDING, left + width - PADDING, corner.top + (down + 1) * layout.headHeight - 2);
        nth += span;
      }
    });
    this.rule(corner.left, this.right, corner.top + plan.heads.length * layout.headHeight);
  }

  private row(nth: number): void {
    const { plan, layout, corner } = this;
    const { livery, lines } = plan;
    const { kind, names, same } = plan.rows[nth] as TablePlan['rows'][number];
    const top = corner.top + plan.heads.length * layout.headHeight + nth * layout.rowHeight;
    const y = top + layout.rowHeight / 2;
    const strong = kind === 'total' || kind === 'part';
    const { font, on } = { font: strong ? layout.fonts.strong : layout.fonts.cell, on: livery.ground };
    if (lines === 'zebra' && nth % 2 === 1)
      this.ground(tinted(livery.ink, livery.ground), corner.left, top, this.right - corner.left, layout.rowHeight);
    if (lines === 'hair' || strong) this.rule(corner.left, this.right, top + layout.rowHeight);
    if (kind === 'total' && nth > 0) this.rule(corner.left, this.right, top);
    names.forEach((name, level) => {
      if (level < same && nth > 0) return;
      const look: CellLook = {
        font: level === 0 && names.length > 1 ? layout.fonts.strong : font,
        colour: kind === 'others' ? livery.soft : livery.ink,
        align: 'left',
        on,
      };
      this.name(name, { left: this.lefts[level] as number, width: layout.levels[level] as number, y }, look);
    });
    for (let column = 0; column < plan.columns.length; column++) this.cell(nth * plan.columns.length + column, column, top, strong);
  }

  /** A name of a row, on as many lines as names may have. */
  private name(text: string, at: { readonly left: number; readonly width: number; readonly y: number }, look: CellLook): void {
    const { nameLines } = this.layout;
    const lines = nameLines === 1 ? [text] : wrapped(text, at.width - 2 * PADDING, nameLines, item => this.measure(item, look.font));
    lines.forEach((line, nth) => {
      const down = (nth - (lines.length - 1) / 2) * LINE * look.font.size;
      this.write('category', line, { ...at, y: at.y + down }, look);
    });
  }

  private cell(at: number, column: number, top: number, strong: boolean): void {
    const { plan, layout } = this;
    const { cells, livery } = plan;
    const { align, kind, zero } = plan.columns[column] as TablePlan['columns'][number];
    const place = { left: this.lefts[layout.levels.length + column] as number, width: layout.columns[column] as number };
    const y = top + layout.rowHeight / 2;
    const ground = cells.grounds[at];
    if (ground) this.ground(ground, place.left + 1, top + 1, place.width - 2, layout.rowHeight - 1);
    if (cells.outlined[at])
      this.drawn.push({
        kind: 'outlines',
        boxes: Float64Array.of(place.left + 2, top + 2, place.width - 4, layout.rowHeight - 3),
        stroke: solid(livery.ink, 1.5),
      });
    if (kind === 'trend') this.trend(at, place.left + PADDING, top);
    else {
      if (zero !== null) this.bar(at, zero, place.left + PADDING, top);
      this.value(at, { ...place, y }, { align: zero === null ? align : 'right', strong, ground });
    }
  }

  private value(
    at: number,
    place: { readonly left: number; readonly width: number; readonly y: number },
    { align, strong, ground }: { readonly align: CellLook['align']; readonly strong: boolean; readonly ground: string | undefined },
  ): void {
    const { cells, livery } = this.plan;
    const isMissing = Number.isNaN(cells.values[at]);
    const font = strong || (cells.marked[at] && !ground) ? this.layout.fonts.strong : this.layout.fonts.cell;
    const colour = cells.inks[at] || (isMissing ? livery.soft : livery.ink);
    const text = [cells.texts[at], cells.labels[at]].filter(Boolean).join('  ');
    this.write('label', text, place, { font, colour, align, on: ground || livery.ground });
    const glyph = cells.glyphs[at];
    if (!glyph) return;
    const wide = Math.min(place.width - 2 * PADDING, this.measure(text, font));
    const x = align === 'right' ? place.left + place.width - PADDING - wide - GAP : place.left + PADDING + wide + GAP + GLYPH;
    this.drawn.push({
      kind: 'glyph',
      glyph: glyph.glyph,
      x: x - GLYPH / 2,
      y: place.y,
      size: GLYPH / 2 - 1,
      colour: cells.inks[at] || glyph.colour,
    });
  }

  /** A bar from the column's zero, and a hair line there. */
  private bar(at: number, zero: number, left: number, top: number): void {
    const { cells, livery } = this.plan;
    const end = cells.bars[at] as number;
    if (Number.isNaN(end)) return;
    const [from, to] = [Math.min(zero, end), Math.max(zero, end)];
    const height = this.layout.rowHeight - 12;
    this.drawn.push({
      kind: 'rects',
      boxes: Float64Array.of(left + from * BAR, top + 6, (to - from) * BAR, height),
      fill: cells.barColours[at] || livery.quiet,
      corners: null,
    });
    if (zero > 0)
      this.drawn.push({
        kind: 'segments',
        points: Float64Array.of(left + zero * BAR, top + 3, left + zero * BAR, top + 9 + height),
        stroke: solid(livery.soft, 1),
      });
  }

  private trend(at: number, left: number, top: number): void {
    const { cells, livery } = this.plan;
    const trend = cells.trends[at];
    if (!trend) return;
    const [height, count] = [this.layout.rowHeight - 12, trend.at.length];
    const point = (i: number): [number, number] => [
      left + (count > 1 ? (i / (count - 1)) * TREND : TREND / 2),
      top + 6 + (1 - (trend.at[i] as number)) * height,
    ];
    // A gap stays a gap.
    let run: number[] = [];
    const end = (): void => {
      if (run.length >= 4)
        this.drawn.push({
          kind: 'path',
          points: Float64Array.from(run),
          closed: false,
          fill: null,
          stroke: { ...solid(livery.base, 1.5), cap: 'round' },
        });
      else if (run.length === 2)
        this.drawn.push({ kind: 'dots', points: Float64Array.from(run), radius: 1.2, fill: livery.base, stroke: null });
      run = [];
    };
    trend.at.forEach((value, i) => (Number.isNaN(value) ? end() : run.push(...point(i))));
    end();
    for (const { at: i, colour } of trend.marked)
      this.drawn.push({ kind: 'dots', points: Float64Array.from(point(i)), radius: 3, fill: colour, stroke: null });
  }
}

interface CellLook {
  readonly font: Font;
  readonly colour: string;
  readonly align: 'left' | 'middle' | 'right';
  readonly on: string;
}

/** A little of one hex colour over another. */
function tinted(over: string, ground: string): string {
  const channel = (hex: string, at: number): number => parseInt(hex.slice(at, at + 2), 16);
  const mixed = [1, 3, 5].map(at => Math.round(channel(ground, at) * (1 - ZEBRA) + channel(over, at) * ZEBRA));
  return `#${mixed.map(value => value.toString(16).padStart(2, '0')).join('')}`;
}
