import {
  compileFormula,
  Evaluator,
  nameText,
  namesIn,
  partsOf,
  scopeWith,
  sheetText,
  type Scope,
  type SheetColumn,
  type SheetRoom,
  type SheetText,
  type Typed,
} from 'core/formula';
import { helperFormula } from 'core/frame';
import { shownData } from 'core/crosstab';
import { ledgerTable } from 'core/plan';
import { takeRows, type Column } from 'core/table';
import type { Handed } from '../handed';
import { scopeFor } from '../sql/stages';
import { numberFormat } from './number-format';
import { plainColumn } from './plain-column';
import { RowPlaces } from './row-places';
import type { RowsSheet } from './rows-sheet';
import { Sheet, type CellColumn } from './sheet';

/** A column of the ledger as it was handed over: by a formula, or as values and why. */
export interface ToldColumn {
  readonly name: string;
  /** As the project has it; empty for names and dates. */
  readonly formula: string;
  readonly isLive: boolean;
  readonly why: string;
}

/** The sheet of the ledger, and how each of its columns is computed there. */
export interface LedgerSheet {
  readonly sheet: Sheet;
  readonly told: readonly ToldColumn[];
  /** The place of each column. */
  readonly places: ReadonlyMap<string, number>;
}

const NO_FORM = 'its formula has no form in spreadsheets';

/** The ledger whose measures are formulas over the rows, and whose helper columns are formulas over its cells. */
export function ledgerSheet(handed: Handed, name: string, rows: RowsSheet | null): LedgerSheet {
  const table = ledgerTable(handed.picture);
  // The number of each row stands behind the ledger's own columns.
  const sheet = new Sheet(name, table.rowCount, table.columns.length + 1);
  const maker = new LedgerMaker(handed, sheet, rows, table.columns);
  const told = table.columns.map(column => maker.add(column));
  sheet.columns.push(maker.numbers());
  return { sheet, told, places: maker.places };
}

class LedgerMaker {
  readonly places: ReadonlyMap<string, number>;
  private readonly statics: Set<string>;
  private readonly live = new Set<string>();
  /** Those that follow whatever they are computed from. */
  private readonly follows = new Set<string>();
  private readonly evaluator: Evaluator;
  /** Over the rows behind each row of the ledger. */
  private readonly behind: Evaluator;
  private scope: Scope;
  private readonly formulas: ReadonlyMap<string, string>;
  private readonly measures: ReadonlyMap<string, string>;
  private readonly room: SheetRoom;
  private readonly rowPlaces: RowPlaces;

  constructor(
    private readonly handed: Handed,
    private readonly sheet: Sheet,
    private readonly rows: RowsSheet | null,
    private readonly columns: readonly Column[],
  ) {
    const { figure, picture } = handed;
    const { frame, applied, drawn } = picture;
    const data = shownData(figure);
    this.places = new Map(columns.map((column, place) => [column.name, place]));
    this.statics = new Set([data.category, data.panel ?? '', data.series ?? '', ...frame.outer, ...frame.carried]);
    this.evaluator = new Evaluator(frame.table);
    this.behind = evaluatorBehind(handed);
    this.scope = scopeFor(frame.table.columns);
    for (const { name, column } of [...drawn, ...applied.flatMap(({ helpers }) => helpers)]) {
      this.evaluator.define(nameText(name), column);
      this.scope = scopeWith(this.scope, name, column.type);
    }
    this.rowPlaces = new RowPlaces({
      sheet,
      evaluator: this.evaluator,
      scope: () => this.scope,
      isStatic: f => this.isStatic(f),
      column: name => this.room.column(name),
      part: f => this.part(f),
    });
    this.room = {
      rows: this.sheet.rowCount,
      column: name => {
        const place = this.places.get(name);
        return place === undefined ? undefined : this.sheet.at(place, !this.live.has(name));
      },
      part: f => this.part(f),
      partition: keys => this.rowPlaces.partition(keys),
      place: (keys, order) => this.rowPlaces.place(keys, order),
      behind: () => null,
    };
    this.measures = new Map(data.measures.map(({ name, formula }) => [name, formula]));
    this.formulas = new Map([
      ...data.helpers.map(helper => [helper.name, helperFormula(helper)] as const),
      ...drawn.map(({ name, formula }) => [name, formula] as const),
      ...applied.flatMap(({ helpers }) => helpers.map(({ name, formula }) => [name, formula] as const)),
    ]);
  }

