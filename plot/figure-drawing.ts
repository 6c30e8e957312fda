import { BasicPlatform, Chart, type ChartOptions, type Plugin } from 'chart.js';
import type { ChartPlan } from 'core/plan';
import { BareAxis } from './axes/bare-axis';
import { CategoryNames } from './axes/category-names';
import { optionsOf, type FigureOptions } from './axes/chart-config';
import { laidOutAgain } from './axes/laid-out-again';
import { WordBox, type Fit } from './axes/word-box';
import { layoutOfChart } from './axes/layout-of-chart';
import type { Brushes, Canvas } from './canvas/brushes';
import { pageBrushes } from './canvas/page-brushes';
import { paintItems, paintScene } from './canvas/paint-scene';
import { blindCanvas } from './canvas/blind-canvas';
import { KnownWidths, TextWidths, type Widths } from './canvas/text-widths';
import type { FigureSize } from './figure-size';
import { gridScene, gridShape, stripAt, type DrawnStrip, type GridScene } from './grid-scene';
import { footOf, type FigureFoot } from './scene/head/figure-foot';
import type { Repainter } from './repaint';
import { headOf, type FigureHead } from './scene/head/figure-head';
import type { PlotLayout } from './scene/layout';
import { PixelScales } from './scene/pixel-scales';
import { anchorOf, handleAt, markAt, outlineOf, rowAt } from './scene/pointing';
import type { DroppedLabel, FigurePoint, LabelledMark, LineHandle, MarkAt, Scene, ScenePart, TextWidth } from './scene/scene';
import { sceneOf } from './scene/scene-of';
import { sideLegendOf, type SideLegend } from './scene/legend/side-legend';

Chart.register(BareAxis);

// Shares of a figure's height that its head and its foot may take as long as they can do with less.
const HEAD = { position: 'top', most: 0.4 } as const;
const FOOT = { position: 'bottom', most: 0.14 } as const;
const SIDE = { position: 'right', most: 0.8 } as const;

// When nobody waits for the next picture, in milliseconds after the last.
const IN_PEACE = 300;

const fitSide: Fit<SideLegend> = (plan, width, measure, highest) => sideLegendOf(plan, width, highest, measure);

/** What a drawing is made with. */
export interface DrawingOptions {
  /** Options of Chart.js that a drawing outside the page needs, such as its pixel ratio. */
  readonly fixed?: ChartOptions<'bar'>;
  /** A canvas of the same size above the first, for what is pointed at. */
  readonly above?: HTMLCanvasElement | null;
  /** Told after every layout: what is drawn beside the marks and where, and what has no room. */
  readonly laidOut?: (parts: readonly ScenePart[], dropped: readonly DroppedLabel[]) => void;
  /** The canvas draws nothing: it stands for one. */
  readonly isBlind?: boolean;
  /** Glyphs and pictures; as the page makes them where unsaid. */
  readonly brushes?: Brushes;
  /** Widths of texts; as the canvas has them where unsaid. */
  readonly widths?: Widths;
}

/** A plan drawn on a canvas, kept in step with the plans that follow. Chart.js lays out and draws the axes; all else is a scene, made once per plan and size. */
export class FigureDrawing {
  private readonly chart: Chart;
  private readonly head: WordBox<FigureHead>;
  private readonly foot: WordBox<FigureFoot>;
  private readonly side: WordBox<SideLegend>;
  private readonly names: CategoryNames;
  private readonly brushes: Brushes;
  private readonly widths: Widths;
  private laidOut: GridScene | null = null;
  /** Whether its panels stand in a grid, which depends on its size. */
  private isGrid = false;
  private row: number | null = null;
  /** Paints all once more after parts were painted: where a part is cut off, edges of strokes come out a little softer or harder. */
  private settling: ReturnType<typeof setTimeout> | undefined;
  /** When parts were painted last, in milliseconds. */
  private partsAt = 0;
  /** Repaints changed parts; it loads with the second picture. */
  private repainter: Repainter | null | undefined;

  constructor(
    canvas: HTMLCanvasElement,
    private plan: ChartPlan,
    private readonly options: DrawingOptions = {},
  ) {
    this.widths = options.widths ?? new TextWidths();
    this.brushes = options.brushes ?? pageBrushes(() => this.chart.draw());
    this.head = new WordBox(() => this.plan, this.widths, headOf, HEAD);
    this.side = new WordBox(() => this.plan, this.widths, fitSide, SIDE);
    this.foot = new WordBox(() => this.plan, this.widths, footOf, FOOT);
    this.names = new CategoryNames(() => this.plan, this.widths);
    this.isGrid = gridShape(plan, canvas) !== null;
    this.chart = new Chart(canvas, {
      type: 'line',
      data: { datasets: [] },
      options: this.chartOptions() as never,
      // On a canvas that draws nothing there is no page to follow.
      ...(options.isBlind ? { platform: BasicPlatform } : {}),
      plugins: [this.head.plugin(), this.foot.plugin(), this.side.plugin(), this.painter()] as never,
    });
  }

