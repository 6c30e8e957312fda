import { firstFigure } from 'core/brief';
import { plainFormat, plainLabels, type Figure, type Labels } from 'core/document';
import { shorterTexts } from 'core/format';
import { plainMeasure } from 'core/frame';
import { messageFor } from 'core/result/words';
import { tableOf } from 'core/table';
import { pictureOf, type ChartPlan, type LabelAsk } from '../index';
import { livery, make } from '../plan-frames.spec';
import { partsOf } from '../parts.spec';

const table = tableOf({
  hut: ['Alm', 'Alm', 'Berg', 'Berg', 'Cloud', 'Cloud', 'Dorn', 'Dorn'],
  kind: ['first', 'second', 'first', 'second', 'first', 'second', 'first', 'second'],
  milk: [10, 30, 20, 0, 40, 10, null, 20],
  plan: [12, 12, 12, 12, 12, 12, 12, 12],
});
const formats = [plainFormat('litres', { suffix: ' L', decimals: 1 })];

function planOf(labels: Partial<Labels>, change: (figure: Figure) => Partial<Figure> = () => ({})): ChartPlan {
  const made = firstFigure('f', { id: 'd', name: 'd', rowCount: 8, units: {}, columns: table.columns }, 'hut');
  const figure: Figure = {
    ...made,
    data: { ...made.data, measures: [plainMeasure('milk', 'sum(milk)')], order: { by: 'table' } },
    cues: [],
    labels: { ...plainLabels, ...labels },
  };
  const read = pictureOf({ figure: { ...figure, ...change(figure) }, table, writing: { units: {}, formats }, livery });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value.plans[0] as ChartPlan;
}

const labelsIn = (plan: ChartPlan, layer = 0): readonly LabelAsk[] => partsOf(plan).layers[layer]?.labels ?? [];
const texts = (plan: ChartPlan, layer = 0): (readonly [number, string])[] => labelsIn(plan, layer).map(({ at, text }) => [at, text]);
/** milk by hut: 40, 20, 50, 20. */
const stacked = ({ data, shape }: Figure): Partial<Figure> => ({
  data: { ...data, series: 'kind' },
  shape: { ...shape, arrange: 'stacked' },
});
const withPlan = ({ data }: Figure): Partial<Figure> => ({
  data: { ...data, measures: [...data.measures, { ...plainMeasure('plan', 'sum(plan)'), shape: 'none' }] },
});

