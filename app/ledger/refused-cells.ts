import { ChangeDetectionStrategy, Component, computed, effect, ElementRef, inject, input, model, signal, untracked } from '@angular/core';
import { Announcer } from '../ui/announcer';
import type { DataGrid } from './data-grid';
import type { CellText, GridColumn, RefusedText } from './grid-column';
import { nameOfRow, rowNamed } from './row-name';

// Told one by one; more are counted.
const MOST_TOLD = 5;

/** A refused text with the name of its row, which edits beside it may have moved. */
type Kept = RefusedText & { readonly name: string };

/** Texts that cells of the grid did not take: told beside the first of them, with what was typed, until they are typed again or put away. */
@Component({
  selector: 'cb-refused-cells',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(keydown.escape)': 'close($event)' },
  template: `
    @if (kept().length) {
      <div
        class="sheet absolute z-10 w-72 border-warn-ink"
        role="group"
        aria-label="Not taken"
        data-refused
        [style.left.px]="place().left"
        [style.top.px]="place().top"
      >
        <ul class="px-2 pt-1 text-warn-ink" id="refused-words">
          @for (cell of told(); track $index) {
            <li class="flex items-baseline gap-2 pb-1" data-fault>
              <span class="grow">{{ cell.words }}</span>
              <button
                type="button"
                class="act shrink-0 text-small"
                [attr.aria-label]="'Type again: ' + cell.column + ' of ' + shortName(cell)"
                (click)="again(cell)"
              >
                Type again
              </button>
            </li>
          }
        </ul>
        @if (kept().length > told().length) {
          <p class="px-2 pb-1 text-warn-ink">And {{ kept().length - told().length }} more.</p>
        }
        <div class="flex justify-end"><button type="button" class="act text-small" (click)="close()">Leave as it was</button></div>
      </div>
    }
  `,
})
export class RefusedCells {
  readonly grid = input.required<DataGrid>();
  readonly columns = input.required<readonly GridColumn[]>();
  readonly rowCount = input.required<number>();
  readonly refused = model.required<readonly RefusedText[]>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly announcer = inject(Announcer);
  protected readonly kept = signal<readonly Kept[]>([]);
  protected readonly told = computed(() => this.kept().slice(0, MOST_TOLD));
  protected readonly place = signal({ left: 0, top: 0 });

  constructor() {
    effect(() => {
      const refused = this.refused();
      untracked(() => this.take(refused));
    });
  }

  private take(refused: readonly RefusedText[]): void {
    this.marked(null);
    const columns = this.columns();
    this.kept.set(refused.map(cell => ({ ...cell, name: nameOfRow(columns, cell.row) })));
    const [first] = refused;
    if (!first) return;
    const cell = this.grid().cellAt(first);
    this.marked(cell);
    this.place.set(beside(cell, this.host.nativeElement.parentElement as HTMLElement));
    this.announcer.say(
      this.told()
        .map(({ words }) => words)
        .join(' '),
    );
  }

  /** The cell that the words are tied to. */
  private marked(cell: HTMLElement | null): void {
    for (const old of this.host.nativeElement.parentElement?.querySelectorAll('[aria-describedby="refused-words"]') ?? []) {
      old.removeAttribute('aria-describedby');
      old.removeAttribute('aria-invalid');
    }
    cell?.setAttribute('aria-invalid', 'true');
    cell?.setAttribute('aria-describedby', 'refused-words');
  }

  protected shortName({ name }: Kept): string {
    return name.split('\u0000')[0] ?? '';
  }

  /** Opens the cell with the refused text in it, wherever its row stands by now. */
  protected again(cell: Kept): void {
    const row = rowNamed(this.columns(), this.rowCount(), cell.name) ?? cell.row;
    this.refused.set([]);
    this.grid().typeAgain({ ...cell, row } satisfies CellText);
  }

  protected close(event?: Event): void {
    event?.stopPropagation();
    this.refused.set([]);
    this.grid().focusLast();
  }
}

// Beside the cell, so that neither it nor those above and below, which have the focus next, are covered.
const GAP = 6;

function beside(cell: HTMLElement | null, frame: HTMLElement): { readonly left: number; readonly top: number } {
  if (!cell) return { left: GAP, top: GAP };
  const [at, room] = [cell.getBoundingClientRect(), frame.getBoundingClientRect()];
  const width = Math.min(18 * parseFloat(getComputedStyle(document.documentElement).fontSize), room.width - 2 * GAP);
  const right = at.right - room.left + GAP;
  const left = right + width <= room.width ? right : Math.max(GAP, at.left - room.left - width - GAP);
  return { left, top: Math.max(GAP, Math.min(at.top - room.top, room.height - 96)) };
}