  /** Draws another plan. Cost: one update of Chart.js and one scene. */
  show(plan: ChartPlan): void {
    this.plan = plan;
    this.laidOut = null;
    this.isGrid = gridShape(plan, this.chart) !== null;
    const options = this.chartOptions();
    // Also where nothing is updated now: an update for a size that has just come may follow.
    this.chart.options = options as never;
    if (laidOutAgain(this.chart, options)) this.shownAgain();
    else this.chart.update('none');
  }

  private shownAgain(): void {
    if (this.row !== null) this.outline();
    if (this.isPaintedInParts()) {
      this.partsAt = performance.now();
      this.settling ??= setTimeout(this.settle, IN_PEACE);
      return;
    }
    clearTimeout(this.settling);
    this.settling = undefined;
    this.chart.render();
  }

  /** Looks again while edits follow each other: a timer for each of them would cost more than most. */
  private readonly settle = (): void => {
    const left = this.partsAt + IN_PEACE - performance.now();
    this.settling = left > 0 ? setTimeout(this.settle, left) : undefined;
    if (left <= 0) this.chart.render();
  };

  private isPaintedInParts(): boolean {
    const { chart, repainter } = this;
    if (this.options.isBlind) return false;
    if (repainter) return repainter.paintChanged(this.canvasOf(chart, chart.ctx), this.scene, this.measureOn(chart));
    if (repainter === undefined) void this.loadRepainter();
    return false;
  }

  private async loadRepainter(): Promise<void> {
    this.repainter = null;
    const { canvas } = this.chart;
    const { Repainter } = await import('./repaint');
    const repainter = (this.repainter = new Repainter());
    // A canvas that has lost its pixels is empty.
    canvas.addEventListener?.('contextrestored', () => {
      repainter.forget();
      this.chart.render();
    });
  }

  /** Measures and draws all again, once its font is there. */
  fontCame(): void {
    this.widths.forget();
    this.repainter?.forget();
    this.show({ ...this.plan });
  }

  /** Outlines a row of the frame, or none, on the canvas above; the figure is not drawn again. */
  pointAt(row: number | null): void {
    if (this.row === row) return;
    this.row = row;
    this.outline();
  }

  /** The frame's row whose mark is nearest to a point, or null outside the plot. */
  rowAt(point: FigurePoint): number | null {
    return rowAt(this.under(point).scene, point);
  }

  /** The mark under a point, by itself or by its label, or null. */
  markAt(point: FigurePoint): MarkAt | null {
    const { scene, strip } = this.under(point);
    const mark = markAt(scene, point);
    return mark && strip ? { ...mark, layer: strip.strip.layers[mark.layer] ?? mark.layer } : mark;
  }

  /** Where to hang the words of a row. */
  anchorOf(row: number): FigurePoint | null {
    return anchorOf(this.scene, row);
  }

  /** The label of a mark under a point, or null. */
  labelAt({ x, y }: FigurePoint): LabelledMark | null {
    const isOver = ({ box }: LabelledMark): boolean =>
      x >= box.left && x <= box.left + box.width && y >= box.top && y <= box.top + box.height;
    return this.scene.labelled.find(isOver) ?? null;
  }

  /** How far the middle of a label lies from its mark's end, in CSS pixels; null where its mark is not drawn any more. */
  offsetOf({ row, layer, box }: LabelledMark): { readonly across: number; readonly down: number } | null {
    const target = this.scene.targets[layer];
    const at = target ? target.rows.indexOf(row) : -1;
    if (!target || at === -1) return null;
    const [x, y] = [target.ends[2 * at] as number, target.ends[2 * at + 1] as number];
    return { across: box.left + box.width / 2 - x, down: box.top + box.height / 2 - y };
  }

  /** The line or band edge under a point that dragging would move, or null. */
  handleAt(point: FigurePoint): LineHandle | null {
    const { scene, strip } = this.under(point);
    const handle = handleAt(scene, point);
    return handle && strip ? { ...handle, within: this.drawn.strips.indexOf(strip) } : handle;
  }

  /** Takes hold of a handle: until it is let go, values are read as the axis stands now, though dragging a break bends it. */
  hold(): void {
    this.held = this.pixelScales();
  }

  /** Lets go of what was held. */
  letGo(): void {
    this.held = null;
  }

  /** The value at a point of a handle's axis, rounded to what a pixel can tell. */
  valueAt({ panel, axis, target, within }: LineHandle, point: FigurePoint): number {
    const strip = within === undefined ? undefined : this.drawn.strips[within];
    // A line moves on the axis that is drawn; only a break moves the axis itself.
    const pixels = strip?.pixels ?? ('cue' in target ? null : this.held) ?? this.pixelScales();
    const shift = strip?.shift ?? { x: 0, y: 0 };
    const pixel = this.plan.horizontal ? point.x - shift.x : point.y - shift.y;
    const value = pixels.valueAt(panel, axis, pixel);
    const perPixel = Math.abs(pixels.valueAt(panel, axis, pixel + 1) - value);
    const step = 10 ** Math.floor(Math.log10(perPixel * 5));
    return Number((Math.round(value / step) * step).toFixed(Math.max(0, -Math.floor(Math.log10(step)))));
  }