describe('labels of a figure’s own', () => {
  const which: readonly [name: string, labels: Partial<Labels>, ats: number[]][] = [
    ['none beside those of cues', {}, []],
    ['all', { what: 'all' }, [0, 1, 2, 3]],
    ['the first and the last', { what: 'ends' }, [0, 3]],
    ['every second', { what: 'nth', every: 2 }, [0, 2]],
    ['every third', { what: 'nth', every: 3 }, [0, 3]],
    ['where a formula holds', { what: 'where', where: 'milk > avg(milk) over ()' }, [0, 2]],
    ['none where the formula has a fault', { what: 'where', where: 'milk >' }, []],
  ];
  for (const [name, labels, ats] of which) it(name, () => expect(labelsIn(planOf(labels)).map(({ at }) => at)).toEqual(ats));

  // 40 of 130 is 0.3077; 20 ranks third beside another 20.
  const says: readonly [says: Labels['says'], expected: string[], more?: Partial<Labels>][] = [
    ['value', ['40', '20', '50', '20']],
    ['value', ['40.0 L', '20.0 L', '50.0 L', '20.0 L'], { format: 'litres' }],
    ['value', ['24', '24', '24', '24'], { measure: 'plan' }],
    ['name', ['Alm', 'Berg', 'Cloud', 'Dorn']],
    ['series', ['milk', 'milk', 'milk', 'milk']],
    ['share', ['30.8 %', '15.4 %', '38.5 %', '15.4 %']],
    ['difference', ['+16', '−4', '+26', '−4'], { measure: 'plan' }],
    ['previous', ['−20', '+30', '−30']],
    ['rank', ['2.', '3.', '1.', '3.']],
    ['glyph', ['▼', '▲', '▼']],
    ['text', ['Alm\n40 L', 'Berg\n20 L', 'Cloud\n50 L', 'Dorn\n20 L'], { text: '{hut}\\n{milk} L' }],
  ];
  for (const [name, expected, more = {}] of says)
    it(`say ${name} ${JSON.stringify(more)}`, () =>
      expect(labelsIn(planOf({ what: 'all', says: name, ...more }, withPlan)).map(({ text }) => text)).toEqual(expected));

  it('glyphs of a lying figure point along it', () => {
    const lying = planOf({ what: 'all', says: 'glyph' }, ({ shape }) => ({ shape: { ...shape, mark: 'bar' } }));
    expect(labelsIn(lying).map(({ text }) => text)).toEqual(['◀', '▶', '◀']);
  });
  it('large values may be written shorter', () => {
    const plan = planOf({ what: 'ends' }, ({ data }) => ({ data: { ...data, measures: [plainMeasure('milk', 'sum(milk) * 12345')] } }));
    // 493,800 in three digits is 494 K, in two no shorter.
    const [label] = labelsIn(plan);
    expect([label?.text, shorterTexts(label?.number?.value ?? NaN, label?.number?.style ?? {})]).toEqual(['493,800', ['494 K']]);
  });

  describe('of a stack', () => {
    it('leave out parts that are zero, and missing ones, unless asked', () => {
      expect(texts(planOf({ what: 'all' }, stacked), 0)).toEqual([
        [0, '10'],
        [1, '20'],
        [2, '40'],
      ]);
      expect(texts(planOf({ what: 'all' }, stacked), 1)).toEqual([
        [0, '30'],
        [2, '10'],
        [3, '20'],
      ]);
      expect(texts(planOf({ what: 'all', zeros: true }, stacked), 1).map(([at]) => at)).toEqual([0, 1, 2, 3]);
      expect(texts(planOf({ what: 'all', missing: true }, stacked), 0)).toContain([3, '–']);
    });
    it('say shares of their stack', () =>
      expect(texts(planOf({ what: 'all', says: 'part' }, stacked), 0).map(([, text]) => text)).toEqual(['25 %', '100 %', '80 %']));
    it('as a whole stand on the topmost part that is there', () => {
      const plan = planOf({ what: 'all', of: 'totals' }, stacked);
      expect([texts(plan, 0), texts(plan, 1)]).toEqual([
        [[1, '20']],
        [
          [0, '40'],
          [2, '50'],
          [3, '20'],
        ],
      ]);
      expect(labelsIn(plan, 1).every(({ where }) => where === 'end')).toBeTrue();
    });
    it('as a whole may say their shares of all', () =>
      expect(texts(planOf({ what: 'all', of: 'totals', says: 'share' }, stacked), 1)[0]).toEqual([0, '30.8 %']));
  });

  const places: readonly [Labels['place'], LabelAsk['where']][] = [
    ['auto', 'end'],
    ['outside', 'end'],
    ['end', 'inside end'],
    ['middle', 'inside'],
    ['base', 'inside base'],
    ['left', 'left'],
  ];
  for (const [place, where] of places) it(`stand ${place}`, () => expect(labelsIn(planOf({ what: 'ends', place }))[0]?.where).toBe(where));
  it('stand further off, and where they were put, by the value of their category', () => {
    const pins = [{ category: 'Cloud', series: null, measure: 'milk', across: 12, down: -30 }];
    const plan = planOf({ what: 'all', offset: { as: 'units', amount: 5 }, pins });
    expect(labelsIn(plan)[2]).toEqual(jasmine.objectContaining({ offset: { as: 'units', amount: 5 }, pin: { across: 12, down: -30 } }));
    expect(labelsIn(plan)[1]?.pin).toBeUndefined();
    // Sorted otherwise, the pin goes with its hut.
    const sorted = planOf({ what: 'all', pins }, ({ data }) => ({
      data: { ...data, order: { by: 'measure', measure: 'milk', descending: true } },
    }));
    expect(labelsIn(sorted)[0]?.pin).toEqual({ across: 12, down: -30 });
  });

  it('what a cue draws beside the marks has none of them', () => {
    const moving = ({ data }: Figure): Partial<Figure> => ({
      data,
      cues: [{ ...make('change'), measure: 'milk', draw: 'joined', axis: 'second' }] as unknown as Figure['cues'],
    });
    const plan = planOf({ what: 'all' }, moving);
    const { layers } = partsOf(plan);
    expect(layers.map(({ cue, labels }) => [cue === null, labels.length > 0])).toEqual([
      [true, true],
      [false, false],
    ]);
  });
  it('of values that a cue scales, ranks, shares and changes are the measure’s own', () => {
    const scaled = ({ data }: Figure): Partial<Figure> => ({ data, cues: [{ ...make('rescale'), measure: 'milk' }] as Figure['cues'] });
    const said = (says: Labels['says']): string[] => labelsIn(planOf({ what: 'all', says }, scaled)).map(({ text }) => text);
    // An index of 100, 50, 125 and 50.
    expect(said('value')).toEqual(['100', '50', '125', '50']);
    expect(said('share')).toEqual(['30.8 %', '15.4 %', '38.5 %', '15.4 %']);
    expect(said('previous')).toEqual(['−20', '+30', '−30']);
    expect(said('rank')).toEqual(['2.', '3.', '1.', '3.']);
  });

  const marking = ({ data }: Figure): Partial<Figure> => ({ data, cues: [{ ...make('extremes'), measure: 'milk' }] as Figure['cues'] });
  it('give way to those of cues, which come first', () => {
    const labels = labelsIn(planOf({ what: 'all' }, marking));
    expect(labels.length).toBe(4);
    expect(labels.map(({ rank }) => (rank ?? 0) < 100)).toEqual([false, true, true, true]);
  });
  it('nothing takes those of cues away as well', () => expect(labelsIn(planOf({ what: 'none' }, marking))).toEqual([]));
});
