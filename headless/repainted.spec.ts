import { createCanvas, GlobalFonts, type Canvas } from '@napi-rs/canvas';
import { plainMeasure } from 'core/frame';
import type { Figure } from 'core/document';
import { DARK_LIVERY, LIGHT_LIVERY, pictureOf, type ChartPlan, type Livery } from 'core/plan';
import { applyEdits, columnOf, type Table } from 'core/table';
import { FigureDrawing } from 'plot';
import { grownFigure } from '../conformance/grown-figures';
import { brushesOf, writeInShipped } from './canvas-brushes';
import { ShippedFonts } from './index';

/** What is drawn: a figure of a table in a livery. */
interface State {
  readonly figure: Figure;
  readonly table: Table;
  readonly livery: Livery;
}

type Change = (state: State, random: () => number) => State;

/** A cell of the first measure's column gets another number. */
const cell =
  (valueOf: (before: number) => number): Change =>
  (state, random) => {
    const { data } = columnOf(state.table, 'milk') as { readonly data: Float64Array };
    const row = Math.floor(random() * data.length);
    return { ...state, table: applyEdits(state.table, [{ row, column: 'milk', value: valueOf(data[row] as number) }]) };
  };

const withFigure =
  (change: (figure: Figure) => Figure): Change =>
  state => ({ ...state, figure: change(state.figure) });

function randomFrom(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
}

// What an analyst does in turn; each stands on what the one before has left on the canvas.
const CHANGES: Readonly<Record<string, Change>> = {
  'a number a little larger': cell(before => before * 1.02 + 1),
  'a number a hair larger': cell(before => before * 1.000_001),
  'a number gone': cell(() => NaN),
  'a number twice as large': cell(before => before * 2 + 5),
  'a number below zero': cell(before => -Math.abs(before) / 3 - 1),
  'the same again': state => state,
  'another title': withFigure(figure => ({ ...figure, words: { ...figure.words, title: 'Another title, of g and ÅÉ' } })),
  'no cue': withFigure(figure => ({ ...figure, cues: [] })),
  'a second cell': cell(before => before / 3 + 2),
  'another colour of all': state => ({ ...state, livery: { ...state.livery, base: '#7a2f5f', series: ['#7a2f5f', '#2f7a5f'] } }),
  'order turned round': withFigure(figure => ({ ...figure, data: { ...figure.data, order: { by: 'table', backward: true } } })),
  dark: state => ({ ...state, livery: DARK_LIVERY }),
  'a third cell': cell(before => before + 3),
  'another measure': withFigure(figure => ({ ...figure, data: { ...figure.data, measures: [plainMeasure('milk', 'max(milk)')] } })),
};

const SIZES = [
  { width: 900, height: 506, ratio: 1 },
  { width: 420, height: 300, ratio: 1.25 },
  { width: 640, height: 400, ratio: 2 },
];
const FIGURES = 20;
// Where a stroke is cut off at the edge of a part, its own soft edge may come out a little otherwise: by so much, of 255, in so few numbers, and never by more than the second.
const [SOFT, HARD] = [20, 100];
const MOST_SOFT = 0.0005;

function planOf({ figure, table, livery }: State): ChartPlan | null {
  const made = pictureOf({ figure: { ...figure, view: 'cued' }, table, writing: { units: {}, formats: [] }, livery });
  const plan = made.ok ? made.value.plans[0] : undefined;
  return plan?.kind === 'chart' ? plan : null;
}

const brushes = brushesOf(new Map());

/** A plan drawn on a canvas of its own; counts what is cleared of it in parts. */
function drawn(plan: ChartPlan, fonts: ShippedFonts, { width, height, ratio }: (typeof SIZES)[number]) {
  const canvas = createCanvas(width, height);
  const ctx = canvas.getContext('2d');
  writeInShipped(ctx, fonts);
  const parts = { count: 0 };
  const clear = ctx.clearRect.bind(ctx);
  ctx.clearRect = (left: number, top: number, wide: number, high: number) => {
    if (wide < width || high < height) parts.count++;
    clear(left, top, wide, high);
  };
  const drawing = new FigureDrawing(canvas as unknown as HTMLCanvasElement, plan, {
    fixed: { responsive: false, devicePixelRatio: ratio },
    brushes,
    widths: { on: () => fonts.width, forget: () => undefined },
  });
  return { canvas, drawing, parts };
}

const pixelsOf = (canvas: Canvas): Uint8ClampedArray => canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height).data;

/** What differs between two pictures in more than the softness of edges; nothing where they are alike. */
function differing(a: Canvas, b: Canvas): string {
  const [one, other] = [pixelsOf(a), pixelsOf(b)];
  if (one.length !== other.length) return 'their sizes';
  let [soft, hard] = [0, 0];
  for (let i = 0; i < one.length; i++) {
    const by = Math.abs((one[i] as number) - (other[i] as number));
    if (by > SOFT) soft++;
    if (by > HARD) hard++;
  }
  return hard > 0 || soft > MOST_SOFT * one.length ? `${soft} numbers by more than ${SOFT}, ${hard} by more than ${HARD}` : '';
}

describe('figures painted in parts', () => {
  SIZES.forEach((size, nth) =>
    it(`look as if all were painted, at ${size.width} × ${size.height} with ${size.ratio} pixels to one`, async () => {
      const fonts = await ShippedFonts.load(LIGHT_LIVERY.font);
      fonts.register((bytes, family) => GlobalFonts.register(bytes, family));
      const [wrong, inParts]: [string[], string[]] = [[], []];
      for (let seed = nth * 100, figures = 0; figures < FIGURES; seed++) {
        const random = randomFrom(seed + 1);
        let state: State = { ...grownFigure(seed), livery: LIGHT_LIVERY };
        const first = planOf(state);
        if (!first) continue;
        figures++;
        const { canvas, drawing, parts } = drawn(first, fonts, size);
        // What paints parts comes with the second picture.
        drawing.show(first);
        await new Promise(resolve => setTimeout(resolve, 20));
        for (const [name, change] of Object.entries(CHANGES)) {
          state = change(state, random);
          const plan = planOf(state);
          if (!plan) continue;
          const before = parts.count;
          drawing.show(plan);
          if (parts.count > before) inParts.push(name);
          const fresh = drawn(plan, fonts, size);
          const other = differing(canvas, fresh.canvas);
          fresh.drawing.destroy();
          if (other) wrong.push(`figure ${seed}, ${name}: ${other}`);
        }
        drawing.destroy();
      }
      expect(wrong).toEqual([]);
      // Else nothing was asked.
      expect(inParts.length).toBeGreaterThan(FIGURES);
    }, 120_000),
  );
});
