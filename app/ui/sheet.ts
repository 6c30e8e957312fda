import { ConfigurableFocusTrapFactory } from '@angular/cdk/a11y';
import { createFlexibleConnectedPositionStrategy, createOverlayRef, type ConnectedPosition, type OverlayRef } from '@angular/cdk/overlay';
import { TemplatePortal } from '@angular/cdk/portal';
import {
  DestroyRef,
  Directive,
  effect,
  ElementRef,
  inject,
  Injector,
  input,
  output,
  signal,
  type TemplateRef,
  untracked,
  ViewContainerRef,
} from '@angular/core';
import { SHEET_SUBJECT } from './sheet-subject';

/** The context of a sheet's template: a way to close it. */
export interface SheetContext {
  readonly $implicit: () => void;
}

const POSITIONS: ConnectedPosition[] = [
  { originX: 'start', originY: 'bottom', overlayX: 'start', overlayY: 'top', offsetY: 4 },
  { originX: 'end', originY: 'bottom', overlayX: 'end', overlayY: 'top', offsetY: 4 },
  { originX: 'start', originY: 'top', overlayX: 'start', overlayY: 'bottom', offsetY: -4 },
  { originX: 'end', originY: 'top', overlayX: 'end', overlayY: 'bottom', offsetY: -4 },
  { originX: 'end', originY: 'top', overlayX: 'start', overlayY: 'top', offsetX: 4 },
  { originX: 'end', originY: 'bottom', overlayX: 'start', overlayY: 'bottom', offsetX: 4 },
  { originX: 'start', originY: 'top', overlayX: 'end', overlayY: 'top', offsetX: -4 },
  { originX: 'start', originY: 'bottom', overlayX: 'end', overlayY: 'bottom', offsetX: -4 },
  { originX: 'end', originY: 'center', overlayX: 'start', overlayY: 'center', offsetX: 4 },
  { originX: 'start', originY: 'center', overlayX: 'end', overlayY: 'center', offsetX: -4 },
];

/** Opens a small sheet below a button, or a word that acts as one: Escape or a click elsewhere closes it, arrow keys walk it, focus comes back. */
@Directive({
  selector: 'button[cbSheet], span[cbSheet]',
  exportAs: 'cbSheet',
  host: {
    '[attr.type]': 'kind',
    '[attr.aria-haspopup]': "cbSheet() ? 'dialog' : null",
    '[attr.aria-expanded]': 'cbSheet() ? isOpen() : null',
    '(click)': 'toggle()',
  },
})
export class Sheet {
  private readonly trigger = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly injector = inject(Injector);
  private readonly views = inject(ViewContainerRef);
  private readonly traps = inject(ConfigurableFocusTrapFactory);
  private readonly subject = inject(SHEET_SUBJECT, { optional: true });
  private overlay: OverlayRef | null = null;

  protected readonly kind = this.trigger.nativeElement instanceof HTMLButtonElement ? 'button' : null;

  /** The template that opens; null when the button does something else. */
  readonly cbSheet = input.required<TemplateRef<SheetContext> | null>();
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
    const template = this.cbSheet();
    if (this.overlay || !template) return;
    const overlay = createOverlayRef(this.injector, {
      hasBackdrop: true,
      backdropClass: 'cdk-overlay-transparent-backdrop',
      // Where it fits nowhere whole, it takes what room there is and scrolls: only with a least size will it be made smaller.
      minWidth: 1,
      minHeight: 1,
      positionStrategy: createFlexibleConnectedPositionStrategy(this.injector, this.trigger)
        .withPositions(POSITIONS)
        .withPush(true)
        // What is loaded after the sheet has opened may be wider than the empty sheet was.
        .withGrowAfterOpen(true)
        .withViewportMargin(8),
    });
    this.overlay = overlay;
    const view = overlay.attach(new TemplatePortal(template, this.views, { $implicit: () => this.close() }));
    const pane = overlay.overlayElement;
    pane.classList.add('sheet');
    pane.setAttribute('role', 'dialog');
    pane.setAttribute('aria-modal', 'true');
    pane.tabIndex = -1;
    pane.setAttribute('aria-label', this.sheetLabel() || (this.trigger.nativeElement.textContent?.trim() ?? ''));
    const trap = this.traps.create(pane);
    overlay.backdropClick().subscribe(() => this.close());
    overlay.keydownEvents().subscribe(event => this.onKey(event, pane));
    overlay.detachments().subscribe(() => trap.destroy());
    keepInView(overlay);
    this.closeWithSubject(overlay);
    this.isOpen.set(true);
    this.opened.emit();
    // At once, so that what is typed right after the opening key lands here; what is loaded first takes the focus when it comes.
    view.detectChanges();
    if (!focusFirst(pane)) focusWhenCome(overlay);
  }

  close(): void {
    if (!this.overlay) return;
    this.overlay.dispose();
    this.overlay = null;
    this.isOpen.set(false);
    this.closed.emit();
    // An anchor that nobody sees is no place to be: the focus goes to where it was before.
    if (this.trigger.nativeElement.getAttribute('aria-hidden') !== 'true') this.trigger.nativeElement.focus();
  }

  private closeWithSubject(overlay: OverlayRef): void {
    const { subject } = this;
    if (!subject) return;
    const opened = untracked(subject);
    const watch = effect(() => subject() !== opened && untracked(() => this.close()), { injector: this.injector });
    overlay.detachments().subscribe(() => watch.destroy());
  }

  private typed = '';
  private typedAt = 0;

  /** Typing among buttons goes to the one that starts so; a space within a word is part of it. */
  private jump(event: KeyboardEvent, pane: HTMLElement): void {
    const isNew = this.typed === '' || event.timeStamp - this.typedAt > WORD_MS;
    if (!(event.target instanceof HTMLButtonElement) || (isNew && event.key === ' ')) return;
    if (event.key === ' ') event.preventDefault();
    this.typed = (isNew ? '' : this.typed) + event.key.toLowerCase();
    this.typedAt = event.timeStamp;
    const stops = [...pane.querySelectorAll<HTMLElement>('button:not(:disabled)')];
    stops.find(stop => stop.textContent?.trim().toLowerCase().startsWith(this.typed))?.focus();
  }

  private onKey(event: KeyboardEvent, pane: HTMLElement): void {
    if (event.defaultPrevented) return;
    if (event.key === 'Escape') {
      event.preventDefault();
      event.stopPropagation();
      this.close();
    } else if (isField(event.target)) {
      // A field keeps its keys.
    } else if (WALKS.has(event.key)) {
      event.preventDefault();
      walk(pane, event.key);
    } else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) {
      this.jump(event, pane);
    }
  }
}

