import type { ChartPlan, Layer, Plan, TablePlan } from 'core/plan';
import { levelBox, textBox, type Scene, type SceneItem, type TextWidth } from 'plot';

/** A box in pixels, to the hundredth. */
interface JsonBox {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

// Half the side of a point's box, in pixels.
const POINT = 3.5;

const rounded = (value: number): number => Math.round(value * 100) / 100;
const boxed = ({ left, top, width, height }: JsonBox): JsonBox => ({
  left: rounded(left),
  top: rounded(top),
  width: rounded(width),
  height: rounded(height),
});

/** A laid-out figure as plain data: what is written, what is drawn, what found no place. Boxes in pixels from the top left corner. */
export function sceneJson(plan: Plan, scene: Scene, cueNumbers: ReadonlyMap<string, number>, width: TextWidth): unknown {
  const items = scene.groups.flatMap(group => group.items.map(item => ({ group: group.name, item })));
  return {
    width: scene.width,
    height: scene.height,
    ground: scene.ground,
    plot: boxed(scene.area),
    texts: items.flatMap(({ item }) => (item.kind === 'text' && item.text ? [textJson(item, width)] : [])),
    marks: plan.kind === 'chart' ? marksJson(plan, scene, cueNumbers) : cellsJson(plan, scene),
    lines: items.flatMap(({ group, item }) => linesJson(group, item)),
    dropped: scene.dropped.map(({ text, why }) => ({ text, why })),
  };
}

/** The box of a text as it were level, around its middle: turned by its angle about that, it lies where the text does. */
function levelAround(item: Extract<SceneItem, { kind: 'text' }>, width: TextWidth): JsonBox {
  const level = levelBox(item, width);
  if (!item.turn) return level;
  const around = textBox(item, width);
  const [x, y] = [around.left + around.width / 2, around.top + around.height / 2];
  return { left: x - level.width / 2, top: y - level.height / 2, width: level.width, height: level.height };
}

function textJson(item: Extract<SceneItem, { kind: 'text' }>, width: TextWidth): unknown {
  const { role, text, colour, on, font, turn = 0 } = item;
  const box = boxed(levelAround(item, width));
  return { role, text, ...box, angle: rounded((turn * 180) / Math.PI), size: font.size, weight: font.weight, colour, on };
}

function marksJson({ panels, categories }: ChartPlan, { targets }: Scene, cueNumbers: ReadonlyMap<string, number>): unknown[] {
  return panels
    .flatMap(panel => panel.layers)
    .flatMap((layer, i) => {
      const target = targets[i];
      if (!target) return [];
      return Array.from(layer.ends.keys()).flatMap(at => {
        const box = target.boxes ? boxAt(target.boxes, at) : pointAt(target.ends, at);
        if (Number.isNaN(box.left + box.top + box.width + box.height)) return [];
        const cue = layer.cue === null ? layer.marked[at] || null : (cueNumbers.get(layer.cue) ?? null);
        const { shape, name: series, measure } = layer;
        return [
          { shape, category: categories[at] ?? '', series, measure, panel: layer.panel, cue, ...boxed(box), colour: colourOf(layer, at) },
        ];
      });
    });
}

/** The cells of a table: of which row and column, of which measure, and the colour that they have. */
function cellsJson({ columns, rows, heads, cells, livery }: TablePlan, { targets }: Scene): unknown[] {
  const boxes = targets[0]?.boxes;
  if (!boxes) return [];
  const [top = []] = heads;
  const names = top.flatMap(({ full, span }) => new Array<string>(span).fill(full));
  return Array.from({ length: boxes.length / 4 }, (_, at) => {
    const [row, column] = [rows[Math.floor(at / columns.length)], columns[at % columns.length]];
    return {
      shape: 'cell',
      category: row?.names.filter(Boolean).join(', ') ?? '',
      series: names[at % columns.length] ?? '',
      measure: column?.measure ?? '',
      panel: 0,
      cue: cells.marked[at] || null,
      ...boxed(boxAt(boxes, at)),
      colour: cells.grounds[at] || livery.ground,
    };
  });
}

const colourOf = ({ colours, colour }: Layer, at: number): string => colours[at] ?? colour;

const boxAt = (boxes: Float64Array, at: number): JsonBox => {
  const [left, top, width, height] = boxes.subarray(4 * at, 4 * at + 4) as unknown as [number, number, number, number];
  return { left, top, width, height };
};

const pointAt = (ends: Float64Array, at: number): JsonBox => ({
  left: (ends[2 * at] as number) - POINT,
  top: (ends[2 * at + 1] as number) - POINT,
  width: 2 * POINT,
  height: 2 * POINT,
});

/** What lines are for, by the group that they are drawn in. */
const LINES: Readonly<Record<string, string>> = { lines: 'series', areas: 'edge', 'level lines': 'level', labels: 'leader', bands: 'band' };

/** Every straight or broken line that is stroked: its points as x and y after each other. */
function linesJson(group: string, item: SceneItem): unknown[] {
  const role = LINES[group];
  if (!role || (item.kind !== 'path' && item.kind !== 'segments') || !item.stroke) return [];
  const { colour, width, dash } = item.stroke;
  const look = { role, colour, stroke: width, dash };
  const points = Array.from(item.points, rounded);
  if (item.kind === 'path') return [{ ...look, points }];
  return Array.from({ length: points.length / 4 }, (_, i) => ({ ...look, points: points.slice(4 * i, 4 * i + 4) }));
}
