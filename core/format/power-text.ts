const RAISED: Readonly<Record<string, string>> = {
  '-': '⁻',
  '0': '⁰',
  '1': '¹',
  '2': '²',
  '3': '³',
  '4': '⁴',
  '5': '⁵',
  '6': '⁶',
  '7': '⁷',
  '8': '⁸',
  '9': '⁹',
};

/** A power as it is written by hand: 10⁴, 2⁻³, e². `exponent`: a whole number. */
export const powerText = (base: number, exponent: number): string =>
  `${base === Math.E ? 'e' : String(base)}${[...String(exponent)].map(sign => RAISED[sign] ?? sign).join('')}`;
