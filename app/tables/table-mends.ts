import { ChangeDetectionStrategy, Component, computed, effect, inject, input, model, resource, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { renameColumn } from 'core/brief';
import type { Mend, TableDoc } from 'core/document';
import { chooseMend, firstMends, mendCounts, mendSentence, type Found, type MendColumn, type MendOutcome } from 'core/mend';
import { messageFor } from 'core/result/words';
import { counted, readSentence, type Sentence } from 'core/sentence';
import { SentenceLine } from '../brief/sentence-line';
import type { TokenChoice } from '../brief/token-choice';
import { EngineClient } from '../services/engine/engine-client';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';

// Findings shown at first; a button shows the rest.
const FIRST_SHOWN = 3;

/** A mend of the table as it is shown. */
interface MendLine {
  readonly mend: Mend;
  readonly sentence: Sentence;
  readonly words: string;
  readonly did: string;
  readonly faults: readonly string[];
}

/** The problems found in a table, and its mends as sentences in order, each with its switch. */
@Component({
  selector: 'cb-table-mends',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon, SentenceLine, Sheet],
  host: { role: 'group', 'aria-label': 'Mends', class: 'block' },
  template: `
    @for (line of lines(); track $index) {
      <div class="flex flex-wrap items-baseline gap-x-2" data-mend>
        <input
          type="checkbox"
          class="translate-y-0.5"
          [checked]="!line.mend.off"
          [attr.aria-label]="(line.mend.off ? 'Do: ' : 'Do not: ') + line.words"
          (change)="change($index, { off: !line.mend.off })"
        />
        <cb-sentence class="max-w-[40rem]" [class.text-soft]="line.mend.off" [sentence]="line.sentence" (chosen)="choose($index, $event)" />
        <span class="text-small text-soft" data-did>{{ line.did }}</span>
        <span class="ml-auto flex">
          <button type="button" class="act p-1" [attr.aria-label]="'Earlier: ' + line.words" [disabled]="$first" (click)="move($index, -1)">
            <cb-icon name="arrow-up" />
          </button>
          <button type="button" class="act p-1" [attr.aria-label]="'Later: ' + line.words" [disabled]="$last" (click)="move($index, 1)">
            <cb-icon name="arrow-down" />
          </button>
          <button type="button" class="act p-1" [attr.aria-label]="'Take off: ' + line.words" (click)="takeOff($index)">
            <cb-icon name="x" />
          </button>
        </span>
        @for (fault of line.faults; track $index) {
          <p class="w-full text-small text-warn-ink" data-fault>{{ fault }}</p>
        }
        @if (refused()?.at === $index) {
          <p class="w-full text-small text-warn-ink" data-fault>{{ refused()?.words }}</p>
        }
      </div>
    }
    @for (item of shown(); track item.found) {
      <div class="flex flex-wrap items-baseline gap-x-3" data-found>
        <span class="text-warn-ink" aria-hidden="true">●</span>
        <span class="max-w-[40rem]">{{ item.found.said }}</span>
        <button
          type="button"
          class="act font-semibold"
          [attr.aria-label]="'Mend it: ' + item.words"
          [title]="item.words"
          (click)="add([item.found.mend])"
        >
          Mend it
        </button>
        <button
          type="button"
          class="act"
          [attr.aria-pressed]="isOnly(item.found)"
          [attr.aria-label]="(isOnly(item.found) ? 'Show all rows again: ' : 'Show its rows: ') + item.found.said"
          (click)="only.set(isOnly(item.found) ? null : item.found.rows)"
        >
          {{ isOnly(item.found) ? 'All rows' : 'Show its rows' }}
        </button>
      </div>
    }
    <div class="-ml-2 flex flex-wrap items-center">
      @if (found().length > shown().length) {
        <button type="button" class="act text-small" (click)="all.set(true)">{{ found().length - shown().length }} more</button>
      }
      @if (found().length > 1) {
        <button type="button" class="act text-small" (click)="addAll()">Mend all {{ found().length }}</button>
      }
      <button type="button" class="act text-small text-soft" [cbSheet]="offerSheet" sheetLabel="Mend something">
        <cb-icon name="plus" />{{
          isKnown() && found().length === 0 && lines().length === 0 ? 'Nothing looks wrong. Mend something else' : 'Mend something else'
        }}
      </button>
      <ng-template #offerSheet let-close>
        <p class="sheet-head">The source stays as it is; each mend has its switch</p>
        <div class="w-80 max-w-full">
          @for (offer of offers(); track offer.mend.kind) {
            <button type="button" class="row" (click)="close(); add([offer.mend])">{{ offer.offer }}</button>
          }
        </div>
      </ng-template>
    </div>
  `,
})
export class TableMends {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly project = toSignal(this.store.project$);
  /** Whatever table changes, this one may be made of it. */
  private readonly tables = computed(() => this.project()?.tables);
  readonly doc = input.required<TableDoc>();
  readonly columns = input.required<readonly MendColumn[]>();
  readonly outcomes = input.required<readonly MendOutcome[]>();
  /** Rows that a finding is about, to be shown alone; null for all. */
  readonly only = model<readonly number[] | null>(null);

