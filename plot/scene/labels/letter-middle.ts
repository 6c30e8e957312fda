/**
 * Height of the middle of a line of text above its baseline, in units of the letter size: half of ascent minus descent of the family, as canvases
 * define it.
 */
export const letterMiddle = (fonts: string): number => (fonts.includes('Mono') ? middle(1927, 473) : middle(1000, 303));

const middle = (above: number, below: number): number => (above - below) / (2 * (above + below));
