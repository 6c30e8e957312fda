import { inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { FoundRisk } from 'core/check';
import type { FindingTitle } from 'core/words';
import { catchError, from, map, of, startWith, switchMap, timer, type Observable } from 'rxjs';
import { EngineClient } from '../engine/engine-client';
import { PictureStore, type Shown } from '../engine/picture-store';

// So long a figure stands still before it is looked at, in milliseconds: while a line is dragged the engine has better to do.
const STILL_MS = 250;

/** The risks of a figure, by its id. */
interface Found {
  readonly figure: string;
  readonly risks: readonly FoundRisk[];
  /** Titles that state what its first cue found. */
  readonly titles: readonly FindingTitle[];
}

const NOTHING: Found = { figure: '', risks: [], titles: [] };

/** The risks of the figure on the stage, computed in the engine once its picture stands still. */
@Injectable({ providedIn: 'root' })
export class Risks {
  private readonly engine = inject(EngineClient);
  private last = NOTHING;

  /** Those of the figure on the stage; as they were while a change of it is looked at. */
  readonly found = toSignal(inject(PictureStore).shown$.pipe(switchMap(shown => this.after(shown))), { initialValue: NOTHING });

  private after({ ask: { figure, livery }, picture }: Shown): Observable<Found> {
    const before = this.last.figure === figure.id ? this.last : NOTHING;
    if (!picture) return of(before);
    return timer(STILL_MS).pipe(
      switchMap(() => from(this.engine.api.look(figure.id, livery))),
      catchError(() => of({ risks: [], titles: [] })),
      map(looked => (this.last = { figure: figure.id, ...looked })),
      startWith(before),
    );
  }
}
