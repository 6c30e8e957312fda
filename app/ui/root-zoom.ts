/** How much larger than usual the reader wants letters, by the browser's own setting: sizes that are not the style sheet's follow it. */
export const ROOT_ZOOM = parseFloat(getComputedStyle(document.documentElement).fontSize) / 16 || 1;
