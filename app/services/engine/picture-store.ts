import { ApplicationRef, inject, Injectable, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import type { Derived, Figure, Mend, Project } from 'core/document';
import type { Livery, Picture } from 'core/plan';
import type { Writing } from 'core/words';
import type { Problem } from 'core/result';
import type { CellEdit } from 'core/table';
import type { PictureAnswer, PictureNews } from 'engine';
import { receivedPlan } from 'engine/parcel';
import { combineLatest, distinctUntilChanged, filter, map, scan, shareReplay, tap, type Observable } from 'rxjs';
import { EngineClient } from './engine-client';
import { oneAtATime } from './one-at-a-time';
import { Pace } from './pace';
import { ProjectStore, type OpenState } from '../project/project-store';
import { Theme } from '../telling/theme';

/** The inputs of a picture at the time it was requested. */
export interface PictureNeed {
  readonly figure: Figure;
  readonly table: {
    readonly id: string;
    readonly edits: readonly CellEdit[];
    readonly derived: readonly Derived[];
    /** Other rows, or other mends of them, are another table. */
    readonly source: Project['tables'][number]['source'];
    readonly mends: readonly Mend[];
    /** Where it is made of others, all tables: a change in one may be one of this. */
    readonly others: Project['tables'] | null;
  };
  readonly writing: Writing;
  readonly livery: Livery;
}

/** A picture with what it was computed from, and what stands in the way of a newer one. */
export interface Shown {
  readonly ask: PictureNeed;
  readonly picture: Picture | null;
  readonly problems: readonly Problem[];
  /** The engine's number of the picture. */
  readonly number: number | null;
}

// How long a picture is computed while a newer one waits, in milliseconds: a drag is drawn as it goes, a change of mind is not held up.
const PATIENCE_MS = 150;

/** Keeps the picture of the figure on the stage in step with the project. A figure that fails keeps its last good state. */
@Injectable({ providedIn: 'root' })
export class PictureStore {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly pace = inject(Pace);

  /** The row of the frame that pointer or keyboard is on, in figure and ledger alike. */
  readonly pointedRow = signal<number | null>(null);
  /** Whether what shows is still behind what was asked for. */
  readonly isBehind = signal(true);
  private last: Shown | null = null;
  private wanted: PictureNeed | null = null;

  readonly shown$: Observable<Shown> = combineLatest([this.store.open$, toObservable(inject(Theme).livery)]).pipe(
    map(([open, livery]) => ({ need: needOf(open), livery })),
    distinctUntilChanged((a, b) => a.livery === b.livery && sameNeed(a.need, b.need)),
    map(({ need, livery }) => this.want(need && { ...need, livery })),
    filter(ask => ask !== null),
    oneAtATime<PictureNeed, PictureAnswer>({
      ask: need => this.answerTo(need),
      patience: PATIENCE_MS,
      hurry: () => void this.engine.api.giveUp(),
    }),
    scan(shownAfter, null as Shown | null),
    filter(shown => shown !== null),
    tap(shown => {
      this.last = shown;
      this.isBehind.set(shown.ask !== this.wanted);
    }),
    shareReplay({ bufferSize: 1, refCount: false }),
  );

  constructor() {
    const app = inject(ApplicationRef);
    // In the task that brought the answer, not in the next frame's: what a frame lays out and paints is enough for one task.
    this.shown$.subscribe(() =>
      queueMicrotask(() => {
        app.tick();
        this.pace.pictureCame();
      }),
    );
  }

  private want(ask: PictureNeed | null): PictureNeed | null {
    this.wanted = ask;
    this.isBehind.set(ask !== null);
    if (ask !== null) this.pace.awaitPicture();
    return ask;
  }

  private async answerTo({ figure, livery }: PictureNeed): Promise<PictureAnswer> {
    const have = this.last?.ask.figure.id === figure.id ? this.last.number : null;
    try {
      return await this.engine.api.picture({ figure: figure.id, livery, have });
    } catch (error) {
      return { kind: 'problems', problems: [{ code: 'engine-fault', words: String(error) }] };
    }
  }
}

/** The shown state after an answer: a figure that fails keeps its last picture. */
function shownAfter(
  last: Shown | null,
  { question, answer }: { readonly question: PictureNeed; readonly answer: PictureAnswer },
): Shown | null {
  const own = last?.ask.figure.id === question.figure.id ? last : null;
  switch (answer.kind) {
    case 'given-up':
      return last;
    case 'problems':
      return { ask: question, picture: own?.picture ?? null, problems: answer.problems, number: own?.number ?? null };
    case 'picture':
      return { ask: question, picture: pictureFrom(answer.news, own?.picture ?? null), problems: [], number: answer.news.number };
  }
}

/** A picture out of what is new in it and what was there before. */
function pictureFrom({ frame, applied, totals, plans, drawn, withoutValue }: PictureNews, before: Picture | null): Picture | null {
  const [whole, cues, looked] = [frame ?? before?.frame, applied ?? before?.applied, totals ?? before?.totals];
  if (!whole || !cues || !looked) return null;
  const received = plans.map((plan, at) => receivedPlan(plan, before?.plans[at]));
  return { frame: whole, applied: cues, totals: looked, plans: received, drawn, withoutValue };
}

type Need = Omit<PictureNeed, 'livery'> | null;

function needOf({ history, figure }: OpenState): Need {
  const found = history.project.figures.find(item => item.id === figure);
  return found ? askOf(history.project, found) : null;
}

/** The inputs that the engine needs for a figure of a project. */
function askOf(project: Project, found: Figure): NonNullable<Need> {
  const table = project.tables.find(item => item.id === found.data.table);
  return {
    figure: found,
    table: {
      id: found.data.table,
      edits: table?.edits ?? NO_EDITS,
      derived: table?.derived ?? NO_COLUMNS,
      source: table?.source ?? null,
      mends: table?.mends ?? NO_MENDS,
      others: table?.made ? project.tables : null,
    },
    writing: {
      units: table?.units ?? NO_UNITS,
      formats: project.formats,
      pictures: project.pictures,
      liveries: project.liveries,
      looks: project.looks,
    },
  };
}

const NO_EDITS: PictureNeed['table']['edits'] = [];
const NO_MENDS: PictureNeed['table']['mends'] = [];
const NO_COLUMNS: PictureNeed['table']['derived'] = [];
const NO_UNITS: PictureNeed['writing']['units'] = {};

function sameNeed(a: Need, b: Need): boolean {
  if (a === b) return true;
  if (a === null || b === null) return false;
  return (
    a.figure === b.figure &&
    a.table.edits === b.table.edits &&
    a.table.derived === b.table.derived &&
    a.table.source === b.table.source &&
    a.table.mends === b.table.mends &&
    a.table.others === b.table.others &&
    a.writing.units === b.writing.units &&
    a.writing.formats === b.writing.formats &&
    a.writing.liveries === b.writing.liveries &&
    a.writing.looks === b.writing.looks &&
    a.writing.pictures === b.writing.pictures
  );
}
