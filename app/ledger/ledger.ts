import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { keyOf, type Frame } from 'core/frame';
import { pasteGrid } from 'core/io';
import { scopeOf, statementOf } from 'core/formula';
import { counted } from 'core/sentence';
import { columnOf, type Column } from 'core/table';
import { EMPTY_SHOWN, PictureStore } from '../services/picture-store';
import { Notices } from '../services/notices';
import { ProjectStore } from '../services/project-store';
import { Icon } from '../ui/icon';
import { tintOf } from '../ui/tint';
import { changesFor, resetFor } from './cell-edit';
import { DataGrid, type FormulaAsk } from './data-grid';
import type { CellAddress, CellText, GridColumn } from './grid-column';
import { ledgerColumns, sourceCount } from './ledger-columns';
import { SourceRows } from './source-rows';

/** The frame as a table: data columns first, then each cue's helper columns. */
@Component({
  selector: 'cb-ledger',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DataGrid, Icon, SourceRows],
  host: { class: 'relative grid h-full min-h-0 grid-rows-[auto_1fr] bg-surface', role: 'region', 'aria-label': 'Ledger' },
  templateUrl: './ledger.html',
})
export class Ledger {
  private readonly store = inject(ProjectStore);
  private readonly pictures = inject(PictureStore);
  private readonly notices = inject(Notices);

  protected readonly shown = toSignal(this.pictures.shown$, { initialValue: EMPTY_SHOWN });
  private readonly figure = toSignal(this.store.figure$, { initialValue: null });
  protected readonly row = this.pictures.pointedRow;
  private readonly grid = viewChild.required(DataGrid);
  protected readonly columns = computed(() => (this.figure() ? ledgerColumns(this.shown()) : []));
  /** Cues whose helper columns are not shown; where one looks is not part of the document. */
  protected readonly hidden = signal<ReadonlySet<string>>(new Set());
  private readonly cues = computed(() => (this.figure() ? (this.shown().picture?.applied ?? []) : []));
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
  protected readonly rowCount = computed(() => (this.figure() ? (this.shown().picture?.frame.table.rowCount ?? 0) : 0));
  protected readonly focus = signal<CellAddress | null>(null);
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
    const [at, frame] = [this.focus(), this.shown().picture?.frame];
    const column = this.columns().find(item => item.name === at?.column);
    if (!at || !frame || !column || at.row >= this.rowCount()) return null;
    const mark = column.mark(at.row);
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
      words: mark ? words[mark] : sums,
      opens: column.opens(at.row),
      resets: mark === 'what-if' || mark === 'edited',
    };
  });

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
    if (at) this.grid().focusCell(at);
  }

  protected typed(cells: readonly CellText[]): void {
    const { figure } = this.shown().ask;
    const source = this.store.snapshot?.sources[figure.data.table];
    if (!source) return;
    const { edit, problems } = changesFor(this.shown(), source, cells);
    if (edit) this.store.apply(edit);
    if (problems.length) this.notices.fault(problems[0] as string, { details: problems.slice(1, 6) });
  }

  protected pasted({ at, text }: { readonly at: readonly CellAddress[][]; readonly text: string }): void {
    const block = pasteGrid(text);
    const cells = block.flatMap((texts, i) => texts.flatMap((cell, j) => (at[i]?.[j] ? [{ ...at[i][j], text: cell }] : [])));
    this.typed(cells);
  }

  protected reset(cell: CellAddress): void {
    const edit = resetFor(this.shown(), cell);
    if (edit) this.store.apply(edit);
  }

  protected showFormula(ask: FormulaAsk, host: HTMLElement): void {
    const [button, frame] = [ask.button.getBoundingClientRect(), host.getBoundingClientRect()];
    this.asked.set({
      ...ask,
      left: Math.max(8, Math.min(button.left - frame.left, frame.width - 380)),
      top: button.bottom - frame.top + 4,
    });
    setTimeout(() => host.querySelector<HTMLElement>('[data-formula-close]')?.focus());
  }

  protected closeFormula(): void {
    const button = this.asked()?.button;
    if (button?.isConnected) button.focus();
    else this.focusCells();
    this.asked.set(null);
  }

  /** One statement over a table called frame that gives the column, with every column it is computed from. */
  protected async copySql({ helper }: GridColumn): Promise<void> {
    const frame = this.shown().picture?.frame;
    if (!frame || !helper) return;
    const own = scopeOf(frame.table);
    const data = new Map([...own].filter(([name]) => !frame.helpers.includes(name)));
    await navigator.clipboard.writeText(statementOf('frame', data, helper.steps));
    this.notices.done('Copied as SQL: one statement over a table called frame.');
  }

  protected toggle(cue: string): void {
    this.hidden.update(now => new Set(now.has(cue) ? [...now].filter(other => other !== cue) : [...now, cue]));
  }
}

interface OpenedCell {
  readonly by: string;
  readonly keys: string;
  readonly column: string;
}

/** What names a row of the frame: category, panel and series. */
const keysAt = (frame: Frame, row: number): string =>
  JSON.stringify([frame.category, frame.panel, frame.series].map(name => name && keyOf(columnOf(frame.table, name) as Column, row)));

/** Where a cell stands in a frame now, or null when it is gone. */
function addressOf(frame: Frame | undefined, cell: OpenedCell | null): CellAddress | null {
  if (!frame || cell?.by !== frame.category || !frame.measures.includes(cell.column)) return null;
  for (let row = 0; row < frame.table.rowCount; row++) if (keysAt(frame, row) === cell.keys) return { row, column: cell.column };
  return null;
}
