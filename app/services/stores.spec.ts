import { TestBed } from '@angular/core/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { type Edit } from 'core/document';
import { firstFigure, type Figure, type Project } from 'core/project';
import { historyOf, moveHistory, type History, type HistoryMove } from './history';
import { Notices } from './notices';
import { ProjectStore } from './project-store';

const table = {
  id: 'd',
  name: 'deliveries',
  rowCount: 2,
  units: {},
  columns: [
    { name: 'hut', type: 'text' as const },
    { name: 'milk', type: 'number' as const },
  ],
};
const figure = (id: string): Figure => ({ ...firstFigure(id, table), name: id });
const project: Project = {
  version: 3,
  id: 'p',
  name: 'one',
  tables: [{ id: 'd', name: 'deliveries', units: {}, edits: [], derived: [] }],
  formats: [],
  pictures: [],
  figures: [figure('a'), figure('b'), figure('c')],
};
const sources = { d: { name: 'deliveries', rowCount: 2, columns: table.columns } };
const rename = (name: string): HistoryMove => ({ kind: 'edit', edit: { kind: 'rename-project', name } });

describe('history', () => {
  const cases: readonly [name: string, moves: HistoryMove[], now: string, past: number, future: number][] = [
    ['edits stack up', [rename('two'), rename('three')], 'three', 2, 0],
    ['undo takes back', [rename('two'), rename('three'), { kind: 'undo' }], 'two', 1, 1],
    ['redo brings back', [rename('two'), { kind: 'undo' }, { kind: 'redo' }], 'two', 1, 0],
    ['an edit after undo forgets what was undone', [rename('two'), { kind: 'undo' }, rename('four')], 'four', 1, 0],
    ['nothing to undo', [{ kind: 'undo' }], 'one', 0, 0],
    ['nothing to redo', [rename('two'), { kind: 'redo' }], 'two', 1, 0],
    [
      'unlimited',
      [...Array.from({ length: 500 }, (_, i) => rename(`n${i}`)), ...Array.from({ length: 500 }, (): HistoryMove => ({ kind: 'undo' }))],
      'one',
      0,
      500,
    ],
  ];
  for (const [name, moves, now, past, future] of cases)
    it(name, () => {
      const end = moves.reduce<History>(moveHistory, historyOf(project));
      expect([end.project.name, end.past.length, end.future.length]).toEqual([now, past, future]);
    });
  it('undoing everything gives the very project that was opened', () => {
    const end = [rename('x'), { kind: 'undo' } as const].reduce<History>(moveHistory, historyOf(project));
    expect(end.project).toBe(project);
    expect(end.future[0]?.words).toBe('renamed the project to x');
  });
});

describe('the project store', () => {
  let store: ProjectStore;
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    store = TestBed.inject(ProjectStore);
    store.open({ project, sources }, 'b');
  });

  const cases: readonly [name: string, act: (store: ProjectStore) => void, figures: string[], shown: string | null][] = [
    ['opens on the figure that was on the stage', () => undefined, ['a', 'b', 'c'], 'b'],
    ['shows another', store => store.show('c'), ['a', 'b', 'c'], 'c'],
    ['a new figure comes last and on the stage', store => store.addFigure(figure('n')), ['a', 'b', 'c', 'n'], 'n'],
    ['its undo goes back to a neighbour', store => (store.addFigure(figure('n')), store.undo()), ['a', 'b', 'c'], 'c'],
    ['the neighbour of a removed figure takes its place', store => store.apply({ kind: 'remove-figure', figure: 'b' }), ['a', 'c'], 'c'],
    [
      'a figure that undo brings back goes on the stage',
      store => (store.apply({ kind: 'remove-figure', figure: 'b' }), store.undo()),
      ['a', 'b', 'c'],
      'b',
    ],
    [
      'no figure is left',
      store => ['a', 'b', 'c'].forEach(id => store.apply({ kind: 'remove-figure', figure: id } satisfies Edit)),
      [],
      null,
    ],
    ['an empty change is no step', store => (store.changeFigure({}), store.undo()), ['a', 'b', 'c'], 'b'],
  ];
  for (const [name, act, figures, shown] of cases)
    it(name, () => {
      act(store);
      const state = store.snapshot;
      expect([state?.history.project.figures.map(item => item.id), state?.figure]).toEqual([figures, shown]);
    });
  it('tells the tables that the brief may use', () => {
    let names: string[] = [];
    store.tables$.subscribe(list => (names = list.map(item => `${item.name} ${item.rowCount}`)));
    store.addSource('t', { name: 'tanks', rowCount: 9, columns: [] });
    store.apply({ kind: 'add-table', table: { id: 't', name: 'tanks', units: {}, edits: [], derived: [] } });
    expect(names).toEqual(['deliveries 2', 'tanks 9']);
  });
});

describe('notices', () => {
  let notices: Notices;
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    notices = TestBed.inject(Notices);
    jasmine.clock().install();
  });
  afterEach(() => jasmine.clock().uninstall());

  it('what is done leaves by itself, faults stay', () => {
    notices.done('Saved.');
    notices.fault('Broken.');
    jasmine.clock().tick(8_001);
    expect(notices.shown().map(notice => notice.text)).toEqual(['Broken.']);
  });
  it('more than three make room', () => {
    for (const text of ['1', '2', '3', '4']) notices.fault(text);
    expect(notices.shown().map(notice => notice.text)).toEqual(['2', '3', '4']);
  });
  it('its undo runs once; leaving without it runs what was held back', () => {
    const ran: string[] = [];
    notices.done('a', { undo: () => ran.push('undo a'), left: () => ran.push('left a') });
    notices.done('b', { undo: () => ran.push('undo b'), left: () => ran.push('left b') });
    notices.takeUndo(notices.shown()[0]!);
    jasmine.clock().tick(8_001);
    expect(ran).toEqual(['undo a', 'left b']);
    expect(notices.shown()).toEqual([]);
  });
});
