import { firstFigure, type TableFacts } from 'core/brief';
import { plainTable } from '../plain-table';
import { PROJECT_VERSION, type Project } from '../schema';
import { applyEdit, describeEdit, type Edit } from './index';

const deliveries: TableFacts = {
  id: 'd',
  name: 'deliveries',
  rowCount: 480,
  units: { milk: 'L' },
  columns: [
    { name: 'hut', type: 'text' },
    { name: 'milk', type: 'number' },
  ],
};
const figure = firstFigure('f', deliveries, 'hut');
const project: Project = {
  version: PROJECT_VERSION,
  id: 'p',
  name: 'Season',
  tables: [plainTable('d', 'deliveries')],
  figures: [figure],
  formats: [],
  pictures: [],
  liveries: [],
  looks: [],
};

describe('edits', () => {
  const second = { ...figure, id: 'g', name: 'Second' };
  const three = { ...project, figures: [figure, second, { ...figure, id: 'h', name: 'Third' }] };
  const cells = [{ row: 1, column: 'milk', value: 4 }];
  const whatIfs = [{ by: 'hut', category: 'Alm', split: [], measure: 'milk', value: 3 }];
  const edited = applyEdit(project, { kind: 'edit-cells', table: 'd', cells });
  const cases: readonly [edit: Edit, before: Project, look: (after: Project) => unknown, expected: unknown, words: string][] = [
    [{ kind: 'rename-project', name: 'Autumn' }, project, after => after.name, 'Autumn', 'renamed the project to Autumn'],
    [{ kind: 'add-figure', figure: second }, project, after => after.figures.map(item => item.id), ['f', 'g'], 'added Second'],
    [{ kind: 'add-figure', figure: second, at: 0 }, project, after => after.figures.map(item => item.id), ['g', 'f'], 'added Second'],
    [{ kind: 'remove-figure', figure: 'f' }, project, after => after.figures, [], 'removed Milk by hut'],
    [{ kind: 'move-figure', figure: 'f', to: 2 }, three, after => after.figures.map(item => item.id), ['g', 'h', 'f'], 'moved Milk by hut'],
    [{ kind: 'move-figure', figure: 'h', to: 0 }, three, after => after.figures.map(item => item.id), ['h', 'f', 'g'], 'moved Third'],
    [
      { kind: 'change-figure', figure: 'f', change: { name: 'New' } },
      project,
      after => after.figures[0]?.name,
      'New',
      'renamed Milk by hut',
    ],
    [
      { kind: 'change-figure', figure: 'f', change: { view: 'both' } },
      project,
      after => after.figures[0]?.view,
      'both',
      'changed view of Milk by hut',
    ],
    [
      {
        kind: 'add-table',
        table: plainTable('t', 'tanks'),
      },
      project,
      after => after.tables.length,
      2,
      'added the table tanks',
    ],
    [{ kind: 'remove-table', table: 'd' }, project, after => [after.tables, after.figures.length], [[], 1], 'removed the table deliveries'],
    [
      { kind: 'change-table', table: 'd', change: { name: 'milk' } },
      project,
      after => [after.tables[0]?.name, after.tables[0]?.units],
      ['milk', {}],
      'renamed the table to milk',
    ],
    [
      { kind: 'change-table', table: 'd', change: { units: { milk: 'kg' } } },
      project,
      after => [after.tables[0]?.name, after.tables[0]?.units],
      ['deliveries', { milk: 'kg' }],
      'changed the table deliveries',
    ],
    [{ kind: 'edit-cells', table: 'd', cells }, project, after => after.tables[0]?.edits, cells, 'edited 1 cell'],
    [
      { kind: 'edit-cells', table: 'd', cells: [{ row: 1, column: 'milk', value: null }] },
      edited,
      after => after.tables[0]?.edits,
      [{ row: 1, column: 'milk', value: null }],
      'edited 1 cell',
    ],
    [{ kind: 'reset-cells', table: 'd', cells: [{ row: 1, column: 'milk' }] }, edited, after => after.tables[0]?.edits, [], 'reset 1 cell'],
    [{ kind: 'set-what-ifs', figure: 'f', whatIfs }, project, after => after.figures[0]?.data.whatIfs, whatIfs, 'set 1 what-if value'],
    [
      { kind: 'reset-what-ifs', figure: 'f', whatIfs: [{ by: 'hut', category: 'Alm', split: [], measure: 'milk' }] },
      applyEdit(project, { kind: 'set-what-ifs', figure: 'f', whatIfs }),
      after => after.figures[0]?.data.whatIfs,
      [],
      'reset what-if values',
    ],
    [
      {
        kind: 'all',
        edits: [
          { kind: 'edit-cells', table: 'd', cells },
          { kind: 'rename-project', name: 'X' },
        ],
      },
      project,
      after => [after.name, after.tables[0]?.edits.length],
      ['X', 1],
      'edited 1 cell',
    ],
  ];
  for (const [edit, before, look, expected, words] of cases)
    it(`${edit.kind} ${JSON.stringify(edit).length}: ${words}`, () => {
      const kept = structuredClone(before);
      expect(look(applyEdit(before, edit))).toEqual(expected);
      expect(before).toEqual(kept);
      expect(describeEdit(edit, before)).toBe(words);
    });
  it('shares what is untouched', () => {
    expect(applyEdit(project, { kind: 'rename-project', name: 'X' }).figures).toBe(project.figures);
    expect(applyEdit(project, { kind: 'edit-cells', table: 'd', cells }).figures[0]).toBe(figure);
  });
});
