import { LIGHT_LIVERY, pictureOf, type ChartPlan } from 'core/plan';
import { layOut } from 'plot/files';
import { grownFigure } from '../conformance/grown-figures';
import { ShippedFonts } from './index';

const FIGURES = 60;
const SIZES = [
  { width: 900, height: 506 },
  { width: 420, height: 300 },
];

function plans(): ChartPlan[] {
  const found: ChartPlan[] = [];
  for (let seed = 0; found.length < FIGURES; seed++) {
    const { table, figure } = grownFigure(seed);
    const made = pictureOf({ figure, table, writing: { units: {}, formats: [] }, livery: LIGHT_LIVERY });
    const plan = made.ok ? made.value.plans[0] : undefined;
    if (plan?.kind === 'chart') found.push(plan);
  }
  return found;
}

describe('figures laid out one after the other', () => {
  it('are the same as each alone, whatever stood there before', async () => {
    const { width } = await ShippedFonts.load(LIGHT_LIVERY.font);
    // Other letters of the same widths: what was set up for the last figure does not serve them.
    const alone = (plan: ChartPlan, size: (typeof SIZES)[number]): string => JSON.stringify(layOut(plan, size, (...of) => width(...of)));
    const all = plans();
    for (const size of SIZES) {
      const once = all.map(plan => alone(plan, size));
      const inTurn = all.map(plan => JSON.stringify(layOut(plan, size, width)));
      const backward = all
        .toReversed()
        .map(plan => JSON.stringify(layOut(plan, size, width)))
        .toReversed();
      expect(inTurn.filter((scene, i) => scene !== once[i]).length).toBe(0);
      expect(backward.filter((scene, i) => scene !== once[i]).length).toBe(0);
    }
  });

  it('are laid out anew after one that failed', async () => {
    const { width } = await ShippedFonts.load(LIGHT_LIVERY.font);
    const [size] = SIZES;
    const [plan] = plans();
    if (!plan || !size) throw new Error('there is no figure');
    const before = JSON.stringify(layOut(plan, size, width));
    expect(() => layOut({ ...plan, panels: null as never }, size, width)).toThrow();
    expect(JSON.stringify(layOut(plan, size, width))).toBe(before);
  });
});
