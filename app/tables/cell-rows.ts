import { ApplicationRef, ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output, signal } from '@angular/core';

/** A text typed into a cell of the rows that are shown. */
export interface TypedCell {
  readonly row: number;
  readonly column: string;
  readonly text: string;
}

/** A row as it is shown: its place in the source, and its cells as texts, null where missing. */
export interface SeenRow {
  readonly row: number;
  readonly cells: readonly (string | null)[];
}

/** A column of the rows: its cells' place among a row's, and whether they are numbers and take edits. */
export interface SeenColumn {
  readonly name: string;
  readonly at: number;
  readonly isNumber: boolean;
  readonly takesEdits: boolean;
}

/** Where the keys are: a row and a column, by their places on the screen. */
interface Spot {
  readonly down: number;
  readonly across: number;
}

/** Rows of a table whose cells are walked by arrows and edited by Enter, a double click, or by typing; what is edited carries a mark. */
@Component({
  selector: 'tbody[cbCellRows]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(keydown)': 'onKey($event)', '(dblclick)': 'onDouble($event)', '(focusin)': 'onFocus($event)' },
  template: `
    @for (row of rows(); track row.row; let down = $index) {
      <tr>
        <th scope="row" class="border-b border-hair px-2 py-1 text-right text-small font-normal tabular-nums text-soft">
          {{ row.row + 1 }}
        </th>
        @for (column of columns(); track column.name; let across = $index) {
          <td
            class="max-w-64 truncate border-b border-hair px-2 py-1 tabular-nums"
            [class.text-right]="column.isNumber"
            [class.font-semibold]="isEdited(row.row, column.name)"
            [attr.data-edited]="isEdited(row.row, column.name) || null"
            [attr.data-spot]="down + ' ' + across"
            [attr.tabindex]="down === spot().down && across === spot().across ? 0 : -1"
            [title]="row.cells[column.at] ?? ''"
          >
            @if (editing() && down === spot().down && across === spot().across) {
              <input
                #field
                class="field w-full min-w-24"
                [attr.aria-label]="column.name + ', row ' + (row.row + 1)"
                [value]="start() ?? row.cells[column.at] ?? ''"
                (blur)="end(field.value, true)"
                (keydown)="onFieldKey($event, field.value)"
              />
            } @else if (row.cells[column.at] === null) {
              <span class="text-soft" aria-label="missing">·</span>
            } @else {
              {{ row.cells[column.at] }}
            }
          </td>
        }
      </tr>
    }
  `,
})
export class CellRows {
  private readonly app = inject(ApplicationRef);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly rows = input.required<readonly SeenRow[]>();
  readonly columns = input.required<readonly SeenColumn[]>();
  /** Cells that hold what was typed, as `row column`. */
  readonly edited = input.required<ReadonlySet<string>>();
  readonly typed = output<TypedCell>();
  /** Which cell the keys are at. */
  readonly at = output<{ readonly row: number; readonly column: string }>();

  private readonly wanted = signal<Spot>({ down: 0, across: 0 });
  /** Never beyond what is shown. */
  protected readonly spot = computed((): Spot => {
    const { down, across } = this.wanted();
    return { down: Math.max(0, Math.min(down, this.rows().length - 1)), across: Math.max(0, Math.min(across, this.columns().length - 1)) };
  });
  protected readonly editing = signal(false);
  /** The text that starts the edit, when a letter started it. */
  protected readonly start = signal<string | null>(null);

  protected isEdited(row: number, column: string): boolean {
    return this.edited().has(`${row} ${column}`);
  }

  protected onFocus(event: FocusEvent): void {
    const spot = spotOf(event.target);
    if (!spot) return;
    this.wanted.set(spot);
    const [row, column] = [this.rows()[spot.down], this.columns()[spot.across]];
    if (row && column) this.at.emit({ row: row.row, column: column.name });
  }

  protected onDouble(event: Event): void {
    const spot = spotOf(event.target);
    if (!spot) return;
    this.wanted.set(spot);
    this.begin(null);
  }

  protected onKey(event: KeyboardEvent): void {
    if (this.editing() || event.altKey || event.ctrlKey || event.metaKey) return;
    const { down, across } = this.spot();
    const moves: Readonly<Record<string, Spot>> = {
      ArrowDown: { down: down + 1, across },
      ArrowUp: { down: down - 1, across },
      ArrowRight: { down, across: across + 1 },
      ArrowLeft: { down, across: across - 1 },
      Home: { down, across: 0 },
      End: { down, across: this.columns().length - 1 },
      PageDown: { down: down + PAGE, across },
      PageUp: { down: down - PAGE, across },
    };
    const to = moves[event.key];
    if (to) this.go(to);
    else if (event.key === 'Enter' || event.key === 'F2') this.begin(null);
    else if (event.key === 'Delete' || event.key === 'Backspace') this.say('');
    else if (event.key.length === 1 && event.key !== ' ') this.begin(event.key);
    else return;
    event.preventDefault();
  }

  /** Enter takes what was typed and goes down, Escape leaves it. */
  protected onFieldKey(event: KeyboardEvent, text: string): void {
    event.stopPropagation();
    if (event.key === 'Enter') {
      this.end(text, true);
      this.go({ ...this.spot(), down: this.spot().down + 1 });
    } else if (event.key === 'Escape') {
      // The view behind would take it as a wish to leave.
      event.preventDefault();
      this.end(text, false);
      this.go(this.spot());
    }
  }

  protected end(text: string, takes: boolean): void {
    if (!this.editing()) return;
    this.editing.set(false);
    if (takes) this.say(text);
  }

  private say(text: string): void {
    const { down, across } = this.spot();
    const [row, column] = [this.rows()[down], this.columns()[across]];
    if (row && column?.takesEdits && text !== (row.cells[column.at] ?? '')) this.typed.emit({ row: row.row, column: column.name, text });
  }

  private begin(start: string | null): void {
    if (!this.columns()[this.spot().across]?.takesEdits) return;
    this.start.set(start);
    this.editing.set(true);
    // At once, so that the next key lands in it.
    this.app.tick();
    const field = this.host.querySelector('input');
    field?.focus();
    if (start === null) field?.select();
  }

  private go(to: Spot): void {
    this.wanted.set(to);
    const { down, across } = this.spot();
    this.host.querySelector<HTMLElement>(`[data-spot="${down} ${across}"]`)?.focus();
  }
}

const PAGE = 20;

function spotOf(target: EventTarget | null): Spot | null {
  const at = target instanceof Element ? target.closest<HTMLElement>('[data-spot]')?.dataset['spot'] : undefined;
  const [down, across] = (at ?? '').split(' ').map(Number);
  return at === undefined ? null : { down: down ?? 0, across: across ?? 0 };
}
