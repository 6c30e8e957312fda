export { linearScale, type LinearScale, type LinearScaleOptions } from './nice-ticks';
