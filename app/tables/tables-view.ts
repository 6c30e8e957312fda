import { afterNextRender, ChangeDetectionStrategy, Component, computed, ElementRef, inject, output, resource, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { firstFigures, type TableFacts } from 'core/brief';
import { plainTable, type Making } from 'core/document';
import { chooseMaking, firstMakings, makingSentence, tablesOf, wordsOfMaking } from 'core/making';
import { acceptedFiles } from 'core/io';
import type { Problem, Result } from 'core/result';
import { messageFor } from 'core/result/words';
import { counted, listed } from 'core/sentence';
import type { TableLook } from 'engine';
import { SentenceLine } from '../brief/sentence-line';
import type { TokenChoice } from '../brief/token-choice';
import { EngineClient } from '../services/engine/engine-client';
import { Importing } from '../services/sources/importing';
import { Feeds } from '../services/sources/feeds';
import { Incoming } from '../services/sources/incoming';
import { Notices } from '../services/telling/notices';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { FeedForm, type FeedWish } from './feed-form';
import { TableFeed } from './table-feed';
import { TableGrid } from './table-grid';
import { TableMends } from './table-mends';

/** The table that is being made, before it has a place in the project. */
const DRAFT = 'draft';

/** The tables of the project: what each is from or made of, its columns at a glance, its rows; and new ones made of them. */
@Component({
  selector: 'cb-tables-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FeedForm, Icon, SentenceLine, Sheet, TableFeed, TableGrid, TableMends],
  templateUrl: './tables-view.html',
  host: {
    class: 'fixed inset-x-0 bottom-0 top-10 z-30 flex flex-col bg-ground',
    role: 'dialog',
    'aria-label': 'Tables',
    '(document:keydown.escape)': 'onEscape($event)',
  },
})
export class TablesView {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly incoming = inject(Incoming);
  private readonly importing = inject(Importing);
  private readonly feeds = inject(Feeds);
  readonly closed = output();

  protected readonly project = toSignal(this.store.project$);
  protected readonly tables = toSignal(this.store.tables$, { initialValue: [] as readonly TableFacts[] });
  private readonly chosen = signal(this.store.figure?.data.table ?? '');
  protected readonly find = signal('');
  /** A formula that must be true in the rows that are shown; empty for all. */
  protected readonly where = signal('');
  /** Rows of a finding that are shown alone. */
  protected readonly only = signal<readonly number[] | null>(null);
  /** A table that is being made and has no place in the project yet. */
  protected readonly draft = signal<Making | null>(null);
  protected readonly draftName = signal('');

  protected readonly doc = computed(() => {
    const tables = this.project()?.tables ?? [];
    return tables.find(({ id }) => id === this.chosen()) ?? tables[0];
  });
  protected readonly making = computed(() => this.draft() ?? this.doc()?.made ?? null);
  protected readonly sentence = computed(() => {
    const making = this.making();
    return making ? makingSentence(making, this.candidates()) : null;
  });
  /** Ways to begin a table made of others, as they would read here. */
  protected readonly offers = computed(() =>
    firstMakings(this.tables(), this.doc()?.id ?? '').map(making => ({ making, words: wordsOfMaking(making, id => this.nameOf(id)) })),
  );

  private readonly asked = resource({
    params: () => ({
      table: this.draft() ? DRAFT : (this.doc()?.id ?? ''),
      making: this.draft(),
      find: this.find(),
      where: this.where().trim() || null,
      only: this.only(),
      of: this.project()?.tables,
    }),
    loader: async ({ params: { of: _, ...ask } }): Promise<Result<TableLook>> => this.engine.api.tableLook(ask),
  });
  private last: TableLook | null = null;
  private readonly read = computed((): Result<TableLook> | undefined => (this.asked.hasValue() ? this.asked.value() : undefined));
  /** The shown rows; the earlier ones stay while new ones load or a filter cannot be read. */
  protected readonly look = computed(() => {
    const read = this.read();
    if (read?.ok) this.last = read.value;
    const isOwn = this.last?.table === (this.draft() ? DRAFT : this.doc()?.id);
    return !isOwn || (read && !read.ok && this.where().trim() === '') ? null : this.last;
  });
  private readonly problems = computed(() => {
    const read = this.read();
    return read && !read.ok ? read.problems.map(problem => messageFor(problem)) : [];
  });
  protected readonly whereFault = computed(() => (this.where().trim() ? this.problems().join(' ') || null : null));
  protected readonly faults = computed(() => (this.where().trim() ? [] : this.problems()));
  protected readonly isNarrowed = computed(() => this.find() !== '' || this.only() !== null || this.where().trim() !== '');
  protected readonly columns = computed(() => this.look()?.columns ?? []);
  protected readonly notes = computed(() => (this.look()?.notes ?? []).map((note: Problem) => messageFor(note)));

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterNextRender(() => host.querySelector<HTMLElement>('[aria-current="true"]')?.focus());
  }

  protected rowsOf(id: string): string {
    const rows = this.tables().find(table => table.id === id)?.rowCount;
    return rows === undefined ? '' : rows.toLocaleString('en');
  }

  protected originOf(): string {
    const { source, made } = this.doc() ?? {};
    if (made) return '';
    return source
      ? `From ${listed(source.files.slice(0, 4))}${source.files.length > 4 ? ` and ${source.files.length - 4} more files` : ''}.`
      : 'It came with the project.';
  }

  protected readonly counted = counted;
  protected readonly accept = acceptedFiles();

  protected show(id: string): void {
    this.draft.set(null);
    this.chosen.set(id);
    this.showAll();
  }

  private showAll(): void {
    this.find.set('');
    this.where.set('');
    this.only.set(null);
  }

  protected begin(making: Making): void {
    this.showAll();
    this.draft.set(making);
    this.draftName.set(this.freeName(making));
  }

  /** A word of the sentence: the draft's, or one step of undo where the table has its place. */
  protected choose({ key, value }: TokenChoice): void {
    const [making, doc] = [this.making(), this.doc()];
    const changed = making && chooseMaking(making, key, value, this.candidates());
    if (!changed?.ok) return;
    if (this.draft()) this.draft.set(changed.value);
    else if (doc) this.store.apply({ kind: 'change-table', table: doc.id, change: { made: changed.value } });
  }

  protected make(): void {
    const [made, look] = [this.draft(), this.look()];
    if (!made || !look || this.faults().length) return;
    const id = crypto.randomUUID();
    const name = this.draftName().trim() || this.freeName(made);
    const info = {
      name,
      rowCount: look.rowCount,
      columns: look.columns.map(({ name: column, type, stats }) => ({ name: column, type, stats })),
    };
    this.store.addSource(id, info);
    this.store.apply({ kind: 'add-table', table: { ...plainTable(id, name), units: this.unitsFor(made, look), made } });
    this.show(id);
    this.notices.done(`Made ${name}: ${counted(look.rowCount, 'row')}.`, { undo: () => this.store.undo() });
  }

  protected readonly feedFault = signal<string | null>(null);
  protected readonly isTaking = signal(false);

  /** Opens a feed's delivery for review before it is added. */
  protected async takeFeed(feed: FeedWish, close: () => void): Promise<void> {
    this.isTaking.set(true);
    const fault = await this.feeds.take(feed);
    this.isTaking.set(false);
    this.feedFault.set(fault);
    if (fault === null) close();
  }

  /** Another file takes the place of the table's rows, once it was looked at. */
  protected async openNext(id: string, picker: HTMLInputElement): Promise<void> {
    const files = [...(picker.files ?? [])].map(file => ({ file, name: file.name }));
    picker.value = '';
    if (files.length) await this.importing.openNext(id, files);
  }

  protected rename(text: string): void {
    const [name, doc] = [text.trim(), this.doc()];
    if (doc && name && name !== doc.name) this.store.apply({ kind: 'change-table', table: doc.id, change: { name } });
  }

  /** Goes at once, and can be brought back; not while a figure or another table needs it. */
  protected remove(): void {
    const [doc, project] = [this.doc(), this.project()];
    if (!doc || !project) return;
    const users = [
      ...project.figures.filter(({ data }) => data.table === doc.id).map(({ name }) => name),
      ...project.tables.filter(({ made }) => made && tablesOf(made).includes(doc.id)).map(({ name }) => name),
    ];
    if (users.length)
      return this.notices.fault(
        `${doc.name} is needed by ${listed(users.slice(0, 5))}${users.length > 5 ? ' and others' : ''}. Remove those first.`,
      );
    this.store.apply({ kind: 'remove-table', table: doc.id });
    this.notices.done(`Removed ${doc.name}.`, { undo: () => this.store.undo() });
  }

  protected async copySql(sql: string): Promise<void> {
    await navigator.clipboard.writeText(sql);
    this.notices.done('Copied the statement. It gives the same rows over tables of these names.');
  }

  /** A first figure of the table that is looked at. */
  protected figure(): void {
    const [doc, facts] = [this.doc(), this.tables().find(({ id }) => id === this.doc()?.id)];
    if (!doc || !facts) return;
    this.store.addFigure(firstFigures(crypto.randomUUID(), facts).figure);
    this.closed.emit();
  }

  protected leave(): void {
    if (this.draft()) this.draft.set(null);
    else this.closed.emit();
  }

  /** Wherever the focus is: it may have gone with what was left. A sheet takes its own Escape, and what lies above the tables comes first. */
  protected onEscape(event: Event): void {
    if (!event.defaultPrevented && !this.incoming.looked() && !this.incoming.changed()) this.leave();
  }

  /** Tables that this one may be made of: not of itself, nor of one that is made of it. */
  private candidates(): readonly TableFacts[] {
    const own = this.draft() ? undefined : this.doc()?.id;
    return this.tables().filter(({ id }) => id !== own && !this.isMadeOf(id, own));
  }

  private isMadeOf(id: string, part: string | undefined): boolean {
    const made = this.project()?.tables.find(table => table.id === id)?.made;
    return !!made && part !== undefined && tablesOf(made).some(other => other === part || this.isMadeOf(other, part));
  }

  private nameOf(id: string): string {
    return this.tables().find(table => table.id === id)?.name ?? id;
  }

  private freeName(making: Making): string {
    const wanted =
      making.kind === 'align' || making.kind === 'stack'
        ? `${making.kind === 'align' ? 'aligned' : 'stacked'} ${this.nameOf(tablesOf(making)[0] ?? '')}`
        : `${this.nameOf(tablesOf(making)[0] ?? '')} ${making.kind === 'look-up' ? 'with more' : making.kind}`;
    const taken = new Set(this.tables().map(({ name }) => name));
    let free = wanted;
    for (let n = 2; taken.has(free); n++) free = `${wanted} ${n}`;
    return free;
  }

  /** Units of the columns that keep their names; two tables that disagree give none. */
  private unitsFor(making: Making, { columns }: TableLook): Record<string, string> {
    const docs = tablesOf(making).map(id => this.project()?.tables.find(table => table.id === id));
    const units: Record<string, string> = {};
    for (const { name } of columns) {
      const [bare = ''] = name.split(' of ');
      const found = new Set(docs.flatMap(doc => doc?.units[name] ?? doc?.units[bare] ?? []));
      const [unit] = found;
      if (unit && found.size === 1) units[name] = unit;
    }
    return units;
  }
}
