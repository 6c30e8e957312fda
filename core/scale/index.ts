export { alignedZeros, linearScale, type LinearScale, type LinearScaleOptions } from './nice-ticks';
