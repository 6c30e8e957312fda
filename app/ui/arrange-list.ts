import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, inject, input, linkedSignal, output } from '@angular/core';
import { Announcer } from './announcer';
import { Icon } from './icon';

/** A list put in order by dragging, or by its arrow buttons. Every move is told at once. */
@Component({
  selector: 'cb-arrange-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDrag, CdkDragHandle, CdkDropList, Icon],
  template: `
    <ol cdkDropList data-home (cdkDropListDropped)="drop($event)">
      @for (item of order(); track item) {
        <li cdkDrag class="flex items-center gap-1 rounded-sm bg-raised">
          <span cdkDragHandle class="row cursor-grab" aria-hidden="true"><cb-icon name="grip" />{{ item ?? '(missing)' }}</span>
          <button
            type="button"
            class="act p-1"
            [attr.aria-disabled]="$first"
            [attr.aria-label]="'Move up ' + (item ?? '(missing)')"
            (click)="move(item, -1)"
          >
            <cb-icon name="arrow-up" />
          </button>
          <button
            type="button"
            class="act p-1"
            [attr.aria-disabled]="$last"
            [attr.aria-label]="'Move down ' + (item ?? '(missing)')"
            (click)="move(item, 1)"
          >
            <cb-icon name="arrow-down" />
          </button>
        </li>
      }
    </ol>
  `,
})
export class ArrangeList {
  readonly items = input.required<readonly (string | null)[]>();
  readonly arranged = output<readonly (string | null)[]>();
  private readonly announcer = inject(Announcer);
  protected readonly order = linkedSignal(() => [...this.items()]);

  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.put(previousIndex, currentIndex);
  }

  /** By the item, not by its place: a second press may come before the first is drawn. */
  protected move(item: string | null, by: 1 | -1): void {
    const from = this.order().indexOf(item);
    if (from >= 0) this.put(from, from + by);
  }

  private put(from: number, to: number): void {
    if (from === to || to < 0 || to >= this.order().length) return;
    const next = [...this.order()];
    moveItemInArray(next, from, to);
    this.order.set(next);
    this.arranged.emit(next);
    this.announcer.say(`${next[to] ?? '(missing)'} moved to place ${to + 1} of ${next.length}`);
  }
}
