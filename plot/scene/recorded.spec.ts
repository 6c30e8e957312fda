import { glyphOf } from 'core/glyph';
import { drawPath } from '../canvas/draw-path';
import { FigureDrawing } from '../index';
import { GREEN, layer, level, only, planOf, RED } from './sample-plan.spec';

type Call = readonly [name: string, ...args: unknown[]];

/** A 2D context that writes down what it is told, and measures six pixels a letter. No browser is needed. */
function recorder(): { readonly canvas: HTMLCanvasElement; readonly calls: Call[] } {
  const calls: Call[] = [];
  const state: Record<string, unknown> = { font: '10px sans-serif' };
  const context: unknown = new Proxy(state, {
    get: (_, name) => {
      if (name === 'canvas') return canvas;
      if (name === 'measureText') return (text: string) => ({ width: text.length * 6 });
      if (name in state) return state[String(name)];
      return (...args: unknown[]) =>
        void calls.push([String(name), ...args, ...(/^(fill|stroke)/.test(String(name)) ? [state['fillStyle']] : [])]);
    },
    set: (_, name, value) => {
      state[String(name)] = value;
      return true;
    },
  });
  const canvas = { width: 600, height: 400, getContext: () => context } as unknown as HTMLCanvasElement;
  return { canvas, calls };
}

describe('a drawing without a screen', () => {
  const plan = planOf(
    [
      layer([4, 8, 2], {
        colours: only(1, GREEN),
        labels: [{ at: 1, text: 'best', where: 'end' }],
        glyphs: [{ at: 1, glyph: 'star', colour: GREEN, beyond: true }],
      }),
      layer([4, 4, 4], { shape: 'area', colour: '#123456' }),
    ],
    {
      title: 'Milk by hut',
      lines: [level(5, { label: 'average 5' })],
      legend: [{ text: 'top', cue: 'c', key: { kind: 'band', style: 'filled', colour: GREEN } }],
    },
  );
  /** The plan drawn on a context of its own. */
  function drawn(): { readonly drawing: FigureDrawing; readonly calls: Call[] } {
    const { canvas, calls } = recorder();
    const drawing = new FigureDrawing(canvas, plan, {
      fixed: { responsive: false, devicePixelRatio: 1 },
      brushes: {
        glyph: ({ ctx }, { glyph, ground, ...look }) => {
          const known = glyphOf(glyph);
          if (known) drawPath(ctx, known, { ...look, halo: ground }, data => ({ data }) as unknown as Path2D);
        },
      },
    });
    return { drawing, calls };
  }
  const { calls } = drawn();
  const called = (name: string): Call[] => calls.filter(call => call[0] === name);
  const texts = called('fillText').map(call => call[1]);

  it('writes title, legend, names, numbers and labels', () => {
    for (const text of ['Milk by hut', 'top', 'Alm', 'Berg', 'Cloud', '0', '10', 'best', 'average 5']) expect(texts).toContain(text);
  });
  it('draws bars, areas and lines with finite numbers in their colours', () => {
    expect(called('roundRect').length).toBe(3);
    expect(called('fill').some(call => call.at(-1) === GREEN)).toBeTrue();
    expect(called('fill').some(call => call.at(-1) === '#1234563d')).toBeTrue();
    const given = calls.flatMap(call => call.slice(1)).filter(value => typeof value === 'number');
    expect(given.length).toBeGreaterThan(70);
    expect(given.every(Number.isFinite)).toBeTrue();
  });
  it('draws glyphs by their paths', () =>
    expect(called('fill').some(([, path]) => (path as { data?: string }).data === glyphOf('star')?.path)).toBeTrue());
  it('the best is twice as high as the first', () => {
    const heights = called('roundRect').map(call => call[4] as number);
    expect(Math.max(...heights) / (heights[0] as number)).toBeCloseTo(2, 6);
  });
  it('knows what lies under a point, and draws another plan', () => {
    const own = drawn();
    const anchor = own.drawing.anchorOf(1);
    expect(own.drawing.rowAt({ x: anchor?.x ?? 0, y: (anchor?.y ?? 0) + 5 })).toBe(1);
    own.calls.length = 0;
    own.drawing.show(planOf([layer([1], { colour: RED })], { categories: ['Alm'], title: 'Another' }));
    expect(own.calls.filter(([name]) => name === 'fillText').map(call => call[1])).toContain('Another');
    own.drawing.destroy();
  });
});
