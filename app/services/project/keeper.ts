import { DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Leftover, News, LastSession } from 'engine';
import { auditTime, combineLatest, distinctUntilChanged, fromEvent, map, merge, switchMap } from 'rxjs';
import { EngineClient } from '../engine/engine-client';
import { takeLeftovers, writeLeftover } from './leftovers';
import { Notices } from '../telling/notices';
import { ProblemWords } from '../telling/problem-words';
import { ProjectStore } from './project-store';

// Delay before "saved" is shown, in milliseconds.
const CALM_MS = 120;

/** Hands every move to the engine's journal, tells what of it is written, and remembers which figure was on the stage. */
@Injectable({ providedIn: 'root' })
export class Keeper {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly words = inject(ProblemWords);
  private readonly whole = inject(DestroyRef);

  /** When everything done so far was in the journal, in milliseconds; null while some of it is not. */
  readonly savedAt = signal<number | null>(null);
  /** The browser's storage takes nothing. */
  readonly fails = signal(false);
  private telling: ReturnType<typeof setTimeout> | undefined;
  session: LastSession = { project: '', figures: {} };

  start(): void {
    this.engine.news$.subscribe(news => this.take(news));
    this.store.proposed$.subscribe(proposal => void this.engine.api.propose(this.store.snapshot?.history.project.id ?? '', proposal));
    this.store.open$
      .pipe(
        map(({ following }) => following.pending.length === 0),
        distinctUntilChanged(),
      )
      .subscribe(() => this.tellWritten());
    combineLatest([this.store.project$.pipe(map(project => project.id)), this.store.figure$.pipe(map(figure => figure?.id))])
      .pipe(
        distinctUntilChanged(([a, b], [c, d]) => a === c && b === d),
        auditTime(0),
        switchMap(([project, figure]) => this.remember(project, figure)),
      )
      .subscribe();
    merge(fromEvent(document, 'visibilitychange'), fromEvent(window, 'pagehide'))
      .pipe(takeUntilDestroyed(this.whole))
      .subscribe(() => this.leave());
  }

  /** Moves that earlier pages could not write. */
  leftovers(): readonly Leftover[] {
    return takeLeftovers();
  }

  private take(news: News): void {
    if (news.kind === 'storage') return this.tellStorage(news.fails);
    if (news.project !== this.store.snapshot?.history.project.id) return;
    if (news.kind === 'entries') {
      this.store.confirm(news.entries, news.sources);
      this.tellWritten();
    } else {
      this.store.refuse(news.id);
      void this.words
        .of(news.problems)
        .then(details => this.notices.fault('The last change was taken back: the project could not be read again with it.', { details }));
    }
  }

  /** Reports unwritten moves at once and written ones after a pause, so that the word does not flicker during a drag. */
  private tellWritten(): void {
    clearTimeout(this.telling);
    if (!this.isWritten || this.fails()) this.savedAt.set(null);
    else this.telling = setTimeout(() => this.savedAt.set(Date.now()), CALM_MS);
  }

  private get isWritten(): boolean {
    return this.store.snapshot?.following.pending.length === 0;
  }

  private tellStorage(fails: boolean): void {
    this.fails.set(fails);
    this.tellWritten();
  }

  /** The page may be gone in a moment: what is not in the journal yet is put where the next page finds it. */
  private leave(): void {
    const state = this.store.snapshot;
    if (state && (document.visibilityState === 'hidden' || !this.isWritten))
      writeLeftover({ project: state.history.project.id, moves: state.following.pending.map(({ proposal }) => proposal) });
  }

  private async remember(project: string, figure: string | undefined): Promise<void> {
    this.session = { project, figures: figure ? { ...this.session.figures, [project]: figure } : this.session.figures };
    await this.engine.api.saveSession(this.session);
  }
}
