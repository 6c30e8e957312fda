import { cueKinds, cueFactsOf } from 'core/cue';
import { pictureOf, type ChartPlan as Plan } from 'core/plan';
import { rememberStages } from 'core/stages';
import { firstFigure } from 'core/brief';
import { plainScales, type AxisChoice, type Figure } from 'core/document';
import { tableOf } from 'core/table';
import { FigureDrawing } from 'plot';
import { compare, type Timing } from './measure';
import { canvases, FIXED, livery, rastered, valuesAt } from './page-sample';

const BARS = 500;
const words = cueFactsOf({ category: 'hut', measures: ['milk'] });
const KINDS = ['extremes', 'rank', 'typical', 'outlier', 'reference'] as const;

(globalThis as unknown as { bench: () => Promise<Timing[]> }).bench = async () => {
  const [one, two, three] = canvases(3) as [HTMLCanvasElement, HTMLCanvasElement, HTMLCanvasElement];
  const rows = Array.from({ length: BARS }, (_, i) => i);
  const table = tableOf({ hut: rows.map(i => `hut ${i}`), milk: [...valuesAt(BARS, 0)] }, 'huts');
  const first = firstFigure('f', { id: 'huts', name: 'huts', rowCount: BARS, units: {}, columns: table.columns });
  const cues = KINDS.map((kind, i) => ({ ...cueKinds[kind].create(`cue ${i}`, words), quiet: false }));
  const figure: Figure = { ...first, data: { ...first.data, order: { by: 'table' } }, cues };
  // As the engine keeps them: a bound leaves all that does not read it.
  const [stages, writing] = [rememberStages(), { units: {}, formats: [] }];
  const planned = (axis: Partial<AxisChoice>): Plan => {
    const axes = { ...plainScales.axes, first: { ...plainScales.axes.first, ...axis } };
    const picture = pictureOf({ figure: { ...figure, scales: { ...figure.scales, axes } }, table, writing, livery }, stages);
    if (!picture.ok) throw new Error('the figure cannot be drawn');
    return picture.value.plans[0] as Plan;
  };
  const same = planned({});
  // Of the very same plan nothing would be painted again; on another ground all is.
  const redrawn = (on: string): Plan => ({ ...same, livery: { ...livery, ground: on } });
  const [plain, bound, broken] = [one, two, three].map(canvas => new FigureDrawing(canvas, same, { fixed: FIXED })) as [
    FigureDrawing,
    FigureDrawing,
    FigureDrawing,
  ];
  let round = 0;
  return compare(
    [
      { name: 'plain redraw', run: () => (plain.show(redrawn(++round % 2 ? '#ffffff' : '#fffffe')), rastered(one)) },
      { name: 'a bound', run: () => (bound.show(planned({ high: 2500 + ++round })), rastered(two)) },
      { name: 'a break', run: () => (broken.show(planned({ breaks: [{ from: 400, to: 900 + ++round }] })), rastered(three)) },
    ],
    { rounds: 81, warmup: 15 },
  );
};
