/** A row of cells, the line that it starts on (from 1), and whether a quote in it ends before its cell does. */
export interface LenientRow {
  readonly cells: string[];
  readonly line: number;
  readonly misplaced: boolean;
}

/**
 * Cuts a text into rows by RFC 4180, taking what the standard leaves out as lenient readers do: LF, CRLF and CR all end a row, and what stands
 * behind a closing quote belongs to its cell (`"x"y` reads xy). A quote opens only at the start of a cell. Used where the text is irregular; the
 * common reader is faster. Gives the line of a quote that never closes.
 */
export class LenientRows {
  private cells: string[] = [];
  private cell = '';
  private quoted = false;
  private atStart = true;
  private line = 1;
  private rowLine = 1;
  private quoteLine = 0;
  private misplaced = false;
  private afterQuote = false;
  /** A carriage return at the end of the last piece: a line feed at the start of the next belongs to it. */
  private heldReturn = false;
  private heldQuote = false;

  constructor(
    private readonly delimiter: string,
    private readonly onRow: (row: LenientRow) => void,
  ) {}

  take(piece: string): void {
    let from = 0;
    for (let at = 0; at < piece.length; at++) {
      const char = piece[at] as string;
      if (this.heldReturn) {
        this.heldReturn = false;
        if (char === '\n') {
          from = at + 1;
          continue;
        }
      }
      if (this.quoted) {
        if (this.heldQuote) {
          this.heldQuote = false;
          if (char === '"') {
            from = at;
            continue;
          }
          this.quoted = false;
          this.afterQuote = true;
          from = at;
          // Falls through: the character stands behind a closing quote.
        } else {
          if (char === '"') {
            this.cell += piece.slice(from, at);
            from = at + 1;
            this.heldQuote = true;
          } else if (char === '\n' || (char === '\r' && piece[at + 1] !== '\n')) this.line++;
          continue;
        }
      }
      if (char === this.delimiter || char === '\n' || char === '\r') {
        this.cell += piece.slice(from, at);
        from = at + 1;
        this.endCell();
        if (char !== this.delimiter) {
          this.line++;
          this.heldReturn = char === '\r';
          this.endRow();
        }
      } else if (this.atStart && char === '"') {
        this.quoted = true;
        this.quoteLine = this.line;
        this.atStart = false;
        from = at + 1;
      } else {
        this.atStart = false;
        if (this.afterQuote) this.misplaced = true;
      }
    }
    if (!this.heldQuote) this.cell += piece.slice(from);
  }

  /** Ends the text; gives the line of a quote that never closes, else undefined. */
  finish(): number | undefined {
    if (this.quoted && !this.heldQuote) return this.quoteLine;
    if (this.cell !== '' || this.cells.length > 0 || !this.atStart) {
      this.endCell();
      this.endRow();
    }
    return undefined;
  }

  /** Characters of the current cell. */
  get pending(): number {
    return this.cell.length;
  }

  private endCell(): void {
    this.cells.push(this.cell);
    this.cell = '';
    this.quoted = this.heldQuote = this.afterQuote = false;
    this.atStart = true;
  }

  private endRow(): void {
    this.onRow({ cells: this.cells, line: this.rowLine, misplaced: this.misplaced });
    this.cells = [];
    this.misplaced = false;
    this.rowLine = this.line;
  }
}
