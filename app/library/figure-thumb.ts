import { ChangeDetectionStrategy, Component, DestroyRef, effect, ElementRef, inject, input, signal, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Figure, Project } from 'core/document';
import { drawStill, type Still } from 'plot';
import { distinctUntilChanged, map } from 'rxjs';
import { PreviewStore } from '../services/engine/preview-store';
import { ProjectStore } from '../services/project/project-store';

// A figure drawn at this size and shown smaller keeps its proportions and its look.
const [WIDTH, HEIGHT] = [640, 360];

/** A figure as a small picture, drawn when it comes into view. */
@Component({
  selector: 'cb-figure-thumb',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'block overflow-hidden' },
  template: `<canvas #canvas class="block h-full w-full" role="img" [attr.aria-label]="words() || figure().name"></canvas>`,
})
export class FigureThumb {
  readonly figure = input.required<Figure>();
  /** Drawn pixels for a pixel of the whole figure: few where the picture is shown very small. */
  readonly sharpness = input(1.5);
  private readonly previews = inject(PreviewStore);
  /** The project's tables, anew where one has other rows or other mends: what was drawn from them is old then. */
  private readonly tables = toSignal(
    inject(ProjectStore).project$.pipe(
      map(({ tables }) => tables),
      distinctUntilChanged(sameRows),
    ),
  );
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly seen = signal(false);
  protected readonly words = signal('');
  private drawing: Still | null = null;
  private gone = false;

  constructor() {
    const observer = new IntersectionObserver(entries => {
      if (entries.some(entry => entry.isIntersecting)) this.seen.set(true);
    });
    observer.observe(this.host.nativeElement);
    inject(DestroyRef).onDestroy(() => {
      this.gone = true;
      observer.disconnect();
      this.drawing?.destroy();
    });
    effect(() => {
      this.tables();
      if (this.seen()) void this.draw(this.figure());
    });
  }

  private async draw(figure: Figure): Promise<void> {
    const plan = await this.previews.planOf(figure);
    if (!plan || this.gone) return;
    this.words.set(`${plan.title}. ${plan.description}`);
    const canvas = this.canvas().nativeElement;
    this.drawing?.destroy();
    this.drawing = drawStill(canvas, plan, { width: WIDTH, height: HEIGHT }, this.sharpness());
    canvas.style.width = canvas.style.height = '100%';
  }
}

const sameRows = (a: Project['tables'], b: Project['tables']): boolean =>
  a.length === b.length && a.every(({ mends, source }, at) => mends === b[at]?.mends && source === b[at].source);
