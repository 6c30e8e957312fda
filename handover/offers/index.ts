// What is offered to be handed over, and what of it the page itself does: apart, so that the page comes without what makes the formats.
export { formatOffers, offerNamed, type FormatName, type FormatOffer } from './offers';
export { element, htmlDocument, type Look } from './document';
export { pictureOnPage, sizeOnPage, wordsOfPage } from './page-folder';
export { PAGE_STYLE, pageBody, pageHtml, type PageForHtml } from './page-html';
export { fileName, folderName } from './file-names';
export { sizeOfFigure } from './sizes';
export { pixelsOf, withResolution } from './png-resolution';
export { hoverMarks } from './hover-marks';
