import type { Layer, Plan } from 'core/plan';

// Room above the tallest mark, in CSS pixels.
const TOP = 3;

/** A plan in a few dozen pixels: marks, level lines and bands of its first panel, no words. For previews. */
export function drawTiny(ctx: CanvasRenderingContext2D, plan: Plan, width: number, height: number): void {
  ctx.fillStyle = plan.livery.ground;
  ctx.fillRect(0, 0, width, height);
  const scale = plan.panels[0]?.axes[0]?.scale;
  const count = plan.categories.length;
  if (!scale || count === 0) return;
  const y = (value: number): number => height - 1 - ((value - scale.low) / (scale.high - scale.low)) * (height - TOP - 1);
  const pitch = width / count;
  for (const { panel, axis, low, high, colour } of plan.bands) {
    if (panel !== 0 || axis !== 0) continue;
    ctx.fillStyle = `${colour}44`;
    low.forEach((value, at) => ctx.fillRect(at * pitch, y(high[at] as number), pitch + 0.5, y(value) - y(high[at] as number)));
  }
  const layers = plan.layers.filter(layer => layer.panel === 0 && layer.axis === 0);
  for (const layer of layers) drawMarks(ctx, layer, { y, pitch, base: y(Math.max(0, scale.low)) });
  for (const { panel, axis, values, colour } of plan.lines) {
    if (panel !== 0 || axis !== 0) continue;
    ctx.fillStyle = colour;
    values.forEach((value, at) => ctx.fillRect(at * pitch, y(value) - 0.75, pitch + 0.5, 1.5));
  }
}

interface Room {
  readonly y: (value: number) => number;
  readonly pitch: number;
  readonly base: number;
}

function drawMarks(ctx: CanvasRenderingContext2D, layer: Layer, { y, pitch, base }: Room): void {
  const bars = layer.shape === 'column' || layer.shape === 'stem' || layer.shape === 'span';
  const wide = Math.max(1, (pitch / layer.slots) * 0.75);
  if (!bars) strokePath(ctx, layer, y, pitch);
  layer.ends.forEach((end, at) => {
    if (Number.isNaN(end)) return;
    ctx.fillStyle = layer.colours[at] as string;
    const left = at * pitch + (pitch / layer.slots) * Math.max(0, layer.slot) + (pitch / layer.slots - wide) / 2;
    const [a, b] = [y(end), layer.bases ? y(layer.bases[at] as number) : base];
    if (bars) ctx.fillRect(left, Math.min(a, b), wide, Math.max(1, Math.abs(a - b)));
    else if (layer.marked[at]) ctx.fillRect((at + 0.5) * pitch - 2, a - 2, 4, 4);
  });
  for (const { at, colour } of layer.glyphs) {
    ctx.fillStyle = colour;
    ctx.fillRect((at + 0.5) * pitch - 1.5, y(layer.ends[at] as number) - 4, 3, 3);
  }
}

function strokePath(ctx: CanvasRenderingContext2D, layer: Layer, y: (value: number) => number, pitch: number): void {
  ctx.strokeStyle = layer.colour;
  ctx.lineWidth = 1.5;
  ctx.beginPath();
  let open = false;
  layer.ends.forEach((end, at) => {
    if (Number.isNaN(end)) open = false;
    else {
      if (open) ctx.lineTo((at + 0.5) * pitch, y(end));
      else ctx.moveTo((at + 0.5) * pitch, y(end));
      open = true;
    }
  });
  ctx.stroke();
}
