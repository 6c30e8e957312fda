import type { Layer } from 'core/plan';
import { draw, see, type Seen } from './marks-seen.spec';
import { axis, BLUE, GREEN, layer, level, livery, only, planOf, RED } from './scene/sample-plan.spec';

describe('marks on the canvas', () => {
  it('a stem is thin and has a head as wide as a hand’s point', () => {
    const stem = see(planOf([layer([2, 8, 2], { shape: 'stem', colours: only(1, GREEN) })]), GREEN);
    const column = see(planOf([layer([2, 8, 2], { colours: only(1, GREEN) })]), GREEN);
    expect(stem.width).toBeLessThan(15);
    expect(stem.height).toBeGreaterThan(column.height);
    expect(stem.count).toBeLessThan(column.count / 5);
  });
  it('a span floats between its ends; whiskers are thinner; a gradient turns to the deep colour', () => {
    const span = {
      shape: 'span' as const,
      bases: Float64Array.of(2, 4, 1),
      ends: Float64Array.of(6, 8, 3),
      colours: only(1, GREEN),
      colour: GREEN,
    };
    const look = { deep: null, connectors: false, whiskers: false };
    const [bar, whisker] = [false, true].map(whiskers =>
      see(planOf([layer([6, 8, 3], { ...span, span: { ...look, whiskers } })]), GREEN),
    ) as [Seen, Seen];
    const whole = see(planOf([layer([10, 10, 10], { colours: only(1, GREEN) })]), GREEN);
    // From 2 up to 8 on an axis of 10: the lowest span begins at a tenth.
    expect(bar.bottom).toBeLessThan(whole.bottom - whole.height * 0.08);
    expect(bar.top).toBeGreaterThan(whole.top + whole.height * 0.15);
    expect(whisker.count).toBeLessThan(bar.count / 5);
    const deep = see(planOf([layer([6, 8, 3], { ...span, span: { ...look, deep: BLUE } })]), BLUE, 12);
    expect(deep.count).toBeGreaterThan(50);
  });
  it('connectors join neighbouring spans faintly', () => {
    const span = { shape: 'span' as const, bases: Float64Array.of(2, 4, 1), colour: GREEN };
    const look = { deep: null, connectors: true, whiskers: false };
    const [joined, apart] = [true, false].map(connectors =>
      see(planOf([layer([6, 8, 3], { ...span, span: { ...look, connectors } })]), livery.hair, 8),
    ) as [Seen, Seen];
    // The grid's soft edges have a few such pixels of their own.
    expect(joined.count).toBeGreaterThan(apart.count + 100);
  });
  it('a stepped line has level stretches, a joined one none', () => {
    const rows = (shape: 'line' | 'step'): number => {
      const { seen, drawing } = draw(planOf([layer([2, 8, 2], { shape })]));
      const { top } = seen(RED);
      drawing.destroy();
      return top;
    };
    const [joined, stepped] = [
      see(planOf([layer([2, 8, 2], { shape: 'line' })]), RED),
      see(planOf([layer([2, 8, 2], { shape: 'step' })]), RED),
    ];
    expect(Math.abs(rows('line') - rows('step'))).toBeLessThan(4);
    expect(stepped.count).toBeGreaterThan(joined.count * 1.2);
  });
  it('an area fills down to zero, a stacked one down to the one below', () => {
    const pale = '#ffc2c2';
    const one = see(planOf([layer([4, 4, 4], { shape: 'area' })]), pale, 4);
    const upper = layer([2, 2, 2], { shape: 'area', colour: BLUE, bases: Float64Array.of(4, 4, 4), ends: Float64Array.of(6, 6, 6) });
    const two = see(planOf([layer([4, 4, 4], { shape: 'area' }), upper]), '#c2c2ff', 4);
    expect(two.count / one.count).toBeCloseTo(0.5, 1);
    expect(two.bottom).toBeLessThanOrEqual(one.top + 4);
  });
  it('outlines stand around columns and points', () => {
    const plain = see(planOf([layer([4, 8, 2])]), livery.ink).count;
    expect(see(planOf([layer([4, 8, 2], { outlined: [1] })]), livery.ink).count).toBeGreaterThan(plain + 150);
    expect(see(planOf([layer([4, 8, 2], { shape: 'line', outlined: [1] })]), livery.ink).count).toBeGreaterThan(plain + 20);
  });
  it('a glyph stands above its bar, on its point, or where a label would be', () => {
    const glyph = (shape: 'column' | 'line', beyond: boolean): Seen =>
      see(planOf([layer([4, 8, 2], { shape, glyphs: [{ at: 1, glyph: 'square', colour: GREEN, beyond }] })]), GREEN);
    const top = see(planOf([layer([4, 8, 2], { colours: only(1, BLUE) })]), BLUE).top;
    expect(glyph('column', false).bottom).toBeLessThan(top);
    expect(Math.abs((glyph('line', false).top + glyph('line', false).bottom) / 2 - top)).toBeLessThan(3);
    expect(glyph('line', true).bottom).toBeLessThan(top);
  });
  it('a level line crosses the whole plot; one that differs has steps; a label names it', () => {
    const across = see(planOf([layer([4, 8, 2])], { lines: [level(5)] }), BLUE);
    const steps = see(planOf([layer([4, 8, 2])], { lines: [level(5, { values: Float64Array.of(5, 2, 2) })] }), BLUE);
    expect(across.height).toBeLessThan(6);
    expect(steps.height).toBeGreaterThan(60);
    expect(see(planOf([layer([4, 8, 2])], { lines: [level(5, { label: 'average 5' })] }), BLUE).height).toBeGreaterThan(12);
    const dashed = see(planOf([layer([4, 8, 2])], { lines: [level(5, { stroke: { width: 3, dash: 'dashed', marker: '' } })] }), BLUE);
    expect(dashed.count).toBeLessThan(across.count * 0.75);
  });
  const styles = ['filled', 'edges', 'whiskers', 'boxes', 'sticks', 'dots'] as const;
  it('each style of band draws in its own way between the same ends', () => {
    const band = {
      panel: 0,
      axis: 0,
      low: Float64Array.of(2, 3, 2),
      high: Float64Array.of(6, 7, NaN),
      colour: GREEN,
      cue: 'c',
      dragLow: null,
      dragHigh: null,
    };
    const counts = styles.map(style => {
      const plan = planOf([layer([NaN, NaN, NaN])], { bands: [{ ...band, style }] });
      return see(plan, style === 'filled' || style === 'boxes' ? '#ccffcc' : GREEN, 4).count;
    });
    expect(counts.every(count => count > 15)).toBe(true);
    expect(new Set(counts).size).toBe(styles.length);
  });
  it('a second axis has its own scale', () => {
    const plan = planOf([layer([5, 5, 5], { colours: only(0, GREEN) }), layer([5, 5, 5], { axis: 1, shape: 'line', colour: BLUE })], {
      panels: [{ title: '', axes: [axis(0, 10, 'milk'), axis(0, 100, 'share')] }],
    });
    const [bar, line] = [see(plan, GREEN), see(plan, BLUE)];
    expect(line.top).toBeGreaterThan(bar.top + 60);
  });
  it('what lies beyond a bound of the axis is cut at it', () => {
    const cut = see(planOf([layer([20, 5, 5], { colours: only(0, GREEN) })]), GREEN);
    const full = see(planOf([layer([10, 5, 5], { colours: only(0, GREEN) })]), GREEN);
    expect(cut.top).toBeGreaterThanOrEqual(full.top - 1);
  });
  it('lying figures turn everything by a quarter', () => {
    const plan = planOf([layer([4, 8, 2], { shape: 'stem', colours: only(1, GREEN) })], { horizontal: true, lines: [level(5)] });
    const [stem, line] = [see(plan, GREEN), see(plan, BLUE)];
    expect(stem.width).toBeGreaterThan(stem.height * 5);
    expect(line.height).toBeGreaterThan(line.width * 20);
  });
  it('legend keys look like what they explain', () => {
    const mark = (shape: Layer['shape'], glyph = '') => ({ kind: 'mark' as const, shape, colour: GREEN, glyph, stroke: null });
    const keys = [
      mark('column'),
      mark('stem'),
      mark('area'),
      mark('points'),
      mark('line'),
      mark('points', 'star'),
      { kind: 'band' as const, style: 'whiskers' as const, colour: GREEN },
      { kind: 'ramp' as const, colours: [GREEN, GREEN, GREEN] },
    ];
    const counts = keys.map(key => see(planOf([], { legend: [{ text: '', cue: null, key }] }), GREEN, 60).count);
    expect(counts.every(count => count > 10)).toBe(true);
    expect(new Set(counts).size).toBeGreaterThan(5);
  });
});
