import { BARE_LIVERY } from 'core/plan';
import type { Scene, SceneItem } from '../scene/scene';
import { svgItem } from './svg-items';

const scene = {
  family: "'Hanken Grotesk Variable'",
  ground: '#ffffff',
  pictures: { 'picture:a': 'data:image/png;base64,AA', 'picture:b': 'https://elsewhere' },
} as unknown as Scene;
const stroke = { colour: '#112233', width: 2, dash: [4, 2], join: 'miter', cap: 'round' } as const;
const dressed = 'stroke="#112233" stroke-width="2" stroke-linecap="round" stroke-dasharray="4 2" stroke-miterlimit="10"';
const font = { size: 100, weight: 650 };

describe('items of a scene as SVG', () => {
  const rows: readonly [name: string, item: SceneItem, svg: readonly string[]][] = [
    [
      'boxes, one with its sides turned round',
      { kind: 'rects', boxes: Float64Array.of(1, 2, 3, 4, 10, 20, -3, -4), fill: '#aabbcc', corners: null },
      ['<rect x="1" y="2" width="3" height="4" fill="#aabbcc"/>', '<rect x="7" y="16" width="3" height="4" fill="#aabbcc"/>'],
    ],
    [
      'a box with two round corners, which shrink to what its sides have room for',
      { kind: 'rects', boxes: Float64Array.of(0, 0, 2, 10), fill: '#aabbcc', corners: [2, 2, 0, 0] },
      ['<path d="M1 0H1A1 1 0 0 1 2 1V10H0V1A1 1 0 0 1 1 0Z" fill="#aabbcc"/>'],
    ],
    [
      'a gradient',
      { kind: 'rects', boxes: Float64Array.of(0, 0, 1, 1), fill: { low: '#000000', high: '#ffffff', horizontal: true }, corners: null },
      ['<rect x="0" y="0" width="1" height="1" fill="url(#g)"/>'],
    ],
    [
      'an area with its edge beneath',
      { kind: 'path', points: Float64Array.of(0, 0, 1.005, 2, 3, -0.001), closed: true, fill: '#000000', stroke },
      [`<path d="M0 0L1 2L3 0Z" fill="#000000" ${dressed} paint-order="stroke"/>`],
    ],
    [
      'segments',
      { kind: 'segments', points: Float64Array.of(0, 0, 1, 1, 2, 2, 3, 3), stroke },
      [`<path d="M0 0L1 1M2 2L3 3" fill="none" ${dressed}/>`],
    ],
    [
      'dots without a line',
      { kind: 'dots', points: Float64Array.of(5, 6), radius: 3, fill: '#123456', stroke: null },
      ['<circle cx="5" cy="6" r="3" fill="#123456"/>'],
    ],
    [
      'a text, by its base line: 0.2675 of its size below its middle',
      { kind: 'text', role: 'title', text: 'a < b & "c"', x: 10, y: 50, font, colour: '#000000', align: 'right', on: '#ffffff' },
      ['<text x="10" y="76.75" fill="#000000" font-size="100" font-weight="650" text-anchor="end">a &lt; b &amp; &quot;c&quot;</text>'],
    ],
    [
      'a turned text, about its point',
      {
        kind: 'text',
        role: 'category',
        text: 'a',
        x: 10,
        y: 50,
        font,
        colour: '#000000',
        align: 'centre',
        turn: Math.PI / 2,
        on: '#ffffff',
      },
      [
        '<text x="10" y="76.75" fill="#000000" font-size="100" font-weight="650" text-anchor="middle" transform="rotate(90 10 50)">a</text>',
      ],
    ],
    [
      'a picture of the analyst’s own',
      { kind: 'glyph', glyph: 'picture:a', x: 10, y: 10, size: 10, colour: '#000000' },
      ['<image x="-3" y="-3" width="26" height="26" href="data:image/png;base64,AA"/>'],
    ],
    ['a picture from elsewhere is none', { kind: 'glyph', glyph: 'picture:b', x: 10, y: 10, size: 10, colour: '#000000' }, []],
  ];
  for (const [name, item, svg] of rows) it(name, () => expect(svgItem(item, { scene, gradient: () => 'url(#g)' })).toEqual([...svg]));

  it('what no XML may hold is replaced, not dropped', () => {
    const item: SceneItem = {
      kind: 'text',
      role: 'label',
      text: 'a\u0000b\ud800c',
      x: 0,
      y: 0,
      font,
      colour: BARE_LIVERY.ink,
      align: 'left',
      on: '#ffffff',
    };
    expect(svgItem(item, { scene, gradient: () => '' })[0]).toContain('>a\ufffdb\ufffdc</text>');
  });
});
