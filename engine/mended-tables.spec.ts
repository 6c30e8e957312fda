import { firstFigure } from 'core/brief';
import { plainTable, PROJECT_VERSION, type Mend, type Project, type TableDoc } from 'core/document';
import { readProjectFile } from 'core/io';
import { BARE_LIVERY, pictureOf } from 'core/plan';
import { cellAt, tableOf, type Cell, type Table } from 'core/table';
import { MemoryStorage } from './memory-storage';
import { Engine } from './engine';
import { noTabs } from './tabs';
import { changesSince, findingsOf } from './next-source';
import { Session } from './session';
import { withSourceRows } from './source-rows';
import { mendFindings, tableLook } from './table-look';

const june = tableOf({ hut: ['Alm', 'Total', 'Berg', 'alm', 'Cloud'], milk: [30, 90, 20, 5, 10] }, 'deliveries');
const july = tableOf({ hut: ['Berg', 'Alm', 'Cloud', 'Dale'], milk: [50, 41, 10, 30] }, 'deliveries');
const mends: Mend[] = [
  { kind: 'totals', column: 'hut', texts: ['Total'], off: false },
  { kind: 'spellings', column: 'hut', from: ['alm'], to: 'Alm', off: false },
];
const facts = { id: 'd', name: 'deliveries', rowCount: 5, units: {}, columns: june.columns.map(({ name, type }) => ({ name, type })) };

function sessionWith(change: Partial<TableDoc>, sources: Readonly<Record<string, Table>> = { d: june, next: july }): Session {
  const project: Project = {
    version: PROJECT_VERSION,
    id: 'p',
    name: 'Season',
    tables: [{ ...plainTable('d', 'deliveries'), ...change }],
    figures: [firstFigure('f', facts, 'hut')],
    formats: [],
    pictures: [],
    liveries: [],
    looks: [],
  };
  return new Session(project, new Map(Object.entries(sources)));
}
const cells = (table: Table | undefined, name: string): Cell[] => {
  const column = table?.columns.find(item => item.name === name);
  return column && table ? Array.from({ length: table.rowCount }, (_, row) => cellAt(column, row)) : [];
};
const ask = { table: 'd', making: null, find: '', where: null, only: null };

describe('a mended table, in a session', () => {
  it('is what figures, looks and other tables see; the source stays', () => {
    const session = sessionWith({ mends });
    expect(cells(session.tableOf('d')?.table, 'hut')).toEqual(['Alm', 'Berg', 'Alm', 'Cloud']);
    expect(cells(june, 'hut')).toEqual(['Alm', 'Total', 'Berg', 'alm', 'Cloud']);
    expect(session.sources()['d']?.rowCount).toBe(4);
    expect(session.tableOf('d')).toBe(session.tableOf('d'));
  });

  it('knows its rows by their place in the source: an edit stays at its cell, whatever a mend leaves out', () => {
    const edits = [
      { row: 2, column: 'milk', value: 77 },
      { row: 1, column: 'milk', value: 1 },
    ];
    const mended = sessionWith({ mends, edits });
    expect(cells(mended.tableOf('d')?.table, 'milk')).toEqual([30, 77, 5, 10]);
    const off = sessionWith({ mends: mends.map(mend => ({ ...mend, off: true })), edits });
    expect(cells(off.tableOf('d')?.table, 'milk')).toEqual([30, 1, 77, 5, 10]);
    const look = tableLook(mended, { ...ask, where: 'milk > 9', only: [0, 2, 3] });
    expect(look.ok && look.value.rows.map(({ row, cells: own }) => [row, ...own])).toEqual([
      [0, 'Alm', '30'],
      [2, 'Berg', '77'],
    ] as never);
    expect(look.ok && look.value.mended.map(({ count }) => count)).toEqual([1, 1]);
  });

  it('tells the page of a figure’s rows by the same places', () => {
    const session = sessionWith({ mends });
    const asked = session.requestFor(session.project.figures[0]!, BARE_LIVERY);
    const made = asked.ok ? pictureOf(asked.value) : asked;
    if (!made.ok) return fail(made.problems);
    const picture = withSourceRows(made.value, session.originOf('d'));
    const { source, table } = picture.frame;
    const { rows, offsets } = source;
    const names = cells(table, 'hut');
    const behind = names.map((name, i) => [name, ...rows.slice(offsets[i], offsets[i + 1])]);
    expect(behind.sort()).toEqual([
      ['Alm', 0, 3],
      ['Berg', 2],
      ['Cloud', 4],
    ]);
    expect(withSourceRows(made.value, session.originOf('d')).frame)
      .withContext('the same frame for the same picture')
      .toBe(picture.frame);
    expect(withSourceRows(made.value, null)).toBe(made.value);
  });

  it('a rule that is none is told at its place in a look', () => {
    const look = tableLook(sessionWith({}), { ...ask, where: 'sheep > 1' });
    expect(look.ok ? 'taken' : look.problems.map(({ code }) => code)).toEqual(['unknown-name']);
  });

  it('finds what still looks wrong, by rows of the source', () => {
    const found = mendFindings(sessionWith({ mends: mends.slice(0, 1) }), 'd');
    expect(found.ok && found.value.map(({ mend, rows }) => [mend.kind, ...rows])).toEqual([['spellings', 3]] as never);
    const all = mendFindings(sessionWith({ mends }), 'd');
    expect(all.ok && all.value).toEqual([]);
    expect(mendFindings(sessionWith({}, {}), 'd').ok).toBeFalse();
  });
});

