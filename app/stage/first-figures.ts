import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FigureThumb } from '../library/figure-thumb';
import { FirstOffers } from '../services/figure/first-offers';
import { Icon } from '../ui/icon';

/** One line on why a first figure is as it is, and other first figures as small pictures. */
@Component({
  selector: 'cb-first-figures',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FigureThumb, Icon],
  host: { class: 'flex items-center gap-3 px-4 pt-2', role: 'group', 'aria-label': 'A first figure' },
  template: `
    <p class="min-w-0 grow text-small text-soft">{{ words() }}</p>
    @for (other of offers.shown()?.others; track other.id) {
      <button
        type="button"
        class="act w-30 shrink-0 flex-col gap-0.5 p-1 text-tiny whitespace-normal"
        [title]="other.name"
        (click)="offers.take(other)"
      >
        <cb-figure-thumb class="h-[3.375rem] w-24 rounded-sm border border-hair" aria-hidden="true" [figure]="other" [sharpness]="0.3" />
        <span class="line-clamp-2 text-center leading-tight">{{ other.name }}</span>
      </button>
    }
    <button type="button" class="act shrink-0 p-1" aria-label="Put the first figures away" (click)="offers.putAway()">
      <cb-icon name="x" />
    </button>
  `,
})
export class FirstFigureOffers {
  protected readonly offers = inject(FirstOffers);
  protected readonly words = computed(() => {
    const { reasons = [], others = [] } = this.offers.shown() ?? {};
    const why = reasons.length ? `${reasons.join('; ')}; change it in the sentence.` : '';
    const instead = others.length ? ' Or begin with' : '';
    return `${why.charAt(0).toUpperCase()}${why.slice(1)}${instead}`.trim();
  });
}
