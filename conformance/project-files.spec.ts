import { cueKinds, cueFactsOf, type CueKindName } from 'core/cue';
import { readProjectFile, writeProjectFile } from 'core/io';
import { pictureOf, type Livery } from 'core/plan';
import { whyOf } from 'core/words';
import { firstFigure } from 'core/brief';
import { plainFormat, plainTable, PROJECT_VERSION, type Project } from 'core/document';
import { messageFor } from 'core/result/words';
import { columnOf, makeTable, type Table } from 'core/table';
import { CELLS, cellFaults, pickerOf } from './awkward';
import { troubledRows } from './rows';
import { shareOf, streamsOf } from './generated';
import { Slowness } from './slowness';

let { random, below, pick } = pickerOf(815);

const table = makeTable(
  't',
  troubledRows(24).columns.filter(({ name }) => name !== 'at'),
);
const words = cueFactsOf({ category: 'g', measures: ['m', 'k'], scopes: [] });
const base = firstFigure('f', { id: 't', name: 't', rowCount: 24, units: {}, columns: table.columns });
const project: Project = {
  version: PROJECT_VERSION,
  id: 'p',
  name: 'P',
  tables: [
    { ...plainTable('t', 't'), units: { x: 'L' }, edits: [{ row: 1, column: 'x', value: 3 }], derived: [{ name: 'z', formula: 'x / 2' }] },
  ],
  figures: (Object.keys(cueKinds) as CueKindName[]).map((kind, i) => ({
    ...base,
    id: `f${i}`,
    data: {
      ...base.data,
      category: pick(['g', 'h', 'd', 'e', 'n']),
      series: i % 3 === 0 ? 'b' : null,
      panel: null,
      order: { by: 'table' as const },
      measures: ['m', 'k'].map((name, at) => ({
        name,
        formula: at ? 'avg(y)' : 'sum(x)',
        shape: null,
        axis: 'first' as const,
        format: null,
      })),
      helpers: [
        {
          name: 'r',
          formula: 'm - lag(m)',
          scope: { kind: 'along' as const, column: 'm', within: [] },
          shape: null,
          axis: 'second' as const,
          format: null,
        },
      ],
    },
    cues: [cueKinds[kind].create(`c${i}`, words)],
  })),
  formats: [plainFormat('one', { decimals: 1 })],
  pictures: [],
  liveries: [],
  looks: [],
};
const ODD: readonly unknown[] = [
  null,
  '',
  'x',
  'm',
  'k',
  'nowhere',
  '__proto__',
  0,
  -1,
  1.5,
  1e308,
  -1e308,
  5e-324,
  1e9,
  true,
  [],
  {},
  'within',
  'along',
  'panels',
  'figure',
  'median',
  'avg(x) over ()',
  'sum(',
  'count(*)',
  'date',
  'column',
  'line',
  'area',
  'bar',
  'matched',
  'zeros',
  'full',
  'stacked',
  { kind: 'grain', grain: 'month' },
  { kind: 'bin', width: 0.1 },
  { is: 'overall' },
  { is: 'percentile', percentile: 50 },
  { kind: 'figure' },
  { kind: 'along', column: 'g', descending: true, within: 'split' },
  { is: 'formula', formula: 'max(k) / 0' },
  'year',
  'confidence',
  'share',
  '{m}',
  '{sum(m) over () as one}',
];

/** The document with one to three of its values replaced, at any depth. */
function touchedOnce(document: object): object {
  const copy = structuredClone(document) as Record<string, unknown>;
  for (let times = 1 + below(3); times > 0; times--) {
    let [owner, key]: [Record<string, unknown>, string] = [copy, pick(Object.keys(copy))];
    for (let inner = owner[key]; isFilled(inner) && random() < 0.93; inner = owner[key]) {
      owner = inner;
      key = pick(Object.keys(owner));
    }
    if (random() < 0.05) delete owner[key];
    else owner[key] = structuredClone(random() < 0.85 ? alike(owner[key]) : pick(ODD));
  }
  return copy;
}

