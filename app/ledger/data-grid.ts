import { ChangeDetectionStrategy, Component, CSP_NONCE, DestroyRef, effect, ElementRef, inject, input, output } from '@angular/core';
import {
  CellApiModule,
  CellStyleModule,
  ClientSideRowModelApiModule,
  ClientSideRowModelModule,
  ColumnApiModule,
  ColumnAutoSizeModule,
  createGrid,
  EventApiModule,
  ModuleRegistry,
  RenderApiModule,
  RowApiModule,
  RowStyleModule,
  ScrollApiModule,
  TextEditorModule,
  type CellKeyDownEvent,
  type ColDef,
  type GridApi,
  type GridOptions,
  type SuppressKeyboardEventParams,
} from 'ag-grid-community';
import { shortened } from 'core/format';
import { ROOT_ZOOM } from '../ui/root-zoom';
import { tintOf } from '../ui/tint';
import { CellBelow } from './cell-below';
import { classesOf, compareCells, shapeOf } from './cell-classes';
import { ColumnHeader, keyOnHead } from './column-header';
import { underCues } from './cue-groups';
import type { CellAddress, CellText, GridColumn } from './grid-column';
import { gridTheme } from './grid-theme';

ModuleRegistry.registerModules([
  CellApiModule,
  CellStyleModule,
  ClientSideRowModelApiModule,
  ClientSideRowModelModule,
  ColumnApiModule,
  ColumnAutoSizeModule,
  EventApiModule,
  RenderApiModule,
  RowApiModule,
  RowStyleModule,
  ScrollApiModule,
  TextEditorModule,
]);

/** A handle on a row of the data; its values stay in their columns. */
interface Handle {
  readonly row: number;
}

/** Where a header asked for its formula: the column, and the button to hang the words at. */
export interface FormulaAsk {
  readonly column: GridColumn;
  readonly button: HTMLElement;
}

/** A data grid over columns: keyboard, typing, paste of a block, sort, widths. */
@Component({
  selector: 'cb-data-grid',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: {
    class: 'block h-full min-h-0',
    '(paste)': 'onPaste($event)',
    '(copy)': 'onCopy($event)',
    '(pointerleave)': 'pointed.emit(null)',
  },
  template: '',
})
export class DataGrid {
  readonly columns = input.required<readonly GridColumn[]>();
  readonly rowCount = input.required<number>();
  readonly row = input<number | null>(null);
  readonly label = input('Ledger');
  readonly typed = output<readonly CellText[]>();
  readonly pasted = output<{ readonly at: readonly CellAddress[][]; readonly text: string }>();
  readonly opened = output<CellAddress>();
  readonly focusedCell = output<CellAddress | null>();
  readonly pointed = output<number | null>();
  readonly formula = output<FormulaAsk>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly api: GridApi<Handle>;
  private now: readonly GridColumn[] = [];
  private rows = -1;
  private lit: number | null = null;

  constructor() {
    const nonce = inject(CSP_NONCE, { optional: true });
    this.api = createGrid<Handle>(this.host.nativeElement, { ...this.options(), ...(nonce ? { styleNonce: nonce } : {}) });
    inject(DestroyRef).onDestroy(() => this.api.destroy());
    effect(() => this.take(this.columns(), this.rowCount()));
    inject(DestroyRef).onDestroy(() => clearTimeout(this.later));
    // The page has a live region of its own: two would tell things twice.
    for (const live of this.host.nativeElement.querySelectorAll('[aria-live]')) live.removeAttribute('aria-live');
    effect(() => this.light(this.row()));
    effect(() => this.host.nativeElement.querySelector('[role="treegrid"], [role="grid"]')?.setAttribute('aria-label', this.label()));
  }

  private options(): GridOptions<Handle> {
    return {
      theme: gridTheme,
      // The grid's own styles come before ours.
      themeCssLayer: 'base',
      rowData: [],
      loading: false,
      getRowId: ({ data }) => String(data.row),
      rowHeight: 28 * ROOT_ZOOM,
      headerHeight: 32 * ROOT_ZOOM,
      groupHeaderHeight: 22 * ROOT_ZOOM,
      animateRows: false,
      // Rows placed by their tops are one layer to the browser; moved ones would each be another, at every stroke of a drag.
      suppressRowTransform: true,
      // A screen reader reads rows in the order in which they stand.
      ensureDomOrder: true,
      // One stop for Tab: arrows walk the cells.
      tabToNextCell: () => false,
      tabToNextHeader: () => false,
      stopEditingWhenCellsLoseFocus: true,
      enterNavigatesVerticallyAfterEdit: true,
      suppressDragLeaveHidesColumns: true,
      rowClassRules: { 'ledger-lit': ({ data }) => data?.row === this.lit },
      onCellMouseOver: ({ data }) => this.pointed.emit(data?.row ?? null),
      onCellFocused: () => this.focusedCell.emit(this.focus()),
      onCellDoubleClicked: () => this.openFocused(),
      onCellKeyDown: event => this.onKey(event as CellKeyDownEvent<Handle>),
      onCellEditingStopped: () => this.goOn(),
      overlayNoRowsTemplate: '<span>No rows</span>',
    };
  }

