import type { AlongPlan, ChartPlan } from 'core/plan';
import { namedAxis } from './axis-names';
import type { NamedAxis } from './name-grid';
import { PixelScales } from '../pixel-scales';
import { rowAt } from '../pointing';
import { layer, layout, level, LISTED, planOf, turned } from '../sample-plan.spec';
import type { SceneItem } from '../scene';
import { sceneOf } from '../scene-of';

// Every letter is 6 px wide.
const measure = (text: string): number => text.length * 6;
const plan = (categories: readonly string[], along: Partial<AlongPlan> = {}, change: Partial<ChartPlan> = {}): ChartPlan =>
  planOf([layer(categories.map(() => 1))], { categories, along: { ...LISTED, ...along }, ...(change as object) });
const named = (made: ChartPlan, length = 300, across = 400): NamedAxis => namedAxis(made, { length, across, measure });
const words = ({ names }: NamedAxis): string[] => names.map(({ lines }) => lines.join('|'));
const places = ({ names }: NamedAxis): number[] => names.map(({ place }) => place);
const many = (count: number, name = (at: number): string => `Hut ${at}`): string[] => Array.from({ length: count }, (_, at) => name(at));
const DAY_0 = 22_280; // 2031-01-01

describe('names of a category axis', () => {
  // Bars: so many places share the length, from edge to edge.
  const rows: readonly [name: string, named: NamedAxis, words: readonly string[], turned: boolean, said: string][] = [
    // 100 px each; the widest two need (24 + 30) / 2 + 8.
    ['side by side where they fit', named(plan(['Alm', 'Berg', 'Cloud'])), ['Alm', 'Berg', 'Cloud'], false, ''],
    // 50 px each: "Upper" has 30, the whole 72.
    ['in lines of their words', named(plan(['Upper meadow', 'Old mill', 'Berg']), 150), ['Upper|meadow', 'Old|mill', 'Berg'], false, ''],
    // A word of 60 px in 50.
    [
      'turned where a word is too wide',
      named(plan(['Upper meadow', 'Schneeberg', 'Berg']), 150),
      ['Upper meadow', 'Schneeberg', 'Berg'],
      true,
      '',
    ],
    // A turned name has a share of the height: 60 / sin 40° = 93 px, 15 letters.
    [
      'cut by the room there is',
      named(plan(['Upper meadow by the river', 'Schneeberggipfel', 'Berg']), 150, 200),
      ['Upper meadow b…', 'Schneeberggipf…', 'Berg'],
      true,
      '',
    ],
    ['turned when that is wanted', named(plan(['Alm', 'Berg', 'Cloud'], { names: 'turned' })), ['Alm', 'Berg', 'Cloud'], true, ''],
    // 10 px each, a turned line needs 24: every third.
    ['every so many where not all have room', named(plan(many(9), {}), 90), ['Hut 0', 'Hut 3', 'Hut 6'], true, 'every 3rd of 9 named'],
    // 10 px each, 5 letters and 8 px between them need 38: every fourth.
    ['level when that is wanted', named(plan(many(9), { names: 'level' }), 90), ['Hut 0', 'Hut 4', 'Hut 8'], false, 'every 4th of 9 named'],
    [
      'numbers stay level',
      named(
        plan(
          many(9, at => String(2010 + at)),
          { ordered: true },
        ),
        90,
      ),
      ['2010', '2014', '2018'],
      false,
      'every 4th of 9 named',
    ],
    [
      'what a cue marks is named before all else',
      named(plan(many(12), { marked: [4, 10] }), 120),
      ['Hut 0', 'Hut 4', 'Hut 10'],
      true,
      'every 3rd of 12 named, and the marked',
    ],
    [
      'marked names that lie too close together are counted',
      named(plan(many(12), { marked: [4, 5, 9] }), 120),
      ['Hut 0', 'Hut 4', 'Hut 9'],
      true,
      'every 3rd of 12 named, and the marked; 1 marked without room',
    ],
    ['other scripts', named(plan(['谷の小屋', 'الكوخ', 'Ωμέγα'])), ['谷の小屋', 'الكوخ', 'Ωμέγα'], false, ''],
    ['one name alone', named(plan(['Alm'])), ['Alm'], false, ''],
    ['none', named(plan([])), [], false, ''],
  ];
  for (const [name, axis, expected, isTurned, said] of rows)
    it(name, () => expect([words(axis), axis.turn > 0, axis.said]).toEqual([[...expected], isTurned, said]));

  it('a hundred thousand names are as few as fit', () => {
    const axis = named(plan(many(100_000)), 600);
    expect(axis.names.length).toBeLessThan(30);
    expect(axis.said).toContain('of 100,000 named');
  });
  it('never overlap, for every number of names up to 300', () => {
    const overlaps = Array.from({ length: 300 }, (_, i) => {
      const made = plan(
        many(i + 1, at => 'Hut of the river'.slice(0, 3 + ((at * 7) % 12))),
        { marked: i % 3 ? [] : [1, 2, i], ordered: i % 2 === 0 },
      );
      const axis = named(made, 640);
      const pitch = 640 / (i + 1);
      return axis.names.some(({ place, lines }, at) => {
        const last = axis.names[at - 1];
        if (!last) return false;
        const apart = (place - last.place) * pitch;
        const need = axis.turn
          ? 15 / Math.sin(axis.turn) - 1e-6
          : (Math.max(...lines.map(measure)) + Math.max(...last.lines.map(measure))) / 2;
        return apart < need;
      });
    });
    expect(overlaps.filter(Boolean).length).toBe(0);
  });
  const lying: readonly [name: string, axis: NamedAxis, words: readonly string[], room: number][] = [
    // The longest has 78 px, with 7 + 8 beside it.
    ['beside a lying figure', named(plan(['Upper meadows', 'Berg'], {}, { horizontal: true }), 60), ['Upper meadows', 'Berg'], 93],
    // 36 % of 200 is 72 px: 12 letters; two lines of 15 fit in 40.
    ['in lines', named(plan(['Upper meadows far', 'Berg'], {}, { horizontal: true }), 80, 200), ['Upper|meadows far', 'Berg'], 81],
    [
      'cut where there is one line',
      named(plan(['Upper meadows far', 'Berg'], {}, { horizontal: true }), 40, 200),
      ['Upper meado…', 'Berg'],
      87,
    ],
    ['every so many', named(plan(many(10), {}, { horizontal: true }), 60), ['Hut 0', 'Hut 3', 'Hut 6', 'Hut 9'], 45],
  ];
  for (const [name, axis, expected, room] of lying)
    it(name, () => expect([words(axis), Math.round(axis.room)]).toEqual([[...expected], room]));
});