/** An odd value of the same type, so that more documents get past their schema and into the drawing. */
function alike(value: unknown): unknown {
  const same = ODD.filter(
    other => typeof other === typeof value && (other === null) === (value === null) && Array.isArray(other) === Array.isArray(value),
  );
  return same.length ? pick(same) : pick(ODD);
}

const isFilled = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && Object.keys(value).length > 0;

function textTouched(text: string): string {
  const at = below(text.length);
  return random() < 0.5 ? text.slice(0, at) : text.slice(0, at) + pick(CELLS) + text.slice(at + below(4));
}

const livery: Livery = {
  ground: '#fff',
  ink: '#000',
  soft: '#555',
  hair: '#ddd',
  base: '#575',
  series: ['#575', '#36a'],
  quiet: '#898',
  colours: {},
  font: 'sans',
};

/** Draws and explains a figure; 1 where that worked. */
function drawnWell(figure: Project['figures'][number], source: Table, faults: string[]): number {
  const writing = { units: {}, formats: project.formats };
  const picture = pictureOf({ figure, table: source, writing, livery });
  if (!picture.ok) {
    if (picture.problems.some(problem => messageFor(problem).length < 10)) faults.push('no words');
    return 0;
  }
  const { frame, applied, plans } = picture.value;
  faults.push(
    ...cellFaults(frame.table),
    ...applied.flatMap(({ helpers }) => helpers.flatMap(({ column }) => cellFaults(makeTable('h', [column])))),
  );
  applied.flatMap(({ problems }) => problems).map(messageFor);
  for (let row = 0; row < Math.min(3, frame.table.rowCount); row++) whyOf(picture.value, row, figure, writing);
  for (const plan of plans)
    for (const { axes } of plan.kind === 'chart' ? plan.panels : [])
      for (const { scale } of axes) {
        if (!(scale.low < scale.high) || scale.ticks.length > 200)
          faults.push(`an axis from ${scale.low} to ${scale.high} with ${scale.ticks.length} ticks`);
      }
  return columnOf(frame.table, frame.category) ? 1 : 0;
}

/** A project file read, and one of its figures drawn: every figure is drawn alone, so one of them is enough for each file. */
function openedFrom(text: string, turn: number, faults: string[]): { opens: boolean; drawn: number } {
  const found = readProjectFile(text);
  if (!found.ok) {
    if (found.problems.some(problem => messageFor(problem).length < 10)) faults.push('no words');
    return { opens: false, drawn: 0 };
  }
  const { figures } = found.value.project;
  const figure = figures[turn % Math.max(1, figures.length)];
  const source = figure && found.value.tables[figure.data.table];
  return { opens: true, drawn: figure && source ? drawnWell(figure, source, faults) : 0 };
}

describe('whatever project is opened', () => {
  it(`${shareOf(20_000).toLocaleString('en')} project files that someone has touched are read, drawn and explained, or say why not`, () => {
    const text = writeProjectFile({ project, tables: { t: table } });
    const plain = JSON.parse(text) as { project: object };
    const faults: string[] = [];
    let [fine, drawn] = [0, 0];
    const slowness = new Slowness();
    const tryFile = (i: number): void => {
      const touched = random() < 0.1 ? textTouched(text) : JSON.stringify({ ...plain, project: touchedOnce(plain.project) });
      try {
        const found = slowness.run(
          () => openedFrom(touched, i, faults),
          () => touched,
        );
        if (!found.opens) return;
        fine++;
        drawn += found.drawn;
      } catch (error) {
        faults.push(`${String(error instanceof Error ? error.stack : error)}`);
      }
    };
    for (const { seed, count } of streamsOf(20_000)) {
      ({ random, below, pick } = pickerOf(815 + seed));
      for (let i = 0; i < count; i++) tryFile(i);
    }
    expect(faults.slice(0, 5)).toEqual([]);
    expect(fine).toBeGreaterThan(shareOf(5_000) * 0.9);
    expect(drawn).toBeGreaterThan(shareOf(4_000) * 0.9);
    expect(slowness.calls).toEqual([]);
  });
});
