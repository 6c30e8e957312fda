export { formatNumber, type NumberStyle } from './format-number';