  private later: ReturnType<typeof setTimeout> | undefined;
  private waiting: (() => void) | null = null;

  /** Waits for the next task, so that the figure is drawn first and a drag is never held up; of several the last shows. */
  private take(columns: readonly GridColumn[], rowCount: number): void {
    clearTimeout(this.later);
    this.waiting = null;
    this.later = setTimeout(() => this.whenFree(() => this.show(columns, rowCount)));
  }

  /** Delays a new layout while a cell is being edited, since a layout would close its editor. */
  private whenFree(step: () => void): void {
    if (this.api.getEditingCells().length > 0) this.waiting = step;
    else step();
  }

  private goOn(): void {
    const step = this.waiting;
    this.waiting = null;
    step?.();
  }

  /** The same columns with new values keep their places, widths and sort; other columns are laid out anew. */
  private show(columns: readonly GridColumn[], rowCount: number): void {
    const before = this.now;
    const sameShape = shapeOf(columns) === shapeOf(before);
    this.now = columns;
    if (!sameShape)
      this.api.setGridOption(
        'columnDefs',
        underCues(columns, (column, i) => this.definition(column, i)),
      );
    if (sameShape) this.showRows(rowCount, before);
    else this.later = setTimeout(() => this.whenFree(() => this.showRows(rowCount, [])));
  }

  private showRows(rowCount: number, before: readonly GridColumn[]): void {
    if (rowCount !== this.rows) {
      this.rows = rowCount;
      this.api.setGridOption(
        'rowData',
        Array.from({ length: rowCount }, (_, row): Handle => ({ row })),
      );
      return;
    }
    const columns = this.changed(before);
    if (columns.length) this.api.refreshCells({ force: true, columns });
    if (this.api.getColumnState().some(({ sort }) => sort)) this.api.refreshClientSideRowModel('sort');
    this.goBelow();
  }

  private readonly below = new CellBelow();

  private follow(column: string): void {
    const at = this.api.getFocusedCell()?.rowIndex ?? -1;
    this.below.follow(this.now, this.api.getDisplayedRowAtIndex(at + 1)?.data?.row, column);
  }

  private goBelow(): void {
    const cell = this.below.take(this.now, this.rows);
    if (cell && this.host.nativeElement.contains(document.activeElement)) this.focusCell(cell);
  }

  /** Columns that look otherwise in a row that is drawn: drawing all cells anew costs more than the figure does. */
  private changed(before: readonly GridColumn[]): string[] {
    const rows = this.api.getRenderedNodes().flatMap(({ data }) => data?.row ?? []);
    const lookOf = (column: GridColumn, row: number): string => `${column.text(row)}|${classesOf(column, row).join(' ')}`;
    return this.now.flatMap((column, i) => {
      const old = before[i];
      return !old || rows.some(row => lookOf(old, row) !== lookOf(column, row)) ? [column.name] : [];
    });
  }

  private definition(column: GridColumn, index: number): ColDef<Handle> {
    const at = (): GridColumn => this.now[index] ?? column;
    const rowOf = (data: Handle | undefined): number => data?.row ?? -1;
    return {
      colId: column.name,
      headerName: column.name,
      headerComponent: ColumnHeader,
      headerComponentParams: {
        shown: column,
        onFormula: (button: HTMLElement) => this.formula.emit({ column: at(), button }),
      },
      headerClass: column.numeric ? 'ledger-right' : '',
      valueGetter: ({ data }) => at().value(rowOf(data)),
      valueFormatter: ({ data }) => shortened(at().text(rowOf(data))) || '·',
      valueSetter: ({ data, newValue }) => this.set(rowOf(data), column.name, newValue as unknown),
      // What names a row is its head.
      ...(index === 0 ? { cellAriaRole: 'rowheader' } : {}),
      cellEditor: 'agTextCellEditor',
      cellEditorParams: { useFormatter: false },
      editable: ({ data }) => at().editable(rowOf(data)),
      comparator: compareCells,
      minWidth: (column.helper ? 156 : column.numeric ? 96 : 128) * ROOT_ZOOM,
      width: (column.numeric ? 118 : 140) * ROOT_ZOOM,
      flex: column.helper ? 1.2 : 1,
      sortable: true,
      resizable: true,
      suppressMovable: true,
      suppressKeyboardEvent: params => this.opensInstead(params, at()),
      suppressHeaderKeyboardEvent: ({ event }) => keyOnHead(event),
      cellClass: ({ data }) => classesOf(at(), rowOf(data)),
      ...(column.helper ? { cellStyle: { '--tint': tintOf(column.helper.colour) } } : {}),
    };
  }

  /** Keys that the grid is not to take as its own; Enter in a cell that is typed into is its own, and told. */
  private opensInstead({ event, editing, data }: SuppressKeyboardEventParams<Handle>, column: GridColumn): boolean {
    if (event.key === 'Enter' && editing && !event.shiftKey) this.follow(column.name);
    return event.key === 'Enter' && !editing && (column.helper !== undefined || column.opens(data?.row ?? -1));
  }

