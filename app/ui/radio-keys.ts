import { afterEveryRender, Directive, ElementRef, inject } from '@angular/core';

/** The keys of a group of radio buttons: one stop for Tab, at the chosen one; arrows choose. */
@Directive({
  selector: '[role="radiogroup"]',
  host: { '(keydown)': 'onKey($event)' },
})
export class RadioKeys {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    afterEveryRender(() => {
      const radios = this.radios();
      const stop = radios.find(isChosen) ?? radios[0];
      for (const radio of radios) radio.tabIndex = radio === stop ? 0 : -1;
    });
  }

  protected onKey(event: KeyboardEvent): void {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    const radios = this.radios();
    const at = radios.indexOf(event.target as HTMLElement);
    if (step === undefined || at === -1) return;
    event.preventDefault();
    event.stopPropagation();
    const next = radios[(at + step + radios.length) % radios.length];
    next?.focus();
    next?.click();
  }

  private radios(): HTMLElement[] {
    return [...this.host.querySelectorAll<HTMLElement>('[role="radio"]')];
  }
}

const isChosen = (radio: HTMLElement): boolean => radio.getAttribute('aria-checked') === 'true';
