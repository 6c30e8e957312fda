// Tables made of other tables: aligned on a key, looked up, stacked, turned.
export { align, type Alignment } from './align';
export { keyCodes, type KeyCodes } from './key-codes';
export type { AlignedList } from './keys';
export { lookUp } from './look-up';
export { stack } from './stack';
export { toldApart, MOST_ROWS, type Made, type MakingNote, type NamedTable } from './step';
export { MOST_TURNED, turnLong, turnWide } from './turn';
