/**
 * Where the middle of a line of letters lies above their base line, in sizes of the letters: half of what a family has above that line, less what it has
 * below, its letters taken as one size high. As canvases have it.
 */
export const letterMiddle = (fonts: string): number => (fonts.includes('Mono') ? middle(1927, 473) : middle(1000, 303));

const middle = (above: number, below: number): number => (above - below) / (2 * (above + below));
