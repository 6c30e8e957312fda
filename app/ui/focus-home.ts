import { DestroyRef, inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { fromEvent } from 'rxjs';

/** Where focus was: the element, and its place in each list around it, innermost first. */
interface Place {
  readonly element: HTMLElement;
  readonly homes: readonly { readonly list: Element; readonly at: number }[];
}

const FOCUSABLE =
  'button:not(:disabled):not([tabindex="-1"]), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex="0"], a[href]';
/** Whether a press lands on what has the focus: a button that is pressed keeps it until it goes away. */
const isFocusedAt = (target: EventTarget | null): boolean => {
  const { activeElement: active, body } = document;
  return active !== null && active !== body && target instanceof Node && active.contains(target);
};

// Deep enough for a word in a sheet in a panel.
const REMEMBERED = 12;

/**
 * Gives the focus a home when what had it goes away: what was only moved keeps it; after a removal its neighbour in the list has it, else the button
 * that adds; what closes gives it back to where it was before. A list says that it is one by `data-home`; the button that adds to it, in it or beside
 * it, says so by `data-home-add`.
 */
@Injectable({ providedIn: 'root' })
export class FocusHome {
  private readonly whole = inject(DestroyRef);
  private places: Place[] = [];
  /** A pointer went where nothing takes the focus, or Tab led out of the page: it was given away on purpose. */
  private isGivenAway = false;
  private isTabbing = false;
  private waits = false;

  watch(): void {
    const on = <Name extends keyof DocumentEventMap>(name: Name, act: (event: DocumentEventMap[Name]) => void): unknown =>
      fromEvent<DocumentEventMap[Name]>(document, name, { capture: true }).pipe(takeUntilDestroyed(this.whole)).subscribe(act);
    on('focusin', event => this.remember(event.target as HTMLElement));
    on('pointerdown', event => (this.isGivenAway = !isFocusedAt(event.target)));
    on('keydown', event => event.key === 'Tab' && this.tab());
    on('focusout', event => (this.isGivenAway ||= this.isTabbing && event.relatedTarget === null));
    const changes = new MutationObserver(() => this.mendSoon());
    this.whole.onDestroy(() => changes.disconnect());
    changes.observe(document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['disabled', 'inert', 'hidden', 'class'],
    });
  }

  /** The key moves the focus in the task that it is pressed in. */
  private tab(): void {
    this.isTabbing = true;
    setTimeout(() => (this.isTabbing = false));
  }

  private remember(element: HTMLElement): void {
    this.isGivenAway = false;
    if (element.classList.contains('cdk-focus-trap-anchor')) return;
    this.places = [...this.places.filter(place => place.element !== element), { element, homes: homesOf(element) }].slice(-REMEMBERED);
  }

  /** Once the page is drawn: what knows better where focus goes has had its turn. */
  private mendSoon(): void {
    if (this.waits || !isLost() || this.isGivenAway || this.places.length === 0) return;
    // What was only moved has it back before the next key.
    if (take(this.places.at(-1)?.element ?? null)) return;
    this.waits = true;
    requestAnimationFrame(() => {
      this.waits = false;
      if (isLost() && !this.isGivenAway) this.mend();
    });
  }

  private mend(): void {
    for (const place of this.places.toReversed()) if (take(place.element) || place.homes.some(takeIn)) return;
    take(document.querySelector<HTMLElement>('cb-brief .token, main button'));
  }
}

const isLost = (): boolean => document.activeElement === null || document.activeElement === document.body;

function homesOf(element: HTMLElement): Place['homes'] {
  const homes = [];
  for (let list = element.closest('[data-home]'); list; list = list.parentElement?.closest('[data-home]') ?? null)
    homes.push({ list, at: [...list.children].findIndex(child => child.contains(element)) });
  return homes;
}

/** The neighbour of what stood at a place of a list, or the button that adds to it. */
function takeIn({ list, at }: Place['homes'][number]): boolean {
  if (!list.isConnected) return false;
  const stops = [...list.children].flatMap(child => firstIn(child) ?? []);
  const neighbour = stops[Math.min(at, stops.length - 1)];
  const adds = list.querySelector<HTMLElement>('[data-home-add]') ?? list.parentElement?.querySelector<HTMLElement>('[data-home-add]');
  return take(neighbour ?? null) || take(adds ?? null);
}

function firstIn(item: Element): HTMLElement | undefined {
  if (item.matches('[data-home-add]')) return undefined;
  return [...(item.matches(FOCUSABLE) ? [item] : []), ...item.querySelectorAll(FOCUSABLE)].find(canFocus);
}

const canFocus = (element: Element): element is HTMLElement =>
  element instanceof HTMLElement &&
  element.getClientRects().length > 0 &&
  element.closest('[inert]') === null &&
  !element.matches(':disabled');

function take(element: HTMLElement | null): boolean {
  if (!element?.isConnected || !canFocus(element)) return false;
  element.focus({ preventScroll: true });
  return document.activeElement === element;
}
