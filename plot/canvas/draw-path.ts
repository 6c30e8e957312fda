/** Path data as a canvas draws it; read once for each path. */
export type PathMaker = (data: string) => Path2D;

// Path data is read once.
const paths = new Map<string, Path2D>();

/** Path data read by the page. */
export function pagePath(data: string): Path2D {
  let path = paths.get(data);
  if (!path) paths.set(data, (path = new Path2D(data)));
  return path;
}

interface PathLook {
  readonly x: number;
  readonly y: number;
  /** CSS pixels that the unit of the path data has. */
  readonly size: number;
  readonly colour: string;
  /** Colour of a thin edge that keeps the path apart from what lies under it; none when empty. */
  readonly halo: string;
}

/** A glyph's path, filled or stroked. */
export function drawPath(
  ctx: CanvasRenderingContext2D,
  { path, stroke = false }: { readonly path: string; readonly stroke?: boolean },
  { x, y, size, colour, halo }: PathLook,
  pathOf: PathMaker = pagePath,
): void {
  const shape = pathOf(path);
  ctx.save();
  ctx.translate(x, y);
  ctx.scale(size, size);
  ctx.lineJoin = 'round';
  ctx.lineCap = 'round';
  ctx.setLineDash([]);
  if (halo) {
    ctx.strokeStyle = halo;
    ctx.lineWidth = (stroke ? 5 : 3) / size;
    ctx.stroke(shape);
  }
  if (stroke) {
    ctx.strokeStyle = colour;
    ctx.lineWidth = 2.2 / size;
    ctx.stroke(shape);
  } else {
    ctx.fillStyle = colour;
    ctx.fill(shape);
  }
  ctx.restore();
}
