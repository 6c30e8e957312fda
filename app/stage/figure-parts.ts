import {
  afterNextRender,
  ChangeDetectionStrategy,
  ChangeDetectorRef,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { Plan } from 'core/plan';
import type { FigurePoint, MarkAt, ScenePart } from 'plot';
import { GoverningWords } from '../brief/governing-words';
import { MarkMenu } from '../brief/mark-menu';
import { layersOf } from '../services/figure/layers-of';
import { Sheet } from '../ui/sheet';

/** Title, subtitle and note as the analyst wrote them. */
export interface HeadWords {
  readonly title: string;
  readonly subtitle: string;
  readonly note?: string | undefined;
}

/** The words that are written in place, by the part where they stand. */
const WRITTEN: Readonly<Record<string, { readonly key: keyof HeadWords; readonly label: string }>> = {
  title: { key: 'title', label: 'Title' },
  subtitle: { key: 'subtitle', label: 'Subtitle' },
  foot: { key: 'note', label: 'Note' },
};

/** A mark whose menu is open, and the point where the menu hangs. */
interface Picked extends MarkAt {
  readonly at: FigurePoint;
}

const lies = ({ x, y }: FigurePoint, { box }: ScenePart): boolean =>
  x >= box.left && x <= box.left + box.width && y >= box.top && y <= box.top + box.height;

/** Buttons over the parts beside the marks: each opens the words that govern it; title and subtitle are edited in place. */
@Component({
  selector: 'cb-figure-parts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [GoverningWords, MarkMenu, Sheet],
  host: { '(keydown)': 'walkParts($event)' },
  templateUrl: './figure-parts.html',
})
export class FigureParts {
  readonly plan = input.required<Plan>();
  readonly parts = input.required<readonly ScenePart[]>();
  readonly words = input<HeadWords | null>(null);
  readonly worded = output<Partial<HeadWords>>();
  /** A mark's menu was closed: the keys belong to the figure again. */
  readonly left = output();

  protected readonly Math = Math;

  /** The part that Tab comes to: arrows walk from there. */
  protected readonly stop = signal(0);
  protected readonly writing = signal<ScenePart | null>(null);
  protected readonly picked = signal<Picked | null>(null);
  /** The picked part in the current plan: a figure that was just chosen may arrive after the key. */
  protected readonly mark = computed(() => {
    const picked = this.picked();
    const plan = this.plan();
    const layers = plan.kind === 'chart' ? layersOf(plan) : plan.columns.map(({ measure }) => ({ measure, cue: null }));
    const from = picked && (layers[picked.layer] ?? layers[0]);
    return from ? { row: picked.row, measure: from.measure, drawnBy: from.cue } : null;
  });
  private readonly marks = viewChild.required<Sheet>('marks');
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('field');
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly injector = inject(Injector);
  private readonly changes = inject(ChangeDetectorRef);

  /** Opens the words of the smallest line or band of the figure's parts under a point, where there is one. */
  openBeneath(at: FigurePoint, parts: readonly ScenePart[]): void {
    const beneath = parts.filter(part => part.beneath && lies(at, part));
    const [part] = [...beneath].sort((a, b) => a.box.height * a.box.width - b.box.height * b.box.width);
    if (part) this.buttonOf(part)?.click();
  }

  /** Opens what can be done with a mark, beside a point of the figure. */
  pick({ row, layer }: MarkAt, at: FigurePoint): void {
    this.picked.set({ row, layer, at });
    // The sheet hangs on an anchor that has to stand at the mark first.
    this.afterDrawn(() => this.marks().open());
  }

  protected walkParts(event: KeyboardEvent): void {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step === undefined || !(event.target instanceof HTMLButtonElement)) return;
    event.preventDefault();
    const count = this.parts().length;
    const next = this.parts()[(this.stop() + step + count) % count];
    if (next) this.buttonOf(next)?.focus();
  }

  private buttonOf({ id }: ScenePart): HTMLElement | null {
    return this.host.querySelector(`[data-part="${id}"]`);
  }

  protected write(part: ScenePart): void {
    this.writing.set(part);
    // At once, so that what is typed right after the click lands here.
    this.changes.detectChanges();
    this.field()?.nativeElement.focus();
    this.field()?.nativeElement.select();
  }

  protected textOf({ id }: ScenePart): string {
    const written = WRITTEN[id];
    return (written && this.words()?.[written.key]) ?? '';
  }

  protected labelOf({ id }: ScenePart): string {
    return WRITTEN[id]?.label ?? '';
  }

  /** Takes what was typed in place, or leaves it as it was (null). */
  protected endWriting(text: string | null): void {
    const part = this.writing();
    if (!part) return;
    this.writing.set(null);
    const written = WRITTEN[part.id];
    if (written && text !== null && text !== this.textOf(part)) this.worded.emit({ [written.key]: text });
    this.afterDrawn(() => this.buttonOf(part)?.focus());
  }

  private afterDrawn(act: () => void): void {
    afterNextRender(act, { injector: this.injector });
  }
}
