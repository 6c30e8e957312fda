// More than any picture, cell or hover has room for; laying out a text of megabytes would hold up the page.
const LONGEST_SHOWN = 400;

/** A text as it is shown: an endless one is cut and ends in “…”. The value itself stays whole. */
export const shortened = (text: string): string => (text.length <= LONGEST_SHOWN ? text : `${text.slice(0, LONGEST_SHOWN)}…`);
