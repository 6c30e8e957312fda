// Pictures and letters without a screen.
export { embeddedFonts, ShippedFonts, shippedWidths, type TextRun } from './shipped-fonts';
export { scenePng, type PictureWishes } from './picture';
export { drawingsOf, planPng, planSvg, type DrawingWishes } from './drawings';
