import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import type { TableDoc } from 'core/document';
import { counted } from 'core/sentence';
import { Feeds } from '../services/sources/feeds';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { FeedForm, type FeedWish } from './feed-form';

const SECOND_MS = 1_000;
const MINUTE_S = 60;

/** The feed that a table is tied to: where it comes from, how old its rows are, what fails; or a way to tie it to one. */
@Component({
  selector: 'cb-table-feed',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FeedForm, Icon, Sheet],
  host: { class: 'block', role: 'group', 'aria-label': 'Feed' },
  template: `
    @if (doc().feed; as feed) {
      <div class="flex flex-wrap items-baseline gap-x-2">
        <p>
          Fed from <b class="font-semibold">{{ feed.address }}</b>{{ every() }}. <span data-age>{{ age() }}</span>
        </p>
        <button type="button" class="act font-semibold" [disabled]="state().isFetching" (click)="feeds.refresh(doc().id)">
          {{ state().isFetching ? 'Refreshing…' : 'Refresh now' }}
        </button>
        <button type="button" class="act" [cbSheet]="form" sheetLabel="The feed">Change</button>
        <button type="button" class="act" (click)="untie()">Untie it</button>
      </div>
      @if (state().fault; as fault) {
        <p class="text-warn-ink" data-feed-fault>
          {{ fault }} {{ tried() }} The last good rows stay.
          @if (state().waits) {
            <button type="button" class="act font-semibold" (click)="feeds.look(doc().id)">Look at what it gives</button>
          }
        </p>
      }
    } @else {
      <button type="button" class="act -ml-2 text-small text-soft" [cbSheet]="form" sheetLabel="Tie it to a feed">
        <cb-icon name="plus" />Tie it to a feed
      </button>
    }
    <ng-template #form let-close>
      <cb-feed-form [feed]="doc().feed" label="Tie it" (taken)="tie($event); close()" />
    </ng-template>
  `,
})
export class TableFeed {
  private readonly store = inject(ProjectStore);
  protected readonly feeds = inject(Feeds);
  readonly doc = input.required<TableDoc>();

  private readonly now = signal(Date.now());
  protected readonly state = computed(() => this.feeds.stateOf(this.doc().id));
  protected readonly every = computed(() => {
    const minutes = this.doc().feed?.minutes ?? null;
    return minutes === null ? ', when asked' : minutes === 1 ? ' every minute' : ` every ${minutes} minutes`;
  });
  protected readonly age = computed(() => {
    const at = Math.max(this.state().goodAt ?? 0, this.doc().source?.at ?? 0);
    return at === 0 ? 'Its rows came with the project.' : `Its rows are ${agedWords(this.now() - at)} old.`;
  });
  protected readonly tried = computed(() => {
    const { fails, nextAt } = this.state();
    if (fails === 0) return '';
    const next = nextAt === null ? '' : `, again in ${Math.max(0, Math.ceil((nextAt - this.now()) / SECOND_MS))} s`;
    return `Tried ${fails === 1 ? 'once' : `${fails} times`}${next}.`;
  });

  constructor() {
    const ticking = setInterval(() => this.now.set(Date.now()), SECOND_MS);
    inject(DestroyRef).onDestroy(() => clearInterval(ticking));
  }

  protected tie(feed: FeedWish): void {
    this.store.apply({ kind: 'change-table', table: this.doc().id, change: { feed: { ...feed } } });
    this.feeds.refresh(this.doc().id);
  }

  protected untie(): void {
    this.store.apply({ kind: 'change-table', table: this.doc().id, change: { feed: null } });
  }
}

/** “12 seconds”, “3 minutes”, “2 hours”, “5 days”. */
export function agedWords(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / SECOND_MS));
  const steps = [
    [MINUTE_S, 'second', 1],
    [MINUTE_S * 60, 'minute', MINUTE_S],
    [MINUTE_S * 60 * 48, 'hour', MINUTE_S * 60],
    [Infinity, 'day', MINUTE_S * 60 * 24],
  ] as const;
  const [, word, size] = steps.find(([below]) => seconds < below) ?? steps[0];
  return counted(Math.floor(seconds / size), word);
}
