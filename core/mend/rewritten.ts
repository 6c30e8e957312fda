import { MISSING_TEXT, named, type Column, type TextValues } from 'core/table';

/** A column of texts, each written anew; null makes it missing. With how many of its rows changed. Cost: one call per text of the dictionary, one pass. */
export function rewritten(
  column: TextValues & { readonly name: string },
  write: (text: string) => string | null,
): { readonly column: Column; readonly count: number } {
  const dictionary: string[] = [];
  const known = new Map<string, number>();
  const codes = column.dictionary.map(text => {
    const now = write(text);
    if (now === null) return MISSING_TEXT;
    const code = known.get(now) ?? dictionary.push(now) - 1;
    known.set(now, code);
    return code;
  });
  const isChanged = column.dictionary.map((text, code) => dictionary[codes[code] as number] !== text);
  let count = 0;
  const data = Int32Array.from(column.data, code => {
    if (code < 0) return code;
    if (isChanged[code]) count++;
    return codes[code] as number;
  });
  return { column: count ? named(column.name, { type: 'text', data, dictionary }) : column, count };
}
