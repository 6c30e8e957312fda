import {
  compileFormula,
  groupRows,
  type Evaluator,
  type Scope,
  type SheetColumn,
  type SheetRoom,
  type Typed,
  type TypedOrder,
} from 'core/formula';
import type { NumericValues } from 'core/table';
import { plainColumn } from './plain-column';
import type { Sheet } from './sheet';

/** What places of rows are found by. */
interface PlacedRows extends Pick<SheetRoom, 'column' | 'part'> {
  readonly sheet: Sheet;
  readonly evaluator: Evaluator;
  readonly scope: () => Scope;
  /** Whether a formula reads nothing but names and dates, each in its own row. */
  readonly isStatic: (f: Typed) => boolean;
}

/** A column of places, and whether no two rows of a part share one. */
type Places = (SheetColumn & { readonly isUnique: boolean }) | null;

/** Columns with the parts that rows lie in and the places that they have in an order, which windows of a spreadsheet are written by. */
export class RowPlaces {
  constructor(private readonly of: PlacedRows) {}

  /** Names and dates of the ledger are values: the parts that they cut are values too. */
  partition(keys: readonly Typed[]): SheetColumn | null {
    if (!keys.every(key => this.of.isStatic(key))) return null;
    const title = `part by ${keys.map(({ key }) => key).join(', ')}`;
    return this.of.sheet.keep(title, () => {
      const columns = keys.map((key, i) => ({ ...this.of.evaluator.values(key), name: String(i) }));
      const { ids } = groupRows(columns, this.of.sheet.rowCount);
      const cells = Array.from({ length: this.of.sheet.rowCount }, (_, row) => (ids?.[row] ?? 0) + 1);
      return { title, type: 'number', cells, formula: null, style: '0', says: 'The number of the part that the row lies in: a value.' };
    });
  }

  place(keys: readonly Typed[], order: readonly TypedOrder[]): Places {
    if ([...keys, ...order.map(({ by }) => by)].every(key => this.of.isStatic(key))) return this.fixedPlace(keys, order);
    return order.length > 1 ? this.placeByAll(keys, order) : this.livePlace(keys, order);
  }

  /** Places by several keys, some of which may change: by the place in each of them. */
  private placeByAll(keys: readonly Typed[], order: readonly TypedOrder[]): Places {
    const part = keys.length ? this.partition(keys) : null;
    const own = order.map(key => (this.of.isStatic(key.by) ? this.fixedPlace([], [key]) : this.livePlace([], [key])));
    if ((keys.length && !part) || own.includes(null)) return null;
    const places = own as NonNullable<(typeof own)[number]>[];
    const before = places.reduceRight((rest, { range, cell }) => `((${range}<${cell})+(${range}=${cell})*${rest})`, '0');
    const text = `SUMPRODUCT(${part ? `(${part.range}=${part.cell})*` : ''}${before})+1`;
    const window = windowText(keys, order);
    const values = this.ranked(window);
    const column =
      values &&
      this.of.sheet.keep(`place ${window}`, () => ({
        ...plainColumn({ ...values, name: `place ${window}` }, this.of.sheet.rowCount),
        formula: { text, isArray: false },
        style: '0',
        says: 'The place of the row in an order.',
      }));
    // Names or dates that no two rows of a part share keep any order apart.
    const apart = order.some(key => this.of.isStatic(key.by) && this.isUnique(keys, this.ranked(windowText(keys, [key]))));
    return column && { ...column, isUnique: apart };
  }

  /** The places of a window's rows; null where it cannot be computed. */
  private ranked(window: string): NumericValues | null {
    const compiled = compileFormula(`rank() ${window}`, this.of.scope(), 'column');
    return compiled.ok ? (this.of.evaluator.values(compiled.value) as NumericValues) : null;
  }

