export { formatNumber, LANGUAGES, type NumberStyle } from './format-number';
export { LADDERS, ladderText, readLadder, rungFor } from './ladder';
export { numberFacts } from './number-facts';
export { oneDecimals } from './one-decimals';
export { powerText } from './power-text';
export { shortened } from './shortened';
export { shorterTexts } from './shorter';
