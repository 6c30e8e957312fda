import { Injectable } from '@angular/core';
import {
  confirm,
  following,
  historyOf,
  propose,
  refuse,
  type Edit,
  type Entry,
  type Following,
  type History,
  type HistoryMove,
  type Proposal,
} from 'core/document/edits';
import type { TableFacts } from 'core/brief';
import type { Figure, Project, TableDoc } from 'core/document';
import { BehaviorSubject, distinctUntilChanged, filter, from, map, of, Subject, switchMap, type Observable } from 'rxjs';
import type { OpenedProject, SourceInfo, Sources } from 'engine';

/** The open project with its history, its sources, and the figure on the stage. */
export interface OpenState {
  readonly history: History;
  /** The history with what of it the journal has. */
  readonly following: Following;
  readonly sources: Sources;
  readonly figure: string | null;
}

/** Holds the open project. Every change is an edit and one step of undo. */
@Injectable({ providedIn: 'root' })
export class ProjectStore {
  private readonly state = new BehaviorSubject<OpenState | null>(null);

  private readonly proposed = new Subject<Proposal>();

  /** The moves made in this page, in order. */
  readonly proposed$: Observable<Proposal> = this.proposed;
  readonly open$: Observable<OpenState> = this.state.pipe(filter(state => state !== null));
  readonly project$: Observable<Project> = this.open$.pipe(
    map(state => state.history.project),
    distinctUntilChanged(),
  );
  readonly figure$: Observable<Figure | null> = this.open$.pipe(map(figureOf), distinctUntilChanged());
  readonly tables$: Observable<readonly TableFacts[]> = this.open$.pipe(
    distinctUntilChanged((a, b) => a.history.project.tables === b.history.project.tables && a.sources === b.sources),
    switchMap(tableWords),
  );

  get snapshot(): OpenState | null {
    return this.state.value;
  }

  get figure(): Figure | null {
    return this.state.value && figureOf(this.state.value);
  }

  open({ project, entries, sources }: OpenedProject, figure?: string): void {
    const state = confirm(following(historyOf(project)), entries);
    const { figures } = state.history.project;
    const known = figures.some(item => item.id === figure);
    this.state.next({ history: state.history, following: state, sources, figure: known ? (figure as string) : (figures[0]?.id ?? null) });
  }

  addSource(id: string, info: SourceInfo): void {
    this.change(state => ({ ...state, sources: { ...state.sources, [id]: info } }));
  }

  /** @param key edits in a row with one key are one step of undo */
  apply(edit: Edit, key?: string): void {
    this.move({ kind: 'edit', edit, key });
  }

  /** Changes the figure on the stage. */
  changeFigure(change: Partial<Omit<Figure, 'id'>>): void {
    const { figure } = this;
    if (figure && Object.keys(change).length) this.apply({ kind: 'change-figure', figure: figure.id, change });
  }

  /** Puts a figure at the end of the project and on the stage. */
  addFigure(figure: Figure): void {
    this.apply({ kind: 'add-figure', figure });
    this.show(figure.id);
  }

  undo(): void {
    this.move({ kind: 'undo' });
  }

  redo(): void {
    this.move({ kind: 'redo' });
  }

  /** Puts a figure on the stage; where one looks is not a step of undo. */
  show(figure: string): void {
    this.change(state => ({ ...state, figure }));
  }

  tableDoc(id: string): TableDoc | undefined {
    return this.state.value?.history.project.tables.find(table => table.id === id);
  }

  /** Takes what the journal holds now: what was done here is kept, what another tab did comes in. */
  confirm(entries: readonly Entry[], sources: Sources): void {
    // Most news has no new source: those that are the same stay the same, since all that speaks of tables follows from them.
    const all = (known: Sources): Sources => (Object.keys(sources).length ? { ...known, ...sources } : known);
    this.change(state => withFigureThere(followedTo(state, confirm(state.following, entries), all(state.sources)), state));
  }

  /** Takes back what cannot be kept. */
  refuse(id: string): void {
    this.change(state => withFigureThere(followedTo(state, refuse(state.following, id), state.sources), state));
  }

  private move(move: HistoryMove): void {
    if (!this.state.value) return;
    const proposal = { id: crypto.randomUUID(), move };
    // The engine hears of it before anything asks for what follows from it.
    this.proposed.next(proposal);
    this.change(state => withFigureAdded(followedTo(state, propose(state.following, proposal), state.sources), state));
  }

  private change(step: (state: OpenState) => OpenState): void {
    if (this.state.value) this.state.next(step(this.state.value));
  }
}

const followedTo = (state: OpenState, now: Following, sources: Sources): OpenState => ({
  ...state,
  history: now.history,
  following: now,
  sources,
});

const figureOf = ({ history, figure }: OpenState): Figure | null => history.project.figures.find(item => item.id === figure) ?? null;

/** A figure that came by what was done here goes on the stage: a new one, or one that undo brought back. */
function withFigureAdded(state: OpenState, before: OpenState): OpenState {
  const then = before.history.project.figures;
  const added = state.history.project.figures.find(figure => !then.some(other => other.id === figure.id));
  return added ? { ...state, figure: added.id } : withFigureThere(state, before);
}

/** When the figure on the stage is gone, its neighbour takes its place. */
function withFigureThere(state: OpenState, before: OpenState): OpenState {
  const now = state.history.project.figures;
  if (now.some(figure => figure.id === state.figure)) return state;
  const place = before.history.project.figures.findIndex(figure => figure.id === state.figure);
  return { ...state, figure: (now[Math.min(place, now.length - 1)] ?? now[0])?.id ?? null };
}

/**
 * The facts about tables that the brief needs. Types of derived columns follow from their formulas; the code that reads those loads only when there are
 * any.
 */
function tableWords(state: OpenState): Observable<readonly TableFacts[]> {
  const isPlain = state.history.project.tables.every(({ derived, order, hidden }) => derived.length + order.length + hidden.length === 0);
  if (isPlain) return of(tablesOf(state, columns => columns));
  return from(import('../figure/derived-words')).pipe(map(({ columnsOf }) => tablesOf(state, columnsOf)));
}

type Widen = (columns: SourceInfo['columns'], table: TableDoc) => TableFacts['columns'];

const tablesOf = ({ history, sources }: OpenState, widen: Widen): TableFacts[] =>
  history.project.tables.flatMap(table => {
    const { id, name, units } = table;
    const source = sources[id];
    return source ? [{ id, name, units, rowCount: source.rowCount, columns: widen(source.columns, table) }] : [];
  });
