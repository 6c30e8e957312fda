import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Notices } from '../services/notices';
import { Icon } from '../ui/icon';

/** Notices at the lower edge: what happened, with its undo; what went wrong, with what to do. */
@Component({
  selector: 'cb-notices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon],
  host: { class: 'pointer-events-none fixed inset-x-0 bottom-4 z-40 flex flex-col items-center gap-2', 'aria-live': 'polite' },
  template: `
    @for (notice of notices.shown(); track notice.id) {
      <div
        class="pointer-events-auto max-w-[640px] rounded-card px-4 py-2 shadow-lg"
        [class]="notice.tone === 'fault' ? 'border border-warn-ink bg-raised text-ink' : 'bg-ink text-surface'"
        [attr.role]="notice.tone === 'fault' ? 'alert' : 'status'"
      >
        <div class="flex items-center gap-3">
          <p class="grow">{{ notice.text }}</p>
          @if (notice.undo) {
            <button type="button" class="font-semibold underline underline-offset-2" (click)="notices.takeUndo(notice)">Undo</button>
          }
          <button type="button" aria-label="Close the notice" (click)="notices.close(notice.id)"><cb-icon name="x" /></button>
        </div>
        @if (notice.details.length) {
          <ul class="mt-1 max-h-32 list-disc overflow-y-auto pl-5 text-small">
            @for (detail of notice.details; track $index) {
              <li>{{ detail }}</li>
            }
          </ul>
        }
      </div>
    }
  `,
})
export class NoticeList {
  protected readonly notices = inject(Notices);
}
