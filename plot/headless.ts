import type { Plan } from 'core/plan';
import { FigureDrawing } from './figure-drawing';
import { tableScene } from './table/table-scene';
import type { Font, Scene, TextWidth } from './scene/scene';

/** A figure's size in CSS pixels. */
export interface FigureSize {
  readonly width: number;
  readonly height: number;
}

/** A plan laid out without a screen: the same scene that a canvas of that size strokes, as long as `measure` knows its letters. */
export function layOut(plan: Plan, size: FigureSize, measure: TextWidth): Scene {
  if (plan.kind === 'table') return tableScene(plan, size, measure);
  const drawing = new FigureDrawing(blindCanvas(size, measure), plan, {
    fixed: { responsive: false, devicePixelRatio: 1 },
    brushes: { glyph: () => undefined },
  });
  try {
    return drawing.scene;
  } finally {
    drawing.destroy();
  }
}

/** A canvas that draws nothing and measures texts. */
function blindCanvas(size: FigureSize, measure: TextWidth): HTMLCanvasElement {
  const state: Record<string | symbol, unknown> = {
    font: '10px sans-serif',
    measureText: (text: string) => ({ width: measure(text, fontIn(String(state['font']))) }),
    createLinearGradient: () => ({ addColorStop: () => undefined }),
  };
  const context = new Proxy(state, {
    get: (_, name) => (name in state ? state[name] : nothing),
    set: (_, name, value) => Reflect.set(state, name, value),
  });
  const canvas = { ...size, getContext: () => context };
  state['canvas'] = canvas;
  return canvas as unknown as HTMLCanvasElement;
}

const nothing = (): void => undefined;

/** The font that a canvas was told, such as "650 13px Grotesk". */
function fontIn(text: string): Font {
  const [, weight = '400', size = '10'] =
    /^(?:(\d+) )?([\d.]+)px/.exec(text.replace(/^(normal|bold) /, bold => (bold === 'bold ' ? '700 ' : ''))) ?? [];
  return { weight: Number(weight), size: Number(size) };
}