/** Places a sheet again when late content makes it grow. A sheet that shrinks while words are typed stays where it is. */
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

// What belongs to a row beside its words is reached by Tab, so that arrows go from row to row.
const STOPS = 'button:not(:disabled):not([data-beside]):not([tabindex="-1"]), input:not(:disabled), select, textarea, [tabindex="0"]';

const WALKS = new Set(['ArrowDown', 'ArrowUp', 'Home', 'End']);

const isField = (target: EventTarget | null): boolean =>
  target instanceof Element &&
  target.matches('input:not([type="checkbox"]), select, textarea, [role="radio"], [role="listbox"], [contenteditable]');

// What is meant for the first key, else the first field or list, else the first button.
const FIELDS = 'input, textarea, [role="listbox"][tabindex="0"]';
const WANTED = ['[data-first]', FIELDS, STOPS];

function focusFirst(pane: HTMLElement): boolean {
  const isSeen = (element: HTMLElement): boolean => element.getClientRects().length > 0;
  const wanted = WANTED.map(stops => [...pane.querySelectorAll<HTMLElement>(stops)].find(isSeen)).find(found => found !== undefined);
  wanted?.focus();
  if (wanted instanceof HTMLInputElement) wanted.select();
  return wanted !== undefined;
}

/** Contents that are loaded take the focus when they come; until then the sheet itself has it, and keeps what is typed for their field. */
function focusWhenCome(overlay: OverlayRef): void {
  const pane = overlay.overlayElement;
  pane.focus();
  let typed = '';
  const keep = (event: KeyboardEvent): void => {
    if (event.target !== pane || event.ctrlKey || event.metaKey || event.altKey) return;
    typed = event.key === 'Backspace' ? typed.slice(0, -1) : event.key.length === 1 ? typed + event.key : typed;
  };
  const take = (): void => {
    const isElsewhere = document.activeElement !== pane && pane.contains(document.activeElement);
    if (!isElsewhere && !focusFirst(pane)) return;
    come.disconnect();
    pane.removeEventListener('keydown', keep);
    typeInto(document.activeElement, typed);
  };
  // A field takes what is typed at once; of buttons the first is known once all are there.
  const come = new MutationObserver(() => (pane.querySelector(FIELDS) ? take() : requestAnimationFrame(take)));
  come.observe(pane, { childList: true, subtree: true });
  pane.addEventListener('keydown', keep);
  overlay.detachments().subscribe(() => come.disconnect());
}

function typeInto(field: Element | null, text: string): void {
  if (!text || !(field instanceof HTMLInputElement) || field.type === 'checkbox') return;
  field.value = text;
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

function walk(pane: HTMLElement, key: string): void {
  const stops = [...pane.querySelectorAll<HTMLElement>(STOPS)].filter(stop => !stop.classList.contains('cdk-focus-trap-anchor'));
  const at = stops.indexOf(document.activeElement as HTMLElement);
  const last = stops.length - 1;
  const to = { ArrowDown: at === last ? 0 : at + 1, ArrowUp: at <= 0 ? last : at - 1, Home: 0, End: last }[key] ?? at;
  stops[to]?.focus();
}
