/** "20 huts", "1 hut", "20 values of Name der Hütte": counts of a column's values in words. */
export function counted(count: number, noun: string): string {
  if (!/^[a-z]+$/.test(noun)) return `${count} ${count === 1 ? 'value' : 'values'} of ${noun}`;
  return `${count} ${count === 1 ? noun : plural(noun)}`;
}

function plural(noun: string): string {
  if (/[^aeiou]y$/.test(noun)) return `${noun.slice(0, -1)}ies`;
  return /(s|x|z|ch|sh)$/.test(noun) ? `${noun}es` : `${noun}s`;
}
