import { PROJECT_VERSION, type Project } from 'core/document';
import { confirm, following, historyOf, moveHistory, propose, refuse, type Entry, type History, type HistoryMove } from './index';

const project: Project = {
  version: PROJECT_VERSION,
  id: 'p',
  name: 'one',
  tables: [],
  figures: [],
  formats: [],
  pictures: [],
  liveries: [],
  looks: [],
};
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

describe('following a journal', () => {
  const own = (name: string) => ({ id: `own ${name}`, move: rename(name) });
  const entry = (key: number, id: string, name: string): Entry => ({ key, id, move: rename(name) });
  const start = following(historyOf(project));
  const two = ['two', 'three'].map(own).reduce(propose, start);

  it('what is done here shows at once, and is pending', () => {
    expect([two.history.project.name, two.confirmed.project.name, two.pending.length]).toEqual(['three', 'one', 2]);
  });
  it('its own moves, confirmed in order, change nothing that is seen', () => {
    const state = confirm(two, [entry(1, 'own two', 'two')]);
    expect(state.history).toBe(two.history);
    expect([state.confirmed.project.name, state.pending.length]).toEqual(['two', 1]);
  });
  it('a move of another tab comes in below what is pending', () => {
    const state = confirm(two, [entry(1, 'other', 'theirs'), entry(2, 'own two', 'two')]);
    expect([state.history.project.name, state.confirmed.project.name, state.pending.length]).toEqual(['three', 'two', 1]);
    expect(state.history.past.map(({ words }) => words)).toEqual(['theirs', 'two', 'three'].map(name => `renamed the project to ${name}`));
  });
  it('two tabs that did different things end alike', () => {
    const journal = [entry(1, 'own a', 'a'), entry(2, 'own b', 'b'), { key: 3, id: 'own u', move: { kind: 'undo' as const } }];
    const [first, second] = [confirm(propose(start, own('a')), journal), confirm(propose(start, own('b')), journal)];
    expect([first.history.project, first.pending.length]).toEqual([second.history.project, 0]);
    expect(first.history.project.name).toBe('a');
  });
  it('a refused move is taken back, what came after stays', () => {
    const state = refuse(two, 'own two');
    expect([state.history.project.name, state.history.past.length, state.pending.length]).toEqual(['three', 1, 1]);
  });
});
