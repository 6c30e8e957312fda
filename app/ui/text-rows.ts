import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** Rows of a table as texts: a missing one is a quiet dot, numbers stand at the right, what is cut shows whole when pointed at. */
@Component({
  selector: 'tbody[cbTextRows]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (row of rows(); track $index) {
      <tr>
        @for (cell of row; track $index) {
          <td
            class="max-w-64 truncate border-b border-hair px-2 py-1 tabular-nums"
            [class.text-right]="numbers()[$index]"
            [title]="cell ?? ''"
          >
            @if (cell === null) {
              <span class="text-soft" aria-label="missing">·</span>
            } @else {
              {{ cell }}
            }
          </td>
        }
      </tr>
    }
  `,
})
export class TextRows {
  /** Texts by row and column; null where missing. */
  readonly rows = input.required<readonly (readonly (string | null)[])[]>();
  /** Which columns hold numbers. */
  readonly numbers = input.required<readonly boolean[]>();
}
