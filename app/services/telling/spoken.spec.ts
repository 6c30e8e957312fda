import { cueKinds, cueFactsOf, type Cue } from 'core/cue';
import { firstFigure } from 'core/brief';
import { plainTable, PROJECT_VERSION, type Figure } from 'core/document';
import { following, historyOf, moveHistory, type HistoryMove } from 'core/document/edits';
import type { OpenState } from '../project/project-store';
import { spokenOf } from './spoken';

const facts = cueFactsOf({ category: 'hut', measures: ['milk'] });
const columns = [
  { name: 'hut', type: 'text' as const },
  { name: 'milk', type: 'number' as const },
];
const cue = (id: string): Cue => cueKinds.extremes.create(id, facts);
const figure = (id: string, name: string): Figure => ({
  ...firstFigure(id, { id: 'd', name: 'deliveries', rowCount: 2, units: {}, columns }),
  name,
  cues: [cue('a'), cue('b')],
});
const project = (id: string) => ({
  version: PROJECT_VERSION as typeof PROJECT_VERSION,
  id,
  name: `Project ${id}`,
  tables: [plainTable('d', 'deliveries')],
  figures: [figure('f', 'Milk'), figure('g', 'Fat')],
  formats: [],
  pictures: [],
  liveries: [],
  looks: [],
});
const start: OpenState = { history: historyOf(project('p')), following: following(historyOf(project('p'))), sources: {}, figure: 'f' };
const moved = (state: OpenState, move: HistoryMove, shown = state.figure): OpenState => ({
  ...state,
  history: moveHistory(state.history, move),
  figure: shown,
});
const cues = (list: Figure['cues']): HistoryMove => ({
  kind: 'edit',
  edit: { kind: 'change-figure', figure: 'f', change: { cues: list } },
});

describe('what of a change is spoken', () => {
  const off = moved(start, cues([cue('a'), { ...cue('b'), on: false }]));
  const rows: readonly [name: string, before: OpenState, after: OpenState, says: string | null | RegExp][] = [
    ['a cue switched off', start, off, 'Cue 2 off'],
    ['a cue switched on', off, moved(off, cues([cue('a'), cue('b')])), 'Cue 2 on'],
    ['a cue added', start, moved(start, cues([cue('a'), cue('n'), cue('b')])), 'Cue 2 added'],
    ['a cue removed: its notice says it', start, moved(start, cues([cue('a')])), null],
    ['undo', off, moved(off, { kind: 'undo' }), /^Undone: ./],
    ['undo taken back', moved(off, { kind: 'undo' }), moved(moved(off, { kind: 'undo' }), { kind: 'redo' }), /^Done again: ./],
    [
      'an edit where something could be done again',
      moved(off, { kind: 'undo' }),
      moved(moved(off, { kind: 'undo' }), { kind: 'edit', edit: { kind: 'rename-project', name: 'New' } }),
      null,
    ],
    ['another figure', start, { ...start, figure: 'g' }, 'Fat, 2 of 2'],
    [
      'a new figure',
      start,
      moved(start, { kind: 'edit', edit: { kind: 'add-figure', figure: figure('h', 'Cows') } }, 'h'),
      'New figure: Cows, 3 of 3',
    ],
    ['another project', start, { ...start, history: historyOf(project('q')) }, 'Opened Project q'],
    ['a word of the title', start, moved(start, { kind: 'edit', edit: { kind: 'rename-project', name: 'New' } }), null],
  ];
  for (const [name, before, after, says] of rows)
    it(name, () => {
      if (says instanceof RegExp) expect(spokenOf(before, after)).toMatch(says);
      else expect(spokenOf(before, after)).toBe(says);
    });
});
