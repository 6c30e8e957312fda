import { computed, Injectable, signal, untracked, type Signal } from '@angular/core';

// Fast enough to be read along, slow enough that most moves of a pointer cost the figure alone, in milliseconds.
const BEAT_MS = 200;

/** While something is dragged on the stage the figure follows every move; what tells of it in words and numbers follows at a calmer pace. */
@Injectable({ providedIn: 'root' })
export class Pace {
  private readonly isHurried = signal(false);
  private readonly beat = signal(0);
  private timer: ReturnType<typeof setInterval> | undefined;

  constructor() {
    // Wherever a drag ends, and whatever has become of what was dragged.
    for (const end of ['pointerup', 'pointercancel', 'blur']) addEventListener(end, () => this.calm());
  }

  /** From now on, until the pointer is let go, there are many changes a second, none of which anybody answers but who drags. */
  hurry(): void {
    this.calm();
    this.isHurried.set(true);
    this.timer = setInterval(() => this.beat.update(count => count + 1), BEAT_MS);
  }

  /** All that lags behind is brought up to now. */
  private calm(): void {
    clearInterval(this.timer);
    this.isHurried.set(false);
  }

  /** The same as `source`, at the calmer pace during a drag. */
  follow<T>(source: Signal<T>): Signal<T> {
    return computed(() => {
      if (!this.isHurried()) return source();
      this.beat();
      return untracked(source);
    });
  }
}
