import { signal } from '@angular/core';

/** Colours of the project's named looks, by name: each the name of an emphasis colour, or a hex value. */
export const namedTints = signal<Readonly<Record<string, string>>>({});

/** A cue colour as CSS; what has none is quiet. */
export const tintOf = (colour: string | null): string => {
  if (!colour) return 'var(--figure-quiet)';
  const own = namedTints()[colour] ?? colour;
  return own.startsWith('#') ? own : `var(--cue-${own})`;
};
