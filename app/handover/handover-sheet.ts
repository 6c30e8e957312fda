import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { handingWishes, wish, type HandingWishes } from './handing-wishes';
import { PNG_SCALES, type HandingTask } from './handing-task';
import { Handover } from './handover';

/** A thing that can be handed over: what it is, and what for. */
interface Offer {
  readonly name: string;
  readonly about: string;
  readonly task: HandingTask;
}

const format = (name: string, words: string, about: string): Offer => ({ name: words, about, task: { kind: 'format', name } });

const NUMBERS: readonly Offer[] = [
  format('xlsx', 'Workbook', 'the ledger in living formulas'),
  format('csv', 'CSV of the ledger', 'with helper columns'),
  format('json', 'JSON of the ledger', 'a record for each row'),
  format('parquet', 'Parquet of the ledger', 'typed columns'),
];

const WORDS: readonly Offer[] = [
  { name: 'Copy it in words', about: 'for who cannot see it', task: { kind: 'copy-words' } },
  format('text', 'Words as text', 'description, cues, findings'),
  format('words', 'Words as JSON', 'the same, as data'),
];

const TABLE: readonly Offer[] = [
  { name: 'Copy its cells', about: 'to paste into a grid', task: { kind: 'copy-cells' } },
  { name: 'CSV of the crosstab', about: 'totals included', task: { kind: 'crosstab', as: 'csv' } },
  { name: 'HTML of the crosstab', about: 'a page with the table', task: { kind: 'crosstab', as: 'html' } },
];

/** The sheet of everything in which a figure leaves. */
@Component({
  selector: 'cb-handover-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './handover-sheet.html',
})
export class HandoverSheet {
  protected readonly handover = inject(Handover);
  protected readonly wishes = handingWishes;
  protected readonly scales = PNG_SCALES.slice(1);
  protected readonly numbers = NUMBERS;
  protected readonly words = WORDS;
  protected readonly table = TABLE;
  /** A number that cannot be meant, said at its field. */
  protected readonly fault = signal('');
  readonly done = output();

  protected run(task: HandingTask): void {
    this.done.emit();
    void this.handover.run(task);
  }

  protected wish(change: Partial<HandingWishes>): void {
    this.fault.set(wish(change) ? '' : 'Give a width above 0 and up to 20,000, and 30 to 2,400 pixels an inch.');
  }
}
