import { afterNextRender, ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output } from '@angular/core';
import { messageFor } from 'core/result/words';
import { counted } from 'core/sentence';
import type { ChangedSource } from '../services/sources/incoming';
import { Notices } from '../services/telling/notices';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';

/** A line of what changed: of which cue, and whether only a value did. */
interface ChangedLine {
  readonly cue: number | null;
  readonly words: string;
  readonly isQuiet: boolean;
}

/** What the cues of a table's figures find since it got its next source, figure by figure; it can be copied. */
@Component({
  selector: 'cb-changed-findings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon],
  host: {
    class: 'fixed inset-x-0 bottom-0 top-10 z-30 flex flex-col bg-ground',
    role: 'dialog',
    'aria-label': 'What changed in the findings',
    '(document:keydown.escape)': 'onEscape($event)',
  },
  template: `
    <div class="flex flex-wrap items-baseline gap-3 border-b border-hair px-5 py-3">
      <h2 class="text-head font-semibold">What changed in the findings</h2>
      <p class="grow text-soft">{{ changed().table }} has its new rows.</p>
      <button type="button" class="act" (click)="takeBack()"><cb-icon name="undo" />Take the new rows back</button>
      <button type="button" class="act" (click)="copy()"><cb-icon name="copy" />Copy the list</button>
      <button type="button" class="act act-loud" data-done (click)="closed.emit()"><cb-icon name="check" />Done</button>
    </div>
    <div class="min-h-0 grow overflow-y-auto px-5 py-4" data-changes tabindex="0" role="region" aria-label="The list">
      @if (changed().lost) {
        <p class="mb-3 text-warn-ink">
          {{ counted(changed().lost, 'edited cell') }} had no row of its own among the new ones and
          {{ changed().lost === 1 ? 'was' : 'were' }} left out; taking the new rows back brings
          {{ changed().lost === 1 ? 'it' : 'them' }} back.
        </p>
      }
      @for (figure of figures(); track figure.id) {
        <section class="mb-4 max-w-[46rem]">
          <h3>
            <button type="button" class="act -ml-2 font-semibold" [attr.aria-label]="'Show ' + figure.name" (click)="show(figure.id)">
              {{ figure.name }}
            </button>
          </h3>
          <ul>
            @for (line of figure.lines; track $index) {
              <li class="flex items-baseline gap-2 py-0.5" [class.text-soft]="line.isQuiet">
                @if (line.cue !== null) {
                  <span class="w-5 shrink-0 text-right text-small tabular-nums text-soft" [attr.aria-label]="'Cue ' + line.cue">{{
                    line.cue
                  }}</span>
                }
                <span>{{ line.words }}</span>
              </li>
            }
          </ul>
        </section>
      } @empty {
        <p>Every cue finds what it found before.</p>
      }
    </div>
  `,
})
export class ChangedFindings {
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  readonly changed = input.required<ChangedSource>();
  readonly closed = output();

  protected readonly counted = counted;
  protected readonly figures = computed(() =>
    this.changed().figures.map(({ figure, name, changes, problems }) => ({
      id: figure,
      name,
      lines: [
        ...problems.map((problem): ChangedLine => ({ cue: null, words: messageFor(problem), isQuiet: false })),
        ...changes.map(({ number, words, isQuiet }): ChangedLine => ({ cue: number, words, isQuiet })),
      ],
    })),
  );

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterNextRender(() => host.querySelector<HTMLElement>('[data-done]')?.focus());
  }

  protected show(figure: string): void {
    this.store.show(figure);
    this.closed.emit();
  }

  protected async copy(): Promise<void> {
    const parts = this.figures().map(({ name, lines }) => [name, ...lines.map(({ words }) => `- ${words}`)].join('\n'));
    await navigator.clipboard.writeText(parts.join('\n\n') || 'Every cue finds what it found before.');
    this.notices.done('Copied what changed in the findings.');
  }

  protected takeBack(): void {
    this.store.undo();
    this.closed.emit();
  }

  protected onEscape(event: Event): void {
    if (!event.defaultPrevented) this.closed.emit();
  }
}
