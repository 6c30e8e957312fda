import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Figure } from 'core/document';
import { FigureActions } from '../services/figure/figure-actions';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';
import { ListKeys } from '../ui/list-keys';
import { FigureThumb } from './figure-thumb';

/** The project's figures as a list of small pictures under a field: found by typing, opened, put in order, renamed, duplicated, removed. */
@Component({
  selector: 'cb-figure-chooser',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDrag, CdkDragHandle, CdkDropList, FigureThumb, Icon, ListKeys],
  host: { class: 'block w-[27rem] max-w-full' },
  templateUrl: './figure-chooser.html',
})
export class FigureChooser {
  private readonly store = inject(ProjectStore);
  private readonly actions = inject(FigureActions);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly keys = viewChild.required(ListKeys);
  readonly done = output();

  private readonly project = toSignal(this.store.project$);
  private readonly shown = toSignal(this.store.figure$, { initialValue: null });
  /** Actions beside each figure. */
  protected readonly acts = [
    { name: 'Rename', icon: 'pencil', run: (figure: Figure): void => this.startNaming(figure) },
    { name: 'Duplicate', icon: 'copy', run: (figure: Figure): void => this.duplicate(figure) },
    { name: 'Remove', icon: 'trash', run: (figure: Figure): void => this.remove(figure) },
  ] as const;
  protected readonly query = signal('');
  /** The figure whose name is being written. */
  protected readonly naming = signal<string | null>(null);
  protected readonly current = computed(() => this.shown()?.id ?? '');
  protected readonly figures = computed(() => this.project()?.figures ?? []);
  protected readonly found = computed(() => {
    const words = this.query().toLowerCase().split(/\s+/).filter(Boolean);
    return this.figures().filter(({ name }) => words.every(word => name.toLowerCase().includes(word)));
  });
  /** Only the whole list can be put in order. */
  protected readonly isWhole = computed(() => this.found().length === this.figures().length);

  constructor() {
    afterNextRender(() => this.markRow(this.current()));
  }

  protected open(figure: Figure): void {
    this.store.show(figure.id);
    this.done.emit();
  }

  protected drop({ item, currentIndex }: CdkDragDrop<unknown>): void {
    this.actions.move(item.data as Figure, currentIndex);
  }

  /** Keys that do something to the marked figure; in a field with words in it Delete belongs to them. */
  protected onKey(event: KeyboardEvent): void {
    const id = this.keys().marked?.dataset['figure'];
    const figure = this.figures().find(item => item.id === id);
    const run = figure && this.keyActs[keyOf(event)];
    if (!run || event.ctrlKey || event.metaKey || (event.key === 'Delete' && this.query() !== '')) return;
    event.preventDefault();
    event.stopPropagation();
    run(figure);
  }

  private readonly keyActs: Readonly<Record<string, (figure: Figure) => void>> = {
    'Alt+ArrowUp': figure => this.move(figure, -1),
    'Alt+ArrowDown': figure => this.move(figure, 1),
    F2: figure => this.startNaming(figure),
    'Alt+Enter': figure => this.duplicate(figure),
    Delete: figure => this.remove(figure),
  };

  private move(figure: Figure, by: 1 | -1): void {
    if (!this.isWhole()) return;
    this.actions.move(figure, this.figures().indexOf(figure) + by);
    this.focusRow(figure.id);
  }

  protected startNaming(figure: Figure): void {
    this.naming.set(figure.id);
    this.afterDrawn(() => {
      const field = this.host.nativeElement.querySelector<HTMLInputElement>('[data-name]');
      field?.focus();
      field?.select();
    });
  }

  protected endNaming(figure: Figure, name: string | null): void {
    if (this.naming() === null) return;
    this.naming.set(null);
    if (name !== null) this.actions.rename(figure, name);
    this.focusRow(figure.id);
  }

  protected leaveNaming(event: Event, figure: Figure): void {
    event.preventDefault();
    event.stopPropagation();
    this.endNaming(figure, null);
  }

  protected duplicate(figure: Figure): void {
    this.actions.duplicate(figure);
    this.focusRow(this.store.figure?.id);
  }

  protected remove(figure: Figure): void {
    const at = this.found().indexOf(figure);
    const neighbour = this.found()[at + 1] ?? this.found()[at - 1];
    this.actions.remove(figure);
    if (neighbour) this.focusRow(neighbour.id);
    else this.done.emit();
  }

  private focusRow(id: string | undefined): void {
    this.afterDrawn(() => this.markRow(id));
  }

  /** The field has the focus, and the figure is the one that keys speak of. */
  private markRow(id = ''): void {
    this.keys().mark(this.host.nativeElement.querySelector(`[data-figure="${CSS.escape(id)}"]`));
  }

  private afterDrawn(act: () => void): void {
    afterNextRender(act, { injector: this.injector });
  }
}

/** "Alt+ArrowUp", "F2": a key as it is told. */
const keyOf = ({ key, altKey }: KeyboardEvent): string => (altKey ? `Alt+${key}` : key);
