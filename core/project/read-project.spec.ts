import { cueKinds } from 'core/cue';
import { firstFigure, readProject, type Project } from './index';

const figure = firstFigure('f', {
  id: 'd',
  name: 'deliveries',
  rowCount: 480,
  units: { milk: 'L' },
  columns: [
    { name: 'hut', type: 'text' },
    { name: 'milk', type: 'number' },
  ],
});
const project: Project = {
  version: 3,
  id: 'p',
  name: 'Season',
  tables: [{ id: 'd', name: 'deliveries', units: {}, edits: [], derived: [] }],
  figures: [figure],
  formats: [],
  pictures: [],
};

describe('reading a document', () => {
  it('takes what was written', () => expect(readProject(JSON.parse(JSON.stringify(project)))).toEqual({ ok: true, value: project }));
  const faulty: readonly [name: string, document: unknown, problem: object][] = [
    ['nothing', null, { code: 'document-foreign' }],
    ['no version', {}, { code: 'document-foreign' }],
    ['a newer version', { version: 99 }, { code: 'document-newer', version: 99, known: 3 }],
    [
      'a cue of no known kind',
      { ...project, figures: [{ ...figure, cues: [{ ...figure.cues[0], kind: 'magic' }] }] },
      { code: 'document-field' },
    ],
    [
      'a figure without measures',
      { ...project, figures: [{ ...figure, data: { ...figure.data, measures: [] } }] },
      { code: 'document-field' },
    ],
  ];
  for (const [name, document, problem] of faulty)
    it(`refuses ${name}`, () => {
      const read = readProject(document);
      expect(read.ok ? {} : read.problems[0]).toEqual(jasmine.objectContaining(problem) as never);
    });
  it('migrates a document of the first version', () => {
    const { step: _s, series: _e, panel: _p, helpers: _h, ...data } = figure.data;
    const { arrange: _a, panels: _n, ...shape } = figure.shape;
    const measures = data.measures.map(({ name, formula }) => ({ name, formula }));
    const { formats: _f, pictures: _r, ...rest } = project;
    const { axes: _x, between: _b, ...scales } = figure.scales;
    const oldCue = { id: 'cue-1', kind: 'extremes', on: true, measure: 'milk', which: 'both', scope: { kind: 'figure' } };
    const cues = [{ ...oldCue, highest: 'brass', lowest: 'slate', labels: true, quiet: true }];
    const old = {
      ...rest,
      version: 1,
      tables: [{ id: 'd', name: 'deliveries', units: {}, edits: [] }],
      figures: [{ ...figure, data: { ...data, measures }, shape, scales, cues }],
    };
    expect(readProject(old)).toEqual({ ok: true, value: project });
  });
  it('knows every kind of cue', () => {
    const words = { category: 'hut', measures: ['milk'], scopes: [], along: { column: 'hut', descending: false } };
    const cues = Object.values(cueKinds).map(kind => kind.create('c', words));
    expect(readProject({ ...project, figures: [{ ...figure, cues }] }).ok).toBe(true);
  });
});
