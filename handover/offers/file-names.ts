/** A name that every file system takes; letters of any script stay. */
export const fileName = (name: string, ending: string): string => `${folderName(name)}.${ending}`;

/** The same without an ending. */
export const folderName = (name: string): string =>
  name
    .replace(/[^\p{L}\p{N}\p{M}]+/gu, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase()
    .slice(0, LONGEST) || 'figure';

// File systems take names of 255 bytes; a letter may have four.
const LONGEST = 60;
