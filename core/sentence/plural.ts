// Made once: a figure in words counts many times.
const grouped = new Intl.NumberFormat('en');

/** "20 huts", "1 hut", "20 values of Name der Hütte": counts of a column's values in words. */
export function counted(count: number, noun: string): string {
  if (!/^[a-z]+$/.test(noun)) return `${grouped.format(count)} ${count === 1 ? 'value' : 'values'} of ${noun}`;
  return `${grouped.format(count)} ${count === 1 ? noun : plural(noun)}`;
}

/** "huts", "values of Name der Hütte": several of a column's values in words. */
export const several = (noun: string): string => (/^[a-z]+$/.test(noun) ? plural(noun) : `values of ${noun}`);

function plural(noun: string): string {
  if (/[^aeiou]y$/.test(noun)) return `${noun.slice(0, -1)}ies`;
  return /(s|x|z|ch|sh)$/.test(noun) ? `${noun}es` : `${noun}s`;
}

/** "hut", "hut and week", "hut, valley and week". */
export const listed = (names: readonly string[]): string =>
  names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : (names[0] ?? '');
