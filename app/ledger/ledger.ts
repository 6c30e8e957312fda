import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  Injector,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { keyOf, type Frame } from 'core/frame';
import { pasteGrid } from 'core/io';
import { counted } from 'core/sentence';
import { columnOf, type Column } from 'core/table';
import { Pace } from '../services/engine/pace';
import { Handover } from '../handover/handover';
import { PictureStore } from '../services/engine/picture-store';
import { EMPTY_SHOWN } from './empty-shown';
import { ProjectStore } from '../services/project/project-store';
import { Room } from '../services/telling/room';
import { RowsAsked } from '../services/engine/rows-asked';
import { Icon } from '../ui/icon';
import { RadioKeys } from '../ui/radio-keys';
import { tintOf } from '../ui/tint';
import { changesFor, resetFor } from './cell-edit';
import { DataGrid, type FormulaAsk } from './data-grid';
import type { CellAddress, CellText, GridColumn, RefusedText } from './grid-column';
import { ledgerColumns, sourceCount } from './ledger-columns';
import { PART_LABELS, partsOf, shownPart, type LedgerPart } from './ledger-part';
import { RefusedCells } from './refused-cells';
import { SourceRows } from './source-rows';

/** The frame as a table: data columns first, then each cue's helper columns. */
@Component({
  selector: 'cb-ledger',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DataGrid, Icon, RadioKeys, RefusedCells, SourceRows],
  host: {
    class: 'relative grid h-full min-h-0 grid-rows-[auto_1fr] bg-surface',
    role: 'region',
    'aria-label': 'Ledger',
    '(keydown.escape)': 'onEscape()',
  },
  templateUrl: './ledger.html',
})
export class Ledger {
  private readonly store = inject(ProjectStore);
  private readonly pictures = inject(PictureStore);
  private readonly handover = inject(Handover);
  private readonly injector = inject(Injector);

  private readonly pace = inject(Pace);
  protected readonly shown = this.pace.follow(toSignal(this.pictures.shown$, { initialValue: EMPTY_SHOWN }), 'numbers');
  private readonly chosenPart = signal<LedgerPart>('cells');
  protected readonly parts = computed(() => (this.figure() ? partsOf(this.shown()) : []));
  /** Cells, when no cue looks at the totals that were chosen any more. */
  readonly part = computed(() => (this.parts().includes(this.chosenPart()) ? this.chosenPart() : 'cells'));
  protected readonly partLabels = PART_LABELS;
  private readonly seen = computed(() => shownPart(this.shown(), this.part()));
  private readonly figure = this.pace.follow(toSignal(this.store.figure$, { initialValue: null }), 'numbers');
  protected readonly row = this.pictures.pointedRow;
  private readonly grid = viewChild.required(DataGrid);
  private readonly place = viewChild.required<ElementRef<HTMLElement>>('place');
  protected readonly columns = computed(() => {
    const columns = this.figure() ? ledgerColumns(this.seen()) : [];
    // A total is computed from the rows behind it.
    return this.part() === 'cells' ? columns : columns.map(column => ({ ...column, editable: () => false }));
  });
  /** Cues whose helper columns are not shown; where one looks is not part of the document. */
  protected readonly hidden = signal<ReadonlySet<string>>(new Set());
  private readonly cues = computed(() => (this.figure() ? (this.seen().picture?.applied ?? []) : []));
  protected readonly visible = computed(() => {
    const gone = new Set(this.cues().flatMap(({ cue, number }) => (this.hidden().has(cue.id) ? [number] : [])));
    return this.columns().filter(({ helper }) => !helper?.cue || !gone.has(helper.cue.number));
  });
  protected readonly cueHeads = computed(() =>
    this.cues().flatMap(({ cue, number, helpers }) => {
      const own = this.columns().filter(column => column.helper?.cue?.number === number);
      const tint = tintOf(own.find(column => column.helper?.colour)?.helper?.colour ?? null);
      return helpers.length ? [{ id: cue.id, number, kind: cue.kind, tint }] : [];
    }),
  );
  protected readonly rowCount = computed(() => (this.figure() ? (this.seen().picture?.frame.table.rowCount ?? 0) : 0));
  protected readonly focus = signal<CellAddress | null>(null);
  /** Texts of the last input that were refused. */
  protected readonly refused = signal<readonly RefusedText[]>([]);
  /** The summed-up cell whose rows stand open, by its category: edits may move its row. */
  private readonly openedCell = signal<OpenedCell | null>(null);
  protected readonly opened = computed(() => addressOf(this.shown().picture?.frame, this.openedCell()));
  private readonly asked = signal<(FormulaAsk & { readonly left: number; readonly top: number }) | null>(null);
  /** The formula that was asked for, as it reads now: a change of the brief may come a moment later. */
  protected readonly formula = computed(() => {
    const asked = this.asked();
    const column = this.columns().find(({ name }) => name === asked?.column.name);
    return asked && column ? { ...asked, column } : null;
  });

  /** The cell in focus in words, and what can be done with it. */
  protected readonly about = computed(() => {
    const [at, frame] = [this.focus(), this.seen().picture?.frame];
    const column = this.columns().find(item => item.name === at?.column);
    if (!at || !frame || !column || at.row >= this.rowCount()) return null;
    const mark = column.mark(at.row);
    const isTotal = this.part() !== 'cells';
    const sums = column.opens(at.row) ? `sums up ${counted(sourceCount(frame, at.row), 'row')}` : '';
    const words = {
      'what-if': 'a what-if value, in this figure alone',
      edited: 'edited; the source keeps its value',
      'edited-below': `${sums}, some edited`,
    };
    const name = this.columns()[0]?.text(at.row) || '(missing)';
    return {
      at,
      label: `${name}, ${at.column}`,
      words: isTotal ? 'a total, computed from its rows' : mark ? words[mark] : sums,
      opens: column.opens(at.row),
      resets: mark === 'what-if' || mark === 'edited',
    };
  });

