export { Repainter } from './repainter';
