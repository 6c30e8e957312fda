import { booleanAttribute, ChangeDetectionStrategy, Component, computed, inject, input, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FigureChooser } from '../library/figure-chooser';
import { FigureActions } from '../services/figure/figure-actions';
import { Pace } from '../services/engine/pace';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';

/** The figure on the stage by name, with its place among the others; the way to the one before, the next, and the list of all. */
@Component({
  selector: 'cb-figure-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FigureChooser, Icon, Sheet],
  host: { class: 'flex min-w-0 items-center', role: 'navigation', 'aria-label': 'Figures' },
  template: `
    @if (figure(); as now) {
      <button
        type="button"
        class="act px-1"
        aria-label="Previous figure"
        aria-keyshortcuts="Alt+PageUp"
        title="Previous figure (Alt+Page up)"
        [attr.aria-disabled]="figures().length < 2"
        (click)="actions.step(-1)"
      >
        <cb-icon name="chevron-left" />
      </button>
      <button #list="cbSheet" class="act min-w-0" [cbSheet]="chooser" sheetLabel="Figures" data-figures [title]="now.name">
        <span class="truncate font-semibold" aria-current="page">{{ now.name }}</span>
        <span class="shrink-0 text-small text-soft">{{ place() }}</span><span class="sr-only">. Choose another figure</span>
        <cb-icon name="chevron-down" />
      </button>
      <ng-template #chooser let-close>
        @defer (on immediate) {
          <cb-figure-chooser (done)="close()" />
        } @placeholder {
          <p class="sheet-head w-[26rem]" tabindex="0">Loading the figures…</p>
        }
      </ng-template>
      <button
        type="button"
        class="act px-1"
        aria-label="Next figure"
        aria-keyshortcuts="Alt+PageDown"
        title="Next figure (Alt+Page down)"
        [attr.aria-disabled]="figures().length < 2"
        (click)="actions.step(1)"
      >
        <cb-icon name="chevron-right" />
      </button>
    }
    @if (!walkOnly()) {
      <button
        type="button"
        class="bar-more act ml-1 shrink-0 text-soft"
        aria-label="New figure"
        title="New figure"
        [disabled]="tables().length === 0"
        (click)="actions.create()"
      >
        <cb-icon name="plus" /><span class="bar-words">New figure</span>
      </button>
    }
  `,
})
export class FigureList {
  /** The way from figure to figure alone. */
  readonly walkOnly = input(false, { transform: booleanAttribute });
  private readonly store = inject(ProjectStore);
  protected readonly actions = inject(FigureActions);
  private readonly pace = inject(Pace);
  private readonly project = this.pace.calmly(toSignal(this.store.project$), 'words');
  private readonly list = viewChild<Sheet>('list');
  protected readonly tables = this.pace.calmly(toSignal(this.store.tables$, { initialValue: [] }), 'words');
  protected readonly figure = this.pace.calmly(toSignal(this.store.figure$, { initialValue: null }), 'words');
  protected readonly figures = computed(() => this.project()?.figures ?? []);
  protected readonly place = computed(() => {
    const at = this.figures().findIndex(item => item.id === this.figure()?.id);
    return `${at + 1} of ${this.figures().length}`;
  });

  openList(): void {
    this.list()?.open();
  }
}
