import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

const [WIDTH, HEIGHT] = [200, 44];

/** A tiny chart of a formula's result: one bar per value from the zero line, gaps where it is missing. */
@Component({
  selector: 'cb-spark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'block' },
  template: `<svg [attr.viewBox]="box" class="h-11 w-full" preserveAspectRatio="none" role="img" [attr.aria-label]="words()">
    <path [attr.d]="path()" fill="var(--figure-base)" />
  </svg>`,
})
export class Spark {
  readonly values = input.required<Float64Array>();
  protected readonly box = `0 0 ${WIDTH} ${HEIGHT}`;
  protected readonly words = computed(() => `${this.values().length} values of the result`);
  protected readonly path = computed(() => barsPath(this.values()));
}

function barsPath(values: Float64Array): string {
  let [low, high] = [0, 0];
  for (const value of values) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  if (high === low) return '';
  const step = WIDTH / values.length;
  const y = (value: number): number => HEIGHT - ((value - low) / (high - low)) * HEIGHT;
  const bars = Array.from(values, (value, i) =>
    value === value
      ? `M${(i * step).toFixed(2)} ${y(0).toFixed(2)}H${((i + 0.8) * step).toFixed(2)}V${y(value).toFixed(2)}H${(i * step).toFixed(2)}Z`
      : '',
  );
  return bars.join('');
}
