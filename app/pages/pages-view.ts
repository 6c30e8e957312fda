import { afterNextRender, ChangeDetectionStrategy, Component, computed, ElementRef, inject, output, resource, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MOST_BLOCKS, type PageBlock, type PageDoc } from 'core/document';
import { counted } from 'core/sentence';
import type { WrittenPage } from 'handover';
import { fileName, PAGE_STYLE, pageBody } from 'handover/offers';
import { download } from '../handover/figure-files';
import { print } from '../handover/print-figure';
import { FigureThumb } from '../library/figure-thumb';
import { EngineClient } from '../services/engine/engine-client';
import { Notices } from '../services/telling/notices';
import { ProjectStore } from '../services/project/project-store';
import { Theme } from '../services/telling/theme';
import { Icon } from '../ui/icon';
import { drawnPage, pageDocument, pageFolder } from './page-files';

/** Pages of the report: figures and paragraphs in one order, each beside how it will look, and what they are handed over as. */
@Component({
  selector: 'cb-pages-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FigureThumb, Icon],
  templateUrl: './pages-view.html',
  host: {
    class: 'fixed inset-x-0 bottom-0 top-10 z-30 flex flex-col bg-ground',
    role: 'dialog',
    'aria-label': 'Pages',
    '(document:keydown.escape)': 'onEscape($event)',
  },
})
export class PagesView {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly theme = inject(Theme);
  readonly closed = output();

  protected readonly project = toSignal(this.store.project$);
  protected readonly pages = computed(() => this.project()?.pages ?? []);
  protected readonly figures = computed(() => this.project()?.figures ?? []);
  private readonly chosen = signal('');
  protected readonly page = computed(() => this.pages().find(({ id }) => id === this.chosen()) ?? this.pages()[0]);
  protected readonly isBusy = signal(false);

  private readonly asked = resource({
    params: () => ({ page: this.page(), livery: this.theme.livery(), of: this.project() }),
    loader: async ({ params: { page, livery } }) => (page ? this.engine.api.writePage(page, livery) : null),
  });
  private last: WrittenPage | null = null;
  /** The page as it stands; while it is written anew, as it was. */
  protected readonly written = computed(() => {
    const read = this.asked.hasValue() ? this.asked.value() : undefined;
    if (read?.ok) this.last = read.value;
    return this.page() ? this.last : null;
  });

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterNextRender(() => host.querySelector<HTMLElement>('[data-home]')?.focus());
  }

  protected show(id: string): void {
    this.chosen.set(id);
  }

  /** A page with every figure of the project, each under its name's place for words. */
  protected add(): void {
    const id = crypto.randomUUID();
    const taken = new Set(this.pages().map(({ name }) => name));
    let name = `Report of ${this.project()?.name ?? 'the season'}`.slice(0, 180);
    for (let n = 2; taken.has(name); n++) name = `${name.replace(/ \d+$/, '')} ${n}`;
    const first = this.figures().slice(0, 2);
    const blocks: PageBlock[] = first.map(figure => ({ kind: 'figure', figure: figure.id, wide: true }));
    this.set([...this.pages(), { id, name, columns: 1, blocks }]);
    this.chosen.set(id);
  }

  protected remove(page: PageDoc): void {
    this.set(this.pages().filter(({ id }) => id !== page.id));
    this.notices.done(`Removed ${page.name}.`, { act: { label: 'Undo', run: () => this.store.undo() } });
  }

  protected change(change: Partial<Omit<PageDoc, 'id'>>): void {
    const page = this.page();
    if (!page || change.name === '') return;
    this.set(this.pages().map(own => (own.id === page.id ? { ...own, ...change } : own)));
  }

  protected addBlock(kind: PageBlock['kind']): void {
    const page = this.page();
    if (!page || page.blocks.length >= MOST_BLOCKS) return;
    const used = new Set(page.blocks.flatMap(block => (block.kind === 'figure' ? [block.figure] : [])));
    const next = this.figures().find(({ id }) => !used.has(id)) ?? this.figures()[0];
    const block: PageBlock =
      kind === 'figure'
        ? { kind, figure: next?.id ?? '', wide: page.columns === 1 }
        : kind === 'text'
          ? { kind, text: '', of: null }
          : { kind };
    this.change({ blocks: [...page.blocks, block] });
  }

  protected changeBlock(at: number, block: PageBlock): void {
    this.change({ blocks: (this.page()?.blocks ?? []).with(at, block) });
  }

  protected move(at: number, by: -1 | 1): void {
    const blocks = [...(this.page()?.blocks ?? [])];
    const [block] = blocks.splice(at, 1);
    if (block) this.change({ blocks: blocks.toSpliced(at + by, 0, block) });
  }

  protected take(at: number): void {
    this.change({ blocks: (this.page()?.blocks ?? []).toSpliced(at, 1) });
  }

  protected figureOf = (id: string) => this.figures().find(figure => figure.id === id);
  protected headingOf = (text: string): string | null => /^#+\s+(.*)$/s.exec(text)?.[1] ?? null;
  protected readonly counted = counted;

  protected async handOver(as: 'html' | 'folder' | 'print'): Promise<void> {
    const [page, livery] = [this.page(), this.theme.livery()];
    const read = page && (await this.engine.api.writePage(page, livery));
    if (!read?.ok || this.isBusy()) return;
    this.isBusy.set(true);
    try {
      if (as === 'print')
        return await print({ markup: pageBody(await drawnPage(read.value, false)), style: PRINTED + PAGE_STYLE, size: null });
      const name = fileName(read.value.name, as === 'html' ? 'html' : 'zip');
      download(as === 'html' ? await pageDocument(read.value, livery) : await pageFolder(read.value), name);
      this.notices.done(`Saved ${name}.`);
    } catch (error) {
      this.notices.fault(`The page could not be handed over: ${error instanceof Error ? error.message : String(error)}.`);
    } finally {
      this.isBusy.set(false);
    }
  }

  private set(pages: readonly PageDoc[]): void {
    this.store.apply({ kind: 'set-pages', pages });
  }

  protected onEscape(event: Event): void {
    if (!event.defaultPrevented) this.closed.emit();
  }
}

// How a page is written on paper.
const PRINTED =
  '.printed{font:11pt/1.5 var(--font-figure);color:#15302a}.printed h1{font-size:18pt;font-weight:650}.printed h2{font-size:13pt;font-weight:650}.printed svg{max-width:100%;height:auto}.printed figure{break-inside:avoid}';
