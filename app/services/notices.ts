import { Injectable, signal } from '@angular/core';

/** A short word at the edge of the screen. `undo` takes back what it speaks of. */
export interface Notice {
  readonly id: number;
  readonly tone: 'done' | 'fault';
  readonly text: string;
  readonly details: readonly string[];
  readonly undo?: (() => void) | undefined;
}

export interface NoticeOptions {
  readonly details?: readonly string[];
  readonly undo?: () => void;
  /** Called when the notice leaves without its undo being taken. */
  readonly left?: () => void;
}

// Long enough to read a sentence and reach the button; faults stay until they are closed.
const DONE_MS = 8_000;

@Injectable({ providedIn: 'root' })
export class Notices {
  readonly shown = signal<readonly Notice[]>([]);
  private count = 0;
  private readonly leaving = new Map<number, () => void>();

  done(text: string, options: NoticeOptions = {}): void {
    const id = this.add('done', text, options);
    setTimeout(() => this.close(id), DONE_MS);
  }

  fault(text: string, options: NoticeOptions = {}): void {
    this.add('fault', text, options);
  }

  close(id: number): void {
    if (!this.shown().some(notice => notice.id === id)) return;
    this.shown.update(list => list.filter(notice => notice.id !== id));
    this.leaving.get(id)?.();
    this.leaving.delete(id);
  }

  takeUndo(notice: Notice): void {
    this.leaving.delete(notice.id);
    notice.undo?.();
    this.close(notice.id);
  }

  private add(tone: Notice['tone'], text: string, { details = [], undo, left }: NoticeOptions): number {
    const id = ++this.count;
    if (left) this.leaving.set(id, left);
    // More than three notices are a wall: the oldest makes room.
    const [oldest] = this.shown().length >= 3 ? this.shown() : [];
    if (oldest) this.close(oldest.id);
    this.shown.update(list => [...list, { id, tone, text, details, undo }]);
    return id;
  }
}
