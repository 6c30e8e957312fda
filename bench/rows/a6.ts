import { applyEdits, tableOf, type Table } from 'core/table';
import { pictureOf, type Livery } from 'core/plan';
import { rememberStages } from 'core/stages';
import { cueKinds, cueFactsOf } from 'core/cue';
import { firstFigure } from 'core/brief';
import type { Figure } from 'core/document';
import { seededRandom } from 'demo/random';
import { compare, type BenchRow } from '../measure';

const ROWS = 5_000;
const CUES = 5;
export const writing = { units: {}, formats: [] };
export const livery: Livery = {
  ground: '#fff',
  ink: '#000',
  soft: '#555',
  hair: '#ddd',
  base: '#5f7a70',
  series: ['#5f7a70'],
  quiet: '#84978e',
  colours: { brass: '#b87f0a', slate: '#36506e' },
  font: 'sans-serif',
};

/** One cell edit → ten helper columns of five cues over 5,000 rows, plan included. */
export const a6: BenchRow = {
  name: 'A6',
  work: 'one cell edit → ten helper columns of five cues over 5,000 rows, plan included',
  reach: 'Cowbell ≤ 1.5 × the typed reference',
  run: async () => {
    const table = makeTable();
    const figure = figureOver(table);
    let value = 0;
    // As the engine keeps them: a cell that is edited leaves all that it does not touch.
    const stages = rememberStages();
    const timings = await compare(
      [
        { name: 'typed reference', run: () => reference(table, ++value) },
        {
          name: 'Cowbell',
          run: () =>
            pictureOf({ figure, table: applyEdits(table, [{ row: 17, column: 'milk', value: ++value }]), writing, livery }, stages),
        },
      ],
      { rounds: 201, warmup: 60 },
    );
    return [{ at: '', timings }];
  },
};

export function makeTable(): Table {
  const random = seededRandom(5);
  const rows = Array.from({ length: ROWS }, (_, i) => i);
  return tableOf(
    {
      hut: rows.map(i => `hut ${i}`),
      valley: rows.map(() => `valley ${Math.floor(random() * 20)}`),
      milk: rows.map(() => Math.round(random() * 1e5)),
    },
    'deliveries',
  );
}

export function figureOver(table: Table): Figure {
  const figure = firstFigure('f', { id: 'd', name: 'deliveries', rowCount: ROWS, units: {}, columns: table.columns });
  const words = cueFactsOf({ category: 'hut', measures: ['milk'], scopes: ['valley'] });
  const cues = Array.from({ length: CUES }, (_, i) => ({
    ...cueKinds.extremes.create(`c${i}`, words),
    which: i % 2 ? ('highest' as const) : ('lowest' as const),
    scope: i > 1 ? { kind: 'within' as const, columns: ['valley'] } : { kind: 'figure' as const },
  }));
  return { ...figure, data: { ...figure.data, order: { by: 'table' } }, cues };
}

/** The same by hand over typed arrays: edit, sums per hut, five pairs of helper columns, colours, labels, names. */
function reference(table: Table, value: number) {
  const [huts, valleys, milk] = table.columns as [Column, Column, Column];
  const edited = Float64Array.from(milk.data);
  edited[17] = value;
  const hutCodes = huts.data;
  const groups = (huts as { dictionary: readonly string[] }).dictionary.length;
  const sums = new Float64Array(groups);
  const lost = new Float64Array(groups);
  for (let i = 0; i < ROWS; i++) add(sums, lost, hutCodes[i] as number, edited[i] as number);
  for (let g = 0; g < groups; g++) sums[g] = (sums[g] as number) + (lost[g] as number);
  const columns: Float64Array[] = [];
  for (let cue = 0; cue < CUES; cue++) columns.push(...extremes(sums, cue > 1 ? (valleys.data as Int32Array) : null, cue % 2 === 1));
  const colours = new Array<string>(groups);
  const labels: { row: number; text: string }[] = [];
  for (let g = 0; g < groups; g++) {
    const cue = [0, 2, 4, 6, 8].findIndex(at => !Number.isNaN((columns[at] as Float64Array)[g]));
    colours[g] = cue === -1 ? '#84978e' : cue % 2 ? '#b87f0a' : '#36506e';
    if (cue !== -1) labels.push({ row: g, text: String(sums[g]) });
  }
  const names = Array.from(hutCodes, code => (huts as { dictionary: readonly string[] }).dictionary[code]);
  return { columns, colours, labels, names };
}

type Column = Table['columns'][number];

function add(sums: Float64Array, lost: Float64Array, g: number, value: number): void {
  const sum = sums[g] as number;
  const next = sum + value;
  lost[g] = (lost[g] as number) + (Math.abs(sum) >= Math.abs(value) ? sum - next + value : value - next + sum);
  sums[g] = next;
}

function extremes(values: Float64Array, within: Int32Array | null, highest: boolean): [Float64Array, Float64Array] {
  const best = new Float64Array(within ? 20 : 1).fill(NaN);
  for (let i = 0; i < values.length; i++) {
    const g = within ? (within[i] as number) : 0;
    const value = values[i] as number;
    if (highest ? !((best[g] as number) >= value) : !((best[g] as number) <= value)) best[g] = value;
  }
  const marked = new Float64Array(values.length);
  const rest = new Float64Array(values.length);
  for (let i = 0; i < values.length; i++) {
    const isBest = values[i] === best[within ? (within[i] as number) : 0];
    marked[i] = isBest ? (values[i] as number) : NaN;
    rest[i] = isBest ? NaN : (values[i] as number);
  }
  return [marked, rest];
}