describe('the next source of a table', () => {
  it('takes the place of the one before by its key, and what the cues find now is told', () => {
    const session = sessionWith({ mends });
    const before = findingsOf(session, 'd', BARE_LIVERY);
    expect(before.map(({ figure }) => figure)).toEqual(['f']);
    const after = sessionWith({ mends, source: { files: ['july.csv'], key: 'next', at: null } });
    // Alm 35, Berg 20, Cloud 10 before; Berg 50, Alm 41, Dale 30, Cloud 10 now.
    const changed = changesSince(after, before, BARE_LIVERY);
    expect(changed.map(({ name, changes }) => [name, ...changes.map(({ words }) => words)])).toEqual([
      ['Milk by hut', 'Alm is no longer the highest: Berg, by 9.'],
    ]);
    expect(changesSince(session, before, BARE_LIVERY)).toEqual([]);
  });

  it('a figure that cannot be drawn any more is told, with why', () => {
    const session = sessionWith({});
    const before = findingsOf(session, 'd', BARE_LIVERY);
    const gone = sessionWith({ source: { files: [], key: 'x', at: null } }, { x: tableOf({ hut: ['Alm'], litres: [3] }, 'deliveries') });
    expect(changesSince(gone, before, BARE_LIVERY).map(({ figure, problems }) => [figure, problems.length > 0])).toEqual([['f', true]]);
  });

  it('is kept beside the one before, so that undo brings that back after the program ends', async () => {
    const storage = new MemoryStorage();
    const engine = new Engine({ storage, tabs: noTabs });
    const project = { ...sessionWith({}).project };
    await storage.create(project, new Map([['d', june]]));
    await engine.openStored('p');
    await storage.addSource('p', 'next', july);
    await storage.addSource('p', 'older', june);
    engine.propose('p', {
      id: 'm1',
      move: {
        kind: 'edit',
        edit: { kind: 'change-table', table: 'd', change: { source: { files: ['july.csv'], key: 'next', at: null } } },
        key: undefined,
      },
    });
    await new Promise(done => setTimeout(done, 50));
    const other = new Engine({ storage, tabs: noTabs });
    await other.openStored('p');
    expect((await other.outline('d')).ok && (await other.valueCounts('d', 'hut')).length).toBe(4);
    expect(await other.rowsOf('d', Int32Array.of(3)).then(table => cells(table, 'hut'))).toEqual(['Dale']);
    // What neither the project nor its undo needs is forgotten.
    expect([...(await storage.sources('p', ['d', 'next', 'older'])).keys()]).toEqual(['next']);
    const read = readProjectFile(await other.projectFile());
    expect(read.ok && Object.keys(read.value.tables)).toEqual(['next']);
  });
});
