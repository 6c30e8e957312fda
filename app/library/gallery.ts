import { afterNextRender, ChangeDetectionStrategy, Component, computed, effect, ElementRef, inject, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { kindOf } from 'core/cue';
import type { Figure } from 'core/document';
import { counted } from 'core/sentence';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';
import { FigureThumb } from './figure-thumb';

/** All figures of the project as pictures, each with what it emphasises: the way in for who sees them for the first time. */
@Component({
  selector: 'cb-gallery',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FigureThumb, Icon],
  host: {
    class: 'fixed inset-x-0 bottom-0 top-10 z-30 block overflow-y-auto bg-ground px-[min(2rem,4vw)] py-6',
    role: 'dialog',
    'aria-label': 'Gallery',
    '(keydown.escape)': 'closed.emit()',
  },
  template: `
    <div class="mx-auto max-w-[84rem]">
      <div class="mb-4 flex flex-wrap items-baseline gap-3">
        <h2 class="text-head font-semibold">{{ project()?.name }}</h2>
        <p class="text-soft">{{ count() }}. Open one, then change any word of its sentences.</p>
        <span class="grow"></span>
        <button type="button" class="act" data-first (click)="closed.emit()"><cb-icon name="x" />Close</button>
      </div>
      <ul class="grid grid-cols-[repeat(auto-fill,minmax(min(19rem,100%),1fr))] gap-5">
        @for (figure of figures(); track figure.id) {
          <li>
            <button
              type="button"
              class="block w-full overflow-hidden rounded-card border border-hair bg-surface text-left hover:border-accent focus-visible:border-accent"
              [attr.aria-current]="figure.id === current() ? 'true' : null"
              (click)="open(figure)"
            >
              <cb-figure-thumb class="aspect-video w-full" [figure]="figure" />
              <span class="block border-t border-hair px-3 py-2">
                <span class="block truncate font-semibold">{{ figure.name }}</span>
                <span class="block truncate text-small text-soft">{{ wordsOf(figure) }}</span>
              </span>
            </button>
          </li>
        }
      </ul>
    </div>
  `,
})
export class Gallery {
  private readonly store = inject(ProjectStore);
  readonly closed = output();
  protected readonly project = toSignal(this.store.project$);
  private readonly shown = toSignal(this.store.figure$, { initialValue: null });
  protected readonly figures = computed(() => this.project()?.figures ?? []);
  protected readonly count = computed(() => counted(this.figures().length, 'figure'));
  protected readonly current = computed(() => this.shown()?.id ?? '');

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // Escape and arrows belong to what has just opened.
    afterNextRender(() => host.querySelector<HTMLElement>('[data-first]')?.focus());
    let first: string | undefined;
    effect(() => {
      // A file that was opened meanwhile brings a project of its own: that is what the analyst wants to see.
      const now = this.project()?.id;
      first ??= now;
      if (now !== first) this.closed.emit();
    });
  }

  protected open(figure: Figure): void {
    this.store.show(figure.id);
    this.closed.emit();
  }

  /** The sentences of the figure's cues. */
  protected wordsOf({ cues }: Figure): string {
    const words = cues.filter(cue => cue.on).map(cue => kindOf(cue).kind);
    return words.length ? `Cues: ${[...new Set(words)].join(', ')}` : 'No cues';
  }
}
