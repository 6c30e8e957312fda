export { formatNumber, LANGUAGES, type Language, type NumberStyle } from './format-number';
export { LADDERS, ladderText, readLadder, rungFor, type Rung } from './ladder';
export { numberFacts, type NumberFacts } from './number-facts';
export { oneDecimals } from './one-decimals';
export { powerText } from './power-text';
export { shortened } from './shortened';
export { shorterTexts } from './shorter';
