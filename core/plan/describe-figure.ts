import type { AppliedCue, Treatment, TreatmentOf } from 'core/cue';
import type { Frame } from 'core/frame';
import { counted } from 'core/sentence';
import { columnOf, levelIn, rowsWithValue, textAt, type Column, type NumericValues } from 'core/table';
import type { PlanRequest } from './plan-of';
import type { ValueWriter } from './value-writer';

/** The figure in words: what is shown, in which order, what is marked, what is missing. */
export function describeFigure({ figure, frame, applied }: PlanRequest, write: ValueWriter): string {
  const measure = frame.measures[0] ?? '';
  const { data, shape } = figure;
  const names = [...frame.measures, ...data.helpers.filter(helper => helper.shape !== null).map(helper => helper.name)];
  const split = [
    ...(data.series === null ? [] : [`a series per ${data.series}`]),
    ...(data.panel === null ? [] : [`a panel per ${data.panel}`]),
  ];
  const rows = counted(frame.table.rowCount, split.length ? 'value' : frame.category);
  const shown = `${MARK_WORDS[shape.mark]} of ${names.join(', ')} for ${rows}${split.map(words => `, ${words}`).join('')}, ${orderWords(data.order)}.`;
  const marked = applied.flatMap(cue => cue.treatments.map(item => treatmentWords(cue, item, frame, write)));
  return [shown, ...marked.filter(Boolean), missingWords(frame, measure)].filter(Boolean).join(' ');
}

const MARK_WORDS = {
  column: 'Columns',
  bar: 'Lying bars',
  stem: 'Stems with heads',
  'lying-stem': 'Lying stems with heads',
  line: 'Lines',
  step: 'Stepped lines',
  area: 'Areas',
  'step-area': 'Stepped areas',
  points: 'Points',
} as const;

function orderWords(order: PlanRequest['figure']['data']['order']): string {
  if (order.by === 'table') return 'in table order';
  if (order.by === 'hand') return 'ordered by hand';
  if (order.by === 'category') return order.descending ? 'categories falling' : 'categories rising';
  return order.descending ? 'largest first' : 'smallest first';
}

// More names than this are a list to be read in the ledger, not heard.
const MOST_NAMES = 6;

function treatmentWords(cue: AppliedCue, item: Treatment, frame: Frame, write: ValueWriter): string {
  switch (item.show) {
    case 'mark':
      return markedWords(cue, item.part, frame, write);
    case 'line':
      return lineWords(cue, item, write);
    case 'band':
      return `A band shows the ${item.legend}.`;
    case 'split':
      return `${item.measure} is split into ${item.parts.map(part => part.legend).join(', ')}.`;
    case 'ramp':
      return `${item.measure} is shaded from low to high.`;
    case 'span':
      return `Spans run ${item.legend}.`;
    case 'instead':
      return `${item.measure} is drawn scaled.`;
  }
}

/** A level line with its value; a series by its name. */
function lineWords({ helpers }: AppliedCue, { part, legend, measure }: TreatmentOf<'line'>, write: ValueWriter): string {
  const column = helpers.find(helper => helper.part === part)?.column;
  const level = column?.type === 'number' ? levelIn(column.data) : null;
  if (level === null) return '';
  return level === 'several' ? `A line shows ${legend}.` : `Line: ${legend}, ${write.full(measure, level)}.`;
}

function markedWords(cue: AppliedCue, part: string, frame: Frame, write: ValueWriter): string {
  const column = cue.helpers.find(helper => helper.part === part)?.column;
  if (!column) return '';
  const rows = rowsWithValue(column);
  if (rows.length === 0) return '';
  const names = Array.from(rows.subarray(0, MOST_NAMES), row => nameWithValue(frame, cue.cue.measure, row, write));
  const more = rows.length > MOST_NAMES ? ` and ${rows.length - MOST_NAMES} more` : '';
  return `${part.charAt(0).toUpperCase()}${part.slice(1)}: ${names.join('; ')}${more}.`;
}

function nameWithValue({ table, category }: Frame, measure: string, row: number, write: ValueWriter): string {
  const name = textAt(columnOf(table, category) as Column, row) || '(missing)';
  return `${name}, ${write.full(measure, (columnOf(table, measure) as NumericValues).data[row] as number)}`;
}

function missingWords(frame: Frame, measure: string): string {
  const column = columnOf(frame.table, measure);
  const count = column ? frame.table.rowCount - rowsWithValue(column).length : 0;
  return count ? `Missing: ${counted(count, 'value')}.` : '';
}
