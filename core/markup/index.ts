export { attributes, escaped, num } from './markup';
