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
  type ColGroupDef,
  type GridApi,
  type GridOptions,
  type SuppressKeyboardEventParams,
} from 'ag-grid-community';
import type { Cell } from 'core/table';
import { tintOf } from '../ui/tint';
import { ColumnHeader } from './column-header';
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
    effect(() => this.light(this.row()));
  }

  private options(): GridOptions<Handle> {
    return {
      theme: gridTheme,
      // The grid's own styles come before ours.
      themeCssLayer: 'base',
      rowData: [],
      getRowId: ({ data }) => String(data.row),
      rowHeight: 28,
      headerHeight: 32,
      groupHeaderHeight: 22,
      animateRows: false,
      // A screen reader reads rows in the order in which they stand.
      ensureDomOrder: true,
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

  /** New values show in this task; laying out other columns waits for the next one, so that the figure is drawn first. */
  private take(columns: readonly GridColumn[], rowCount: number): void {
    clearTimeout(this.later);
    this.waiting = null;
    const show = (): void => this.whenFree(() => this.show(columns, rowCount));
    if (shapeOf(columns) === shapeOf(this.now)) show();
    else this.later = setTimeout(show);
  }

  /** What is laid out anew would close the cell that is being typed into: it waits for it. */
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
    const sameShape = shapeOf(columns) === shapeOf(this.now);
    this.now = columns;
    if (!sameShape) this.api.setGridOption('columnDefs', this.grouped(columns));
    if (sameShape) this.showRows(rowCount);
    else this.later = setTimeout(() => this.whenFree(() => this.showRows(rowCount)));
  }

  private showRows(rowCount: number): void {
    if (rowCount !== this.rows) {
      this.rows = rowCount;
      this.api.setGridOption(
        'rowData',
        Array.from({ length: rowCount }, (_, row): Handle => ({ row })),
      );
    } else {
      this.api.refreshCells({ force: true });
      this.api.refreshClientSideRowModel('sort');
    }
  }

  /** Helper columns stand under the name of their cue. */
  private grouped(columns: readonly GridColumn[]): (ColDef<Handle> | ColGroupDef<Handle>)[] {
    const groups: (ColDef<Handle> | ColGroupDef<Handle>)[] = [];
    let last: { readonly number: number; readonly children: ColDef<Handle>[] } | null = null;
    columns.forEach((column, i) => {
      const cue = column.helper?.cue;
      const definition = this.definition(column, i);
      if (!cue) return groups.push(definition);
      if (last?.number === cue.number) return last.children.push(definition);
      last = { number: cue.number, children: [definition] };
      return groups.push({
        groupId: `cue ${cue.number}`,
        headerName: `Cue ${cue.number}: ${cue.kind}`,
        headerClass: 'ledger-group',
        marryChildren: true,
        children: last.children,
      });
    });
    return groups;
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
        onFormula: (shown: GridColumn, button: HTMLElement) => this.formula.emit({ column: shown, button }),
      },
      headerClass: column.numeric ? 'ledger-right' : '',
      valueGetter: ({ data }) => at().value(rowOf(data)),
      valueFormatter: ({ data }) => at().text(rowOf(data)) || '·',
      valueSetter: ({ data, newValue }) => this.set(rowOf(data), column.name, newValue as unknown),
      cellEditor: 'agTextCellEditor',
      cellEditorParams: { useFormatter: false },
      editable: ({ data }) => at().editable(rowOf(data)),
      comparator: compareCells,
      minWidth: column.helper ? 156 : column.numeric ? 96 : 128,
      width: column.numeric ? 118 : 140,
      flex: column.helper ? 1.2 : 1,
      sortable: true,
      resizable: true,
      suppressMovable: true,
      suppressKeyboardEvent: params => this.opensInstead(params, at()),
      cellClass: ({ data }) => this.classesOf(at(), rowOf(data)),
      ...(column.helper ? { cellStyle: { '--tint': tintOf(column.helper.colour) } } : {}),
    };
  }

  private classesOf(column: GridColumn, row: number): string[] {
    const mark = column.mark(row);
    return [
      ...(column.numeric ? ['ledger-right'] : []),
      ...(column.helper ? ['ledger-helper'] : []),
      ...(mark ? [`ledger-${mark}`] : []),
      ...(column.value(row) === null ? ['ledger-missing'] : []),
    ];
  }

  private opensInstead({ event, editing, data }: SuppressKeyboardEventParams<Handle>, column: GridColumn): boolean {
    return event.key === 'Enter' && !editing && column.opens(data?.row ?? -1);
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
    if (!shown || !data || this.api.getEditingCells().length) return;
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

const shapeOf = (columns: readonly GridColumn[]): string =>
  columns.map(column => `${column.name}|${JSON.stringify(column.helper)}`).join('\n');

/** Missing values sort last in either direction. */
function compareCells(a: Cell, b: Cell, _x: unknown, _y: unknown, descending: boolean): number {
  if (a === null || b === null) return (Number(a === null) - Number(b === null)) * (descending ? -1 : 1);
  if (typeof a === 'number' && typeof b === 'number') return a - b;
  return String(a) < String(b) ? -1 : String(a) > String(b) ? 1 : 0;
}
