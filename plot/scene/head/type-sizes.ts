import type { LetterSizes, Livery } from 'core/plan';
import type { Font } from '../scene';

// Where a livery says nothing of its letters, in CSS pixels. Here, since the first picture must not wait for all of the plan's room.
const USUAL_SIZES: LetterSizes = { title: 19, subtitle: 13, text: 12, label: 13 };

/** The letter sizes of a livery, in CSS pixels. */
export const sizesOf = ({ sizes = USUAL_SIZES }: Livery): LetterSizes => sizes;

/** The font of names, numbers and the legend. */
export const textFont = (livery: Livery): Font => ({ size: sizesOf(livery).text, weight: 400 });