  protected readonly all = signal(false);
  protected readonly refused = signal<{ readonly at: number; readonly words: string } | null>(null);
  private readonly asked = resource({
    params: () => ({ table: this.doc().id, of: this.tables() }),
    loader: async ({ params: { table } }) => this.engine.api.findMends(table),
  });
  protected readonly isKnown = computed(() => this.asked.hasValue());
  protected readonly found = computed((): readonly Found[] => {
    const read = this.asked.hasValue() ? this.asked.value() : undefined;
    return read?.ok ? read.value : [];
  });
  protected readonly shown = computed(() =>
    this.found()
      .slice(0, this.all() ? undefined : FIRST_SHOWN)
      .map(found => ({ found, words: readSentence(mendSentence(found.mend, this.columns())) })),
  );
  protected readonly lines = computed(() =>
    this.doc().mends.map((mend, at): MendLine => {
      const sentence = mendSentence(mend, this.columns());
      const outcome = this.outcomes()[at];
      const did = outcome ? counted(outcome.count, mendCounts(mend)) + (outcome.also ? `; ${outcome.also}` : '') : '';
      return {
        mend,
        sentence,
        words: readSentence(sentence),
        did: mend.off ? 'not done' : did,
        faults: mend.off ? [] : (outcome?.problems ?? []).map(problem => messageFor(problem)),
      };
    }),
  );
  protected readonly offers = computed(() => firstMends(this.columns()));

  constructor() {
    // Rows that were shown alone are those of a finding that is gone with another table, or mended.
    effect(() => {
      const { found, only } = { found: this.found(), only: this.only() };
      if (only && this.isKnown() && !found.some(({ rows }) => String(rows) === String(only))) this.only.set(null);
    });
  }

  protected isOnly({ rows }: Found): boolean {
    return String(this.only()) === String(rows);
  }

  protected add(mends: readonly Mend[]): void {
    this.only.set(null);
    this.put([...this.doc().mends, ...mends]);
  }

  protected addAll(): void {
    this.add(this.found().map(({ mend }) => mend));
  }

  protected change(at: number, change: Partial<Pick<Mend, 'off'>>): void {
    const { mends } = this.doc();
    this.putOne(
      mends[at],
      mends.map((mend, i) => (i === at ? { ...mend, ...change } : mend)),
      mends[at]?.off === false,
    );
  }

  protected choose(at: number, { key, value }: TokenChoice): void {
    const mend = this.doc().mends[at];
    const changed = mend && chooseMend(mend, key, value, this.columns());
    if (!changed) return;
    this.refused.set(changed.ok ? null : { at, words: changed.problems.map(problem => messageFor(problem)).join(' ') });
    if (changed.ok) this.put(this.doc().mends.map((own, i) => (i === at ? changed.value : own)));
  }

  protected move(at: number, by: number): void {
    const { mends } = this.doc();
    const mend = mends[at];
    if (mend) this.put(mends.toSpliced(at, 1).toSpliced(at + by, 0, mend));
  }

  protected takeOff(at: number): void {
    const { mends } = this.doc();
    this.putOne(mends[at], mends.toSpliced(at, 1), true);
  }

  /** Where a column loses its other name, or has it again, everything that speaks of it follows. */
  private putOne(mend: Mend | undefined, mends: readonly Mend[], isUndone: boolean): void {
    const project = this.project();
    if (mend?.kind !== 'rename' || !project || (mend.off && isUndone)) return this.put(mends);
    const renaming = isUndone ? { from: mend.as, to: mend.column } : { from: mend.column, to: mend.as };
    this.store.apply(renameColumn(project, this.doc().id, renaming, mends));
  }

  private put(mends: readonly Mend[]): void {
    this.refused.set(null);
    this.store.apply({ kind: 'change-table', table: this.doc().id, change: { mends: [...mends] } });
  }
}
