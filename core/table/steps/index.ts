// Tables made of other tables: aligned on a key, looked up, stacked, turned.
export { align } from './align';
export { keyCodes } from './key-codes';
export { lookUp } from './look-up';
export { stack } from './stack';
export { toldApart, type Made, type MakingNote, type NamedTable } from './step';
export { turnLong, turnWide } from './turn';
