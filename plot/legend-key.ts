import type { Chart } from 'chart.js';
import type { LegendEntry, Plan } from 'core/plan';
import { dashOf } from './dashes';
import { drawGlyph } from './glyph-painter';

const SWATCH = 10;
const LINE = 22;

/** A legend's key looks like what it explains: a bar, a line with its dash and marker, a band, a glyph. Gives its width in CSS pixels. */
export function drawKey(chart: Chart, key: LegendEntry['key'], left: number, middle: number, plan: Plan): number {
  const { ctx } = chart;
  switch (key.kind) {
    case 'ramp':
      key.colours.forEach((colour, i) => {
        ctx.fillStyle = colour;
        ctx.fillRect(left + i * 6, middle - SWATCH / 2, 6.5, SWATCH);
      });
      return key.colours.length * 6;
    case 'band':
      return drawBandKey(ctx, key, left, middle);
    case 'mark':
      return key.glyph && key.stroke === null ? drawGlyphKey(chart, key, left, middle, plan) : drawMarkKey(chart, key, left, middle, plan);
  }
}

/** Width of a key in CSS pixels, before it is drawn. */
export function keyWidth(key: LegendEntry['key']): number {
  if (key.kind === 'ramp') return key.colours.length * 6;
  if (key.kind === 'band') return key.style === 'edges' ? LINE : SWATCH * 1.4;
  if (key.glyph && key.stroke === null) return SWATCH;
  return {
    line: LINE,
    step: LINE,
    stem: SWATCH + 4,
    area: SWATCH * 1.4,
    'step-area': SWATCH * 1.4,
    column: SWATCH,
    span: SWATCH,
    points: SWATCH,
  }[key.shape];
}

type MarkKey = Extract<LegendEntry['key'], { kind: 'mark' }>;

function drawGlyphKey(chart: Chart, { glyph, colour }: MarkKey, left: number, middle: number, plan: Plan): number {
  drawGlyph(chart, glyph, { x: left + SWATCH / 2, y: middle }, SWATCH / 2, colour, plan);
  return SWATCH;
}

function drawMarkKey(chart: Chart, { shape, colour, stroke }: MarkKey, left: number, middle: number, plan: Plan): number {
  const { ctx } = chart;
  ctx.fillStyle = colour;
  switch (shape) {
    case 'column':
    case 'span':
      ctx.fillRect(left, middle - SWATCH / 2, SWATCH, SWATCH);
      return SWATCH;
    case 'stem':
      ctx.fillRect(left, middle - 1, SWATCH, 2);
      dot(ctx, left + SWATCH, middle, 4);
      return SWATCH + 4;
    case 'points':
      if (stroke?.marker) drawGlyph(chart, stroke.marker, { x: left + SWATCH / 2, y: middle }, 4, colour, plan);
      else dot(ctx, left + SWATCH / 2, middle, SWATCH / 2 - 0.5);
      return SWATCH;
    case 'line':
    case 'step':
      strokeKey(ctx, left, middle, stroke?.width ?? 2, colour, dashOf(stroke?.dash ?? 'solid', stroke?.width ?? 2));
      if (stroke?.marker) drawGlyph(chart, stroke.marker, { x: left + LINE / 2, y: middle }, 3.5, colour, plan);
      return LINE;
    case 'area':
    case 'step-area':
      ctx.fillStyle = `${colour}3d`;
      ctx.fillRect(left, middle - SWATCH / 2, SWATCH * 1.4, SWATCH);
      ctx.fillStyle = colour;
      ctx.fillRect(left, middle - SWATCH / 2, SWATCH * 1.4, 2);
      return SWATCH * 1.4;
  }
}

function drawBandKey(
  ctx: CanvasRenderingContext2D,
  { style, colour }: Extract<LegendEntry['key'], { kind: 'band' }>,
  left: number,
  middle: number,
): number {
  const half = SWATCH / 2;
  const middleX = left + SWATCH * 0.7;
  switch (style) {
    case 'filled':
    case 'boxes':
      ctx.fillStyle = `${colour}33`;
      ctx.fillRect(left, middle - half, SWATCH * 1.4, SWATCH);
      return SWATCH * 1.4;
    case 'edges':
      for (const y of [middle - half, middle + half]) strokeKey(ctx, left, y, 1.5, colour, []);
      return LINE;
    case 'dots':
      ctx.fillStyle = colour;
      for (const y of [middle - half + 1, middle + half - 1]) dot(ctx, middleX, y, 2.5);
      return SWATCH * 1.4;
    case 'whiskers':
    case 'sticks':
      ctx.fillStyle = colour;
      ctx.fillRect(middleX - 1, middle - half, 2, SWATCH);
      if (style === 'whiskers') for (const y of [middle - half, middle + half]) ctx.fillRect(middleX - 4, y - 0.75, 8, 1.5);
      return SWATCH * 1.4;
  }
}

function strokeKey(ctx: CanvasRenderingContext2D, left: number, y: number, width: number, colour: string, dash: number[]): void {
  ctx.save();
  ctx.strokeStyle = colour;
  ctx.lineWidth = width;
  ctx.setLineDash(dash);
  ctx.beginPath();
  ctx.moveTo(left, y);
  ctx.lineTo(left + LINE, y);
  ctx.stroke();
  ctx.restore();
}

function dot(ctx: CanvasRenderingContext2D, x: number, y: number, radius: number): void {
  ctx.beginPath();
  ctx.arc(x, y, radius, 0, 2 * Math.PI);
  ctx.fill();
}
