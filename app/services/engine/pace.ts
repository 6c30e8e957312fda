import { ApplicationRef, computed, inject, Injectable, linkedSignal, signal, untracked, type Signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { fromEvent, merge } from 'rxjs';

// Fast enough to be read along, slow enough that most moves of a pointer cost the figure alone, in milliseconds: who follows takes every second beat.
const BEAT_MS = 100;
// The longest time that words wait for their picture, in milliseconds: too short to be felt.
const WAIT_MS = 40;
// Input events that flush pending updates, so that no handler sees stale state.
const INPUTS = ['keydown', 'pointerdown', 'click', 'input', 'change', 'drop', 'paste', 'focusin'] as const;

const KEPT = Symbol('kept');

/** The group of followers that are updated in one task. */
export type Turn = 'words' | 'numbers';

/**
 * What tells of a figure in words and numbers follows the figure at a pace of its own: while something is dragged on the stage, calmly; after an edit, in the
 * frame after the one that shows the new picture, since both in one frame make the picture late.
 */
@Injectable({ providedIn: 'root' })
export class Pace {
  private readonly app = inject(ApplicationRef);
  private readonly isHurried = signal(false);
  private readonly isHeld = signal(false);
  private readonly beats: Readonly<Record<Turn, ReturnType<typeof signal<number>>>> = { words: signal(0), numbers: signal(0) };
  private timer: ReturnType<typeof setInterval> | undefined;
  private waiting: ReturnType<typeof setTimeout> | undefined;
  private acts: (() => void)[] = [];

  constructor() {
    // Wherever a drag ends, and whatever has become of what was dragged.
    const ends = ['pointerup', 'pointercancel', 'blur'].map(name => fromEvent(window, name));
    merge(...ends)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.calm());
    merge(...INPUTS.map(name => fromEvent(window, name, { capture: true })))
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.release());
  }

  /** From now on, until the pointer is let go, there are many changes a second, none of which anybody answers but who drags. */
  hurry(): void {
    this.calm();
    this.isHurried.set(true);
    let count = 0;
    this.timer = setInterval(() => this.beat(count++ % 2 ? 'words' : 'numbers'), BEAT_MS);
  }

  /** A picture is on its way: words keep what they say until it is there, or until it takes too long. */
  awaitPicture(): void {
    // What waits already waits no longer for another picture.
    if (untracked(this.isHeld) || untracked(this.isHurried)) return;
    this.isHeld.set(true);
    this.waiting = setTimeout(() => this.release(), WAIT_MS);
  }

  /** The picture is there: its frame comes first, then the words. A page that is not seen has no frames: there they wait for their time. */
  pictureCame(): void {
    if (untracked(this.isHeld)) requestAnimationFrame(() => setTimeout(() => this.release()));
  }

  /** Acts once all that follows is up to now: at once where nothing waits. */
  whenUpToNow(act: () => void): void {
    if (untracked(this.isHeld)) this.acts.push(act);
    else act();
  }

  /** In a task of its own, not in the next frame's: what a frame lays out and paints is enough for one task. */
  private beat(turn: Turn): void {
    this.beats[turn].update(count => count + 1);
    this.app.tick();
  }

  /** All that waits for a picture is brought up to now. */
  private release(): void {
    clearTimeout(this.waiting);
    this.isHeld.set(false);
    for (const act of this.acts.splice(0)) act();
  }

  /** All that lags behind is brought up to now. */
  private calm(): void {
    clearInterval(this.timer);
    this.isHurried.set(false);
  }

  /** The same as `source`; during a drag at the calmer pace, so that a move is not looked at by who does not show it. */
  calmly<T>(source: Signal<T>, turn: Turn): Signal<T> {
    return computed(() => {
      if (!this.isHurried()) return source();
      this.beats[turn]();
      return untracked(source);
    });
  }

  /** The same as `source`, at the calmer pace during a drag, and after the picture once there is an edit. */
  follow<T>(source: Signal<T>, turn: Turn): Signal<T> {
    const paced = this.calmly(source, turn);
    return linkedSignal<T | typeof KEPT, T>({
      source: () => (this.isHeld() ? KEPT : paced()),
      computation: (now, before) => (now !== KEPT ? now : before ? before.value : untracked(paced)),
    }).asReadonly();
  }
}
