import { ConfigurableFocusTrapFactory } from '@angular/cdk/a11y';
import { createFlexibleConnectedPositionStrategy, createOverlayRef, type ConnectedPosition, type OverlayRef } from '@angular/cdk/overlay';
import { TemplatePortal } from '@angular/cdk/portal';
import {
  DestroyRef,
  Directive,
  ElementRef,
  inject,
  Injector,
  input,
  output,
  signal,
  type TemplateRef,
  ViewContainerRef,
} from '@angular/core';

/** What a sheet's template is given: a way to close it. */
export interface SheetContext {
  readonly $implicit: () => void;
}

const POSITIONS: ConnectedPosition[] = [
  { originX: 'start', originY: 'bottom', overlayX: 'start', overlayY: 'top', offsetY: 4 },
  { originX: 'end', originY: 'bottom', overlayX: 'end', overlayY: 'top', offsetY: 4 },
  { originX: 'start', originY: 'top', overlayX: 'start', overlayY: 'bottom', offsetY: -4 },
  { originX: 'end', originY: 'top', overlayX: 'end', overlayY: 'bottom', offsetY: -4 },
];

/** Opens a small sheet below a button: Escape or a click elsewhere closes it, arrow keys walk it, focus comes back. */
@Directive({
  selector: 'button[cbSheet]',
  exportAs: 'cbSheet',
  host: { type: 'button', 'aria-haspopup': 'dialog', '[attr.aria-expanded]': 'isOpen()', '(click)': 'toggle()' },
})
export class Sheet {
  private readonly trigger = inject<ElementRef<HTMLButtonElement>>(ElementRef);
  private readonly injector = inject(Injector);
  private readonly views = inject(ViewContainerRef);
  private readonly traps = inject(ConfigurableFocusTrapFactory);
  private overlay: OverlayRef | null = null;

  readonly cbSheet = input.required<TemplateRef<SheetContext>>();
  readonly sheetLabel = input('');
  readonly opened = output();
  readonly closed = output();
  readonly isOpen = signal(false);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.overlay?.dispose());
  }

  toggle(): void {
    if (this.overlay) this.close();
    else this.open();
  }

  open(): void {
    if (this.overlay) return;
    const overlay = createOverlayRef(this.injector, {
      hasBackdrop: true,
      backdropClass: 'cdk-overlay-transparent-backdrop',
      positionStrategy: createFlexibleConnectedPositionStrategy(this.injector, this.trigger)
        .withPositions(POSITIONS)
        .withPush(true)
        .withViewportMargin(8),
    });
    this.overlay = overlay;
    const view = overlay.attach(new TemplatePortal(this.cbSheet(), this.views, { $implicit: () => this.close() }));
    const pane = overlay.overlayElement;
    pane.classList.add('sheet');
    pane.setAttribute('role', 'dialog');
    pane.setAttribute('aria-label', this.sheetLabel() || (this.trigger.nativeElement.textContent?.trim() ?? ''));
    const trap = this.traps.create(pane);
    overlay.backdropClick().subscribe(() => this.close());
    overlay.keydownEvents().subscribe(event => this.onKey(event, pane));
    overlay.detachments().subscribe(() => trap.destroy());
    keepInView(overlay);
    this.isOpen.set(true);
    this.opened.emit();
    // At once, so that what is typed right after the opening key lands here; later for what is loaded first.
    view.detectChanges();
    if (!focusFirst(pane)) void trap.focusInitialElementWhenReady().then(() => focusFirst(pane));
  }

  close(): void {
    if (!this.overlay) return;
    this.overlay.dispose();
    this.overlay = null;
    this.isOpen.set(false);
    this.closed.emit();
    this.trigger.nativeElement.focus();
  }

  private typed = '';
  private typedAt = 0;

  /** Typing in a list without a search box goes to the choice that starts so. */
  private jump(event: KeyboardEvent, pane: HTMLElement): void {
    if (!(event.target instanceof HTMLButtonElement)) return;
    this.typed = (event.timeStamp - this.typedAt > WORD_MS ? '' : this.typed) + event.key.toLowerCase();
    this.typedAt = event.timeStamp;
    const stops = [...pane.querySelectorAll<HTMLElement>('button:not(:disabled)')];
    stops.find(stop => stop.textContent?.trim().toLowerCase().startsWith(this.typed))?.focus();
  }

  private onKey(event: KeyboardEvent, pane: HTMLElement): void {
    if (event.key === 'Escape') {
      event.preventDefault();
      event.stopPropagation();
      this.close();
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      walk(pane, event.key === 'ArrowDown' ? 1 : -1);
    } else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey && event.key !== ' ') {
      this.jump(event, pane);
    }
  }
}

/** What is loaded after the sheet has opened makes it grow: it is placed anew then. One that shrinks as words are typed stays where it is. */
function keepInView(overlay: OverlayRef): void {
  let height = 0;
  const growth = new ResizeObserver(([entry]) => {
    const now = entry?.borderBoxSize[0]?.blockSize ?? 0;
    if (now > height) overlay.updatePosition();
    height = now;
  });
  growth.observe(overlay.overlayElement);
  overlay.detachments().subscribe(() => growth.disconnect());
}

// Letters typed within this time are one word.
const WORD_MS = 700;

const STOPS = 'button:not(:disabled), input:not(:disabled), select, textarea, [tabindex="0"]';

function focusFirst(pane: HTMLElement): boolean {
  const wanted =
    pane.querySelector<HTMLElement>('[data-first], input, textarea, [aria-selected="true"]') ?? pane.querySelector<HTMLElement>(STOPS);
  wanted?.focus();
  if (wanted instanceof HTMLInputElement) wanted.select();
  return wanted !== null;
}

function walk(pane: HTMLElement, step: 1 | -1): void {
  const stops = [...pane.querySelectorAll<HTMLElement>(STOPS)].filter(stop => !stop.classList.contains('cdk-focus-trap-anchor'));
  const at = stops.indexOf(document.activeElement as HTMLElement);
  stops[(at + step + stops.length) % stops.length]?.focus();
}
