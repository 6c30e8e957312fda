import { inject, Injectable } from '@angular/core';
import { counted } from 'core/sentence';
import { filter, pairwise } from 'rxjs';
import { Announcer } from '../../ui/announcer';
import { Pace } from '../engine/pace';
import { PictureStore, type Shown } from '../engine/picture-store';
import { ProjectStore } from '../project/project-store';
import { spokenOf } from './spoken';

/** Tells a screen reader what a change did. */
@Injectable({ providedIn: 'root' })
export class Announcements {
  private readonly announcer = inject(Announcer);
  private readonly pace = inject(Pace);

  constructor() {
    inject(ProjectStore)
      .open$.pipe(pairwise())
      .subscribe(([before, after]) => {
        const words = spokenOf(before, after);
        // Whoever listens hears it a moment later; a live region that changes at once costs the picture a frame.
        if (words) queueMicrotask(() => this.pace.whenUpToNow(() => this.announcer.say(words)));
      });
    inject(PictureStore)
      .shown$.pipe(
        filter(({ picture }) => picture !== null),
        pairwise(),
      )
      .subscribe(([before, after]) => {
        const words = rowsWords(before, after);
        if (words) this.announcer.say(words);
      });
  }
}

/** How many rows a change of filters has left. */
export function rowsWords(before: Shown, after: Shown): string | null {
  const [was, is] = [before.ask.figure, after.ask.figure];
  if (was.id !== is.id || was.data.filters === is.data.filters) return null;
  const rows = after.picture?.frame.table.rowCount ?? 0;
  return rows === 0 ? 'No row passes the filters' : `${counted(rows, 'row')} left`;
}
