import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { liveryFaults, withColour, type LiveryFault } from 'core/check';
import { LIVERIES, MOST_LIVERIES, type LiveryDoc, type Project } from 'core/document';
import { readLivery, writeLivery } from 'core/io';
import { messageFor } from 'core/result/words';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';
import { LiveryForm } from './livery-form';

/** Liveries to wear: those that come with Cowbell, and the project's own, which are changed here while the figure beside shows them. */
@Component({
  selector: 'cb-livery-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon, LiveryForm],
  host: { class: 'block w-[26rem] max-w-full' },
  template: `
    <p class="sheet-head">What the figure wears</p>
    <div data-home role="group" aria-label="Liveries">
      <button type="button" class="row" [attr.aria-pressed]="worn() === null" (click)="wear(null)">The colours of the page</button>
      @for (livery of all(); track livery.name) {
        <div class="flex items-center">
          <button type="button" class="row" [attr.aria-pressed]="worn() === livery.name" (click)="wear(livery.name)">
            <span class="flex h-5 w-24 items-end gap-px rounded-xs px-1" aria-hidden="true" [style.background]="livery.ground">
              @for (colour of strip(livery); track $index) {
                <span class="grow" [style.background]="colour" [style.height.%]="55 + ($index % 3) * 20"></span>
              }
            </span>
            <span class="grow">{{ livery.name }}</span>
            @if (isOwn(livery)) {
              <span class="text-small text-soft">own</span>
            }
          </button>
          @if (isOwn(livery)) {
            <button type="button" class="act p-1.5" [attr.aria-label]="'Remove ' + livery.name" (click)="remove(livery)">
              <cb-icon name="trash" />
            </button>
          }
        </div>
      }
    </div>
    <div class="flex flex-wrap gap-1 border-t border-hair p-1">
      <button type="button" class="act" data-home-add [disabled]="full()" (click)="copy()">
        <cb-icon name="plus" />Make one of your own
      </button>
      <button type="button" class="act text-soft" (click)="picker.click()">Read one from a file…</button>
      @if (current(); as livery) {
        <button type="button" class="act text-soft" (click)="save(livery)">Save {{ livery.name }} as a file</button>
      }
      <input #picker type="file" class="hidden" accept="application/json,.json" aria-label="Livery file" (change)="read(picker)" />
    </div>
    @if (fault()) {
      <p class="px-2 pb-2 text-small text-warn-ink" data-fault>{{ fault() }}</p>
    }
    @if (own(); as livery) {
      <cb-livery-form [livery]="livery" [formats]="formats()" (changed)="change(livery, $event)" />
      @for (item of faults(); track item.words) {
        <p class="flex flex-wrap items-center gap-2 px-2 pb-1 text-small" data-livery-fault>
          <span class="text-warn-ink">{{ item.words }}</span>
          @if (item.offer; as offer) {
            <button type="button" class="act text-small" (click)="take(livery, item)">
              <span class="size-3 rounded-xs" aria-hidden="true" [style.background]="offer"></span>Use {{ offer }}
            </button>
          }
        </p>
      }
    }
  `,
})
export class LiverySheet {
  private readonly store = inject(ProjectStore);
  private readonly project = toSignal(this.store.project$);
  private readonly figure = toSignal(this.store.figure$, { initialValue: null });
  protected readonly fault = signal<string | null>(null);
  protected readonly formats = computed(() => (this.project()?.formats ?? []).map(({ name }) => name));
  private readonly owns = computed(() => this.project()?.liveries ?? []);
  protected readonly all = computed(() => [
    ...this.owns(),
    ...LIVERIES.filter(({ name }) => this.owns().every(livery => livery.name !== name)),
  ]);
  protected readonly worn = computed(() => this.figure()?.dress.livery ?? null);
  protected readonly current = computed(() => this.all().find(({ name }) => name === this.worn()));
  protected readonly own = computed(() => this.owns().find(({ name }) => name === this.worn()));
  protected readonly full = computed(() => this.owns().length >= MOST_LIVERIES);
  protected readonly faults = computed(() => {
    const own = this.own();
    return own ? liveryFaults(own) : [];
  });

  protected readonly strip = ({ base, colours, series }: LiveryDoc): string[] => [
    base,
    ...Object.values(colours).slice(0, 4),
    ...series.slice(1, 3),
  ];
  protected readonly isOwn = (livery: LiveryDoc): boolean => this.owns().includes(livery);

  protected wear(livery: string | null): void {
    const figure = this.figure();
    if (figure) this.store.changeFigure({ dress: { ...figure.dress, livery } });
  }

  /** A copy of what is worn, worn from now on; one step of undo. */
  protected copy(): void {
    const like = this.current() ?? LIVERIES.find(() => true);
    if (like) this.add({ ...like, name: freeName(`${like.name}, own`, this.all()) });
  }

  protected async read(picker: HTMLInputElement): Promise<void> {
    const file = picker.files?.[0];
    if (!file) return;
    picker.value = '';
    const read = readLivery(await file.text());
    this.fault.set(read.ok ? null : read.problems.map(messageFor).join(' '));
    if (read.ok) this.add({ ...read.value, name: freeName(read.value.name, this.all()) });
  }

  protected async save(livery: LiveryDoc): Promise<void> {
    const [{ download }, { fileName }] = await Promise.all([import('../handover/figure-files'), import('handover/offers')]);
    download(new Blob([writeLivery(livery)], { type: 'application/json' }), fileName(livery.name, 'livery.json'));
  }

  protected change(before: LiveryDoc, after: LiveryDoc): void {
    const liveries = this.owns().map(item => (item === before ? after : item));
    const renamed = before.name === after.name ? [] : wearers(this.project(), before.name);
    this.store.apply({
      kind: 'all',
      edits: [
        { kind: 'set-liveries', liveries },
        ...renamed.map(figure => ({
          kind: 'change-figure' as const,
          figure: figure.id,
          change: { dress: { ...figure.dress, livery: after.name } },
        })),
      ],
    });
  }

  protected take(livery: LiveryDoc, { spot, offer }: LiveryFault): void {
    if (offer) this.change(livery, withColour(livery, spot, offer));
  }

  /** Figures that wear it go back to the colours of the page. */
  protected remove(livery: LiveryDoc): void {
    const liveries = this.owns().filter(item => item !== livery);
    this.store.apply({
      kind: 'all',
      edits: [
        { kind: 'set-liveries', liveries },
        ...wearers(this.project(), livery.name).map(figure => ({
          kind: 'change-figure' as const,
          figure: figure.id,
          change: { dress: { ...figure.dress, livery: null } },
        })),
      ],
    });
  }

  private add(livery: LiveryDoc): void {
    const figure = this.figure();
    const dress = figure && {
      kind: 'change-figure' as const,
      figure: figure.id,
      change: { dress: { ...figure.dress, livery: livery.name } },
    };
    this.store.apply({ kind: 'all', edits: [{ kind: 'set-liveries', liveries: [...this.owns(), livery] }, ...(dress ? [dress] : [])] });
  }
}

const wearers = (project: Project | null | undefined, livery: string): Project['figures'] =>
  (project?.figures ?? []).filter(({ dress }) => dress.livery === livery);

function freeName(wanted: string, taken: readonly LiveryDoc[]): string {
  const isTaken = (name: string): boolean => taken.some(livery => livery.name === name);
  let name = wanted.slice(0, 56);
  for (let i = 2; isTaken(name); i++) name = `${wanted.slice(0, 52)} ${i}`;
  return name;
}
