import type { FileProblem } from 'core/result';

/** Column names from a header line: unnamed and repeated ones get names of their own, with a note each. */
export function headerNames(cells: readonly string[], count = cells.length): { readonly names: string[]; readonly notes: FileProblem[] } {
  const names: string[] = [];
  const notes: FileProblem[] = [];
  for (let i = 0; i < count; i++) {
    const given = (cells[i] ?? '').trim();
    const renamed = freeName(given || `column ${i + 1}`, names);
    if (!given) notes.push({ code: 'name-missing', position: i + 1, renamed });
    else if (renamed !== given) notes.push({ code: 'name-repeated', name: given, renamed });
    names.push(renamed);
  }
  return { names, notes };
}

function freeName(name: string, taken: readonly string[]): string {
  let free = name;
  for (let n = 2; taken.includes(free); n++) free = `${name} ${n}`;
  return free;
}
