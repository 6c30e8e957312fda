import { nameText } from 'core/formula';
import type { Frame } from 'core/frame';
import { straightPieces } from 'core/scale';
import { columnOf, named, type Column } from 'core/table';
import type { Plan } from '../plan';

/** Where a measure is drawn on a broken axis: percent of the axis from its low end, beside the formula that says so. */
export interface DrawnColumn {
  readonly name: string;
  readonly measure: string;
  readonly formula: string;
  readonly column: Column;
}

/**
 * A helper column for every measure whose marks a broken axis draws elsewhere than their value; none where no axis is broken. With separate scales
 * per panel, that of the first panel. Missing stays missing. Cost: one pass for each.
 */
export function drawnColumns({ table, measures }: Frame, plans: readonly Plan[]): DrawnColumn[] {
  const plan = plans.at(-1);
  const [panel] = plan?.kind === 'chart' ? plan.panels : [];
  if (!panel) return [];
  const taken = new Set(table.columns.map(({ name }) => name));
  return measures.flatMap((measure): DrawnColumn[] => {
    const layer = panel.layers.find(item => item.measure === measure && item.cue === null);
    const scale = layer && panel.axes[layer.axis]?.scale;
    const pieces = scale ? straightPieces(scale) : [];
    const column = columnOf(table, measure);
    if (pieces.length === 0 || column?.type !== 'number') return [];
    let name = `${measure} as drawn`;
    while (taken.has(name)) name += ' here';
    const ways = pieces.map(({ upTo, from, perUnit }) => ({ upTo, from: from * PERCENT, perUnit: perUnit * PERCENT }));
    const last = ways.length - 1;
    const data = column.data.map(value => {
      const found = ways.findIndex(({ upTo }) => value <= upTo);
      const { from, perUnit } = ways[found === -1 ? last : found] ?? NOWHERE;
      return from + perUnit * value;
    });
    return [
      {
        name,
        measure,
        formula: formulaOf(nameText(measure), ways),
        column: named(name, { type: 'number', data: Float64Array.from(data) }),
      },
    ];
  });
}

const PERCENT = 100;
const NOWHERE = { from: NaN, perUnit: NaN };

interface Way {
  readonly upTo: number;
  readonly from: number;
  readonly perUnit: number;
}

function formulaOf(measure: string, ways: readonly Way[]): string {
  const text = ({ from, perUnit }: Way): string => `${numberText(from)} + ${numberText(perUnit)} * ${measure}`;
  const branches = ways.slice(0, -1).map(way => `when ${measure} <= ${numberText(way.upTo)} then ${text(way)}`);
  return `case ${branches.join(' ')} else ${text(ways.at(-1) as Way)} end`;
}

/** A number as formula text: plain digits, negative numbers in parentheses. */
const numberText = (value: number): string => (value < 0 ? `(${String(value)})` : String(value));
