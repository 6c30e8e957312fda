import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { HoverText } from 'core/words';

/** The card for a hovered mark or cell: its name, its values, why it looks as it does. Its parent places it. */
@Component({
  selector: 'cb-hover-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'hover-card' },
  template: `
    <p class="font-semibold">{{ text().title }}</p>
    @for (line of text().lines; track line.name) {
      <p class="flex justify-between gap-4">
        <span class="text-soft">{{ line.name }}</span><span class="tabular-nums">{{ line.value }}</span>
      </p>
    }
    @if (text().why) {
      <p class="mt-1 border-t border-hair pt-1">{{ text().why }}</p>
    }
  `,
})
export class HoverCard {
  readonly text = input.required<HoverText>();
}
