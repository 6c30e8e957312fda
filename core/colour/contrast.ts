import { wcagContrast } from 'culori';

/** The least contrast of text, and of marks, on their ground. Source: WCAG 2.2, success criteria 1.4.3 and 1.4.11. */
export const [LEAST_TEXT, LEAST_MARK] = [4.5, 3];

/** Contrast of two hex colours, 1 to 21. Source: WCAG 2.2, contrast ratio. */
export const contrastOf = (a: string, b: string): number => wcagContrast(a, b);

/** Whether a hex colour has so much contrast on another. */
export const isReadable = (colour: string, ground: string, least: number): boolean => contrastOf(colour, ground) >= least;
