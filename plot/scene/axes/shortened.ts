/** A text of at most `longest` characters; a longer one ends in an ellipsis. Counts characters as readers do, not code units. */
export function shortened(text: string, longest: number): string {
  if (text.length <= longest) return text;
  const characters = Array.from(text);
  return characters.length <= longest
    ? text
    : `${characters
        .slice(0, longest - 1)
        .join('')
        .trimEnd()}…`;
}

/** Cuts a text into lines no wider than `width`, at spaces; the last line of `most` takes an ellipsis when there is more. */
export function wrapped(text: string, width: number, most: number, measure: (text: string) => number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const longer = line ? `${line} ${word}` : word;
    if (line && measure(longer) > width) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  if (line) lines.push(line);
  if (lines.length <= most) return lines.map(item => fitted(item, width, measure));
  return [...lines.slice(0, most - 1), fitted(lines.slice(most - 1).join(' '), width, measure)];
}

/** The text, cut with an ellipsis until it is no wider than `width`. */
export function fitted(text: string, width: number, measure: (text: string) => number): string {
  if (measure(text) <= width) return text;
  const characters = Array.from(text);
  let [fits, over] = [0, characters.length];
  while (over - fits > 1) {
    const middle = (fits + over) >> 1;
    if (measure(`${characters.slice(0, middle).join('')}…`) <= width) fits = middle;
    else over = middle;
  }
  return `${characters.slice(0, fits).join('').trimEnd()}…`;
}
