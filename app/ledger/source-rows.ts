import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { parseCell, pasteGrid, type TypedColumn } from 'core/io';
import { counted } from 'core/sentence';
import { messageFor } from 'core/result/words';
import { cellAt, isNumeric, textAt, type CellEdit, type Table } from 'core/table';
import { EngineClient } from '../services/engine/engine-client';
import type { Shown } from '../services/engine/picture-store';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';
import { Announcer } from '../ui/announcer';
import { DataGrid } from './data-grid';
import { editedColumn } from './ledger-columns';
import { typedColumn } from './cell-edit';
import { RefusedCells } from './refused-cells';
import { MADE_OF_OTHERS } from './cell-edit';
import type { CellAddress, CellText, GridColumn, RefusedText } from './grid-column';

/** The rows of the table behind one summed-up cell: edit one of them, or give the cell a what-if value. */
@Component({
  selector: 'cb-source-rows',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DataGrid, Icon, RefusedCells],
  host: {
    class: 'grid grid-rows-[auto_1fr] bg-surface',
    role: 'group',
    'aria-label': 'Rows behind the cell',
    '(keydown.escape)': 'onEscape($event)',
  },
  template: `
    <div class="flex flex-wrap items-center gap-2 border-b border-hair px-4 py-1 text-small">
      <button type="button" class="act" data-back (click)="closed.emit()"><cb-icon name="x" />Back to the ledger</button>
      <span
        ><b class="font-semibold">{{ name() }}</b
        >, {{ count() }}</span
      >
      <span class="grow"></span>
      @if (resettable(); as cell) {
        <button type="button" class="act" (click)="reset(cell)"><cb-icon name="undo" />Reset the cell</button>
      }
      <form class="flex items-center gap-2" (submit)="$event.preventDefault(); tryIt(field.value)">
        <label class="text-soft" for="what-if">What if {{ at().column }} were</label>
        <input
          #field
          id="what-if"
          class="field w-28"
          inputmode="decimal"
          autocomplete="off"
          [attr.aria-invalid]="fault() !== null"
          aria-describedby="what-if-fault"
          (input)="fault.set(null)"
        />
        <button type="submit" class="act">Try it</button>
      </form>
      @if (fault(); as words) {
        <p class="w-full text-right text-warn-ink" id="what-if-fault" data-fault>{{ words }}</p>
      }
    </div>
    <div class="relative min-h-0">
      <cb-data-grid
        #cells
        [columns]="columns()"
        [rowCount]="rows().length"
        [label]="'Rows behind ' + name()"
        (typed)="typed($event)"
        (pasted)="pasted($event)"
        (focusedCell)="focus.set($event)"
      />
      <cb-refused-cells [grid]="cells" [columns]="columns()" [rowCount]="rows().length" [(refused)]="refused" />
    </div>
  `,
})
export class SourceRows {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly announcer = inject(Announcer);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly shown = input.required<Shown>();
  readonly at = input.required<CellAddress>();
  readonly closed = output();
  readonly whatIf = output<CellText>();

  private readonly table = signal<Table | null>(null);
  protected readonly focus = signal<CellAddress | null>(null);
  protected readonly refused = signal<readonly RefusedText[]>([]);
  /** Row numbers of the source table. */
  protected readonly rows = computed(() => {
    const frame = this.shown().picture?.frame;
    const { row } = this.at();
    return frame ? frame.source.rows.slice(frame.source.offsets[row], frame.source.offsets[row + 1]) : new Int32Array();
  });
  protected readonly count = computed(() => counted(this.rows().length, 'row'));
  protected readonly name = computed(() => {
    const frame = this.shown().picture?.frame;
    const column = frame?.table.columns[0];
    return column ? textAt(column, this.at().row) || '(missing)' : '';
  });
  protected readonly columns = computed(() => {
    const table = this.table();
    return table && table.rowCount === this.rows().length ? table.columns.map((_, i) => this.columnAt(table, i)) : [];
  });
  protected readonly resettable = computed(() => {
    const at = this.focus();
    return at && this.isEdited(at) ? at : null;
  });

  constructor() {
    effect(() => void this.load(this.shown(), this.rows()));
    afterNextRender(() => this.host.nativeElement.querySelector<HTMLElement>('[data-back]')?.focus());
  }

  /** A cell that is being typed into takes Escape first. */
  protected onEscape(event: Event): void {
    if (event.target instanceof HTMLInputElement && event.target.closest('.ag-cell')) return;
    if (this.refused().length) {
      event.stopPropagation();
      this.refused.set([]);
    } else this.closed.emit();
  }

  protected readonly fault = signal<string | null>(null);

  /** A what-if value that is no number stays in its field, with what to do. */
  protected tryIt(text: string): void {
    const read = parseCell(text, {
      ...this.typeOf(editedColumn(this.shown(), this.at().column) ?? ''),
      name: this.at().column,
      type: 'number',
    });
    if (!read.ok || read.value === null) {
      const words = read.ok ? 'Type a number to try.' : `“${text}” is not a number. Type one to try.`;
      this.fault.set(words);
      return this.announcer.say(words);
    }
    this.whatIf.emit({ ...this.at(), text });
    this.closed.emit();
  }

  protected typed(cells: readonly CellText[]): void {
    if (this.store.tableDoc(this.tableId())?.made) return this.refused.set(cells.map(cell => ({ ...cell, words: MADE_OF_OTHERS })));
    const read = cells.map(cell => ({ cell, value: parseCell(cell.text, this.typeOf(cell.column)) }));
    const edits = read.flatMap(({ cell, value }): CellEdit[] =>
      value.ok ? [{ row: this.rows()[cell.row] ?? -1, column: cell.column, value: value.value }] : [],
    );
    if (edits.length) this.store.apply({ kind: 'edit-cells', table: this.tableId(), cells: edits });
    this.refused.set(
      read.flatMap(({ cell, value }): RefusedText[] => (value.ok ? [] : [{ ...cell, words: value.problems.map(messageFor).join(' ') }])),
    );
  }

  protected pasted({ at, text }: { readonly at: readonly CellAddress[][]; readonly text: string }): void {
    this.typed(pasteGrid(text).flatMap((texts, i) => texts.flatMap((cell, j) => (at[i]?.[j] ? [{ ...at[i][j], text: cell }] : []))));
  }

  protected reset({ row, column }: CellAddress): void {
    this.store.apply({ kind: 'reset-cells', table: this.tableId(), cells: [{ row: this.rows()[row] ?? -1, column }] });
  }

  private readonly tableId = computed(() => this.shown().ask.figure.data.table);

  private typeOf(name: string): TypedColumn {
    const column = this.store.snapshot?.sources[this.tableId()]?.columns.find(item => item.name === name);
    return column ? typedColumn(column, this.store.tableDoc(this.tableId())) : { name, type: 'text' };
  }

  private isEdited({ row, column }: CellAddress): boolean {
    return this.shown().ask.table.edits.some(edit => edit.row === this.rows()[row] && edit.column === column);
  }

  private columnAt(table: Table, index: number): GridColumn {
    const column = table.columns[index] as Table['columns'][number];
    return {
      name: column.name,
      numeric: isNumeric(column) && column.type === 'number',
      value: row => cellAt(column, row),
      text: row => textAt(column, row),
      mark: row => (this.isEdited({ row, column: column.name }) ? 'edited' : null),
      editable: () => !this.shown().ask.table.derived.some(item => item.name === column.name),
      opens: () => false,
    };
  }

  private async load({ ask }: Shown, rows: Int32Array): Promise<void> {
    this.table.set(await this.engine.api.rowsOf(ask.table.id, rows));
  }
}
