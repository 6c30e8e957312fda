import type { Cue } from 'core/cue';
import { firstFigure, type TableFacts } from 'core/brief';
import { plainScales, type AxisChoice, type Figure, type Scales } from 'core/document';
import type { FigureData } from 'core/frame';

/** What a figure of the sample has beside what a first figure would. */
export interface Sketch {
  readonly id: string;
  readonly name: string;
  readonly title: string;
  readonly subtitle: string;
  readonly data: Partial<FigureData>;
  readonly shape?: Partial<Figure['shape']>;
  readonly scales?: Partial<Figure['scales']>;
  readonly cues: readonly Cue[];
  readonly labels?: Partial<Figure['labels']>;
  readonly dress?: Partial<Figure['dress']>;
  readonly words?: Partial<Figure['words']>;
  readonly crosstab?: Figure['crosstab'];
}

/** A figure of the sample, over a table that has huts. */
export function figureOf(
  table: TableFacts,
  { id, name, title, subtitle, data, shape, scales, cues, labels, dress, words, crosstab }: Sketch,
): Figure {
  const first = firstFigure(id, table, table.columns.some(column => column.name === 'hut') ? 'hut' : data.category);
  return {
    ...first,
    name,
    data: { ...first.data, ...data },
    shape: { ...first.shape, ...shape },
    scales: { ...first.scales, ...scales },
    cues: [...cues],
    words: { title, subtitle, ...words },
    labels: { ...first.labels, ...labels },
    dress: { ...first.dress, ...dress },
    crosstab: crosstab ?? first.crosstab,
  };
}

/** In the order of time. */
export const inTime = { by: 'category', descending: false } as const;

/** Value axes of which some is decided. */
export const axesWith = (first: Partial<AxisChoice>, second: Partial<AxisChoice> = {}): Scales['axes'] => ({
  first: { ...plainScales.axes.first, ...first },
  second: { ...plainScales.axes.second, ...second },
});
