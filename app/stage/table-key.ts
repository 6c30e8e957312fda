import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { LegendEntry } from 'core/plan';
import { CellGlyph } from './cell-drawings';

/** The symbol of a table's legend entry: a swatch, a glyph, or the colours of a ramp. */
@Component({
  selector: 'cb-table-key',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CellGlyph],
  host: { class: 'flex', 'aria-hidden': 'true' },
  template: `
    @if (glyph(); as glyph) {
      <cb-cell-glyph [glyph]="glyph" [colour]="colours()[0] ?? ''" />
    } @else {
      @for (colour of colours(); track $index) {
        <span class="h-2.5" [style.width.px]="colours().length > 1 ? 6 : 10" [style.background]="colour"></span>
      }
    }
  `,
})
export class TableKey {
  readonly key = input.required<LegendEntry['key']>();
  protected readonly colours = computed(() => {
    const key = this.key();
    return key.kind === 'ramp' ? key.colours : [key.colour];
  });
  protected readonly glyph = computed(() => {
    const key = this.key();
    return key.kind === 'mark' ? key.glyph : '';
  });
}
