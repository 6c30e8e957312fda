import { cueKinds, cueFactsOf } from 'core/cue';
import { plainFormat, plainScales, PROJECT_VERSION, readProject, type TableDoc } from 'core/document';
import { figure, project } from './first-figure/season.spec';

describe('reading a document', () => {
  it('takes what was written', () => expect(readProject(JSON.parse(JSON.stringify(project)))).toEqual({ ok: true, value: project }));
  const faulty: readonly [name: string, document: unknown, problem: object][] = [
    ['nothing', null, { code: 'document-foreign' }],
    ['no version', {}, { code: 'document-foreign' }],
    ['a newer version', { version: 99 }, { code: 'document-newer', version: 99, known: PROJECT_VERSION }],
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
  it('migrates version 4: bounds and formats stay, what is new is as if nobody had decided it', () => {
    const { zeroLine: _z, tie: _t, axes: _a, ...scales } = figure.scales;
    const axis = { zero: 'out', low: 5, high: null, numbers: false };
    const format = { name: 'kilo', decimals: 1, grouping: true, percent: false, prefix: '', suffix: ' k', scale: 1000 };
    const old = {
      ...project,
      version: 4,
      formats: [format],
      figures: [{ ...figure, scales: { ...scales, axes: { first: axis, second: axis } } }],
    };
    const read = readProject(old);
    const expected = { ...plainScales.axes.first, zero: 'out', low: 5, numbers: false };
    expect(read.ok ? [read.value.version, read.value.figures[0]?.scales.axes, read.value.formats] : read.problems).toEqual([
      PROJECT_VERSION,
      { first: expected, second: expected },
      [plainFormat('kilo', { decimals: 1, suffix: ' k', scale: 1000 })],
    ] as never);
  });
  it('migrates version 5: nobody has decided yet how categories lie', () => {
    const { along: _along, side: _side, ...scales } = figure.scales;
    const read = readProject({ ...project, version: 5, figures: [{ ...figure, scales }] });
    expect(read).toEqual({ ok: true, value: project });
  });
  it('migrates versions 8 and 9: sources stay, nothing of a table was mended, fed, hidden or put in order', () => {
    const [{ source: _s, intake: _i, made: _m, mends: _e, feed: _f, hidden: _h, order: _o, ...bare }] = project.tables as [TableDoc];
    expect(readProject({ ...project, version: 8, tables: [bare] })).toEqual({ ok: true, value: project });
    const own = { ...bare, source: { files: ['june.csv'] }, intake: null, made: null };
    const read = readProject({ ...project, version: 9, tables: [own] });
    expect(read.ok ? read.value.tables : read.problems).toEqual([
      { ...(project.tables[0] as TableDoc), source: { files: ['june.csv'], key: null, at: null } },
    ] as never);
  });
  const axes: readonly [name: string, change: object][] = [
    ['a base of 1', { base: 1 }],
    ['a break that runs backwards', { breaks: [{ from: 5, to: 5 }] }],
    [
      'breaks that overlap',
      {
        breaks: [
          { from: 1, to: 5 },
          { from: 4, to: 8 },
        ],
      },
    ],
    ['more breaks than an axis has', { breaks: [1, 3, 5, 7, 9].map(from => ({ from, to: from + 1 })) }],
    ['headroom beyond nine tenths', { headroom: { as: 'share', amount: 0.95 } }],
    ['a step of nothing', { step: { as: 'by', amount: 0 } }],
    ['shares of nothing', { shares: [0, 1] }],
    ['an infinite bound', { low: null, high: Infinity }],
    ['an end that is an empty formula', { low: '' }],
    ['an end that is an endless formula', { high: 'x'.repeat(1_001) }],
  ];
  for (const [name, change] of axes)
    it(`refuses ${name}, by its place`, () => {
      const first = { ...plainScales.axes.first, ...change };
      const read = readProject({
        ...project,
        figures: [{ ...figure, scales: { ...figure.scales, axes: { ...figure.scales.axes, first } } }],
      });
      expect(read.ok ? 'taken' : read.problems.map(problem => ('path' in problem ? problem.path : '')).join()).toMatch(
        /^figures\.0\.scales\.axes\.first\./,
      );
    });
  it('takes an end that is a formula, and refuses a language of months that nobody knows', () => {
    const withScales = (scales: object) => readProject({ ...project, figures: [{ ...figure, scales: { ...figure.scales, ...scales } }] });
    const first = { ...plainScales.axes.first, low: '0.8 * min(milk)' };
    expect(withScales({ axes: { ...figure.scales.axes, first } }).ok).toBeTrue();
    const read = withScales({ along: { ...figure.scales.along, language: 'xx' } });
    expect(read.ok ? 'taken' : read.problems).toEqual([jasmine.objectContaining({ path: 'figures.0.scales.along.language' })] as never);
  });
  it('refuses a ladder whose units do not rise', () => {
    const format = plainFormat('odd', {
      ladder: [
        { symbol: 'a', size: 5 },
        { symbol: 'b', size: 5 },
      ],
    });
    expect(readProject({ ...project, formats: [format] }).ok).toBeFalse();
  });
  it('knows every kind of cue', () => {
    const words = cueFactsOf({ category: 'hut', measures: ['milk'], scopes: [] });
    const cues = Object.values(cueKinds).map(kind => kind.create('c', words));
    expect(readProject({ ...project, figures: [{ ...figure, cues }] }).ok).toBe(true);
  });
});
