import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { renameColumn } from 'core/brief';
import type { TableDoc } from 'core/document';
import { typeWords } from 'core/intake';
import { parseCell } from 'core/io';
import { messageFor } from 'core/result/words';
import type { ColumnLook, TableLook } from 'engine';
import { MADE_OF_OTHERS, typedColumn } from '../ledger/cell-edit';
import { Announcer } from '../ui/announcer';
import { EngineClient } from '../services/engine/engine-client';
import { FirstOffers } from '../services/figure/first-offers';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { CellRows, type SeenColumn, type TypedCell } from './cell-rows';

// Columns that are shown at once; of more the first, and the others by hiding some.
const SHOWN_COLUMNS = 100;

/** The columns of a table with what each holds, and its rows: units, order, hiding, computed columns and cells are changed here. */
@Component({
  selector: 'cb-table-grid',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CellRows, Icon, Sheet],
  host: { class: 'flex min-h-0 grow flex-col' },
  templateUrl: './table-grid.html',
})
export class TableGrid {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly announcer = inject(Announcer);
  private readonly offers = inject(FirstOffers);
  readonly look = input.required<TableLook>();
  /** Null for a table that is being made: it can only be looked at. */
  readonly doc = input.required<TableDoc | null>();

  /** A text that a cell did not take. */
  protected readonly refused = signal<(TypedCell & { readonly words: string }) | null>(null);
  protected readonly formulaFault = signal<string | null>(null);
  protected readonly nameFault = signal<string | null>(null);
  private readonly focus = signal<{ readonly row: number; readonly column: string } | null>(null);
  private readonly derived = computed(() => new Map((this.doc()?.derived ?? []).map(({ name, formula }) => [name, formula])));
  protected readonly hidden = computed(() => {
    const there = new Set(this.look().columns.map(({ name }) => name));
    return (this.doc()?.hidden ?? []).filter(name => there.has(name));
  });
  /** Columns in the table's order, those that were hidden left out. */
  protected readonly columns = computed(() => {
    const hidden = new Set(this.hidden());
    return inOrder(this.look().columns, this.doc()?.order ?? [])
      .filter(({ name }) => !hidden.has(name))
      .slice(0, SHOWN_COLUMNS);
  });
  protected readonly seen = computed(() => {
    const place = new Map(this.look().columns.map(({ name }, at) => [name, at]));
    return this.columns().map(({ name, type }): SeenColumn => ({
      name,
      at: place.get(name) as number,
      isNumber: type === 'number',
      takesEdits: this.doc() !== null && !this.derived().has(name),
    }));
  });
  protected readonly edited = computed(() => new Set((this.doc()?.edits ?? []).map(({ row, column }) => `${row} ${column}`)));
  protected readonly resettable = computed(() => {
    const at = this.focus();
    return at && this.edited().has(`${at.row} ${at.column}`) ? at : null;
  });

  protected typeOf({ name, type }: ColumnLook): string {
    const unit = this.doc()?.units[name];
    return typeWords[type] + (unit ? `, ${unit}` : '');
  }

  protected factsOf({ stats: { there, distinct } }: ColumnLook): string {
    const missing = this.look().rowCount - there;
    return `${distinct.toLocaleString('en')} different${missing ? `, ${missing.toLocaleString('en')} missing` : ''}`;
  }

  protected formulaOf(name: string): string | null {
    return this.derived().get(name) ?? null;
  }

  protected setUnit({ name }: ColumnLook, text: string): void {
    const { [name]: _, ...others } = this.doc()?.units ?? {};
    this.change({ units: text.trim() ? { ...others, [name]: text.trim() } : others });
  }

  protected move({ name }: ColumnLook, by: number): void {
    const names = this.columns().map(column => column.name);
    const at = names.indexOf(name);
    this.change({ order: names.toSpliced(at, 1).toSpliced(Math.max(0, at + by), 0, name) });
    this.announcer.say(`${name} is column ${Math.max(0, at + by) + 1} of ${names.length}`);
  }

