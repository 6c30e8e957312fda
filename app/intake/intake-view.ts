import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { chooseColumn, chooseSource, columnSentences, sourceSentences, typeWords, type ChangeMend } from 'core/intake';
import { parseCell, type LookColumn } from 'core/io';
import type { Result } from 'core/result';
import { messageFor } from 'core/result/words';
import { counted } from 'core/sentence';
import type { Intake } from 'core/table';
import { SentenceLine } from '../brief/sentence-line';
import type { TokenChoice } from '../brief/token-choice';
import { Importing } from '../services/sources/importing';
import type { LookedSource } from '../services/sources/looked-source';
import { Announcer } from '../ui/announcer';
import { Icon } from '../ui/icon';
import { TextRows } from '../ui/text-rows';

// Columns whose sentences stand there at once; wide tables are found by name.
const LISTED = 60;
// Texts that could not be read, shown one by one.
const UNREAD_SHOWN = 50;

/** A text that could not be read, and where it stands. */
interface Unread {
  readonly column: LookColumn;
  readonly row: number;
  readonly line: number;
  readonly text: string;
}

/** A source before it is added: its sentences, its columns, its first rows, its unread texts. */
@Component({
  selector: 'cb-intake-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon, SentenceLine, TextRows],
  templateUrl: './intake-view.html',
  host: {
    class: 'fixed inset-x-0 bottom-0 top-10 z-30 flex flex-col bg-ground',
    role: 'dialog',
    'aria-label': 'How it is read',
    '(document:keydown.escape)': 'onEscape($event)',
  },
})
export class IntakeView {
  readonly looked = input.required<LookedSource>();
  private readonly importing = inject(Importing);
  private readonly announcer = inject(Announcer);

  protected readonly look = computed(() => this.looked().look());
  protected readonly intake = computed(() => this.looked().intake());
  private readonly foundName = computed(() => this.looked().look().name);
  /** The typed name stays until another part of the source is chosen. */
  protected readonly name = linkedSignal(() => this.foundName());
  protected readonly query = signal('');
  /** The column whose finer words show. */
  protected readonly open = signal<string | null>(null);
  protected readonly sentences = computed(() => sourceSentences(this.look(), this.intake()));
  protected readonly kept = computed(() => this.look().columns.filter(({ name }) => name !== null));
  protected readonly numbers = computed(() => this.kept().map(({ type }) => type === 'number'));
  protected readonly size = computed(() => `${counted(this.look().rowCount, 'row')} and ${counted(this.kept().length, 'column')}`);
  protected readonly notes = computed(() =>
    this.look()
      .notes.filter(({ code }) => code !== 'cell-misfit')
      .map(messageFor),
  );
  protected readonly columns = computed(() => {
    const words = this.query().trim().toLowerCase();
    const found = this.look().columns.filter(
      ({ source, name }) => source !== '' && `${source} ${name ?? ''}`.toLowerCase().includes(words),
    );
    return found.slice(0, LISTED).map(column => ({ column, words: columnSentences(column, this.intake()), facts: this.factsOf(column) }));
  });
  protected readonly isLong = computed(() => this.look().columns.length > 8);
  protected readonly unlisted = computed(() => Math.max(0, this.look().columns.length - LISTED));
  protected readonly unread = computed((): readonly Unread[] =>
    this.kept()
      .flatMap(column => column.misfits.map(({ row, line, text }) => ({ column, row, line, text })))
      .slice(0, UNREAD_SHOWN),
  );
  /** The unit in which places of the source are counted. */
  protected readonly placeWord = computed(() => (this.look().origin.kind === 'text' ? 'line' : 'row'));
  protected readonly unreadCount = computed(() => this.kept().reduce((sum, { misfitCount }) => sum + misfitCount, 0));
  /** Errors in typed replacements, by the place of the text that they replace. */
  protected readonly wrong = signal<Readonly<Record<string, string>>>({});

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterNextRender(() => host.querySelector<HTMLElement>('[data-take]')?.focus());
    // Told once for each reading, since nothing on the screen has the focus that changed.
    effect(() => this.announcer.say(`${this.looked().title}: ${this.size()}`));
  }

  protected async decide({ key, value }: TokenChoice): Promise<void> {
    await this.follow(chooseSource(this.intake(), key, value));
  }

  protected async decideColumn(column: LookColumn, { key, value }: TokenChoice): Promise<void> {
    await this.follow(chooseColumn(this.intake(), column, key, value));
  }

  private async follow(change: Result<Partial<Intake>>): Promise<void> {
    if (change.ok) await this.looked().decide(change.value);
    else this.looked().fault.set(change.problems.map(messageFor));
  }

  protected readonly typeWords = (column: LookColumn): string => typeWords[column.type] + (column.unit ? `, ${column.unit}` : '');

  private factsOf({ name, missing, misfitCount }: LookColumn): string {
    const { rowCount } = this.look();
    if (name === null) return '';
    const share = rowCount ? (missing / rowCount) * 100 : 0;
    const parts = [
      missing === 0 ? 'none missing' : `${share < 1 ? 'under 1' : Math.round(share)} % missing (${missing.toLocaleString('en')})`,
      ...(misfitCount ? [`${misfitCount.toLocaleString('en')} of them could not be read`] : []),
    ];
    return parts.join(', ');
  }

  /** A field belongs to one text, read as one type: of another it begins empty. */
  protected keyOf({ column, row, text }: Unread): string {
    return `${column.source} ${column.type} ${row} ${text}`;
  }

  /** A text in the place of one that could not be read: read as its column is, an edit of that cell once the table lands. */
  protected mend(place: Unread, text: string): void {
    const { column, row } = place;
    const name = column.name ?? column.source;
    const read = parseCell(text, { name, type: column.type, reading: column.reading, unit: column.unit ?? undefined });
    const key = this.keyOf(place);
    if (text.trim() !== '' && !read.ok) return this.wrong.update(wrong => ({ ...wrong, [key]: read.problems.map(messageFor).join(' ') }));
    this.wrong.update(({ [key]: _, ...others }) => others);
    this.looked().mended.update(edits => {
      const others = edits.filter(edit => edit.row !== row || edit.column !== name);
      return text.trim() === '' || !read.ok ? others : [...others, { row, column: name, value: read.value }];
    });
  }

  protected async take(): Promise<void> {
    await this.importing.take(this.looked(), this.name().trim() || this.look().name);
  }

  protected async mendChange(mend: ChangeMend): Promise<void> {
    await this.looked().mendChange(mend);
  }

  protected leave(): void {
    this.importing.leave();
  }

  /** Wherever the focus is; a sheet takes its own Escape. */
  protected onEscape(event: Event): void {
    if (!event.defaultPrevented) this.leave();
  }
}
