import { firstFigure } from 'core/brief';
import { plainTable, PROJECT_VERSION, type Making, type Project } from 'core/document';
import { readProjectFile, writeProjectFile } from 'core/io';
import { BARE_LIVERY } from 'core/plan';
import { messageFor } from 'core/result/words';
import { cellAt, tableOf, type Cell } from 'core/table';
import { Session } from './session';
import { tableLook } from './table-look';

const sources = {
  a: tableOf({ year: [2030, 2031], milk: [1, 2] }, 'a'),
  b: tableOf({ year: [2031, 2032], kg: [5, 6] }, 'b'),
};
const align = (...ids: string[]): Making => ({
  kind: 'align',
  lists: ids.map(table => ({ table, keys: ['year'] })),
  how: 'any',
  nearest: null,
  same: 'refuse',
});

function projectWith(made: Readonly<Record<string, Making>>): Project {
  const facts = {
    id: 'both',
    name: 'both',
    rowCount: 3,
    units: {},
    columns: [
      { name: 'year', type: 'number' as const },
      { name: 'milk', type: 'number' as const },
    ],
  };
  return {
    version: PROJECT_VERSION,
    id: 'p',
    name: 'Season',
    tables: [
      plainTable('a', 'a'),
      plainTable('b', 'b'),
      ...Object.entries(made).map(([id, making]) => ({ ...plainTable(id, id), made: making })),
    ],
    figures: [firstFigure('f', facts, 'year')],
    formats: [],
    pictures: [],
    liveries: [],
    looks: [],
  };
}

const sessionWith = (made: Readonly<Record<string, Making>>): Session => new Session(projectWith(made), new Map(Object.entries(sources)));
const cells = (session: Session, id: string, name: string): Cell[] => {
  const table = session.tableOf(id)!.table;
  const column = table.columns.find(item => item.name === name)!;
  return Array.from({ length: table.rowCount }, (_, row) => cellAt(column, row));
};

describe('tables made of others, in a session', () => {
  it('are kept while nothing changes, and follow an edit of what they are made of', () => {
    const session = sessionWith({ both: align('a', 'b') });
    const first = session.tableOf('both');
    expect(cells(session, 'both', 'milk')).toEqual([1, 2, null]);
    expect(session.tableOf('both')?.table).toBe(first?.table);
    session.propose({
      id: '1',
      move: { kind: 'edit', edit: { kind: 'edit-cells', table: 'a', cells: [{ row: 1, column: 'milk', value: 9 }] } },
    });
    expect(cells(session, 'both', 'milk')).toEqual([1, 9, null]);
    session.propose({ id: '2', move: { kind: 'undo' } });
    expect(cells(session, 'both', 'milk')).toEqual([1, 2, null]);
  });
  it('may be made of made ones, with derived columns of theirs', () => {
    const session = sessionWith({
      both: align('a', 'b'),
      more: { kind: 'look-up', table: 'a', keys: ['year'], other: 'both', otherKeys: ['year'], columns: ['twice'] },
    });
    session.propose({
      id: '1',
      move: { kind: 'edit', edit: { kind: 'set-derived', table: 'both', derived: [{ name: 'twice', formula: 'milk * 2' }] } },
    });
    expect(cells(session, 'more', 'twice')).toEqual([2, 4]);
  });
  it('a circle, and a table that is gone, are told in the figure; others go on', () => {
    const session = sessionWith({ both: align('a', 'other'), other: align('b', 'both') });
    const asked = session.requestFor(session.project.figures[0]!, BARE_LIVERY);
    expect(asked.ok ? '' : asked.problems.map(messageFor).join()).toBe('both would be made of itself. Choose another table.');
    expect(cells(session, 'a', 'milk')).toEqual([1, 2]);
    const gone = sessionWith({ both: align('a', 'gone') });
    const look = tableLook(gone, { table: 'both', making: null, find: '', where: null, only: null });
    expect(look.ok ? '' : look.problems.map(messageFor).join()).toContain('The table gone');
  });
  it('have no values in the project file, and are there again when it is read', () => {
    const project = projectWith({ both: align('a', 'b') });
    const read = readProjectFile(writeProjectFile({ project, tables: sources }));
    expect(read.ok).toBeTrue();
    if (!read.ok) return;
    const session = new Session(read.value.project, new Map(Object.entries(read.value.tables)));
    expect(session.lacking()).toEqual([]);
    expect(session.sources()['both']?.rowCount).toBe(3);
  });
  it('say the same in SQL, with the values that become columns', () => {
    const session = sessionWith({ wide: { kind: 'wide', table: 'a', name: 'year', value: 'milk' } });
    const look = tableLook(session, { table: 'wide', making: null, find: '', where: null, only: null });
    expect(look.ok && look.value.sql).toBe(
      'select max(case when year = 2030 then milk end) as "2030", max(case when year = 2031 then milk end) as "2031" from a',
    );
    const own = tableLook(session, { table: 'a', making: null, find: '', where: null, only: null });
    expect(own.ok && own.value.sql).toBeNull();
  });
  it('are looked at: rows that hold what is looked for, columns at a glance', () => {
    const session = sessionWith({ both: align('a', 'b') });
    const look = tableLook(session, { table: 'both', making: null, find: '203', where: null, only: null });
    expect(look.ok && [look.value.rowCount, look.value.found]).toEqual([3, 3]);
    const found = tableLook(session, { table: 'draft', making: align('b', 'a'), find: '2032', where: null, only: null });
    expect(found.ok && found.value.rows).toEqual([{ row: 2, cells: ['2032', '6', null] }]);
    expect(found.ok && found.value.columns.map(({ name, stats }) => [name, stats.there, stats.distinct])).toEqual([
      ['year', 3, 3],
      ['kg', 2, 2],
      ['milk', 2, 2],
    ]);
  });
});
