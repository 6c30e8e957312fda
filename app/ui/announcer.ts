import { LiveAnnouncer } from '@angular/cdk/a11y';
import { inject, Injectable } from '@angular/core';

/** Tells a screen reader what has happened, once and politely: the one live region of the page. */
@Injectable({ providedIn: 'root' })
export class Announcer {
  private readonly live = inject(LiveAnnouncer);

  say(words: string): void {
    void this.live.announce(words, 'polite');
  }
}
