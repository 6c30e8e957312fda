import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, input, linkedSignal, output } from '@angular/core';
import { Icon } from './icon';

/** A list put in order by dragging, or by its arrow buttons. Every move is told at once. */
@Component({
  selector: 'cb-arrange-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDrag, CdkDragHandle, CdkDropList, Icon],
  template: `
    <ol cdkDropList (cdkDropListDropped)="drop($event)">
      @for (item of order(); track item) {
        <li cdkDrag class="flex items-center gap-1 rounded-sm bg-raised">
          <span cdkDragHandle class="row cursor-grab" aria-hidden="true"><cb-icon name="grip" />{{ item ?? '(missing)' }}</span>
          <button
            type="button"
            class="act p-1"
            [disabled]="$first"
            [attr.aria-label]="'Move up ' + (item ?? '(missing)')"
            (click)="move($index, -1)"
          >
            <cb-icon name="arrow-up" />
          </button>
          <button
            type="button"
            class="act p-1"
            [disabled]="$last"
            [attr.aria-label]="'Move down ' + (item ?? '(missing)')"
            (click)="move($index, 1)"
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
  protected readonly order = linkedSignal(() => [...this.items()]);

  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.put(previousIndex, currentIndex);
  }

  protected move(from: number, by: 1 | -1): void {
    this.put(from, from + by);
  }

  private put(from: number, to: number): void {
    if (from === to) return;
    const next = [...this.order()];
    moveItemInArray(next, from, to);
    this.order.set(next);
    this.arranged.emit(next);
  }
}
