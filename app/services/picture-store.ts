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

const NO_AXIS = { zero: 'auto', low: null, high: null, numbers: true } as const;

/** Nothing is shown yet. */
export const EMPTY_SHOWN: Shown = {
  ask: {
    figure: {
      id: '',
      name: '',
      data: {
        table: '',
        category: '',
        step: null,
        series: null,
        panel: null,
        measures: [],
        helpers: [],
        filters: [],
        order: { by: 'table' },
        whatIfs: [],
      },
      shape: { mark: 'column', proportion: '16:9', arrange: 'side', panels: 'one' },
      cues: [],
      scales: { gridlines: true, unit: null, decimals: null, axes: { first: NO_AXIS, second: NO_AXIS }, between: 'free' },
      words: { title: '', subtitle: '' },
      view: 'cued',
    },
    table: { id: '', edits: [], derived: [] },
    writing: { units: {}, formats: [] },
    livery: { ground: '', ink: '', soft: '', hair: '', base: '', series: [], quiet: '', colours: {}, font: '' },
  },
  picture: null,
  problems: [],
};

type Need = Omit<PictureAsk, 'livery'> | null;

function needOf({ history, figure }: OpenState): Need {
  const found = history.project.figures.find(item => item.id === figure);
  return found ? askOf(history.project, found) : null;
}

/** What the engine needs to draw a figure of a project. */
export function askOf(project: Project, found: Figure): NonNullable<Need> {
  const table = project.tables.find(item => item.id === found.data.table);
  return {
    figure: found,
    table: { id: found.data.table, edits: table?.edits ?? NO_EDITS, derived: table?.derived ?? NO_COLUMNS },
    writing: { units: table?.units ?? NO_UNITS, formats: project.formats, pictures: project.pictures },
  };
}

const NO_EDITS: PictureAsk['table']['edits'] = [];
const NO_COLUMNS: PictureAsk['table']['derived'] = [];
const NO_UNITS: PictureAsk['writing']['units'] = {};

function sameNeed(a: Need, b: Need): boolean {
  if (a === b) return true;
  if (a === null || b === null) return false;
  return (
    a.figure === b.figure &&
    a.table.edits === b.table.edits &&
    a.table.derived === b.table.derived &&
    a.writing.units === b.writing.units &&
    a.writing.formats === b.writing.formats &&
    a.writing.pictures === b.writing.pictures
  );
}
