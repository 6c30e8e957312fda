const SHOWN = 10;

/**
 * The slowest files of a group of tests, a line each.
 *
 * @param {ReadonlyMap<string, number>} millis what each file took, in milliseconds
 */
export function slowest(millis) {
  const lines = [...millis].sort(([, a], [, b]) => b - a).slice(0, SHOWN);
  return ['Slowest files:', ...lines.map(([file, ms]) => `${(ms / 1000).toFixed(1).padStart(7)} s  ${file}`)].join('\n');
}