  /** Adds a column of the ledger, by a formula where it has one. */
  add(column: Column): ToldColumn {
    const { name } = column;
    const measure = this.measures.get(name);
    const helper = this.formulas.get(name);
    const formula = measure !== undefined ? this.measureText(measure) : helper !== undefined ? this.helperText(helper) : null;
    const typed = helper === undefined ? null : this.typedOf(helper);
    if (typed && this.isStatic(typed)) this.statics.add(name);
    if (formula) this.live.add(name);
    const stale = formula && typed ? [...namesIn(typed)].find(other => this.says(other) && !this.follows.has(other)) : undefined;
    if (formula && stale === undefined) this.follows.add(name);
    const { frame } = this.handed.picture;
    const whatIfs = frame.whatIfs[name];
    const says = measure ?? helper ?? '';
    this.sheet.columns.push({
      ...plainColumn(column, this.sheet.rowCount),
      formula,
      style: this.styleOf(column),
      says,
      // Periods without rows and what-if values stand as they are.
      fixed: measure === undefined ? undefined : row => whatIfs?.[row] === 1 || frame.source.offsets[row] === frame.source.offsets[row + 1],
    });
    return {
      name,
      formula: says,
      isLive: this.follows.has(name),
      why: whyNot({ formula, stale, isMeasure: measure !== undefined, rows: this.rows }),
    };
  }

  /** The number of each row of the ledger, by which the rows behind it know it. */
  numbers(): CellColumn {
    const cells = Array.from({ length: this.sheet.rowCount }, (_, row) => row + 1);
    return {
      title: 'group',
      type: 'number',
      cells,
      formula: null,
      style: '0',
      says: 'The number of this row, by which the rows behind it know it.',
      isScratch: true,
    };
  }

  private get numberCell(): string {
    return this.sheet.at(this.columns.length, true).cell;
  }

  private measureText(formula: string): SheetText | null {
    const compiled = compileFormula(formula, scopeFor(this.handed.table.columns), 'measure');
    return this.rows && compiled.ok ? sheetText(compiled.value, this.measureRoom(this.rows)) : null;
  }

  /** What a measure sees: the rows behind each group, and parts of its formula in columns of their own. */
  private measureRoom(rows: RowsSheet): SheetRoom {
    const room: SheetRoom = {
      ...this.room,
      column: () => undefined,
      part: f =>
        this.sheet.keep(`of the rows: ${f.key}`, () => {
          const formula = sheetText(f, room);
          const values = this.behind.values(f);
          return formula && { ...plainColumn({ ...values, name: f.key }, this.sheet.rowCount), formula, says: 'A part of a formula.' };
        }),
      behind: f => rows.behind(f, this.numberCell),
    };
    return room;
  }

  private helperText(formula: string): SheetText | null {
    const typed = this.typedOf(formula);
    return typed && sheetText(typed, this.room);
  }

  private typedOf(formula: string): Typed | null {
    const compiled = compileFormula(formula, this.scope, 'column');
    return compiled.ok ? compiled.value : null;
  }

  /** The formula of a column; undefined for names and dates. */
  private says(name: string): string | undefined {
    return this.measures.get(name) ?? this.formulas.get(name);
  }

  private part(f: Typed): SheetColumn | null {
    return this.sheet.keep(f.key, () => {
      const formula = sheetText(f, this.room);
      const values = this.evaluator.values(f);
      return formula && { ...plainColumn({ ...values, name: f.key }, this.sheet.rowCount), formula, says: 'A part of a formula.' };
    });
  }

  /** Whether a formula reads nothing but names and dates, each in its own row. */
  private isStatic(f: Typed): boolean {
    if (f.op === 'column') return this.statics.has(f.name);
    return f.op !== 'aggregate' && f.op !== 'window' && partsOf(f).every(part => this.isStatic(part));
  }

  /** Measures as their format says, helper columns as those that they speak of. */
  private styleOf(column: Column): string {
    if (column.type !== 'number') return plainColumn(column, 0).style;
    const { write, picture } = this.handed;
    const helper = picture.applied
      .flatMap(({ cue, helpers }) => helpers.map(own => ({ ...own, measure: cue.measure })))
      .find(({ name }) => name === column.name);
    if (helper?.as === 'percent') return numberFormat({ percent: true }, column.data);
    const measure = helper ? (helper.as === 'number' ? undefined : helper.measure) : column.name;
    const style = measure === undefined ? {} : { ...write.style(measure), unit: write.unit(measure) };
    return numberFormat(style, column.data);
  }
}

/** Why a column does not follow the cells; empty where it does. */
function whyNot({
  formula,
  stale,
  isMeasure,
  rows,
}: {
  formula: SheetText | null;
  stale: string | undefined;
  isMeasure: boolean;
  rows: RowsSheet | null;
}): string {
  if (formula) return stale === undefined ? '' : `it reads ${stale}, which is values`;
  return isMeasure && !rows ? 'the rows behind it are too many for a sheet' : NO_FORM;
}

/** Computes measures of the rows behind each row of a figure. */
function evaluatorBehind({ table, picture: { frame } }: Handed): Evaluator {
  const { offsets, rows } = frame.source;
  const ids = new Int32Array(rows.length);
  for (let group = 0; group + 1 < offsets.length; group++) ids.fill(group, offsets[group], offsets[group + 1]);
  return new Evaluator(takeRows(table, rows), { ids, count: frame.table.rowCount, rows: rows.length });
}
