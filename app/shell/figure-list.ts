import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Figure } from 'core/project';
import { Notices } from '../services/notices';
import { ProjectStore } from '../services/project-store';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';

/** The project's figures by name: go to one, make one, rename, duplicate, remove. */
@Component({
  selector: 'cb-figure-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon, Sheet],
  host: { class: 'flex min-w-0 items-center gap-1', role: 'navigation', 'aria-label': 'Figures' },
  template: `
    <div class="flex min-w-0 items-center gap-1 overflow-x-auto px-1 py-1">
      @for (item of figures(); track item.id) {
        <button
          type="button"
          class="act max-w-52 shrink-0"
          [class]="item.id === figure()?.id ? 'bg-raised font-semibold' : 'text-soft'"
          [attr.aria-current]="item.id === figure()?.id ? 'page' : null"
          (click)="store.show(item.id)"
        >
          <span class="truncate">{{ item.name }}</span>
        </button>
      }
    </div>
    @if (figure(); as now) {
      <button #more="cbSheet" class="act shrink-0 px-1.5" [cbSheet]="menu" sheetLabel="Figure" [attr.aria-label]="'More for ' + now.name">
        <cb-icon name="ellipsis" />
      </button>
      <ng-template #menu let-close>
        <form class="flex gap-1 p-1" (submit)="$event.preventDefault(); rename(now, field.value); close()">
          <input #field class="field" maxlength="120" aria-label="Name of the figure" [value]="now.name" />
          <button type="submit" class="act">Rename</button>
        </form>
        <button type="button" class="row" (click)="close(); duplicate(now)"><cb-icon name="copy" />Duplicate</button>
        <button type="button" class="row" (click)="close(); remove(now)"><cb-icon name="trash" />Remove</button>
      </ng-template>
    }
    <button type="button" class="act shrink-0 text-soft" [disabled]="tables().length === 0" (click)="create()">
      <cb-icon name="plus" />New figure
    </button>
  `,
})
export class FigureList {
  protected readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly project = toSignal(this.store.project$);
  private readonly more = viewChild<Sheet>('more');
  protected readonly tables = toSignal(this.store.tables$, { initialValue: [] });
  protected readonly figure = toSignal(this.store.figure$, { initialValue: null });
  protected readonly figures = computed(() => this.project()?.figures ?? []);

  /** A first sensible figure of the table that is on the stage. */
  async create(): Promise<void> {
    const table = this.tables().find(item => item.id === this.figure()?.data.table) ?? this.tables()[0];
    if (!table) return;
    const { firstFigure } = await import('../services/figure-making');
    const figure = firstFigure(crypto.randomUUID(), table);
    this.store.addFigure({ ...figure, name: this.freeName(figure.name) });
  }

  duplicate(figure: Figure): void {
    this.store.addFigure({ ...figure, id: crypto.randomUUID(), name: this.freeName(figure.name) });
  }

  remove(figure: Figure): void {
    const at = this.figures().indexOf(figure);
    this.store.apply({ kind: 'remove-figure', figure: figure.id });
    this.notices.done(`Removed ${figure.name}.`, { undo: () => this.store.apply({ kind: 'add-figure', figure, at }) });
  }

  openMenu(): void {
    this.more()?.open();
  }

  protected rename(figure: Figure, text: string): void {
    const name = text.trim();
    if (name && name !== figure.name) this.store.apply({ kind: 'change-figure', figure: figure.id, change: { name } });
  }

  private freeName(name: string): string {
    const taken = new Set(this.figures().map(figure => figure.name));
    let free = name;
    for (let n = 2; taken.has(free); n++) free = `${name} ${n}`;
    return free;
  }
}
