import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { FoundRisk } from 'core/check';
import { counted } from 'core/sentence';
import { DroppedLabels } from '../services/figure/dropped-labels';
import { Pace } from '../services/engine/pace';
import { ProjectStore } from '../services/project/project-store';
import { Risks } from '../services/figure/risks';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';

/** The risks of the figure: a quiet count beside it, and a list with a sentence, the deciding word and the mend of each. */
@Component({
  selector: 'cb-figure-checks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon, Sheet],
  template: `
    <!-- Not taken away with the last risk: the sheet that said so hangs on it. -->
    <button
      class="act text-small text-soft"
      data-checks
      [class.invisible]="risks().length === 0"
      [cbSheet]="sheet"
      sheetLabel="What may mislead"
    >
      {{ words() }}
    </button>
    <ng-template #sheet let-close>
      <p class="sheet-head">What may mislead in this figure</p>
      <ul class="w-96 max-w-full" data-home>
        @for (risk of risks(); track risk.check + risk.key + $index) {
          <li class="border-t border-hair px-2 py-2 first:border-t-0">
            <p>{{ risk.words }}</p>
            <p class="mt-1 flex flex-wrap gap-2">
              @if (risk.mend; as mend) {
                <button type="button" class="act" (click)="take(risk)"><cb-icon name="check" />{{ mend.words }}</button>
              }
              @if (risk.key; as key) {
                <button type="button" class="act text-soft" (click)="close(); opened.emit(key)">Show the word</button>
              }
            </p>
          </li>
        } @empty {
          <li class="px-2 py-2 text-soft">Nothing is left that may mislead.</li>
        }
      </ul>
    </ng-template>
  `,
})
export class FigureChecks {
  /** The word of the brief that decides a risk is wanted, by its key. */
  readonly opened = output<string>();
  private readonly store = inject(ProjectStore);
  private readonly looked = inject(Risks);
  private readonly dropped = inject(DroppedLabels);
  private readonly figure = inject(Pace).calmly(toSignal(this.store.figure$, { initialValue: null }), 'words');

  protected readonly risks = computed(() => {
    const { figure, risks } = this.looked.found();
    return figure === this.figure()?.id ? [...risks, ...this.withoutRoom()] : [];
  });
  /** Labels that were asked for and have no room: known once the figure is laid out. */
  private readonly withoutRoom = computed((): FoundRisk[] => {
    const count = this.dropped.now().filter(({ layer }) => layer >= 0).length;
    const labels = this.figure()?.labels;
    // Of very many the engine speaks itself.
    if (count === 0 || this.looked.found().risks.some(({ check }) => check === 'too-many-labels')) return [];
    const words = `${counted(count, 'label')} ${count === 1 ? 'has' : 'have'} no room; the brief lists what is left out.`;
    const mend =
      labels && labels.what !== 'cued'
        ? { words: 'Label what the cues mark', change: { labels: { ...labels, what: 'cued' as const } } }
        : null;
    return [{ check: 'too-many-labels', words, key: 'label-what', mend }];
  });
  protected readonly words = computed(() => `${counted(this.risks().length, 'check')}`);

  protected take({ mend }: FoundRisk): void {
    if (mend) this.store.changeFigure(mend.change);
  }
}
