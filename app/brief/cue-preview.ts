import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, DestroyRef, effect, inject, input, viewChild } from '@angular/core';
import { withCues } from 'core/brief';
import type { Cue } from 'core/cue';
import type { Plan } from 'core/plan';
import { drawTiny } from 'plot';
import { PreviewStore } from '../services/engine/preview-store';
import { BriefWords } from './brief-words';

const [WIDTH, HEIGHT] = [112, 38];

/** A tiny picture of the figure on the stage with one cue alone: what it would mark. */
@Component({
  selector: 'cb-cue-preview',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'block overflow-hidden rounded-sm border border-hair', 'aria-hidden': 'true' },
  template: `<canvas #canvas class="block" [style.width.px]="width" [style.height.px]="height"></canvas>`,
})
export class CuePreview {
  readonly cue = input.required<Cue>();
  private readonly store = inject(PreviewStore);
  private readonly brief = inject(BriefWords);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  private asked = 0;

  constructor() {
    effect(() => void this.show(this.cue()));
    inject(DestroyRef).onDestroy(() => (this.asked = -1));
  }

  private async show(cue: Cue): Promise<void> {
    const ask = ++this.asked;
    const candidates = this.brief.facts().candidates ?? [];
    const plan = await this.store.previewOf(figure => withCues(figure, [{ ...cue, id: 'preview' }], candidates));
    if (plan && ask === this.asked) this.draw(plan);
  }

  private draw(plan: Plan): void {
    const canvas = this.canvas().nativeElement;
    const ratio = Math.max(1, window.devicePixelRatio);
    [canvas.width, canvas.height] = [WIDTH * ratio, HEIGHT * ratio];
    const ctx = canvas.getContext('2d');
    if (!ctx) return;
    ctx.scale(ratio, ratio);
    drawTiny(ctx, plan, WIDTH, HEIGHT, ratio);
  }
}
