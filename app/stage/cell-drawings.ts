import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { glyphOf, type Glyph } from 'core/glyph';
import type { Livery, Trend } from 'core/plan';
import { BAR, TREND } from 'plot/table';

// Heights of what is drawn in a cell, in CSS pixels.
const [BAR_HEIGHT, TREND_HEIGHT] = [14, 18];

/** A bar from its column's line of zero. */
@Component({
  selector: 'cb-cell-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'float-left', 'aria-hidden': 'true' },
  template: `
    <svg class="block" [attr.width]="wide" [attr.height]="height + 6" data-bar>
      @if (bar(); as bar) {
        <rect [attr.x]="bar.from" y="3" [attr.width]="bar.width" [attr.height]="height" [attr.fill]="colour()" />
      }
      @if (zero() > 0) {
        <line [attr.x1]="zero() * wide" [attr.x2]="zero() * wide" y1="0" [attr.y2]="height + 6" [attr.stroke]="line()" />
      }
    </svg>
  `,
})
export class CellBar {
  readonly end = input.required<number>();
  readonly zero = input.required<number>();
  readonly colour = input.required<string>();
  readonly line = input.required<string>();
  protected readonly wide = BAR;
  protected readonly height = BAR_HEIGHT;
  protected readonly bar = computed(() => {
    const [end, zero] = [this.end(), this.zero()];
    return Number.isNaN(end) ? null : { from: Math.min(end, zero) * BAR, width: Math.abs(end - zero) * BAR };
  });
}

/** A small line along a row; what is missing leaves a gap, what cues mark is a dot in their colour. */
@Component({
  selector: 'cb-cell-trend',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'block', 'aria-hidden': 'true' },
  template: `
    <svg class="block" [attr.width]="wide" [attr.height]="height" data-trend>
      <path [attr.d]="path()" fill="none" stroke-width="1.5" stroke-linecap="round" stroke-linejoin="round" [attr.stroke]="livery().base" />
      @for (dot of dots(); track $index) {
        <circle [attr.cx]="dot.x" [attr.cy]="dot.y" r="3" [attr.fill]="dot.colour" />
      }
    </svg>
  `,
})
export class CellTrend {
  readonly trend = input.required<Trend | undefined>();
  readonly livery = input.required<Livery>();
  protected readonly wide = TREND;
  protected readonly height = TREND_HEIGHT;

  private readonly points = computed(() => {
    const at = this.trend()?.at ?? new Float64Array();
    const step = at.length > 1 ? (TREND - 8) / (at.length - 1) : 0;
    return Array.from(at, (value, i) => ({ x: 4 + i * step, y: 4 + (1 - value) * (TREND_HEIGHT - 8) }));
  });
  /** A line for each run of values; one alone is a dot of its own width. */
  protected readonly path = computed(() => {
    let isOpen = false;
    return this.points()
      .map(({ x, y }) => {
        if (Number.isNaN(y)) {
          isOpen = false;
          return '';
        }
        const word = isOpen ? `L${x} ${y}` : `M${x} ${y}l0 0.01`;
        isOpen = true;
        return word;
      })
      .join('');
  });
  protected readonly dots = computed(() =>
    (this.trend()?.marked ?? []).flatMap(({ at, colour }) => {
      const point = this.points()[at];
      return point && !Number.isNaN(point.y) ? [{ ...point, colour }] : [];
    }),
  );
}

/** A glyph of the set, or a small picture of the analyst's own, beside a value. */
@Component({
  selector: 'cb-cell-glyph',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'inline-block align-[-1px]' },
  template: `
    @if (drawn(); as drawn) {
      <svg width="11" height="11" viewBox="-1.15 -1.15 2.3 2.3" role="img" [attr.aria-label]="drawn.label">
        <path
          stroke-width="0.4"
          [attr.d]="drawn.path"
          [attr.fill]="drawn.stroke ? 'none' : colour()"
          [attr.stroke]="drawn.stroke ? colour() : null"
        />
      </svg>
    } @else if (picture()) {
      <img [src]="picture()" width="13" height="13" [alt]="glyph()" />
    }
  `,
})
export class CellGlyph {
  readonly glyph = input.required<string>();
  readonly colour = input.required<string>();
  readonly picture = input<string | undefined>();
  protected readonly drawn = computed((): Glyph | undefined => glyphOf(this.glyph()));
}
