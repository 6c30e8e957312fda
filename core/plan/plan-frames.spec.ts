import { cueKinds, type Cue, type CueKindName, type CueFacts, type Look, cueFactsOf } from 'core/cue';
import { plainMeasure } from 'core/frame';
import { firstFigure } from 'core/brief';
import { plainFormat, plainScales, type Figure } from 'core/document';
import { messageFor } from 'core/result/words';
import { tableOf } from 'core/table';
import { pictureOf, type Livery, type Picture, type ChartPlan as Plan } from './index';

export const livery: Livery = {
  ground: '#ffffff',
  ink: '#000000',
  soft: '#555555',
  hair: '#dddddd',
  base: '#5f7a70',
  series: ['#5f7a70', '#3b5f95'],
  quiet: '#84978e',
  colours: { brass: '#b87f0a', slate: '#36506e', clay: '#b5482f', pasture: '#3a7a3c', lake: '#1c7a90', ink: '#000000' },
  font: 'sans-serif',
};
const formats = [plainFormat('kilo', { decimals: 1, suffix: ' k', scale: 1000 })];
export const writing = { units: {}, formats };
const table = tableOf({
  hut: ['Alm', 'Berg', 'Cloud', 'Dale'],
  valley: ['Tolm', 'Tolm', 'Siddel', 'Siddel'],
  milk: [10, 40, 20, 30],
  goal: [15, 30, 20, 36],
});
const words: CueFacts = cueFactsOf({ category: 'hut', measures: ['milk', 'goal'], scopes: ['valley'] });
export const make = (kind: CueKindName, change: object = {}): Cue => ({ ...cueKinds[kind].create('c', words), ...change });
export const look = (colour: string, change: Partial<Look> = {}): Look => ({
  colour,
  outline: false,
  glyph: '',
  label: 'none',
  text: '',
  ...change,
});

export interface Change {
  readonly data?: Partial<Figure['data']>;
  readonly shape?: Partial<Figure['shape']>;
  readonly scales?: Partial<Figure['scales']>;
  readonly goal?: boolean;
}

export function pictured(
  cues: readonly Cue[],
  { data, shape, scales, goal = true }: Change = {},
  dress = livery,
): { picture: Picture; figure: Figure } {
  const first = firstFigure('f', { id: 'd', name: 'd', rowCount: 4, units: {}, columns: table.columns });
  const measures = [plainMeasure('milk', 'sum(milk)'), ...(goal ? [plainMeasure('goal', 'sum(goal)')] : [])];
  const figure: Figure = {
    ...first,
    data: { ...first.data, measures, order: { by: 'table' }, ...data },
    shape: { ...first.shape, ...shape },
    scales: { ...plainScales, ...scales },
    cues: [...cues],
  };
  const read = pictureOf({ figure, table, writing, livery: dress });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return { picture: read.value, figure };
}
export const planned = (cues: readonly Cue[], change?: Change, dress?: Livery): Plan =>
  pictured(cues, change, dress).picture.plans[0] as Plan;
export const scaleOf = (plan: Plan, axis = 0): [number, number] => {
  const scale = plan.panels[0]?.axes[axis]?.scale;
  return [scale?.low ?? NaN, scale?.high ?? NaN];
};
