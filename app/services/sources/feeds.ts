import { inject, Injectable, signal } from '@angular/core';
import type { TableDoc } from 'core/document';
import { sourceChanges } from 'core/intake';
import { PLAIN_INTAKE } from 'core/table';
import {
  defer,
  EMPTY,
  filter,
  from,
  map,
  merge,
  retry,
  Subject,
  switchMap,
  tap,
  timer,
  catchError,
  type Observable,
  type Subscription,
} from 'rxjs';
import { EngineClient } from '../engine/engine-client';
import { Importing } from './importing';
import { Incoming } from './incoming';
import { LookedSource } from './looked-source';
import { Notices } from '../telling/notices';
import { ProblemWords } from '../telling/problem-words';
import { ProjectStore } from '../project/project-store';
import type { NamedFile } from '../project/named-file';
import { SourceReading } from './source-reading';

/** How a table's feed stands. Times are milliseconds since 1970. */
export interface FeedState {
  readonly isFetching: boolean;
  /** When it last gave good rows, in this session. */
  readonly goodAt: number | null;
  /** Tries in a row that failed. */
  readonly fails: number;
  /** Why the last try failed, or why its rows wait. */
  readonly fault: string | null;
  /** When it is tried again; null where only by hand. */
  readonly nextAt: number | null;
  /** Whether the feed delivered other columns, which wait for review. */
  readonly waits: boolean;
}

const UNTOLD: FeedState = { isFetching: false, goodAt: null, fails: 0, fault: null, nextAt: null, waits: false };

type Feed = NonNullable<TableDoc['feed']>;

const MINUTE_MS = 60_000;
// Pauses between tries: two seconds, then twice as long each time, five minutes at most.
const FIRST_PAUSE_MS = 2_000;
const LONGEST_PAUSE_MS = 5 * MINUTE_MS;
const MOST_TRIES = 6;

/** A feed's failure, in words. */
class FeedFault extends Error {}

/** Keeps tables that are tied to a feed fresh: by hand or by interval, tried again with growing pauses. The last good rows stay whatever the feed does. */
@Injectable({ providedIn: 'root' })
export class Feeds {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly importing = inject(Importing);
  private readonly incoming = inject(Incoming);
  private readonly notices = inject(Notices);
  private readonly words = inject(ProblemWords);

  readonly states = signal<Readonly<Record<string, FeedState>>>({});
  private readonly asked = new Subject<string>();
  private readonly tied = new Map<string, { readonly as: string; readonly running: Subscription }>();
  /** Deliveries with other columns that wait for review, by table. */
  private readonly waiting = new Map<string, LookedSource>();

  constructor() {
    this.store.project$.subscribe(({ id, tables }) => this.follow(id, tables));
  }

  stateOf(table: string): FeedState {
    return this.states()[table] ?? UNTOLD;
  }

  /** Fetches a table's feed now, whatever it waits for. */
  refresh(table: string): void {
    this.asked.next(table);
  }

  /** Rows with other columns, to be looked at before they take the place of the last good ones. */
  look(table: string): void {
    const looked = this.waiting.get(table);
    if (!looked) return;
    this.waiting.delete(table);
    this.say(table, { waits: false });
    this.importing.leave();
    this.incoming.looked.set(looked);
  }

  /** Reads a feed for review as a new table tied to it; returns the reason when that is impossible, else null. */
  async take(feed: Feed): Promise<string | null> {
    let fault: string | null = null;
    try {
      const file = await fetched(feed.address);
      await this.importing.openFeed(file, feed, async problems => {
        fault = (await this.words.of(problems)).join(' ');
      });
    } catch (error) {
      fault = wordsOf(error);
    }
    return fault;
  }

  /** Each tied table has one stream; it begins anew where its feed is another, and ends with the table. */
  private follow(project: string, tables: readonly TableDoc[]): void {
    const wanted = new Map(tables.flatMap(({ id, feed }) => (feed ? [[id, JSON.stringify([project, feed])] as const] : [])));
    for (const [id, { as, running }] of this.tied)
      if (wanted.get(id) !== as) {
        running.unsubscribe();
        this.tied.delete(id);
        this.drop(id);
      }
    for (const { id, feed } of tables)
      if (feed && !this.tied.has(id)) this.tied.set(id, { as: wanted.get(id) as string, running: this.fresh(id, feed).subscribe() });
  }

  private fresh(id: string, feed: Feed): Observable<unknown> {
    const every = feed.minutes === null ? null : feed.minutes * MINUTE_MS;
    const age = Date.now() - (this.store.tableDoc(id)?.source?.at ?? 0);
    const due = every === null ? EMPTY : timer(Math.max(0, every - age), every);
    const byHand = this.asked.pipe(
      filter(table => table === id),
      map(() => 0),
    );
    return merge(due, byHand).pipe(switchMap(() => this.tries(id, feed)));
  }

