import { plainTable, PROJECT_VERSION, type Project } from 'core/document';
import { applyEdit } from 'core/document/edits';
import { BARE_LIVERY, pictureOf, type Picture } from 'core/plan';
import { mendTable } from 'core/mend';
import { tableOf, type Table } from 'core/table';
import { firstFigure, renameColumn } from '../index';

const table = tableOf({ hut: ['Alm', 'Berg', 'Cloud', 'Alm'], milk: [3, 5, 4, 7], cows: [1, 2, 3, 4] }, 'd');
const facts = { id: 'd', name: 'd', rowCount: 4, units: {}, columns: table.columns.map(({ name, type }) => ({ name, type })) };
const first = firstFigure('f', facts, 'hut');
const project: Project = {
  version: PROJECT_VERSION,
  id: 'p',
  name: 'P',
  tables: [
    {
      ...plainTable('d', 'd'),
      units: { milk: 'L', cows: 'head' },
      derived: [{ name: 'each', formula: 'milk / cows' }],
      edits: [{ row: 0, column: 'milk', value: 4 }],
      order: ['cows', 'milk'],
      hidden: ['milk'],
    },
    { ...plainTable('s', 's'), made: { kind: 'long', table: 'd', columns: ['milk', 'cows'], name: 'what', value: 'how much' } },
  ],
  figures: [
    {
      ...first,
      data: {
        ...first.data,
        filters: [
          { kind: 'range', column: 'milk', low: 1, high: null },
          { kind: 'formula', column: 'x', formula: 'MILK > cows' },
          { kind: 'top', column: 'hut', n: 3, measure: 'sum(milk)', end: 'largest' },
        ],
        helpers: [
          { name: 'half', formula: 'milk / 2', scope: { kind: 'within', columns: ['hut'] }, shape: null, axis: 'first', format: null },
        ],
        whatIfs: [{ by: 'hut', category: 'Alm', split: [], measure: 'milk', value: 9 }],
      },
      words: { ...first.words, title: '{max(milk) as number} of {hut}', subtitle: 'milk, as it was' },
      labels: { ...first.labels, where: 'milk > 4', measure: 'milk' },
    },
  ],
  formats: [],
  pictures: [],
  liveries: [],
  looks: [],
};

/** The figure drawn over the table as its mends leave it. */
function pictured({ figures, tables }: Project, source: Table): Picture {
  const made = pictureOf({
    figure: figures[0]!,
    table: mendTable(source, tables[0]!.mends).table,
    withoutValue: {},
    writing: { units: tables[0]!.units, formats: [], pictures: [], liveries: [], looks: [] },
    livery: BARE_LIVERY,
  });
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.value;
}

describe('a column under another name', () => {
  const mend = { kind: 'rename' as const, column: 'milk', as: 'litres', off: false };
  const now = applyEdit(project, renameColumn(project, 'd', { from: 'milk', to: 'litres' }, [mend]));
  const [own, made] = now.tables;
  const [figure] = now.figures;

  it('is followed by its table: units, formulas, edits, order', () => {
    expect(own).toEqual({
      ...project.tables[0]!,
      mends: [mend],
      units: { litres: 'L', cows: 'head' },
      derived: [{ name: 'each', formula: 'litres / cows' }],
      edits: [{ row: 0, column: 'litres', value: 4 }],
      order: ['cows', 'litres'],
      hidden: ['litres'],
    });
  });

  it('is followed by tables made of it', () => {
    expect(made?.made).toEqual({ kind: 'long', table: 'd', columns: ['litres', 'cows'], name: 'what', value: 'how much' });
  });

  it('is followed by figures: measures, filters, helper columns, cues, labels, formulas in words; plain words stay', () => {
    expect(figure?.data.measures).toEqual([jasmine.objectContaining({ name: 'litres', formula: 'sum(litres)' })]);
    expect(figure?.data.filters).toEqual([
      { kind: 'range', column: 'litres', low: 1, high: null },
      { kind: 'formula', column: 'x', formula: 'litres > cows' },
      { kind: 'top', column: 'hut', n: 3, measure: 'sum(litres)', end: 'largest' },
    ]);
    expect(figure?.data.helpers[0]?.formula).toBe('litres / 2');
    expect(figure?.data.whatIfs[0]?.measure).toBe('litres');
    expect(figure?.cues.map(({ measure }) => measure)).toEqual(figure?.cues.map(() => 'litres'));
    expect([figure?.labels.where, figure?.labels.measure]).toEqual(['litres > 4', 'litres']);
    expect([figure?.words.title, figure?.words.subtitle]).toEqual(['{max(litres) as number} of {hut}', 'milk, as it was']);
  });

  it('draws what was drawn before', () => {
    const marks = (picture: Picture) => {
      const plan = picture.plans.at(-1)!;
      return plan.kind === 'chart' ? plan.panels.flatMap(({ layers }) => layers.map(({ values }) => Array.from(values))) : [];
    };
    expect(marks(pictured(now, table))).toEqual(marks(pictured(project, table)));
    expect(marks(pictured(now, table))[0]?.length).toBe(3);
  });

  it('of the category is followed where it is named', () => {
    const renamed = applyEdit(project, renameColumn(project, 'd', { from: 'hut', to: 'stable' }, []));
    const { data, words } = renamed.figures[0]!;
    expect([data.category, data.helpers[0]?.scope, data.whatIfs[0]?.by, words.title]).toEqual([
      'stable',
      { kind: 'within', columns: ['stable'] },
      'stable',
      '{max(milk) as number} of {stable}',
    ] as never);
  });

  it('comes back under its old name with everything as it was', () => {
    expect(applyEdit(now, renameColumn(now, 'd', { from: 'litres', to: 'milk' }, []))).toEqual({
      ...project,
      figures: [
        {
          ...project.figures[0]!,
          data: {
            ...project.figures[0]!.data,
            filters: project.figures[0]!.data.filters.map(f => (f.kind === 'formula' ? { ...f, formula: 'milk > cows' } : f)),
          },
        },
      ],
    });
  });
});
