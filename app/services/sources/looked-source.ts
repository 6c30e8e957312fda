import { computed, signal, type WritableSignal } from '@angular/core';
import type { Mend, TableDoc } from 'core/document';
import { sourceChanges, type ChangeMend, type TableOutline } from 'core/intake';
import type { SourceLook } from 'core/io';
import { failure, type Result } from 'core/result';
import { PLAIN_INTAKE, type CellEdit, type Intake } from 'core/table';
import { filesName } from '../project/file-names';
import type { ProblemWords } from '../telling/problem-words';
import type { Seen } from './reader.worker';
import type { SourceReading } from './source-reading';

/** The table whose next source was read: as the document has it, and without its rows as it is now. */
export interface Replaced {
  readonly doc: TableDoc;
  readonly before: TableOutline;
}

/** A source under review: how it reads now, and the choices made about it. */
export class LookedSource {
  readonly look: WritableSignal<SourceLook>;
  readonly intake: WritableSignal<Intake>;
  /** Why the last choice could not be followed; what shows is how it was read before. */
  readonly fault = signal<readonly string[]>([]);
  readonly isReading = signal(false);
  /** Typed replacements for texts that could not be read. */
  readonly mended = signal<readonly CellEdit[]>([]);

  constructor(
    readonly seen: Extract<Seen, { kind: 'tables' }>,
    readonly reading: SourceReading,
    private readonly words: ProblemWords,
    /** The table that it takes the place of; null where it lands as one of its own. */
    readonly replaced: Replaced | null = null,
    /** The feed that it is from, where it lands as a table tied to one. */
    readonly feed: TableDoc['feed'] = null,
  ) {
    this.look = signal(seen.look);
    this.intake = signal(replaced?.doc.intake ?? PLAIN_INTAKE);
    void this.compare();
  }

  /** Mends of what its next source changes, beside those that the table has. */
  readonly mends = signal<readonly Mend[]>([]);
  private readonly outline = signal<TableOutline | null>(null);
  /** What the next source changes in its table; null while that is computed, and for a new table. */
  readonly changes = computed(() => {
    const [outline, replaced] = [this.outline(), this.replaced];
    return outline && replaced
      ? sourceChanges(replaced.before, { look: this.look(), outline, intake: this.intake(), mends: replaced.doc.mends })
      : null;
  });

  async mendChange({ intake, mends }: ChangeMend): Promise<void> {
    if (mends.length) this.mends.update(list => [...list, ...mends]);
    if (intake) await this.decide(intake);
    else await this.compare();
  }

  private async compare(): Promise<void> {
    if (this.replaced) this.outline.set(await this.reading.outline([...this.replaced.doc.mends, ...this.mends()]));
  }

  get title(): string {
    return filesName(this.seen.files);
  }

  /** Reads again as decided. A choice that leaves nothing to read is told, and not taken. */
  async decide(change: Partial<Intake>): Promise<void> {
    const intake = { ...this.intake(), ...change };
    this.isReading.set(true);
    const read = await this.reading
      .again(intake)
      .catch((error: unknown): Result<never> => failure({ code: 'engine-fault', words: String(error) }))
      .finally(() => this.isReading.set(false));
    if (!read) return;
    if (!read.ok) return this.fault.set(await this.words.of(read.problems));
    if (read.value.kind === 'project') return;
    this.fault.set([]);
    this.intake.set(intake);
    this.mended.set(this.stillMended(read.value.look));
    this.look.set(read.value.look);
    await this.compare();
  }

  /** Mends of texts that are still not read, under the names that their columns have now. */
  private stillMended(next: SourceLook): CellEdit[] {
    const before = this.look();
    return this.mended().flatMap(edit => {
      const column = before.columns.find(({ name }) => name === edit.column);
      const text = column?.misfits.find(({ row }) => row === edit.row)?.text;
      const now = next.columns.find(({ source, type }) => source === column?.source && type === column.type);
      const isThere = now?.misfits.some(misfit => misfit.row === edit.row && misfit.text === text);
      return isThere && now?.name ? [{ ...edit, column: now.name }] : [];
    });
  }
}
