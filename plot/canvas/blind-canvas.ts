import type { FigureSize } from '../figure-size';
import type { Font, TextWidth } from '../scene/scene';

/** A canvas that draws nothing and measures texts. */
export function blindCanvas(size: FigureSize, measure: TextWidth): HTMLCanvasElement {
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
export function fontIn(text: string): Font {
  const [, weight = '400', size = '10'] =
    /^(?:(\d+) )?([\d.]+)px/.exec(text.replace(/^(normal|bold) /, bold => (bold === 'bold ' ? '700 ' : ''))) ?? [];
  return { weight: Number(weight), size: Number(size) };
}