  private tries(id: string, feed: Feed): Observable<unknown> {
    return defer(() => from(this.once(id, feed))).pipe(
      retry({
        count: MOST_TRIES - 1,
        delay: (error, count) => {
          const pause = Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** (count - 1));
          this.failed(id, error, Date.now() + pause);
          return timer(pause);
        },
      }),
      catchError((error: unknown) => {
        this.failed(id, error, null);
        return EMPTY;
      }),
      tap({ unsubscribe: () => this.say(id, { isFetching: false }) }),
    );
  }

  private async once(id: string, feed: Feed): Promise<void> {
    this.say(id, { isFetching: true });
    const file = await fetched(feed.address);
    const [doc, before] = [this.store.tableDoc(id), await this.engine.api.outline(id)];
    if (!doc || !before.ok) return;
    const reading = new SourceReading(this.engine.api, this.incoming.cancelled, () => undefined);
    const intake = doc.intake ?? PLAIN_INTAKE;
    const seen = await reading.open([file], intake);
    if (!seen?.ok || seen.value.kind !== 'tables') {
      reading.end();
      throw new FeedFault(seen && !seen.ok ? (await this.words.of(seen.problems)).join(' ') : 'The feed gave no rows.');
    }
    const { look } = seen.value;
    const outline = await reading.outline(doc.mends);
    const columns = sourceChanges(before.value, { look, outline, intake, mends: [] }).filter(({ isColumn, isLoud }) => isColumn && isLoud);
    if (columns.length) return this.wait(id, new LookedSource(seen.value, reading, this.words, { doc, before: before.value }), columns);
    const changed = await this.importing.putRows(id, reading, { look, intake, files: [feed.address], edits: [], mends: [] }, `feed ${id}`);
    reading.end();
    this.drop(id);
    this.say(id, { ...UNTOLD, goodAt: Date.now() });
    if (changed && !changed.isSame) this.told(changed.table, changed.figures.length, () => this.incoming.changed.set(changed));
  }

  /** New rows are told where a cue finds something else since. */
  private told(table: string, figures: number, see: () => void): void {
    if (figures === 0) return;
    const what = figures === 1 ? 'The findings of a figure' : `The findings of ${figures} figures`;
    this.notices.done(`${table} has new rows. ${what} changed.`, { act: { label: 'See what changed', run: see } });
  }

  /** Other columns are no reason to try again: the last good rows stay until somebody has looked. */
  private wait(id: string, looked: LookedSource, changes: readonly { readonly words: string }[]): void {
    this.drop(id);
    this.waiting.set(id, looked);
    const fault = changes.map(({ words }) => words).join(' ');
    const isNew = !this.stateOf(id).waits;
    this.say(id, { isFetching: false, fails: 0, fault, nextAt: null, waits: true });
    if (isNew)
      this.notices.fault(`The feed of ${this.nameOf(id)} has other columns. Its last good rows stay. ${fault}`, {
        act: { label: 'Look at it', run: () => this.look(id) },
      });
  }

  private failed(id: string, error: unknown, nextAt: number | null): void {
    const { fails } = this.stateOf(id);
    const fault = wordsOf(error);
    this.say(id, { isFetching: false, fails: fails + 1, fault, nextAt, waits: false });
    // Once for each series: what stays wrong is no news.
    if (fails === 0) this.notices.fault(`${this.nameOf(id)} could not be refreshed; its last good rows stay. ${fault}`);
  }

  private drop(id: string): void {
    this.waiting.get(id)?.reading.end();
    this.waiting.delete(id);
  }

  private nameOf(id: string): string {
    return this.store.tableDoc(id)?.name ?? 'A table';
  }

  private say(id: string, change: Partial<FeedState>): void {
    this.states.update(states => ({ ...states, [id]: { ...(states[id] ?? UNTOLD), ...change } }));
  }
}

/** Fetches a feed as a file. Throws `FeedFault` with what to do. */
async function fetched(address: string): Promise<NamedFile> {
  const answer = await fetch(`/fetch?address=${encodeURIComponent(address)}`).catch(() => {
    throw new FeedFault('The server cannot be reached.');
  });
  if (!answer.ok) throw new FeedFault(await messageOf(answer));
  const name = /([^/]+\.[a-z]+)(?:\?|$)/.exec(address)?.[1] ?? 'feed';
  return { file: await answer.blob(), name };
}

async function messageOf(answer: Response): Promise<string> {
  const body: unknown = await answer.json().catch(() => null);
  const message = typeof body === 'object' && body !== null && 'message' in body ? body.message : null;
  return typeof message === 'string' ? message : `The server answered with ${answer.status}.`;
}

const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
