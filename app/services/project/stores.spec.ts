import { TestBed } from '@angular/core/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import type { Edit } from 'core/document/edits';
import { firstFigure } from 'core/brief';
import { plainTable, PROJECT_VERSION, type Figure, type Project } from 'core/document';
import { Notices } from '../telling/notices';
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
  version: PROJECT_VERSION,
  id: 'p',
  name: 'one',
  tables: [plainTable('d', 'deliveries')],
  formats: [],
  pictures: [],
  liveries: [],
  looks: [],
  figures: [figure('a'), figure('b'), figure('c')],
};
const sources = { d: { name: 'deliveries', rowCount: 2, columns: table.columns } };

describe('the project store', () => {
  let store: ProjectStore;
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    store = TestBed.inject(ProjectStore);
    store.open({ project, entries: [], sources }, 'b');
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
    store.apply({
      kind: 'add-table',
      table: plainTable('t', 'tanks'),
    });
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
  it('one that can be undone stays for twenty seconds that it can be read in; its undo runs once', () => {
    const ran: string[] = [];
    notices.done('a', { undo: () => ran.push('undo a') });
    notices.done('b', { undo: () => ran.push('undo b') });
    notices.takeUndo(notices.shown()[0]!);
    jasmine.clock().tick(19_000);
    expect([ran, notices.shown().length]).toEqual([['undo a'], 1]);
    notices.held.set(true);
    jasmine.clock().tick(60_000);
    expect(notices.shown().length).toBe(1);
    notices.held.set(false);
    jasmine.clock().tick(1_001);
    expect(notices.shown()).toEqual([]);
  });
});
