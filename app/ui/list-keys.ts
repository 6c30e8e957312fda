import { afterEveryRender, ApplicationRef, Directive, ElementRef, inject, input } from '@angular/core';
import { Announcer } from './announcer';

let count = 0;
// Letters typed within this time are one word.
const WORD_MS = 700;
// The number of matches is told once typing pauses.
const PAUSE_MS = 350;
const PAGE = 8;

/**
 * The keys of a list of options: one stop for Tab, arrows move, Enter takes the marked option. On a field the list is its combobox, and typing narrows
 * it; on the list itself typing goes to the option that begins so, a space being part of the word.
 */
@Directive({
  selector: 'input[cbListKeys], [role="listbox"][cbListKeys]',
  exportAs: 'cbListKeys',
  host: {
    '[attr.role]': "field ? 'combobox' : 'listbox'",
    '[attr.aria-expanded]': 'field ? true : null',
    '[attr.aria-controls]': 'field ? listId : null',
    '[attr.aria-autocomplete]': "field ? 'list' : null",
    '[attr.autocomplete]': "field ? 'off' : null",
    '[attr.tabindex]': '0',
    '(keydown)': 'onKey($event)',
    '(input)': 'onInput()',
  },
})
export class ListKeys {
  /** The list of a field; the host itself where it is one. */
  readonly cbListKeys = input<HTMLElement | ''>('');
  /** Whether Enter takes the first option before any was chosen by arrows: not where what is typed is itself taken. */
  readonly takesFirst = input(true);

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly announcer = inject(Announcer);
  private readonly app = inject(ApplicationRef);
  protected readonly field = this.host instanceof HTMLInputElement;
  protected readonly listId = `list-${++count}`;
  private active: HTMLElement | null = null;
  private isFresh = true;
  /** The list is not drawn yet as it was opened, or as what was typed narrows it. */
  private isStale = true;
  private typed = '';
  private typedAt = 0;
  private telling: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    afterEveryRender(() => this.dress());
  }

  /** The option that Enter takes. */
  get marked(): HTMLElement | null {
    return this.active;
  }

  /** Marks an option, and has the focus again. */
  mark(option: HTMLElement | null): void {
    this.isFresh = false;
    this.active = option;
    option?.scrollIntoView({ block: 'nearest' });
    this.dress();
    this.host.focus();
  }

  protected onInput(): void {
    this.active = null;
    this.isFresh = true;
    this.isStale = true;
    clearTimeout(this.telling);
    this.telling = setTimeout(() => {
      const { length } = this.options();
      if (this.host.isConnected) this.announcer.say(length === 0 ? 'No match' : length === 1 ? '1 match' : `${length} matches`);
    }, PAUSE_MS);
  }

  protected onKey(event: KeyboardEvent): void {
    // With these a key is a shortcut of whoever shows the list.
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    // A key speaks of the list as opened or as narrowed, also where it is faster than the screen draws.
    if (this.isStale) this.app.tick();
    const options = this.options();
    const at = this.active ? options.indexOf(this.active) : -1;
    const last = options.length - 1;
    const moves: Readonly<Record<string, number>> = {
      ArrowDown: at === last ? 0 : at + 1,
      ArrowUp: at <= 0 ? last : at - 1,
      PageDown: Math.min(last, at + PAGE),
      PageUp: Math.max(0, at - PAGE),
      // In a field these two belong to its text.
      ...(this.field ? {} : { Home: 0, End: last }),
    };
    const next = moves[event.key];
    if (next !== undefined && options.length) this.go(options[next], event);
    else if ((event.key === 'Enter' || (event.key === ' ' && !this.field && !this.isTyping(event))) && this.active) {
      event.preventDefault();
      this.active.click();
    } else if (!this.field && event.key.length === 1) this.jump(event, options);
  }

  private go(option: HTMLElement | undefined, event: Event): void {
    event.preventDefault();
    this.isFresh = false;
    this.active = option ?? null;
    option?.scrollIntoView({ block: 'nearest' });
    this.dress();
  }

  private isTyping = (event: Event): boolean => this.typed !== '' && event.timeStamp - this.typedAt <= WORD_MS;

  private jump(event: KeyboardEvent, options: readonly HTMLElement[]): void {
    this.typed = (this.isTyping(event) ? this.typed : '') + event.key.toLowerCase();
    this.typedAt = event.timeStamp;
    const found = options.find(option => option.textContent?.trim().toLowerCase().startsWith(this.typed));
    if (found) this.go(found, event);
    else event.preventDefault();
  }

  /** The active option: the typed text decides, before that the present choice. With several choices there is none. */
  private get isNarrowed(): boolean {
    const isTyped = this.host instanceof HTMLInputElement && this.host.value !== '';
    return isTyped || this.list.getAttribute('aria-multiselectable') === 'true';
  }

  private get list(): HTMLElement {
    return this.cbListKeys() || this.host;
  }

  private options(): HTMLElement[] {
    return [...this.list.querySelectorAll<HTMLElement>('[role="option"]:not(:disabled)')];
  }

  /** Names the options, takes them out of the way of Tab, and marks the one that Enter takes. */
  private dress(): void {
    const options = this.options();
    if (!this.active?.isConnected || !options.includes(this.active)) {
      this.active = null;
      if (this.isFresh && this.takesFirst()) this.active = (this.isNarrowed ? null : options.find(isChosen)) ?? options[0] ?? null;
    }
    this.list.id = this.listId;
    // A list of nothing is none.
    if (this.field) this.list.hidden = options.length === 0;
    options.forEach((option, i) => {
      option.id = `${this.listId}-${i}`;
      option.tabIndex = -1;
      if (option === this.active) option.dataset['active'] = 'true';
      else delete option.dataset['active'];
    });
    const id = this.active?.id ?? null;
    if (id) this.host.setAttribute('aria-activedescendant', id);
    else this.host.removeAttribute('aria-activedescendant');
    this.isStale = false;
  }
}

const isChosen = (option: HTMLElement): boolean => option.getAttribute('aria-selected') === 'true';
