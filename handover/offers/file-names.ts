/** A name that every file system takes; letters of any script stay. */
export const fileName = (name: string, ending: string): string =>
  `${
    name
      .replace(/[^\p{L}\p{N}\p{M}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .toLowerCase()
      .slice(0, LONGEST) || 'figure'
  }.${ending}`;

// File systems take names of 255 bytes; a letter may have four.
const LONGEST = 60;
