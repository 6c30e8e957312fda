import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { DRESS_PARTS, dressedLike } from 'core/brief';
import { counted } from 'core/sentence';
import { Notices } from '../services/telling/notices';
import { ProjectStore } from '../services/project/project-store';
import { TickList } from '../ui/tick-list';

/** Takes over how the figure on the stage is dressed to others, part by part, in one step of undo. */
@Component({
  selector: 'cb-dress-like',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TickList],
  host: { class: 'block w-80 max-w-full' },
  template: `
    <p class="sheet-head">Dress others like {{ name() }}: take over</p>
    <div data-home>
      <cb-tick-list what="parts" label="What is taken over" [items]="parts()" (toggled)="togglePart($event)" />
    </div>
    <p class="sheet-head mt-1 border-t border-hair pt-2">to these figures</p>
    <div class="max-h-36 overflow-y-auto">
      <cb-tick-list what="figures" label="Figures to dress" [items]="figures()" (toggled)="toggleFigure($event)" />
    </div>
    <button type="button" class="act act-loud m-2" [attr.aria-disabled]="!ready()" (click)="dress()">{{ words() }}</button>
  `,
})
export class DressLike {
  readonly done = output();
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly project = toSignal(this.store.project$);
  private readonly figure = toSignal(this.store.figure$, { initialValue: null });
  private readonly others = computed(() => (this.project()?.figures ?? []).filter(({ id }) => id !== this.figure()?.id));
  protected readonly name = computed(() => this.figure()?.name ?? '');
  private readonly partsTaken = signal<readonly string[]>(['livery', 'legend', 'lines']);
  private readonly chosen = linkedSignal<readonly string[]>(() => (this.figure() ? [] : []));
  protected readonly parts = computed(() =>
    DRESS_PARTS.map(({ name, words }) => ({ key: name, words, ticked: this.partsTaken().includes(name) })),
  );
  protected readonly figures = computed(() =>
    this.others().map(({ id, name }) => ({ key: id, words: name, ticked: this.chosen().includes(id) })),
  );
  protected readonly ready = computed(() => this.chosen().length > 0 && this.partsTaken().length > 0);
  protected readonly words = computed(() =>
    this.chosen().length ? `Dress ${counted(this.chosen().length, 'figure')}` : 'Tick the figures to dress',
  );

  protected togglePart(name: string): void {
    this.partsTaken.update(parts => toggled(parts, name));
  }

  protected toggleFigure(id: string): void {
    this.chosen.update(figures => toggled(figures, id));
  }

  protected dress(): void {
    const from = this.figure();
    if (!from || !this.ready()) return;
    const targets = this.others().filter(({ id }) => this.chosen().includes(id));
    this.store.apply({
      kind: 'all',
      edits: targets.map(to => ({ kind: 'change-figure', figure: to.id, change: dressedLike(from, to, this.partsTaken()) })),
    });
    this.notices.done(`Dressed ${counted(targets.length, 'figure')} like ${from.name}.`, { undo: () => this.store.undo() });
    this.done.emit();
  }
}

const toggled = (list: readonly string[], item: string): string[] =>
  list.includes(item) ? list.filter(other => other !== item) : [...list, item];
