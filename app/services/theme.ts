import { computed, effect, Injectable, signal } from '@angular/core';
import { COLOUR_NAMES } from 'core/glyph';
import type { Livery } from 'core/plan';

export type ThemeChoice = 'light' | 'dark';

const KEY = 'cowbell-theme';

/** Light or dark, and the livery that figures wear in it: both read the variables of tokens.css. */
@Injectable({ providedIn: 'root' })
export class Theme {
  readonly choice = signal<ThemeChoice>(storedChoice());
  readonly livery = computed(() => readLivery(this.choice()));

  constructor() {
    effect(() => localStorage.setItem(KEY, this.choice()));
  }

  toggle(): void {
    this.choice.update(choice => (choice === 'light' ? 'dark' : 'light'));
  }
}

function storedChoice(): ThemeChoice {
  const stored = localStorage.getItem(KEY);
  if (stored === 'light' || stored === 'dark') return stored;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
}

/** Dresses the page in a theme and reads its colours as the browser resolved them. */
export function readLivery(choice: ThemeChoice): Livery {
  document.documentElement.dataset['theme'] = choice;
  const style = getComputedStyle(document.documentElement);
  const read = (name: string): string => style.getPropertyValue(`--${name}`).trim();
  return {
    ground: read('figure-ground'),
    ink: read('ink'),
    soft: read('soft'),
    hair: read('hair'),
    base: read('figure-base'),
    series: [1, 2, 3, 4, 5, 6].map(place => read(`series-${place}`)),
    quiet: read('figure-quiet'),
    colours: Object.fromEntries(COLOUR_NAMES.map(name => [name, read(`cue-${name}`)])),
    font: read('font-figure'),
  };
}
