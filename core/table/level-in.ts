/** The one value that a row of numbers has wherever it has any; `several` when they differ, null when all are missing. */
export function levelIn(values: Float64Array): number | 'several' | null {
  let level: number | null = null;
  for (let row = 0; row < values.length; row++) {
    const value = values[row] as number;
    if (value !== value || value === level) continue;
    if (level !== null) return 'several';
    level = value;
  }
  return level;
}