  private set(row: number, column: string, value: unknown): boolean {
    const text = typeof value === 'string' || typeof value === 'number' ? String(value) : '';
    const before = this.now.find(item => item.name === column)?.value(row) ?? null;
    if (text !== String(before ?? '')) this.typed.emit([{ row, column, text }]);
    // The value comes back through the columns, computed anew; the grid itself keeps none.
    return false;
  }

  private onKey({ event, column, data }: CellKeyDownEvent<Handle>): void {
    const key = (event as KeyboardEvent | null)?.key;
    const shown = this.now.find(item => item.name === column.getColId());
    if (!shown || !data) return;
    if (this.api.getEditingCells().length) return;
    if (key === 'Enter' && shown.helper) this.formula.emit({ column: shown, button: (event as Event).target as HTMLElement });
    if (key === 'Enter' && shown.opens(data.row)) this.opened.emit({ row: data.row, column: shown.name });
    if ((key === 'Delete' || key === 'Backspace') && shown.editable(data.row))
      this.typed.emit([{ row: data.row, column: shown.name, text: '' }]);
  }

  private openFocused(): void {
    const at = this.focus();
    const column = this.now.find(item => item.name === at?.column);
    if (!at || !column?.opens(at.row)) return;
    this.api.stopEditing(true);
    this.opened.emit(at);
  }

  /** Puts the focus where it was last, or on the first cell. */
  focusLast(): void {
    const last = this.focus();
    const first = this.api.getDisplayedRowAtIndex(0)?.data;
    const [column] = this.now;
    if (last) this.focusCell(last);
    else if (first && column) this.focusCell({ row: first.row, column: column.name });
  }

  /** Puts the focus on a cell, wherever its row stands. */
  focusCell({ row, column }: CellAddress): void {
    const at = this.api.getRowNode(String(row))?.rowIndex;
    if (typeof at !== 'number') return;
    this.api.ensureIndexVisible(at);
    this.api.setFocusedCell(at, column);
  }

  /** The head of a column, brought into view. */
  headOf(column: string): HTMLElement | null {
    this.api.ensureColumnVisible(column);
    return this.host.nativeElement.querySelector(`.ag-header-cell[col-id="${CSS.escape(column)}"]`);
  }

  /** A cell on the screen; null where it is scrolled away. */
  cellAt({ row, column }: CellAddress): HTMLElement | null {
    return this.host.nativeElement.querySelector(`.ag-row[row-id="${row}"] .ag-cell[col-id="${CSS.escape(column)}"]`);
  }

  /** Opens a cell with a text in it, to be typed on. */
  typeAgain({ row, column, text }: CellText): void {
    this.focusCell({ row, column });
    const rowIndex = this.api.getFocusedCell()?.rowIndex;
    if (rowIndex === undefined) return;
    this.api.startEditingCell({ rowIndex, colKey: column });
    const field = this.cellAt({ row, column })?.querySelector('input');
    if (!field) return;
    field.value = text;
    field.select();
  }

  private focus(): CellAddress | null {
    const cell = this.api.getFocusedCell();
    const data = cell && this.api.getDisplayedRowAtIndex(cell.rowIndex)?.data;
    return cell && data ? { row: data.row, column: cell.column.getColId() } : null;
  }

  protected onPaste(event: ClipboardEvent): void {
    const cell = this.api.getFocusedCell();
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (!cell || text === '' || this.api.getEditingCells().length) return;
    event.preventDefault();
    event.stopPropagation();
    const names = this.api.getAllDisplayedColumns().map(column => column.getColId());
    const right = names.slice(names.indexOf(cell.column.getColId()));
    const below = Array.from(
      { length: this.api.getDisplayedRowCount() - cell.rowIndex },
      (_, i) => this.api.getDisplayedRowAtIndex(cell.rowIndex + i)?.data?.row ?? -1,
    );
    this.pasted.emit({ at: below.map(row => right.map(column => ({ row, column }))), text });
  }

  protected onCopy(event: ClipboardEvent): void {
    const at = this.focus();
    if (!at || this.api.getEditingCells().length) return;
    event.preventDefault();
    event.clipboardData?.setData('text/plain', String(this.now.find(column => column.name === at.column)?.value(at.row) ?? ''));
  }

  private light(row: number | null): void {
    if (this.lit === row) return;
    this.lit = row;
    const host = this.host.nativeElement;
    const node = row === null ? undefined : this.api.getRowNode(String(row));
    if (node && !host.matches(':hover')) this.api.ensureNodeVisible(node);
    // The class alone: drawing a row anew would close the cell that is being typed into.
    for (const lit of host.querySelectorAll('.ag-row.ledger-lit')) lit.classList.remove('ledger-lit');
    if (row !== null) for (const rowPart of host.querySelectorAll(`.ag-row[row-id="${row}"]`)) rowPart.classList.add('ledger-lit');
  }
}