  private held: PixelScales | null = null;

  private pixelScales(): PixelScales {
    return new PixelScales(this.plan, this.layout(this.chart));
  }

  destroy(): void {
    clearTimeout(this.settling);
    this.chart.destroy();
    // A size that came just before asks for an update when the canvas is no longer there.
    this.chart.update = () => undefined;
    this.chart.render = () => undefined;
  }

  /** The current scene. */
  get scene(): Scene {
    return this.drawn.scene;
  }

  private get drawn(): GridScene {
    return this.drawnOn(this.chart);
  }

  /** The scene that contains a point: the whole figure, or a strip of its grid. */
  private under(point: FigurePoint): { readonly scene: Scene; readonly strip: DrawnStrip | null } {
    const strip = stripAt(this.drawn, point);
    return { scene: strip?.scene ?? this.scene, strip };
  }

  private drawnOn(chart: Chart): GridScene {
    if (!this.laidOut) {
      const measure = this.measureOn(chart);
      const shape = this.isGrid ? gridShape(this.plan, chart) : null;
      this.laidOut = shape
        ? gridScene(this.plan, this.layout(chart), shape, (plan, size) => axesLaidOut(plan, size, measure), measure)
        : { scene: sceneOf(this.plan, this.layout(chart), measure), strips: [] };
      this.options.laidOut?.(this.scene.parts, this.scene.dropped);
    }
    return this.laidOut;
  }

  private measureOn({ ctx }: Chart): TextWidth {
    return this.widths.on(ctx, this.plan.livery.font);
  }

  /** The axes as they are laid out: of a grid none, its strips have their own. */
  private axesPlan(): ChartPlan {
    return this.isGrid ? { ...this.plan, panels: [], categories: [] } : this.plan;
  }

  /** Where the axes lie. */
  get axes(): PlotLayout {
    return this.layout(this.chart);
  }

  private chartOptions(): FigureOptions {
    return { ...optionsOf(this.axesPlan(), { names: this.names, widths: this.widths }), ...(this.options.fixed as object) };
  }

  private painter(): Plugin<'bar'> {
    return {
      id: 'scene',
      // After every layout the marks lie elsewhere.
      afterLayout: () => {
        this.laidOut = null;
        if (this.row !== null) this.outline();
      },
      // Chart.js updates then, by its options: those of the plan that is shown now.
      resize: (chart: Chart) => {
        this.isGrid = gridShape(this.plan, chart) !== null;
        chart.options = this.chartOptions() as never;
      },
      beforeDraw: ({ ctx, width, height }) => {
        // A canvas that stands for one is asked where things lie, not what they look like.
        if (this.options.isBlind) return false;
        ctx.save();
        ctx.fillStyle = this.plan.livery.ground;
        ctx.fillRect(0, 0, width, height);
        ctx.restore();
        return true;
      },
      afterDatasetsDraw: chart => {
        const { scene } = this.drawnOn(chart);
        paintScene(this.canvasOf(chart, chart.ctx), scene);
        this.repainter?.stands(scene, chart.currentDevicePixelRatio);
      },
    };
  }

  private layout(chart: Chart): PlotLayout {
    return layoutOfChart(chart, this.axesPlan(), { head: this.head, foot: this.foot, side: this.side, names: this.names });
  }

  private canvasOf({ currentDevicePixelRatio: ratio }: Chart, ctx: CanvasRenderingContext2D): Canvas {
    return { ctx, brushes: this.brushes, ratio };
  }

  private outline(): void {
    const { above } = this.options;
    const ctx = above?.getContext('2d');
    if (!above || !ctx) return;
    const { width, height, currentDevicePixelRatio: ratio } = this.chart;
    if (above.width !== width * ratio || above.height !== height * ratio) {
      Object.assign(above, { width: width * ratio, height: height * ratio });
      ctx.scale(ratio, ratio);
    }
    ctx.clearRect(0, 0, width, height);
    if (this.row !== null) paintItems(this.canvasOf(this.chart, ctx), this.scene, outlineOf(this.scene, this.row));
  }
}

/** Where Chart.js lays out the axes of a plan in a room of so many CSS pixels, without drawing them. */
function axesLaidOut(plan: ChartPlan, size: FigureSize, measure: TextWidth): PlotLayout {
  const drawing = new FigureDrawing(blindCanvas(size, measure), plan, {
    isBlind: true,
    fixed: { responsive: false, devicePixelRatio: 1 },
    brushes: { glyph: () => undefined },
    widths: new KnownWidths(measure),
  });
  try {
    return drawing.axes;
  } finally {
    drawing.destroy();
  }
}
