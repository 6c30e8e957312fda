import type { ElementRef } from '@angular/core';
import { afterNextRender, ChangeDetectionStrategy, Component, computed, output, resource, signal, viewChild } from '@angular/core';
import * as z from 'zod/mini';
import { Icon } from '../ui/icon';

const blockSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('heading'), text: z.string() }),
  z.object({ kind: z.literal('text'), text: z.string() }),
  z.object({ kind: z.literal('code'), text: z.string() }),
  z.object({ kind: z.literal('list'), items: z.array(z.string()) }),
  z.object({ kind: z.literal('links'), items: z.array(z.object({ text: z.string(), page: z.string() })) }),
]);
const guideSchema = z.array(
  z.object({ id: z.string(), title: z.string(), words: z.string(), blocks: z.array(blockSchema), picture: z.nullable(z.string()) }),
);
type GuidePage = z.infer<typeof guideSchema>[number];

/** The guide within the application: what to say for what, a page for each need, and what to look up; searched by any of its words. */
@Component({
  selector: 'cb-help-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon],
  host: {
    class: 'fixed inset-x-0 bottom-0 top-10 z-30 flex flex-col bg-ground',
    role: 'dialog',
    'aria-label': 'Help',
    '(document:keydown.escape)': 'closed.emit()',
  },
  template: `
    <div class="flex flex-wrap items-center gap-3 border-b border-hair px-5 py-3">
      <h2 class="text-head font-semibold">Help</h2>
      <input
        #field
        class="field w-80 max-w-full"
        type="search"
        aria-label="Search the guide"
        placeholder="average, running total, workbook …"
        [value]="query()"
        (input)="query.set($any($event.target).value)"
        (keydown.enter)="openFirst()"
      />
      <p class="grow text-small text-soft" aria-live="polite">{{ told() }}</p>
      <button type="button" class="act" (click)="closed.emit()"><cb-icon name="x" />Close</button>
    </div>
    <div class="grid min-h-0 grow grid-cols-[17rem_minmax(0,1fr)]">
      <nav class="flex flex-col overflow-y-auto border-r border-hair p-2" aria-label="Pages of the guide">
        @for (own of found(); track own.id) {
          <button
            type="button"
            class="row"
            [class.font-semibold]="own.id === page()?.id"
            [attr.aria-current]="own.id === page()?.id ? 'page' : null"
            (click)="chosen.set(own.id)"
          >
            {{ own.title }}
          </button>
        } @empty {
          <p class="p-3 text-soft">{{ fault() || 'Nothing in the guide has these words. Try fewer of them.' }}</p>
        }
      </nav>
      <article class="min-w-0 overflow-y-auto px-8 py-6" tabindex="0" aria-label="Guide">
        @if (page(); as shown) {
          <h3 class="text-head font-semibold">{{ shown.title }}</h3>
          @if (shown.picture) {
            <img
              class="my-4 w-full max-w-[50rem] rounded-card border border-hair"
              width="800"
              height="450"
              [src]="'guide/pictures/' + shown.picture + '.png'"
              [alt]="shown.title + ', as the sample project shows it'"
            />
          }
          @for (block of shown.blocks; track $index) {
            @switch (block.kind) {
              @case ('heading') {
                <h4 class="mb-1 mt-5 font-semibold">{{ block.text }}</h4>
              }
              @case ('text') {
                <p class="my-2 max-w-[46rem]">{{ block.text }}</p>
              }
              @case ('code') {
                <pre class="my-2 overflow-x-auto rounded-card border border-hair bg-surface p-3 font-formula text-small" tabindex="0">{{
                  block.text
                }}</pre>
              }
              @case ('list') {
                <ul class="my-2 flex max-w-[46rem] list-disc flex-col gap-1 pl-5">
                  @for (item of block.items; track $index) {
                    <li>{{ item }}</li>
                  }
                </ul>
              }
              @case ('links') {
                <ul class="my-2 flex max-w-[46rem] flex-col">
                  @for (item of block.items; track $index) {
                    <li>
                      <button type="button" class="row" (click)="chosen.set(item.page)">{{ item.text }}</button>
                    </li>
                  }
                </ul>
              }
            }
          }
        }
      </article>
    </div>
  `,
})
export class HelpView {
  readonly closed = output();
  protected readonly query = signal('');
  protected readonly chosen = signal('index');
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');

  private readonly guide = resource({
    loader: async (): Promise<readonly GuidePage[]> => {
      const answer = await fetch('guide/guide.json');
      const read = guideSchema.safeParse(await answer.json());
      if (!read.success) throw new Error('the guide cannot be read');
      return read.data;
    },
  });
  protected readonly fault = computed(() => (this.guide.error() ? 'The guide could not be fetched. Close this and open it again.' : ''));
  private readonly pages = computed(() => (this.guide.hasValue() ? this.guide.value() : []));
  /** Pages that have every word that is looked for, those in whose titles it stands first. */
  protected readonly found = computed(() => {
    const words = this.query().toLowerCase().split(/\s+/).filter(Boolean);
    const has = (text: string): boolean => words.every(word => text.toLowerCase().includes(word));
    const inTitle = this.pages().filter(({ title, words: own }) => has(`${title} ${own}`));
    return [...inTitle, ...this.pages().filter(page => !inTitle.includes(page) && has(textOf(page)))];
  });
  protected readonly page = computed(() => this.pages().find(({ id }) => id === this.chosen()));
  protected readonly told = computed(() => (this.query() ? `${this.found().length} of ${this.pages().length} pages` : ''));

  constructor() {
    afterNextRender(() => this.field().nativeElement.focus());
  }

  protected openFirst(): void {
    const [first] = this.found();
    if (first) this.chosen.set(first.id);
  }
}

const textOf = ({ title, words, blocks }: GuidePage): string =>
  [
    title,
    words,
    ...blocks.flatMap(block => ('items' in block ? block.items.map(item => (typeof item === 'string' ? item : item.text)) : [block.text])),
  ].join(' ');
