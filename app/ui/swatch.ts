import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { tintOf } from './tint';

/** A small square of a cue's colour: a name of the livery, or a hex value. */
@Component({
  selector: 'cb-swatch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'inline-block size-3 shrink-0 rounded-xs', 'aria-hidden': 'true', '[style.background]': 'fill()' },
  template: '',
})
export class Swatch {
  readonly colour = input.required<string>();
  protected readonly fill = computed(() => tintOf(this.colour()));
}
