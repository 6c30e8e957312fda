import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { TableDoc } from 'core/document';

/** An address to fetch rows from, and how often. */
export type FeedWish = NonNullable<TableDoc['feed']>;

const OFTEN = [
  ['', 'when asked'],
  ['1', 'every minute'],
  ['5', 'every 5 minutes'],
  ['15', 'every 15 minutes'],
  ['60', 'every hour'],
  ['1440', 'every day'],
] as const;

/** Where a feed is and how often it is fetched. */
@Component({
  selector: 'cb-feed-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'block w-80 max-w-full' },
  template: `
    <p class="sheet-head">Rows from an address of this server, fetched anew; the last good ones stay where it fails</p>
    <form class="flex flex-col gap-2 p-1" (submit)="$event.preventDefault(); take(address.value, often.value)">
      <input
        #address
        data-first
        class="field"
        maxlength="2000"
        required
        aria-label="Address of the feed"
        placeholder="/feeds/deliveries.json"
        spellcheck="false"
        [value]="feed()?.address ?? '/feeds/deliveries.json'"
      />
      <select #often class="field" aria-label="How often" [value]="feed()?.minutes ?? ''">
        @for (choice of choices; track choice[0]) {
          <option [value]="choice[0]" [selected]="choice[0] === '' + (feed()?.minutes ?? '')">{{ choice[1] }}</option>
        }
      </select>
      @if (fault(); as words) {
        <p class="text-small text-warn-ink" data-fault>{{ words }}</p>
      }
      <div class="flex justify-end">
        <button type="submit" class="act act-loud" [disabled]="isBusy()">{{ label() }}</button>
      </div>
    </form>
  `,
})
export class FeedForm {
  readonly feed = input<TableDoc['feed']>(null);
  readonly label = input.required<string>();
  readonly fault = input<string | null>(null);
  readonly isBusy = input(false);
  readonly taken = output<FeedWish>();
  protected readonly choices = OFTEN;

  protected take(address: string, often: string): void {
    if (address.trim()) this.taken.emit({ address: address.trim(), minutes: often === '' ? null : Number(often) });
  }
}
