import { Injectable } from '@angular/core';
import { orderDerived, type Edit } from 'core/document';
import { type Figure, type Project, type TableDoc, type TableWords } from 'core/project';
import { BehaviorSubject, distinctUntilChanged, filter, map, type Observable } from 'rxjs';
import type { OpenedProject, SourceInfo, TableAsk } from './engine-api';
import { historyOf, moveHistory, type History, type HistoryMove } from './history';

/** What is open: the project with its history, its sources, and the figure on the stage. */
export interface OpenState {
  readonly history: History;
  readonly sources: Readonly<Record<string, SourceInfo>>;
  readonly figure: string | null;
}

/** Holds the open project. Every change is an edit and one step of undo. */
@Injectable({ providedIn: 'root' })
export class ProjectStore {
  private readonly state = new BehaviorSubject<OpenState | null>(null);

  readonly open$: Observable<OpenState> = this.state.pipe(filter(state => state !== null));
  readonly project$: Observable<Project> = this.open$.pipe(
    map(state => state.history.project),
    distinctUntilChanged(),
  );
  readonly figure$: Observable<Figure | null> = this.open$.pipe(map(figureOf), distinctUntilChanged());
  readonly tables$: Observable<readonly TableWords[]> = this.open$.pipe(
    distinctUntilChanged((a, b) => a.history.project.tables === b.history.project.tables && a.sources === b.sources),
    map(tableWords),
  );

  get snapshot(): OpenState | null {
    return this.state.value;
  }

  get figure(): Figure | null {
    return this.state.value && figureOf(this.state.value);
  }

  open({ project, sources }: OpenedProject, figure?: string): void {
    const known = project.figures.some(item => item.id === figure);
    this.state.next({ history: historyOf(project), sources, figure: known ? (figure as string) : (project.figures[0]?.id ?? null) });
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

  /** A table as the engine is to see it. */
  tableAsk(id: string): TableAsk {
    const doc = this.tableDoc(id);
    return { id, edits: doc?.edits ?? [], derived: doc?.derived ?? [] };
  }

  private move(move: HistoryMove): void {
    this.change(state => withFigureThere({ ...state, history: moveHistory(state.history, move) }, state));
  }

  private change(step: (state: OpenState) => OpenState): void {
    if (this.state.value) this.state.next(step(this.state.value));
  }
}

const figureOf = ({ history, figure }: OpenState): Figure | null => history.project.figures.find(item => item.id === figure) ?? null;

/** A figure that an undo brought back goes on the stage; when the one on the stage is gone, its neighbour takes its place. */
function withFigureThere(state: OpenState, before: OpenState): OpenState {
  const now = state.history.project.figures;
  const then = before.history.project.figures;
  const added = now.find(figure => !then.some(other => other.id === figure.id));
  if (added) return { ...state, figure: added.id };
  if (now.some(figure => figure.id === state.figure)) return state;
  const place = then.findIndex(figure => figure.id === state.figure);
  return { ...state, figure: (now[Math.min(place, now.length - 1)] ?? now[0])?.id ?? null };
}

function tableWords({ history, sources }: OpenState): TableWords[] {
  return history.project.tables.flatMap(({ id, name, units, derived }) => {
    const source = sources[id];
    if (!source) return [];
    const scope = new Map(source.columns.map(column => [column.name, column.type]));
    const more = orderDerived(scope, derived).ordered.map(({ column, typed }) => ({
      ...column,
      type: typed.type === 'null' ? ('number' as const) : typed.type,
    }));
    return [{ id, name, units, rowCount: source.rowCount, columns: [...source.columns, ...more] }];
  });
}
