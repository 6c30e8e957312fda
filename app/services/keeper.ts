import { inject, Injectable, signal } from '@angular/core';
import { auditTime, combineLatest, concatMap, distinctUntilChanged, map, switchMap, tap } from 'rxjs';
import { EngineClient } from './engine-client';
import { ProjectStore } from './project-store';
import type { Session } from './engine-api';
import { Notices } from './notices';

// One write for a burst of edits, soon enough that a reload right after loses nothing.
const WRITE_EVERY_MS = 120;

/** Saves the project at every change, and remembers which figure was on the stage. */
@Injectable({ providedIn: 'root' })
export class Keeper {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);

  /** When the project was last saved, in milliseconds; null while a change is unsaved. */
  readonly savedAt = signal<number | null>(null);
  session: Session = { project: '', figures: {} };

  start(): void {
    this.store.project$
      .pipe(
        tap(() => this.savedAt.set(null)),
        auditTime(WRITE_EVERY_MS),
        concatMap(project => this.engine.api.save(project).catch(() => null)),
      )
      .subscribe(savedAt => this.noteSaved(savedAt));
    combineLatest([this.store.project$.pipe(map(project => project.id)), this.store.figure$.pipe(map(figure => figure?.id))])
      .pipe(
        distinctUntilChanged(([a, b], [c, d]) => a === c && b === d),
        auditTime(0),
        switchMap(([project, figure]) => this.remember(project, figure)),
      )
      .subscribe();
  }

  private noteSaved(savedAt: number | null): void {
    this.savedAt.set(savedAt);
    if (savedAt === null) this.notices.fault('The project could not be saved in this browser. Hand it over as a project file to keep it.');
  }

  private async remember(project: string, figure: string | undefined): Promise<void> {
    this.session = { project, figures: figure ? { ...this.session.figures, [project]: figure } : this.session.figures };
    await this.engine.api.saveSession(this.session);
  }
}
