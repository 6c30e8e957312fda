import { firstFigure } from 'core/brief';
import { cueKinds, cueFactsOf, type Cue } from 'core/cue';
import { plainTable, PROJECT_VERSION, type Figure, type Project } from 'core/document';
import { plainMeasure } from 'core/frame';
import { pictureOf, type Livery, type Picture } from 'core/plan';
import { messageFor } from 'core/result/words';
import { Session } from 'engine';
import type { Table } from 'core/table';
import { compare, type BenchRow, type Timing } from '../measure';
import { millionRows } from '../million';

const colours = { brass: '#b87f0a', slate: '#36506e', pasture: '#3a7a3c', clay: '#b5482f', plum: '#7a4685', lake: '#1c7a90' };
const livery: Livery = {
  ground: '#ffffff',
  ink: '#15302a',
  soft: '#4a5f58',
  hair: '#dde4e0',
  base: '#5f7a70',
  series: Object.values(colours),
  quiet: '#84978e',
  colours,
  font: '',
};
const words = cueFactsOf({ category: 'valley', measures: ['milk', 'fat'] });

/** One small change after a first picture, each time another value, so that nothing is there already. */
export const e1: BenchRow = {
  name: 'E1',
  work: '1,000,000 rows: a change of a title, a colour, a bound, a cue’s number, a filter, after a first picture',
  reach: 'title, colour, bound ≤ 0.02, a cue’s number ≤ 0.15 of a first picture',
  run: async () => {
    const table = millionRows();
    const at = async (category: string, bars: string) => ({
      at: bars,
      timings: (await timed(figureOver(table.columns, category), table)).filter(({ name }) => name !== 'the same'),
    });
    return [await at('valley', '20 bars'), await at('hut', '1,000 bars')];
  },
};

async function timed(figure: Figure, table: Table): Promise<Timing[]> {
  const project: Project = {
    version: PROJECT_VERSION,
    id: 'p',
    name: 'p',
    tables: [plainTable('t', 't')],
    figures: [figure],
    formats: [],
    pictures: [],
    liveries: [],
    looks: [],
  };
  const open = (): Session => new Session(project, new Map([['t', table]]));
  const session = open();
  drawn(session);
  let turn = 0;
  const changed = (name: string, change: (figure: Figure, n: number) => Partial<Figure>) => ({
    name,
    run: () => {
      const now = session.figure('f') as Figure;
      // As it comes from the page: without the identity of anything.
      const sent = JSON.parse(JSON.stringify(change(now, ++turn))) as Partial<Figure>;
      session.propose({ id: String(turn), move: { kind: 'edit', edit: { kind: 'change-figure', figure: 'f', change: sent } } });
      return drawn(session);
    },
  });
  const changes = [
    changed('title', (_, n) => ({ words: { title: `title ${n}`, subtitle: '' } })),
    changed('colour', ({ cues }, n) => ({ cues: cues.map((cue, i) => (i === 0 ? recoloured(cue, n % 2 ? 'lake' : 'plum') : cue)) })),
    changed('bound', ({ scales }, n) => ({
      scales: { ...scales, axes: { ...scales.axes, first: { ...scales.axes.first, high: 1e7 + n } } },
    })),
    changed('cue’s number', ({ cues }, n) => ({ cues: cues.map(cue => (cue.kind === 'rank' ? { ...cue, n: 3 + (n % 7) } : cue)) })),
    changed('filter', ({ data }, n) => ({ data: { ...data, filters: [{ kind: 'range', column: 'cows', low: n % 10, high: null }] } })),
  ];
  // As in a session that has gone on for a while: the code is compiled by then.
  for (let i = 0; i < 150; i++) for (const { run } of changes.slice(0, -1)) run();
  const timings = await compare([
    { name: 'first picture', run: () => drawn(open()) },
    { name: 'the same', run: () => breath().then(() => drawn(session)) },
    ...changes,
  ]);
  return timings;
}

const recoloured = <C extends Cue>(cue: C, colour: string): C => ({
  ...cue,
  looks: Object.fromEntries(Object.entries(cue.looks).map(([part, look]) => [part, { ...look, colour }])),
});

function figureOver(columns: Table['columns'], category: string): Figure {
  const first = firstFigure('f', { id: 't', name: 't', rowCount: 1, units: {}, columns });
  return {
    ...first,
    data: {
      ...first.data,
      category,
      measures: [plainMeasure('milk', 'sum(milk)'), plainMeasure('fat', 'avg(fat)')],
      order: { by: 'table' },
    },
    cues: [
      cueKinds.extremes.create('a', words),
      cueKinds.rank.create('b', words),
      cueKinds.typical.create('c', words),
      cueKinds.gradient.create('d', words),
    ],
  };
}

function drawn(session: Session): Picture {
  const request = session.requestFor(session.figure('f') as Figure, livery);
  const made = request.ok ? pictureOf(request.value, session.stagesOf('f')) : request;
  if (!made.ok) throw new Error(made.problems.map(messageFor).join());
  // All that the page is sent, the rows behind each bar with it.
  if (made.value.frame.source.rows.length === 0) throw new Error('a picture of nothing');
  return made.value;
}

/** The collector's work for what a first picture left behind belongs to that, not to the title that comes next. */
const breath = async (): Promise<void> => {
  (globalThis as { gc?: () => void }).gc?.();
  await new Promise(resolve => setTimeout(resolve, 30));
};
