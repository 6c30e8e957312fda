import { readFileSync } from 'node:fs';
import { readProjectFile } from 'core/io';
import { LIGHT_LIVERY } from 'core/plan';
import { Session } from 'engine';
import { handedOf, type Handed } from 'handover';
import { drawingsOf, ShippedFonts, scenePng } from 'headless';
import { layOut } from 'plot/files';
import { compare, type BenchRow } from '../measure';

const SIZE = { width: 1200, height: 675 } as const;

/** One more picture without a screen, once its project and fonts are there. The rasteriser alone paints the finished scene on a canvas and packs it. */
export const r1: BenchRow = {
  name: 'R1',
  work: 'one more picture without a screen, 20-row figure',
  reach: 'SVG ≤ 3 × computing and planning it; PNG at 2× ≤ 1.5 × the rasteriser alone on the finished scene',
  run: async () => {
    const read = readProjectFile(readFileSync('demo/data/highmeadow.json', 'utf8'));
    if (!read.ok) throw new Error('the demo project cannot be read');
    const { project, tables } = read.value;
    const session = new Session(project, new Map(Object.entries(tables)));
    const [figure] = project.figures;
    if (!figure) throw new Error('the demo project has no figure');
    // A figure of its own each time: nothing of it is remembered.
    const made = (): Handed => {
      const handed = handedOf(session, { ...figure, data: { ...figure.data }, cues: figure.cues.map(cue => ({ ...cue })) }, LIGHT_LIVERY);
      if (!handed.ok) throw new Error('the figure cannot be drawn');
      return handed.value;
    };
    const drawn = (handed: Handed) => drawingsOf(handed, SIZE, { transparent: false, embedFonts: false });
    const { plan } = made();
    const fonts = await ShippedFonts.load(plan.livery.font);
    if (plan.kind !== 'chart') throw new Error('the figure is no chart');
    const scene = layOut(plan, SIZE, fonts.width);
    // As in a run of many figures, or a server that has answered for a while: the code is compiled by then.
    const svg = await compare(
      [
        { name: 'computing and planning', run: () => made() },
        {
          name: 'SVG, computed, planned, laid out and written',
          run: async () => (await drawn(made())).svg({ hover: false, embedFonts: null }),
        },
      ],
      { rounds: 101, warmup: 150 },
    );
    const png = await compare([
      { name: 'the rasteriser alone', run: () => scenePng(scene, fonts, { scale: 2, transparent: false }) },
      { name: 'PNG at 2×, all of it', run: async () => (await drawn(made())).png(2) },
    ]);
    return [
      { at: 'SVG', timings: svg },
      { at: 'PNG', timings: png },
    ];
  },
};