describe('names of an axis that counts', () => {
  const counted = (days: readonly number[], scaled = true): Partial<AlongPlan> => ({
    counted: {
      by: { kind: 'time', unit: 'days', language: 'en', weeks: 'monday' },
      at: Float64Array.from(days, day => DAY_0 + day),
      scaled,
    },
    places: scaled ? Float64Array.from(days) : null,
  });
  const days = (count: number): number[] => Array.from({ length: count }, (_, day) => day);
  const dates = (count: number): string[] => many(count, at => `day ${at}`);
  // Two letters and 8 px between need 20 px a day.
  const rows: readonly [name: string, length: number, count: number, expected: readonly string[]][] = [
    ['days', 200, 10, ['1|Jan 2031', '2', '3', '4', '5', '6', '7', '8', '9', '10']],
    ['weeks', 190, 31, ['6|Jan 2031', '13', '20', '27']],
    ['months', 200, 120, ['Jan|2031', 'Feb', 'Mar', 'Apr']],
    ['quarters', 200, 730, ['Q1|2031', 'Q2', 'Q3', 'Q4', 'Q1|2032', 'Q2', 'Q3', 'Q4']],
    ['years', 200, 1500, ['2031', '2032', '2033', '2034', '2035']],
  ];
  for (const [name, length, count, expected] of rows)
    it(`${name} as room allows`, () => expect(words(named(plan(dates(count), counted(days(count))), length))).toEqual([...expected]));
  it('closed up, a period begins where its first category stands', () => {
    const axis = named(plan(dates(5), counted([0, 1, 2, 40, 41], false)), 60);
    expect([words(axis), places(axis)]).toEqual([
      ['Jan|2031', 'Feb'],
      [0, 3],
    ]);
  });
  it('a category without a date is named where it stands, and a tick makes way for it', () => {
    const undated = plan([...dates(10), '(missing)'], {
      counted: {
        by: { kind: 'time', unit: 'days', language: 'en', weeks: 'monday' },
        at: Float64Array.of(...days(10).map(day => DAY_0 + day), NaN),
        scaled: true,
      },
      places: null,
    });
    // 20 px a day: nine letters of 54 px need 41 px beside the "10" of 12 px, and 38 beside the "9" of 6.
    const axis = named(undated, 220);
    expect([words(axis).slice(-3), places(axis).slice(-3)]).toEqual([
      ['8', '9', '(missing)'],
      [7, 8, 10],
    ]);
  });
  it('where not two ticks have room, the categories are named', () =>
    expect(words(named(plan(['a', 'b'], counted([2, 3])), 12)).length).toBeGreaterThan(0));
});

