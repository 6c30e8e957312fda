import { afterEveryRender, ChangeDetectionStrategy, Component, DestroyRef, ElementRef, inject } from '@angular/core';
import { Notices } from '../services/telling/notices';
import { Room } from '../services/telling/room';
import { Icon } from '../ui/icon';

/** Notices over the foot of the brief, where they cover neither figure nor ledger; over the top bar where the brief is folded away, or where they would lie on what has the focus: what happened, with its undo; what went wrong, with what to do. */
@Component({
  selector: 'cb-notices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon],
  host: {
    class: 'notices',
    role: 'region',
    'aria-label': 'Notices',
    '(document:focusin)': 'settle()',
    '(document:scroll)': 'settle()',
    '(window:resize)': 'settle()',
    'data-home': '',
    '(pointerenter)': 'notices.held.set(true)',
    '(pointerleave)': 'notices.held.set(false)',
    '(focusin)': 'notices.held.set(true)',
    '(focusout)': 'notices.held.set(false)',
  },
  template: `
    @for (notice of notices.shown(); track notice.id) {
      <div
        class="pointer-events-auto max-w-[40rem] rounded-card px-4 py-2 shadow-lg"
        [class]="notice.tone === 'fault' ? 'border border-warn-ink bg-raised text-ink' : 'bg-ink text-surface'"
        role="group"
        aria-label="Notice"
        [attr.data-tone]="notice.tone"
      >
        <div class="flex items-center gap-3">
          <p class="grow">{{ notice.text }}</p>
          @if (notice.undo) {
            <button type="button" class="min-h-6 px-1 font-semibold underline underline-offset-2" (click)="notices.takeUndo(notice)">
              Undo
            </button>
          }
          @if (notice.act; as act) {
            <button
              type="button"
              class="min-h-6 shrink-0 px-1 font-semibold underline underline-offset-2"
              (click)="notices.close(notice.id); act.run()"
            >
              {{ act.label }}
            </button>
          }
          <button
            type="button"
            class="grid size-6 shrink-0 place-items-center"
            aria-label="Close the notice"
            (click)="notices.close(notice.id)"
          >
            <cb-icon name="x" />
          </button>
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
  private readonly room = inject(Room);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    // What has the focus may be moved without being focused anew: a cue that is added pushes its button down.
    afterEveryRender(() => {
      if (this.notices.shown().length > 0) this.settleSoon();
    });
    inject(DestroyRef).onDestroy(() => cancelAnimationFrame(this.soon));
  }

  private soon = 0;

  /** With the next frame, which lays the page out anyway: measured here it would be laid out twice. */
  private settleSoon(): void {
    cancelAnimationFrame(this.soon);
    this.soon = requestAnimationFrame(() => this.settle());
  }

  /** Takes the first of the two places that leaves free what has the focus. */
  protected settle(): void {
    const isUsuallyAbove = this.room.folded().brief || this.room.alone();
    const focused = document.activeElement;
    const leavesFree = (above: boolean): boolean => {
      this.host.classList.toggle('notices-above', above);
      return !focused || focused === document.body || this.host.contains(focused) || !overlap(this.host, focused);
    };
    if (leavesFree(isUsuallyAbove) || leavesFree(!isUsuallyAbove)) return;
    // A figure that is as large as the window is covered either way.
    leavesFree(isUsuallyAbove);
  }
}

function overlap(one: Element, other: Element): boolean {
  const [a, b] = [one.getBoundingClientRect(), other.getBoundingClientRect()];
  return a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
}
