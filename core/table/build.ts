import { rawOf } from './cells';
import { MISSING_TEXT, type Cell, type Column, type ColumnType, type Values } from './column';
import { makeTable, named, type Table } from './table';

/** Collects texts into codes and a dictionary, in order of first appearance. */
export class TextCodes {
  readonly dictionary: string[] = [];
  private readonly known = new Map<string, number>();

  codeOf(text: string): number {
    let code = this.known.get(text);
    if (code === undefined) {
      code = this.dictionary.length;
      this.dictionary.push(text);
      this.known.set(text, code);
    }
    return code;
  }
}

/** Values of a type from plain cells; a cell of another type counts as missing. */
export function valuesFrom(type: ColumnType, cells: readonly Cell[]): Values {
  if (type === 'text') {
    const codes = new TextCodes();
    const data = Int32Array.from(cells, cell => (cell === null ? MISSING_TEXT : codes.codeOf(String(cell))));
    return { type, data, dictionary: codes.dictionary };
  }
  if (type === 'boolean') return { type, data: Uint8Array.from(cells, cell => rawOf(type, cell)) };
  return { type, data: Float64Array.from(cells, cell => rawOf(type, cell)) };
}

/** Text for strings, boolean for booleans, number otherwise: the type of the first cell that is there. */
export function typeOfCells(cells: readonly Cell[]): ColumnType {
  const first = cells.find(cell => cell !== null);
  if (typeof first === 'string') return 'text';
  return typeof first === 'boolean' ? 'boolean' : 'number';
}

/** A small table from plain lists: `tableOf({ hut: ['Alm', null], milk: [3, NaN] })`. */
export function tableOf(lists: Readonly<Record<string, readonly Cell[]>>, name = 'table'): Table {
  return makeTable(
    name,
    Object.entries(lists).map(([column, cells]): Column => named(column, valuesFrom(typeOfCells(cells), cells))),
  );
}