  protected hide({ name }: ColumnLook): void {
    this.change({ hidden: [...this.hidden(), name] });
  }

  protected show(name: string): void {
    this.change({ hidden: this.hidden().filter(other => other !== name) });
  }

  /** Takes a computed column that can be computed; one that cannot says why, and stays in its field. */
  protected async compute(name: string, formula: string, was: string | null, close: () => void): Promise<void> {
    const [doc, figure] = [this.doc(), this.store.figure];
    if (!doc || !figure) return;
    const wanted = name.trim();
    const isTaken = wanted !== was && this.look().columns.some(column => column.name.toLowerCase() === wanted.toLowerCase());
    if (wanted === '' || isTaken)
      return this.formulaFault.set(isTaken ? `A column is called ${wanted} already. Give it another name.` : 'Give it a name.');
    const tried = await this.engine.api.tryFormula({
      formula,
      place: 'column',
      figure,
      table: doc.id,
      ...(was === null ? {} : { without: was }),
    });
    if (!tried.ok) return this.formulaFault.set(tried.problems.map(problem => messageFor(problem)).join(' '));
    this.formulaFault.set(null);
    const others = doc.derived.filter(column => column.name !== was);
    this.store.apply({ kind: 'set-derived', table: doc.id, derived: [...others, { name: wanted, formula }] });
    close();
  }

  /** Everything that speaks of the column follows: figures, cues, formulas, tables made of this one. */
  protected rename({ name }: ColumnLook, text: string, close: () => void): void {
    const [doc, project, to] = [this.doc(), this.store.snapshot?.history.project, text.trim()];
    if (!doc || !project || to === name) return close();
    const isTaken = this.look().columns.some(column => column.name !== name && column.name.toLowerCase() === to.toLowerCase());
    if (to === '' || isTaken)
      return this.nameFault.set(isTaken ? `A column is called ${to} already. Choose another name.` : 'Give it a name.');
    const mends = [...doc.mends, { kind: 'rename' as const, column: name, as: to, off: false }];
    this.store.apply(renameColumn(project, doc.id, { from: name, to }, mends));
    // What is offered in the place of a first figure speaks of the old name.
    this.offers.putAway();
    close();
  }

  protected removeDerived(name: string): void {
    const doc = this.doc();
    if (doc) this.store.apply({ kind: 'set-derived', table: doc.id, derived: doc.derived.filter(column => column.name !== name) });
  }

  protected typed(cell: TypedCell): void {
    const doc = this.doc();
    const column = this.look().columns.find(({ name }) => name === cell.column);
    if (!doc || !column) return;
    const read = parseCell(cell.text, typedColumn(column, doc));
    const words = doc.made ? MADE_OF_OTHERS : read.ok ? null : read.problems.map(problem => messageFor(problem)).join(' ');
    this.refused.set(words === null ? null : { ...cell, words });
    if (words !== null) return this.announcer.say(words);
    if (read.ok)
      this.store.apply({ kind: 'edit-cells', table: doc.id, cells: [{ row: cell.row, column: cell.column, value: read.value }] });
  }

  protected reset(): void {
    const [doc, at] = [this.doc(), this.resettable()];
    if (doc && at) this.store.apply({ kind: 'reset-cells', table: doc.id, cells: [at] });
  }

  protected at(cell: { readonly row: number; readonly column: string }): void {
    this.focus.set(cell);
  }

  private change(change: Partial<Omit<TableDoc, 'id'>>): void {
    const doc = this.doc();
    if (doc) this.store.apply({ kind: 'change-table', table: doc.id, change });
  }
}

/** Columns, those that are named first. */
function inOrder(columns: readonly ColumnLook[], order: readonly string[]): ColumnLook[] {
  const place = new Map(order.map((name, at) => [name, at]));
  const of = ({ name }: ColumnLook): number => place.get(name) ?? order.length;
  return columns.toSorted((a, b) => of(a) - of(b));
}
