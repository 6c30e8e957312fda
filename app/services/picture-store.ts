import { inject, Injectable, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import type { Picture } from 'core/plan';
import type { Figure, Project } from 'core/project';
import type { Problem } from 'core/result';
import { combineLatest, distinctUntilChanged, filter, map, scan, shareReplay, switchMap, type Observable } from 'rxjs';
import type { PictureAsk } from './engine-api';
import { EngineClient } from './engine-client';
import { ProjectStore, type OpenState } from './project-store';
import { Theme } from './theme';

/** A picture with what it was computed from, and what stands in the way of a newer one. */
export interface Shown {
  readonly ask: PictureAsk;
  readonly picture: Picture | null;
  readonly problems: readonly Problem[];
}

/** Keeps the picture of the figure on the stage in step with the project. A figure that fails keeps its last good state. */
@Injectable({ providedIn: 'root' })
export class PictureStore {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);

  /** The row of the frame that pointer or keyboard is on, in figure and ledger alike. */
  readonly pointedRow = signal<number | null>(null);

  readonly shown$: Observable<Shown> = combineLatest([this.store.open$, toObservable(inject(Theme).livery)]).pipe(
    map(([open, livery]) => ({ need: needOf(open), livery })),
    distinctUntilChanged((a, b) => a.livery === b.livery && sameNeed(a.need, b.need)),
    map(({ need, livery }) => need && { ...need, livery }),
    filter(ask => ask !== null),
    switchMap(async ask => ({ ask, result: await this.engine.api.picture(ask) })),
    scan<{ ask: PictureAsk; result: Awaited<ReturnType<EngineClient['api']['picture']>> }, Shown | null>((last, { ask, result }) => {
      if (result.ok) return { ask, picture: result.value, problems: [] };
      return { ask, picture: last?.ask.figure.id === ask.figure.id ? last.picture : null, problems: result.problems };
    }, null),
    filter(shown => shown !== null),
    shareReplay({ bufferSize: 1, refCount: false }),
  );
}

/** Nothing is shown yet. */
export const EMPTY_SHOWN: Shown = {
  ask: {
    figure: {
      id: '',
      name: '',
      data: { table: '', category: '', measures: [], filters: [], order: { by: 'table' }, whatIfs: [] },
      shape: { mark: 'column', proportion: '16:9' },
      cues: [],
      scales: { gridlines: true, unit: null, decimals: null },
      words: { title: '', subtitle: '' },
      view: 'cued',
    },
    edits: [],
    units: {},
    livery: { ground: '', ink: '', soft: '', hair: '', base: '', quiet: '', colours: {}, font: '' },
  },
  picture: null,
  problems: [],
};

type Need = Omit<PictureAsk, 'livery'> | null;

function needOf({ history, figure }: OpenState): Need {
  const found = history.project.figures.find(item => item.id === figure);
  return found ? { figure: found, ...tableOf(history.project, found) } : null;
}

function tableOf(project: Project, figure: Figure): { readonly edits: PictureAsk['edits']; readonly units: PictureAsk['units'] } {
  const table = project.tables.find(item => item.id === figure.data.table);
  return { edits: table?.edits ?? NONE, units: table?.units ?? {} };
}

const NONE: PictureAsk['edits'] = [];

function sameNeed(a: Need, b: Need): boolean {
  return a === b || (a !== null && b !== null && a.figure === b.figure && a.edits === b.edits && a.units === b.units);
}
