import { computed, effect, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { COLOUR_NAMES } from 'core/glyph';
import type { Livery } from 'core/plan';
import { fromEvent } from 'rxjs';

/** How the page is dressed. */
export type ThemeChoice = 'light' | 'dark';

const KEY = 'cowbell-theme';
const DARK = matchMedia('(prefers-color-scheme: dark)');

/** Light or dark, and the livery that figures wear in it: both read the variables of tokens.css. */
@Injectable({ providedIn: 'root' })
export class Theme {
  /** The chosen theme; null follows the system. */
  private readonly chosen = signal<ThemeChoice | null>(storedChoice());
  private readonly system = signal<ThemeChoice>(themeOf(DARK.matches));
  readonly choice = computed(() => this.chosen() ?? this.system());
  readonly livery = computed(() => readLivery(this.choice()));

  constructor() {
    effect(() => {
      const chosen = this.chosen();
      if (chosen) localStorage.setItem(KEY, chosen);
    });
    fromEvent<MediaQueryListEvent>(DARK, 'change')
      .pipe(takeUntilDestroyed())
      .subscribe(({ matches }) => this.system.set(themeOf(matches)));
  }

  toggle(): void {
    this.chosen.set(themeOf(this.choice() === 'light'));
  }
}

const themeOf = (isDark: boolean): ThemeChoice => (isDark ? 'dark' : 'light');

function storedChoice(): ThemeChoice | null {
  const stored = localStorage.getItem(KEY);
  return stored === 'light' || stored === 'dark' ? stored : null;
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
    quietSeries: [read('figure-quiet'), ...[2, 3, 4, 5, 6].map(place => read(`series-quiet-${place}`))],
    colours: Object.fromEntries(COLOUR_NAMES.map(name => [name, read(`cue-${name}`)])),
    font: read('font-figure'),
  };
}
