import { overlaps, type Box } from 'core/label';
import type { LevelLine, ChartPlan } from 'core/plan';
import { rectAt } from './flat';
import type { LabelFacts } from './labels';
import { lastLevel } from './level-lines';
import type { Font, SceneItem } from './scene';

const FONT: Font = { size: 12.5, weight: 600 };
const HEIGHT = FONT.size + 2;
// A label in the margin is broken into lines at most this wide.
const MARGIN = 96;
// So far from an end of the axis a line's label may reach, in CSS pixels.
const NEAR_END = 200;

/** Level lines are named beside the plot where its marks have labels of their own, so that nothing collides. */
export const hasMarginLabels = ({ panels, categories, horizontal }: ChartPlan): boolean =>
  !horizontal &&
  panels.some(({ levelLines }) => levelLines.some(line => line.label)) &&
  panels.some(({ layers }) => layers.some(layer => layer.labels.length > categories.length / 3));

/** Room that labels in the margin need, in CSS pixels. */
export const marginRoom = (plan: ChartPlan): number => (hasMarginLabels(plan) ? MARGIN + 8 : 0);

/** A level line with the items of its label; none where it has no label. */
export interface LabelledLine {
  readonly line: LevelLine;
  readonly items: readonly SceneItem[];
}

/** The labels of level lines: a little above an end of their line, or beside it in the margin. */
export function lineLabels(facts: LabelFacts, labels: readonly Box[]): LabelledLine[] {
  const { plan } = facts.pixels;
  const taken = [...labels];
  const marks = new MarkBoxes(facts);
  const besides = hasMarginLabels(plan);
  return plan.panels
    .flatMap(({ levelLines }) => levelLines)
    .map((line): LabelledLine => {
      const last = lastLevel(line);
      if (!line.label || last === undefined) return { line, items: [] };
      const pixel = facts.pixels.value(line.panel, line.axis, last);
      return { line, items: besides ? besideLine(facts, line, pixel, taken) : [aboveLine(facts, line, pixel, marks, taken)] };
    });
}

function besideLine({ pixels, width }: LabelFacts, { label, colour }: LevelLine, pixel: number, taken: Box[]): SceneItem[] {
  const rows = brokenIn(label, text => width(text, FONT));
  const height = rows.length * HEIGHT;
  const { area } = pixels.layout;
  let box: Box = { left: area.left + area.width + 6, top: pixel - height / 2, width: MARGIN, height };
  while (taken.some(other => overlaps(other, box))) box = { ...box, top: box.top + 2 };
  taken.push(box);
  return rows.map((text, i) => ({
    kind: 'text',
    text,
    x: box.left,
    y: box.top + HEIGHT * (i + 0.5),
    font: FONT,
    colour,
    align: 'left',
    halo: null,
  }));
}

/** Words in lines no wider than the margin, the value last. */
function brokenIn(label: string, measure: (text: string) => number): string[] {
  const rows: string[] = [];
  for (const word of label.split(' ')) {
    const longer = rows.length ? `${rows.at(-1)} ${word}` : word;
    if (rows.length && measure(longer) <= MARGIN) rows[rows.length - 1] = longer;
    else rows.push(word);
  }
  return rows;
}

/** Above the right end, or the left, or below either: the first place that covers neither a label nor a mark. */
function aboveLine(facts: LabelFacts, line: LevelLine, pixel: number, marks: MarkBoxes, taken: Box[]): SceneItem {
  const { area, width: whole } = facts.pixels.layout;
  const { horizontal, livery } = facts.pixels.plan;
  const wide = facts.width(line.label, FONT);
  const [left, right] = [area.left + 2, area.left + area.width - wide - 2];
  const [above, below] = [pixel - FONT.size - 5, pixel + 4];
  const corners = horizontal
    ? [pixel + 6, pixel - wide - 6].map(x => ({
        left: Math.max(area.left, Math.min(x, whole - wide - 4)),
        top: area.top - FONT.size - 4,
      }))
    : [
        { left: right, top: above },
        { left, top: above },
        { left: right, top: below },
        { left, top: below },
      ];
  const boxes = corners.map(corner => ({ ...corner, width: wide, height: HEIGHT }));
  const clear = (box: Box, others: readonly Box[]): boolean => !others.some(other => overlaps(other, box));
  const wanted: Box = boxes[0] ?? { left, top: above, width: wide, height: HEIGHT };
  const free = boxes.filter(item => clear(item, taken));
  const box = free.find(item => clear(item, marks.of(line.panel))) ?? free[0] ?? wanted;
  taken.push(box);
  return {
    kind: 'text',
    text: line.label,
    x: box.left,
    y: box.top + HEIGHT / 2,
    font: FONT,
    colour: line.colour,
    align: 'left',
    halo: livery.ground,
  };
}

/** Bars near the ends of the axis, where labels of lines may stand; looked up once per panel. */
class MarkBoxes {
  private readonly byPanel = new Map<number, Box[]>();

  constructor(private readonly facts: LabelFacts) {}

  of(panel: number): Box[] {
    let boxes = this.byPanel.get(panel);
    if (!boxes) this.byPanel.set(panel, (boxes = this.facts.pixels.plan.horizontal ? [] : this.boxesIn(panel)));
    return boxes;
  }

  private boxesIn(panel: number): Box[] {
    const { pixels, layers } = this.facts;
    const { categories } = pixels.plan;
    const near = Math.max(NEAR_END, pixels.pitch);
    const [start, end] = [pixels.along(0) + near, pixels.along(categories.length - 1) - near];
    const ends = [...categories.keys()].filter(at => pixels.along(at) < start || pixels.along(at) > end);
    return layers
      .filter(({ layer }) => layer.panel === panel && layer.slot >= 0)
      .flatMap(({ boxes }) => (boxes ? ends.map(at => rectAt(boxes, 4 * at)) : []))
      .filter(([left, top, width, height]) => !Number.isNaN(left + top + width + height))
      .map(([left, top, width, height]) => ({ left, top, width, height }));
  }
}
