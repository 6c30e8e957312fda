import type { SheetCells } from './sheet-cells';

/** An open workbook: names of its sheets in their order, and the cells of any. */
export interface Book {
  readonly names: readonly string[];
  /** The cells of a sheet; `onProgress` gets the share read. Throws where they cannot be read. */
  readonly cells: (name: string, onProgress?: (share: number) => void) => SheetCells;
}
