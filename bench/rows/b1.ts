import { readCsv } from 'core/io';
import Papa from 'papaparse';
import { csvText } from '../csv-text';
import { compare, type BenchRow } from '../measure';

/** 5 MB CSV → typed columns, dates and missing recognised. */
export const b1: BenchRow = {
  name: 'B1',
  work: '5 MB CSV → typed columns, dates and missing recognised',
  reach: 'Cowbell ≤ 1.2 × (Papa Parse to strings + a typing pass)',
  run: async () => {
    const bytes = new TextEncoder().encode(csvText(5e6));
    const timings = await compare([
      { name: 'Papa Parse + typing', run: () => typedByHand(bytes) },
      { name: 'Papa Parse to strings', run: () => Papa.parse(new TextDecoder().decode(bytes)) },
      { name: 'its own dynamic typing', run: () => Papa.parse(new TextDecoder().decode(bytes), { header: true, dynamicTyping: true }) },
      { name: 'Cowbell', run: () => readCsv(bytes, 'bench.csv') },
    ]);
    return [{ at: '', timings }];
  },
};

/** The typing pass alone: known types, no looking, no messages. */
export function typedByHand(bytes: Uint8Array) {
  const { data } = Papa.parse<string[]>(new TextDecoder().decode(bytes));
  const rows = data.length - 1;
  const text = (column: number): Int32Array => {
    const codes = new Map<string, number>();
    const out = new Int32Array(rows);
    for (let i = 0; i < rows; i++) {
      const cell = data[i + 1]?.[column] ?? '';
      let code = codes.get(cell);
      if (code === undefined) codes.set(cell, (code = codes.size));
      out[i] = cell === '' ? -1 : code;
    }
    return out;
  };
  const number = (column: number): Float64Array => {
    const out = new Float64Array(rows);
    for (let i = 0; i < rows; i++) {
      const cell = data[i + 1]?.[column] ?? '';
      out[i] = cell === '' ? NaN : Number(cell);
    }
    return out;
  };
  const date = (column: number): Float64Array => {
    const out = new Float64Array(rows);
    for (let i = 0; i < rows; i++) out[i] = Date.parse(data[i + 1]?.[column] ?? '') / 86_400_000;
    return out;
  };
  return [text(0), text(1), date(2), number(3), number(4), number(5), text(6)];
}
