import { cueKinds, cueFactsOf, type Cue } from 'core/cue';
import { pictureOf, type ChartPlan as Plan } from 'core/plan';
import { rememberStages } from 'core/stages';
import { firstFigure } from 'core/brief';
import type { Figure } from 'core/document';
import { applyEdits, tableOf, type Table } from 'core/table';
import { FigureDrawing } from 'plot';
import { compare, type Timing } from './measure';
import { canvases, FIXED, livery, planOf, rastered, valuesAt } from './page-sample';

const BARS = 200;
const words = cueFactsOf({ category: 'hut', measures: ['milk'], scopes: ['valley'] });
const KINDS = ['extremes', 'rank', 'threshold', 'typical', 'change', 'compare', 'outlier', 'running', 'reference', 'band'] as const;

function tableOfHuts(): Table {
  const rows = Array.from({ length: BARS }, (_, i) => i);
  return tableOf({ hut: rows.map(i => `hut ${i}`), valley: rows.map(i => `valley ${i % 10}`), milk: [...valuesAt(BARS, 0)] }, 'huts');
}

const plainOf = (cue: Cue): Cue =>
  cue.kind === 'change' || cue.kind === 'compare'
    ? { ...cue, looks: Object.fromEntries(Object.entries(cue.looks).map(([part, look]) => [part, { ...look, glyph: '' }])) }
    : cue;

/** Ten cues of ten kinds, all on; rises and falls by colour alone, since two hundred arrows would hide the bars. */
function cuedFigure(table: Table): Figure {
  const figure = firstFigure('f', { id: 'huts', name: 'huts', rowCount: BARS, units: {}, columns: table.columns });
  const cues = KINDS.map((kind, i): Cue => plainOf({ ...cueKinds[kind].create(`cue ${i}`, words), quiet: false }));
  return { ...figure, data: { ...figure.data, order: { by: 'table' } }, cues };
}

(globalThis as unknown as { bench: () => Promise<Timing[]> }).bench = async () => {
  const [one, two] = canvases(2) as [HTMLCanvasElement, HTMLCanvasElement];
  const table = tableOfHuts();
  const figure = cuedFigure(table);
  // As the engine keeps them: a cell that is edited leaves all that it does not touch.
  const [stages, writing] = [rememberStages(), { units: {}, formats: [] }];
  const edited = (value: number): Plan => {
    const picture = pictureOf({ figure, table: applyEdits(table, [{ row: 17, column: 'milk', value }]), writing, livery }, stages);
    if (!picture.ok) throw new Error('the figure cannot be drawn');
    if (picture.value.applied.some(cue => cue.helpers.length === 0)) throw new Error('a cue rests');
    return picture.value.plans[0] as Plan;
  };
  const plain = new FigureDrawing(one, planOf(BARS, 0), { fixed: FIXED });
  const cued = new FigureDrawing(two, edited(0), { fixed: FIXED });
  let round = 0;
  return compare(
    [
      { name: 'C1 update', run: () => (plain.show(planOf(BARS, ++round)), rastered(one)) },
      { name: 'ten cues, one edit', run: () => (cued.show(edited(1000 + ++round)), rastered(two)) },
    ],
    // As late in a session: ten kinds of cues are much code, which runs compiled after some hundred pictures.
    { rounds: 151, warmup: 500 },
  );
};