  /** Places in an order of names or dates: values. */
  private fixedPlace(keys: readonly Typed[], order: readonly TypedOrder[]): Places {
    const window = windowText(keys, order);
    const values = this.ranked(window);
    if (!values) return null;
    const column = this.of.sheet.keep(`place ${window}`, () => ({
      ...plainColumn({ ...values, name: `place ${window}` }, this.of.sheet.rowCount),
      style: '0',
      says: 'The place of the row in an order of names or dates: a value.',
    }));
    return column && { ...column, isUnique: this.isUnique(keys, values) };
  }

  /** Whether no two rows of a part share a place. */
  private isUnique(keys: readonly Typed[], places: NumericValues | null): boolean {
    if (!places) return false;
    const columns = [...keys.map(key => this.of.evaluator.values(key)), places].map((values, i) => ({ ...values, name: String(i) }));
    return groupRows(columns, this.of.sheet.rowCount).count === this.of.sheet.rowCount;
  }

  /** Places by the size of one number: formulas, since it may change. */
  private livePlace(keys: readonly Typed[], order: readonly TypedOrder[]): Places {
    const [first, ...more] = order;
    if (!first || more.length || first.by.type === 'text' || first.by.type === 'boolean') return null;
    const part = keys.length ? this.partition(keys) : null;
    if (keys.length && !part) return null;
    const own = first.by.op === 'column' ? this.of.column(first.by.name) : this.of.part(first.by);
    if (!own) return null;
    const { descending, nullsFirst } = first;
    const title = `place by ${first.by.key}${descending ? ' falling' : ''}${nullsFirst ? ', missing first' : ''}${keys.map(({ key }) => ` in ${key}`).join('')}`;
    const within = part ? `(${part.range}=${part.cell})*` : '';
    const there = part ? `SUMPRODUCT(${within}ISNUMBER(${own.range}))` : `COUNT(${own.range})`;
    const all = part ? `COUNTIFS(${part.range},${part.cell})` : String(this.of.sheet.rowCount);
    const before = `SUMPRODUCT(${within}ISNUMBER(${own.range})*(${own.range}${descending ? '>' : '<'}${own.cell}))+1`;
    const text = `IF(ISNUMBER(${own.cell}),${nullsFirst ? `${before}+${all}-${there}` : before},${nullsFirst ? '1' : `${there}+1`})`;
    const column = this.of.sheet.keep(title, () => {
      const cells = this.placesBy(keys, first);
      return { title, type: 'number', cells, formula: { text, isArray: false }, style: '0', says: 'The place of the row by size.' };
    });
    return column && { ...column, isUnique: false };
  }

  private placesBy(keys: readonly Typed[], { by, descending, nullsFirst }: TypedOrder): (number | null)[] {
    const parts = groupRows(
      keys.map((key, i) => ({ ...this.of.evaluator.values(key), name: String(i) })),
      this.of.sheet.rowCount,
    );
    const { data } = this.of.evaluator.values(by) as NumericValues;
    const sign = descending ? -1 : 1;
    return Array.from({ length: this.of.sheet.rowCount }, (_, row) => {
      let place = 1;
      const [own, part] = [data[row] as number, parts.ids?.[row] ?? 0];
      for (let other = 0; other < data.length; other++) {
        if ((parts.ids?.[other] ?? 0) !== part) continue;
        const value = data[other] as number;
        const isBefore = Number.isNaN(own)
          ? !nullsFirst && !Number.isNaN(value)
          : Number.isNaN(value)
            ? nullsFirst
            : (value - own) * sign < 0;
        if (isBefore) place++;
      }
      return place;
    });
  }
}

const windowText = (keys: readonly Typed[], order: readonly TypedOrder[]): string => {
  const by = keys.length ? `partition by ${keys.map(({ key }) => key).join(', ')} ` : '';
  const sorted = order.map(
    ({ by: key, descending, nullsFirst }) => `${key.key}${descending ? ' desc' : ''} nulls ${nullsFirst ? 'first' : 'last'}`,
  );
  return `over (${by}order by ${sorted.join(', ')})`;
};
