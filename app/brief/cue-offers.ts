import type { ElementRef } from '@angular/core';
import { afterNextRender, ChangeDetectionStrategy, Component, computed, input, output, signal, viewChild } from '@angular/core';
import { findCues, type Cue, type CueOffer, type CueWords } from 'core/cue';
import { CuePreview } from './cue-preview';

/** Kinds of cues as they would read on this figure, each with a tiny picture of what it would mark; typed words find them. */
@Component({
  selector: 'cb-cue-offers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CuePreview],
  host: { class: 'block w-[34rem]' },
  template: `
    <p class="sheet-head">Say what matters</p>
    <input
      #field
      class="field mb-1"
      type="search"
      aria-label="Find a cue"
      placeholder="top 5, above plan, avg, band…"
      (input)="query.set($any($event.target).value)"
      (keydown.enter)="$event.preventDefault(); takeFirst()"
    />
    <div role="listbox" aria-label="Cues">
      @for (offer of offers(); track offer.kind) {
        <button
          type="button"
          class="row items-start"
          role="option"
          aria-selected="false"
          [attr.data-offer]="offer.kind"
          (click)="taken.emit(offer.cue)"
        >
          <cb-cue-preview class="mt-0.5 shrink-0" [cue]="offer.cue" />
          <span
            ><span class="block">{{ offer.reads }}</span
            ><span class="block text-small text-soft">{{ offer.help }}</span></span
          >
        </button>
      } @empty {
        <p class="px-2 py-1 text-soft">
          No cue is called that. Try “highest”, “limit” or “change”, or write a rule: “where a formula is true”.
        </p>
      }
    </div>
  `,
})
export class CueOffers {
  readonly words = input.required<CueWords>();
  readonly taken = output<Cue>();
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  protected readonly query = signal('');
  protected readonly offers = computed((): CueOffer[] => findCues(this.query(), this.words()));

  constructor() {
    // It comes after the sheet that holds it, which had nothing to give the focus to.
    afterNextRender(() => this.field().nativeElement.focus());
  }

  protected takeFirst(): void {
    const [first] = this.offers();
    if (first) this.taken.emit(first.cue);
  }
}