describe('marks to scale', () => {
  const made = planOf([layer([4, 8, 2])], {
    along: { ...LISTED, places: Float64Array.of(0, 1, 5) },
    lines: [level(5, { values: Float64Array.of(3, 3, 6) })],
  });
  // 60 px a place from x = 30: middles at 30, 90 and 330.
  const at = { ...layout, width: 400, first: 30, perCategory: 60, area: { ...layout.area, left: 0, width: 360 } };
  const scene = sceneOf(made, at, measure);
  const group = (name: string): readonly SceneItem[] => scene.groups.find(item => item.name === name)?.items ?? [];
  it('stand at their places, as wide as the smallest distance allows', () => {
    const [bars] = group('bars');
    const boxes = bars && 'boxes' in bars ? Array.from(bars.boxes) : [];
    const width = 60 * 0.74;
    expect(
      [0, 4, 8].map(i => [(boxes[i] as number) + width / 2, boxes[i + 2]].map(value => Math.round((value as number) * 100) / 100)),
    ).toEqual([
      [30, 44.4],
      [90, 44.4],
      [330, 44.4],
    ]);
  });
  it('a level reaches half way to its neighbour', () => {
    const [line] = group('level lines');
    expect(line && 'points' in line ? Array.from(line.points).filter((_, i) => i % 2 === 0) : []).toEqual([0, 210, 210, 360]);
  });
  const points: readonly [x: number, row: number | null][] = [
    [30, 0],
    [59, 0],
    [61, 1],
    [209, 1],
    [211, 2],
    [359, 2],
  ];
  for (const [x, row] of points) it(`at ${x} px the nearest is row ${String(row)}`, () => expect(rowAt(scene, { x, y: 60 })).toBe(row));
  it('the edges of a category lie half way to its neighbours', () => {
    const pixels = new PixelScales(made, at);
    expect([0, 1, 2].map(i => pixels.edgesOf(i))).toEqual([
      [0, 60],
      [60, 210],
      [210, 360],
    ]);
  });
});

describe('a line and a category without a date', () => {
  const at = Float64Array.of(DAY_0, DAY_0 + 1, NaN);
  const counted = { by: { kind: 'time', unit: 'days', language: 'en', weeks: 'monday' }, at, scaled: true } as const;
  const line = layer([4, 8, 2], { shape: 'line', stroke: { width: 2, dash: 'solid', marker: '' } });
  const drawn = (along: Partial<AlongPlan>): [lines: number[][], dots: number[][]] => {
    const { groups } = sceneOf(planOf([line], { along: { ...LISTED, ...along } }), layout, measure);
    const points = (name: string): number[][] =>
      (groups.find(group => group.name === name)?.items ?? []).map(item => ('points' in item ? Array.from(item.points) : []));
    return [points('lines').filter(list => list.length > 2), points('points')];
  };
  it('no line leads to it, and a point shows it', () => expect(drawn({ counted })).toEqual([[[70, 80, 170, 40]], [[270, 100]]]));
  it('names have no such end', () => expect(drawn({})).toEqual([[[70, 80, 170, 40, 270, 100]], []]));
});

describe('names on the scene', () => {
  const upright = plan(['Alm', 'Berg', 'Cloud']);
  const withNames = { ...layout, height: 180, names: named(upright) };
  const texts = (made: ChartPlan, at = withNames) => sceneOf(made, at, measure).groups.find(({ name }) => name === 'names')?.items ?? [];
  it('stand below the middles of their marks', () =>
    expect(texts(upright).map(item => (item.kind === 'text' ? [item.text, item.x, item.y, item.align] : []))).toEqual([
      ['Alm', 70, 134.5, 'centre'],
      ['Berg', 170, 134.5, 'centre'],
      ['Cloud', 270, 134.5, 'centre'],
    ]));
  it('pointing at a name means its mark', () => {
    const scene = sceneOf(upright, withNames, measure);
    expect([rowAt(scene, { x: 172, y: 135 }), rowAt(scene, { x: 172, y: 175 }), rowAt(scene, { x: 5, y: 135 })]).toEqual([1, null, null]);
  });
  it('run up to the right when turned, their ends at their places', () => {
    const made = plan(['Alm', 'Berg', 'Cloud'], { names: 'turned' });
    const [first] = texts(made, { ...layout, height: 180, names: named(made) });
    expect(first).toEqual(jasmine.objectContaining({ text: 'Alm', x: 75, align: 'right', turn: (-40 * Math.PI) / 180 }));
  });
  it('a last name that would leave the figure is brought back', () => {
    const wide = { ...upright, categories: ['Alm', 'Berg', 'Schneeberg an der Rax'] };
    const items = texts(wide, {
      ...withNames,
      names: { ...withNames.names, names: [{ place: 2, lines: ['Schneeberg an der Rax'], at: 2 }] },
    });
    // 126 px wide in a figure of 340: its middle no further than 340 − 3 − 63.
    expect(items[0]).toEqual(jasmine.objectContaining({ x: 274 - 4 }));
  });
  it('what is left out is said in small letters at the end of the axis', () => {
    const said = texts(upright, { ...withNames, names: { ...withNames.names, room: 40, said: 'every 3rd of 9 named' } }).at(-1);
    expect(said).toEqual(jasmine.objectContaining({ text: 'every 3rd of 9 named', x: 320, align: 'right', y: 152.5, colour: '#777777' }));
  });
  it('stand left of a lying figure', () => {
    const made = plan(['Alm', 'Berg', 'Cloud'], {}, { horizontal: true });
    const at = { ...turned, area: { ...turned.area, left: 60 }, axes: [[{ from: 60, to: 320 }]] };
    const [first] = texts(made, { ...at, names: named(made, 99, 340) });
    expect(first).toEqual(jasmine.objectContaining({ text: 'Alm', x: 53, y: 36, align: 'right' }));
  });
});
