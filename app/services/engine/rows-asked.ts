import { Injectable, signal } from '@angular/core';

/** The mark whose rows of the table are asked for on the stage; the ledger opens them. */
@Injectable({ providedIn: 'root' })
export class RowsAsked {
  readonly mark = signal<{ readonly row: number; readonly measure: string } | null>(null);
}
