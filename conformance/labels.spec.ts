import { messageFor } from 'core/result/words';
import { LIGHT_LIVERY, pictureOf, type ChartPlan } from 'core/plan';
import { type Scene, type TextWidth } from 'plot';
import { layOut } from 'plot/files';
import { shippedWidths } from 'headless';
import { grownFigure } from './grown-figures';
import { seedsOf, shareOf } from './generated';
import { faultsOf } from './scene-faults';

const SEEDS = seedsOf(2_000);

function planOf(seed: number): { readonly plan: ChartPlan; readonly size: { readonly width: number; readonly height: number } } {
  const { table, figure, size } = grownFigure(seed);
  const made = pictureOf({ figure, table, writing: { units: {}, formats: [] }, livery: LIGHT_LIVERY });
  if (!made.ok) throw new Error(`${seed}: ${made.problems.map(messageFor).join()}`);
  return { plan: made.value.plans[0] as ChartPlan, size };
}

describe(`words in ${SEEDS.length} generated figures`, () => {
  let widths: TextWidth;
  const found: string[] = [];
  const counts = { labels: 0, dropped: 0, texts: 0, small: 0, lying: 0, panels: 0, twoAxes: 0, logOrBroken: 0, acrossZero: 0 };

  beforeAll(async () => {
    widths = await shippedWidths();
    for (const seed of SEEDS) {
      const { plan, size } = planOf(seed);
      const scene = layOut(plan, size, widths);
      found.push(...faultsOf(plan, scene, widths).map(fault => `${seed}: ${fault}`));
      count(plan, scene);
    }
  }, 600_000);

  function count(plan: ChartPlan, scene: Scene): void {
    counts.labels += scene.labelled.length;
    counts.dropped += scene.dropped.length;
    counts.texts += scene.groups.flatMap(({ items }) => items).filter(({ kind }) => kind === 'text').length;
    counts.small += Number(scene.width < 500);
    counts.lying += Number(plan.horizontal);
    counts.panels += Number(plan.panels.length > 1);
    counts.twoAxes += Number(plan.panels.some(({ axes }) => axes.length > 1));
    counts.acrossZero += Number(plan.panels.some(({ axes: [first] }) => first && first.scale.low < 0 && first.scale.high > 0));
    counts.logOrBroken += Number(plan.panels.some(({ axes }) => axes.some(({ scale }) => scale.kind !== 'linear')));
  }

  it('overlap nothing, are never cut, and are all drawn or reported', () => expect(found).toEqual([]));
  it('are many, in figures of all sorts', () => {
    expect(counts.texts).toBeGreaterThan(shareOf(40_000) / 2);
    expect(counts.labels).toBeGreaterThan(shareOf(10_000) / 2);
    for (const sort of ['small', 'lying', 'panels', 'twoAxes', 'logOrBroken', 'acrossZero'] as const)
      expect(counts[sort])
        .withContext(sort)
        .toBeGreaterThan(shareOf(150) / 2);
  });
  it('stand at the same places whenever they are asked for', () => {
    for (const seed of seedsOf(400).slice(0, 40)) {
      const [one, other] = [planOf(seed), planOf(seed)];
      expect(layOut(one.plan, one.size, widths).groups).toEqual(layOut(other.plan, other.size, widths).groups);
    }
  });
  it('a value that moves by a pixel moves no label but its own, as long as it meets none', () => {
    // Room around a plot is taken in steps: where a value crosses one, all labels of that figure move.
    let [moved, stood, jumped] = [0, 0, 0];
    for (const seed of SEEDS) {
      const { plan, size } = planOf(seed);
      const before = layOut(plan, size, widths);
      const [first] = before.labelled;
      if (!first) continue;
      const after = layOut(nudged(plan, first), size, widths);
      const placeOf = (scene: Scene): Map<string, string> =>
        new Map(scene.labelled.map(({ row, layer, box }) => [`${row} ${layer}`, JSON.stringify(box)]));
      const [was, is] = [placeOf(before), placeOf(after)];
      const others = [...was].filter(([key]) => key !== `${first.row} ${first.layer}`);
      const gone = others.filter(([key, box]) => is.get(key) !== box).length;
      if (gone > 3 && gone > others.length / 10) jumped++;
      else [moved, stood] = [moved + gone, stood + others.length - gone];
    }
    expect(stood).toBeGreaterThan(SEEDS.length * 2);
    // Labels that meet the one that moved have to step aside.
    expect(moved / stood).toBeLessThan(0.01);
    expect(jumped / SEEDS.length).toBeLessThanOrEqual(0.01);
  });
});

/** A plan in which one mark ends a pixel or so further on: a five-hundredth of its axis. */
function nudged(plan: ChartPlan, { row, layer }: { readonly row: number; readonly layer: number }): ChartPlan {
  let at = -1;
  return {
    ...plan,
    panels: plan.panels.map(panel => ({
      ...panel,
      layers: panel.layers.map(own => {
        at += 1;
        const place = own.rows.indexOf(row);
        const scale = panel.axes[own.axis]?.scale;
        if (at !== layer || place === -1 || !scale) return own;
        const ends = own.ends.slice();
        ends[place] = (ends[place] as number) - (scale.high - scale.low) / 500;
        return { ...own, ends };
      }),
    })),
  };
}
