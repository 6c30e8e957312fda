import { parseDate, parseTimestamp } from '../columns/moments';
import { numberFormat, type NumberFormat } from './number-format';
import type { Pieces } from './parts';
import { TextRuns, unescaped } from './shared-texts';
import type { SheetCells } from './sheet-cells';
import type { Merge } from './sheet-head';
import { readPart } from './xml-part';

/** Facts from outside the part of a sheet. */
export interface SheetPartOptions {
  readonly formats: readonly NumberFormat[];
  readonly onProgress?: ((share: number) => void) | undefined;
}

/**
 * Reads the part of a sheet (ISO/IEC 29500, 18.3.1) into its cells: values as they are stored, formulas passed over. Throws where rows or cells do not rise, or
 * a value is none of its type.
 */
export function readSheetPart(part: Pieces, cells: SheetCells, { formats, onProgress }: SheetPartOptions): void {
  const reading = new SheetReading(cells, formats);
  readPart(
    part,
    {
      open: (name, attributes) => reading.open(name, attributes),
      text: text => reading.add(text),
      close: name => reading.close(name),
    },
    onProgress,
  );
}

type Attributes = Readonly<Record<string, string>>;

const PLAIN = numberFormat('');

/** Where in a sheet the reading is. */
class SheetReading {
  private isInData = false;
  private row = -1;
  private column = -1;
  private type = 'n';
  private format = PLAIN;
  private value: string | undefined;
  private isInValue = false;
  private isInText = false;
  private readonly runs = new TextRuns();

  constructor(
    private readonly cells: SheetCells,
    private readonly formats: readonly NumberFormat[],
  ) {}

  open(name: string, attributes: Attributes): void {
    if (this.isInText) return this.runs.open(name);
    if (!this.isInData) return this.openOutside(name, attributes);
    if (name === 'c') this.beginCell(attributes);
    else if (name === 'v') [this.isInValue, this.value] = [true, ''];
    else if (name === 'row') this.beginRow(attributes);
    else if (name === 'is') {
      this.isInText = true;
      this.runs.begin();
    }
  }

  add(text: string): void {
    if (this.isInValue) this.value += text;
    else if (this.isInText) this.runs.add(text);
  }

  close(name: string): void {
    if (name === 'v') this.isInValue = false;
    else if (name === 'c' && this.isInData) this.endCell();
    else if (name === 'is') this.endText();
    else if (name === 'sheetData') this.isInData = false;
    else if (this.isInText) this.runs.close(name);
  }

  private openOutside(name: string, { ref = '' }: Attributes): void {
    if (name === 'sheetData') this.isInData = true;
    if (name === 'mergeCell') this.cells.merges.push(mergeOf(ref));
  }

  private beginRow({ r, hidden }: Attributes): void {
    const row = r === undefined ? this.row + 1 : Number(r) - 1;
    if (!(row > this.row)) throw new Error(`row ${r} comes after row ${this.row + 1}`);
    [this.row, this.column] = [row, -1];
    this.cells.beginRow(row, hidden === '1' || hidden === 'true');
  }

  private beginCell({ r, t, s }: Attributes): void {
    const column = r === undefined ? this.column + 1 : this.columnIn(r);
    if (!(column > this.column)) throw new Error(`cell ${r} comes after column ${this.column + 1}`);
    [this.column, this.type, this.value] = [column, t ?? 'n', undefined];
    this.format = s === undefined ? PLAIN : (this.formats[Number(s)] ?? PLAIN);
  }

  /** The column of a cell's name, which has to lie in the row that it stands in. */
  private columnIn(name: string): number {
    const { row, column } = placeOf(name);
    if (row !== this.row) throw new Error(`cell ${name} stands in row ${this.row + 1}`);
    return column;
  }

  private endText(): void {
    this.isInText = false;
    this.value = this.runs.whole();
  }

  private endCell(): void {
    if (this.value === undefined || this.value === '') return;
    const put = PUT.get(this.type);
    if (!put || put(this.cells, this.column, this.value, this.format) === false)
      throw new Error(`${this.value} is no value of type ${this.type}`);
  }
}

type Put = (cells: SheetCells, column: number, value: string, format: NumberFormat) => boolean | void;

/** How the value of a cell is kept, by the cell's type (ISO/IEC 29500, 18.18.11); false where it is none of that type. */
const PUT: ReadonlyMap<string, Put> = new Map<string, Put>([
  [
    'n',
    (cells, column, value, format) => {
      const number = Number(value);
      if (Number.isFinite(number)) cells.putNumber(column, number, format);
      return Number.isFinite(number);
    },
  ],
  ['s', (cells, column, value) => cells.putShared(column, Number(value))],
  ['str', (cells, column, value) => cells.putText(column, unescaped(value))],
  ['inlineStr', (cells, column, value) => cells.putText(column, value)],
  ['b', (cells, column, value) => cells.putAnswer(column, value === '1' || value === 'true')],
  ['e', (cells, column, value) => cells.putError(column, value)],
  [
    'd',
    (cells, column, value) => {
      const day = parseDate(value, 'iso') * MS_PER_DAY;
      const ms = Number.isNaN(day) ? parseTimestamp(value) : day;
      if (!Number.isNaN(ms)) cells.putMoment(column, ms);
      return !Number.isNaN(ms);
    },
  ],
]);

const MS_PER_DAY = 86_400_000;

function mergeOf(ref: string): Merge {
  const [first = '', last = first] = ref.split(':');
  const [from, to] = [placeOf(first), placeOf(last)];
  return { top: from.row, left: from.column, bottom: to.row, right: to.column };
}

// Letters of a column are digits from 1 to 26.
const [LETTER_A, LETTERS] = [65, 26];

/** Row and column of a cell's name, such as `C12`, counted from 0. */
function placeOf(name: string): { row: number; column: number } {
  let [at, column] = [0, 0];
  for (; at < name.length; at++) {
    const letter = name.charCodeAt(at) - LETTER_A;
    if (letter < 0 || letter >= LETTERS) break;
    column = column * LETTERS + letter + 1;
  }
  return { row: Number(name.slice(at)) - 1, column: column - 1 };
}
