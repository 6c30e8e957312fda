/** A cue colour as CSS; what has none is quiet. */
export const tintOf = (colour: string | null): string => {
  if (!colour) return 'var(--figure-quiet)';
  return colour.startsWith('#') ? colour : `var(--cue-${colour})`;
};