  constructor() {
    // What was open on one figure says nothing of the next.
    const shownId = computed(() => this.figure()?.id);
    effect(() => {
      shownId();
      untracked(() => {
        this.openedCell.set(null);
        this.asked.set(null);
        this.refused.set([]);
      });
    });
    const asked = inject(RowsAsked);
    const room = inject(Room);
    effect(() => {
      const mark = asked.mark();
      if (!mark) return;
      untracked(() => {
        asked.mark.set(null);
        room.fold('ledger', false);
        this.chosenPart.set('cells');
        const measures = this.shown().picture?.frame.measures ?? [];
        this.open({ row: mark.row, column: measures.includes(mark.measure) ? mark.measure : (measures[0] ?? mark.measure) });
      });
    });
  }

  /** Helper columns by name, for the search for actions. */
  readonly helperNames = computed(() => this.visible().flatMap(({ name, helper }) => (helper ? [name] : [])));

  /** Shows the formula of a helper column under its head. */
  showFormulaOf(name: string): void {
    const column = this.columns().find(item => item.name === name);
    const button = this.grid().headOf(name);
    if (column && button) this.showFormula({ column, button }, this.place().nativeElement);
  }

  copySqlOf(name: string): void {
    const column = this.columns().find(item => item.name === name);
    if (column) void this.copySql(column);
  }

  focusCells(): void {
    this.grid().focusLast();
  }

  protected open({ row, column }: CellAddress): void {
    const frame = this.shown().picture?.frame;
    if (frame) this.openedCell.set({ by: frame.category, keys: keysAt(frame, row), column });
  }

  /** Closes the open rows; focus goes back to the cell that they stand for. */
  protected closeRows(): void {
    const at = this.opened();
    this.openedCell.set(null);
    // The grid under the rows takes focus again only once it is drawn without them.
    if (at) afterNextRender(() => this.grid().focusCell(at), { injector: this.injector });
  }

  protected typed(cells: readonly CellText[]): void {
    if (this.part() !== 'cells') return this.refused.set(cells.map(cell => ({ ...cell, words: NO_CELL })));
    const { figure } = this.shown().ask;
    const source = this.store.snapshot?.sources[figure.data.table];
    if (!source) return;
    const { edit, refused } = changesFor(this.shown(), source, cells, this.store.tableDoc(this.shown().ask.figure.data.table));
    this.refused.set(refused);
    if (edit) this.store.apply(edit);
  }

  protected pasted({ at, text }: { readonly at: readonly CellAddress[][]; readonly text: string }): void {
    const block = pasteGrid(text);
    const cells = block.flatMap((texts, i) => texts.flatMap((cell, j) => (at[i]?.[j] ? [{ ...at[i][j], text: cell }] : [])));
    this.typed(cells);
  }

  protected reset(cell: CellAddress): void {
    const edit = resetFor(this.shown(), cell);
    if (edit) this.store.apply(edit);
    this.grid().focusCell(cell);
  }

  protected showFormula(ask: FormulaAsk, host: HTMLElement): void {
    const [button, frame] = [ask.button.getBoundingClientRect(), host.getBoundingClientRect()];
    this.asked.set({
      ...ask,
      left: Math.max(8, Math.min(button.left - frame.left, frame.width - 380)),
      top: button.bottom - frame.top + 4,
    });
    afterNextRender(() => host.querySelector<HTMLElement>('[data-formula-close]')?.focus(), { injector: this.injector });
  }

  /** The innermost first: what was refused, then a formula. */
  protected onEscape(): void {
    if (this.refused().length) this.refused.set([]);
    else this.closeFormula();
  }

  protected closeFormula(): void {
    if (!this.asked()) return;
    const button = this.asked()?.button;
    // A head is a stop of the arrows; the button within it is not.
    if (button?.isConnected) (button.closest<HTMLElement>('.ag-header-cell') ?? button).focus();
    else this.focusCells();
    this.asked.set(null);
  }

  /** The column as one statement, from the tables that the figure reads. */
  protected copySql({ name }: GridColumn): Promise<void> {
    return this.handover.run({ kind: 'copy-sql', column: name });
  }

  protected choosePart(part: LedgerPart): void {
    this.chosenPart.set(part);
    this.closeFormula();
    this.focus.set(null);
    this.openedCell.set(null);
    this.refused.set([]);
  }

  /** Rows of totals are no marks of the figure. */
  protected point(row: number | null): void {
    if (this.part() === 'cells') this.row.set(row);
  }

  protected toggle(cue: string): void {
    this.hidden.update(now => new Set(now.has(cue) ? [...now].filter(other => other !== cue) : [...now, cue]));
  }
}

const NO_CELL = 'A total is computed from its rows. Change a value among the cells.';

interface OpenedCell {
  readonly by: string;
  readonly keys: string;
  readonly column: string;
}

/** The key of a row of the frame: category, panel and series. */
const keysAt = (frame: Frame, row: number): string =>
  JSON.stringify(
    [frame.category, frame.panel, frame.series, ...frame.outer].map(name => name && keyOf(columnOf(frame.table, name) as Column, row)),
  );

/** Where a cell stands in a frame now, or null when it is gone. */
function addressOf(frame: Frame | undefined, cell: OpenedCell | null): CellAddress | null {
  if (!frame || cell?.by !== frame.category || !frame.measures.includes(cell.column)) return null;
  for (let row = 0; row < frame.table.rowCount; row++) if (keysAt(frame, row) === cell.keys) return { row, column: cell.column };
  return null;
}
