import type { ElementRef } from '@angular/core';
import { afterNextRender, ChangeDetectionStrategy, Component, computed, input, output, signal, viewChild } from '@angular/core';
import { nearest } from 'core/sentence';
import { findCues, kindOf, type Cue, type CueOffer, type CueFacts } from 'core/cue';
import { ListKeys } from '../ui/list-keys';
import { CuePreview } from './cue-preview';

/** Kinds of cues as they would read on this figure, each with a tiny picture of what it would mark; typed words find them. */
@Component({
  selector: 'cb-cue-offers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CuePreview, ListKeys],
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
      [cbListKeys]="list"
    />
    @if (offers().length === 0) {
      <p class="px-2 py-1 text-soft">
        No cue is called that.
        {{ near().length ? 'Near it:' : 'Try “highest”, “limit” or “change”, or write a rule: “where a formula is true”.' }}
      </p>
    }
    <div #list role="listbox" aria-label="Cues">
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
      }
      @for (offer of near(); track offer.kind) {
        <button type="button" class="row" role="option" aria-selected="false" (click)="taken.emit(offer.cue)">{{ offer.reads }}</button>
      }
    </div>
  `,
})
export class CueOffers {
  readonly words = input.required<CueFacts>();
  readonly taken = output<Cue>();
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  protected readonly query = signal('');
  protected readonly offers = computed((): CueOffer[] => findCues(this.query(), this.words()));

  /** The nearest offers when no cue has the searched name. */
  protected readonly near = computed(() => {
    if (this.offers().length) return [];
    const all = findCues('', this.words()).map(offer => ({
      ...offer,
      name: offer.reads,
      search: `${offer.help} ${kindOf(offer.cue).search}`,
    }));
    return nearest(this.query(), all);
  });

  constructor() {
    // It comes after the sheet that holds it, which had nothing to give the focus to.
    afterNextRender(() => this.field().nativeElement.focus());
  }
}
