import { draw, see } from './marks-seen.spec';
import { BLUE, GREEN, layer, level, only, planOf, RED } from './scene/sample-plan.spec';
import { drawTiny } from './tiny';

describe('dragging', () => {
  it('finds a line that can be dragged and tells the value at a place', () => {
    const plan = planOf([layer([4, 8, 2])], { lines: [level(5, { drag: { cue: 'c', token: 'level' } }), level(2)] });
    const { seen, drawing } = draw(plan);
    const y = (seen(BLUE).top + seen(BLUE).bottom) / 2;
    const line = see(planOf([layer([4, 8, 2])], { lines: [level(5)] }), BLUE);
    const at = { x: 300, y: (line.top + line.bottom) / 2 };
    const handle = drawing.handleAt(at);
    expect(handle?.target).toEqual({ cue: 'c', token: 'level' });
    expect(drawing.valueAt(handle!, at)).toBeCloseTo(5, 0);
    expect(drawing.valueAt(handle!, { x: 300, y: at.y - 20 })).toBeGreaterThan(5.2);
    expect(drawing.handleAt({ x: 300, y: y + 60 })).toBeNull();
    expect(drawing.handleAt({ x: 2, y: at.y })).toBeNull();
    drawing.destroy();
  });
});

describe('long lines', () => {
  it('draw on an axis that counts, and know the row under the pointer', () => {
    const count = 2_000;
    const { seen, drawing } = draw(
      planOf(
        [
          layer(
            Array.from({ length: count }, () => 5),
            { shape: 'line' },
          ),
        ],
        { categories: Array.from({ length: count }, (_, i) => `day ${i}`) },
      ),
    );
    const line = seen(RED);
    expect(line.width).toBeGreaterThan(450);
    expect(drawing.rowAt({ x: (line.left + line.right) / 2, y: line.top })).toBeCloseTo(count / 2, -2);
    drawing.destroy();
  });
});

describe('tiny pictures', () => {
  it('show bars, lines and bands of a plan', () => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 120, height: 40 });
    const context = canvas.getContext('2d') as CanvasRenderingContext2D;
    const band = {
      panel: 0,
      axis: 0,
      low: Float64Array.of(2, 2, 2),
      high: Float64Array.of(9, 9, 9),
      style: 'filled' as const,
      colour: BLUE,
      cue: 'c',
      dragLow: null,
      dragHigh: null,
    };
    drawTiny(
      context,
      planOf([layer([4, 8, 2], { colours: only(1, GREEN) }), layer([1, 1, 1], { shape: 'line' })], { lines: [level(5)], bands: [band] }),
      120,
      40,
    );
    const { data } = context.getImageData(0, 0, 120, 40);
    const colours = new Set(Array.from({ length: data.length / 4 }, (_, i) => [data[4 * i], data[4 * i + 1], data[4 * i + 2]].join()));
    for (const colour of ['0,255,0', '255,0,0']) expect(colours.has(colour)).toBe(true);
  });
});
