import { DestroyRef, inject, Injectable, signal } from '@angular/core';
import { Announcer } from '../../ui/announcer';

/** A short word at the edge of the screen. `undo` takes back what it speaks of. */
export interface Notice {
  readonly id: number;
  readonly tone: 'done' | 'fault';
  readonly text: string;
  readonly details: readonly string[];
  readonly undo?: (() => void) | undefined;
  readonly act?: NoticeAct | undefined;
}

/** Something to do about what a notice says. */
export interface NoticeAct {
  readonly label: string;
  readonly run: () => void;
}

/** Options of a notice beside its words. */
export interface NoticeOptions {
  readonly details?: readonly string[];
  readonly undo?: () => void;
  readonly act?: NoticeAct;
}

// Long enough to read a sentence; longer where there is a button to reach; what went wrong is read more slowly, with what to do about it.
const DONE_MS = 8_000;
const UNDO_MS = 20_000;
const FAULT_MS = 40_000;
const TICK_MS = 500;

/** Short words at the edge of the screen, three at most. */
@Injectable({ providedIn: 'root' })
export class Notices {
  private readonly announcer = inject(Announcer);
  readonly shown = signal<readonly Notice[]>([]);
  private count = 0;

  constructor() {
    inject(DestroyRef).onDestroy(() => clearInterval(this.ticking));
  }

  /** Pointed at, focused, or hidden by a sheet: time stands still for what is read. */
  readonly held = signal(false);
  private readonly timeLeft = new Map<number, number>();
  private ticking: ReturnType<typeof setInterval> | undefined;

  done(text: string, options: NoticeOptions = {}): void {
    this.add('done', text, options, options.undo || options.act ? UNDO_MS : DONE_MS);
  }

  fault(text: string, options: NoticeOptions = {}): void {
    this.add('fault', text, options, FAULT_MS);
  }

  close(id: number): void {
    if (!this.shown().some(notice => notice.id === id)) return;
    this.shown.update(list => list.filter(notice => notice.id !== id));
    this.timeLeft.delete(id);
  }

  takeUndo(notice: Notice): void {
    notice.undo?.();
    this.close(notice.id);
  }

  private add(tone: Notice['tone'], text: string, { details = [], undo, act }: NoticeOptions, time: number): void {
    const id = ++this.count;
    // More than three notices are a wall: the oldest makes room.
    const [oldest] = this.shown().length >= 3 ? this.shown() : [];
    if (oldest) this.close(oldest.id);
    this.shown.update(list => [...list, { id, tone, text, details, undo, act }]);
    this.timeLeft.set(id, time);
    this.ticking ??= setInterval(() => this.tick(), TICK_MS);
    this.announcer.say([text, ...details].join(' '));
  }

  private tick(): void {
    if (this.held() || document.hidden || document.querySelector('.cdk-overlay-backdrop')) return;
    for (const [id, left] of this.timeLeft) {
      this.timeLeft.set(id, left - TICK_MS);
      if (left <= TICK_MS) this.close(id);
    }
    if (this.timeLeft.size > 0) return;
    clearInterval(this.ticking);
    this.ticking = undefined;
  }
}
