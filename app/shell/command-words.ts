/** The analysts' words for the things that cues do. */
export const CUE_WORDS =
  'mark highlight biggest smallest largest lowest highest rank top average mean limit threshold negative plan target error bars show values labels outlier trend running colour';

/** Actions that the bar has no room for in a small window. */
export const MORE: ReadonlySet<string> = new Set([
  'Undo',
  'Redo',
  'Look through the gallery',
  'New figure',
  'Show the figure alone',
  'Help',
  'Switch to dark',
  'Switch to light',
]);
