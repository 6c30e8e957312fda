import type { Crosstab } from 'core/crosstab';
import { runAll, type Stages } from 'core/stages';
import { counted, listed } from 'core/sentence';
import { dressedIn } from '../dress/dressed-livery';
import { descriptionOf, FigureWords, shownIn, writtenWords } from '../words/figure-words';
import { legendOf } from '../legend/legend';
import { picturesOf } from '../pictures';
import type { Layer } from '../plan';
import type { NamedPart, PlanWords } from '../words/plan-words';
import type { LayoutRequest, PlanRequest } from '../requests';
import { cellsOf, looksOf, zeroOf, type MeasureLook } from './table-cells';
import { dressedTotals } from './total-cues';
import { tableHeads, tableRows } from './table-names';
import type { TableColumn, TablePlan } from './table-plan';

/**
 * The plan of a crosstab: heads, rows, and cells coloured by the cues' helper columns. Totals do not enter any helper column of cells. Cost:
 * O(cells).
 */
export function tablePlanOf(request: PlanRequest, crosstab: Crosstab, stages: Stages = runAll): TablePlan {
  const { figure, frame, applied, totals: looked } = request;
  const { livery, ...dressed } = dressedIn(request, stages);
  const asked: LayoutRequest = { figure, frame, applied, totals: looked, livery, ...dressed };
  const looks = looksOf(crosstab, asked);
  const columns = columnsOf(crosstab, looks, asked);
  const trends = columns.flatMap(({ kind, measure }) => (kind === 'trend' ? [measure] : []));
  const layers = looks.map(look => layerOf(look, asked));
  const totals = dressedTotals(crosstab, asked);
  const ofTotals = totals.flatMap(item => {
    const own = { ...asked, frame: item.frame };
    const shown = [...item.measures].map(([measure, { dress }]) => layerOf({ measure, dress }, own));
    return legendOf({ ...request, livery, frame: item.frame, applied: item.applied }, shown);
  });
  const legend =
    figure.dress.legend === 'none' ? [] : [...legendOf({ ...request, livery }, layers), ...ofTotals].filter(({ cue }) => cue !== null);
  const writer = new FigureWords(asked);
  const words = writtenWords(asked, writer);
  const notes = notesOf(crosstab, asked);
  // What cues find gives no row or column another name.
  const behind = [crosstab, frame, figure.data, figure.scales, figure.crosstab];
  const plan: Omit<TablePlan, 'parts'> = {
    kind: 'table',
    ...words,
    wordFaults: writer.faults,
    axisNote: [noteOf(crosstab, asked), ...notes].join(' · '),
    legend,
    notes,
    description: descriptionOf(shownIn(asked), words, notes),
    livery,
    pictures: picturesOf(layers, request.writing.pictures ?? []),
    levels: crosstab.levels.map(({ column }) => column),
    heads: stages('heads', [...behind, trends.join()], () => tableHeads(crosstab, frame, figure, trends)),
    columns,
    rows: stages('named rows', behind, () => tableRows(crosstab, frame, figure)),
    cells: cellsOf(crosstab, looks, columns, asked, totals),
    lines: figure.crosstab.lines,
    wraps: figure.crosstab.names === 'wrapped',
  };
  return { ...plan, parts: partsOf(plan) };
}

/** For each column of the crosstab one per measure, then the small lines. */
function columnsOf(crosstab: Crosstab, looks: readonly MeasureLook[], request: LayoutRequest): TableColumn[] {
  const { aligns, widths, drawings } = request.figure.crosstab;
  const zeros = new Map(
    looks.flatMap(look => (['cells', 'total'] as const).map(kind => [`${kind} ${look.measure}`, zeroOf(crosstab, look, kind, request)])),
  );
  const column = (measure: string, kind: TableColumn['kind']): TableColumn => ({
    measure,
    kind,
    align: aligns.find(item => item.measure === measure)?.align ?? 'right',
    width: widths.find(item => item.measure === measure)?.width ?? null,
    zero: zeros.get(`${kind} ${measure}`) ?? null,
  });
  const isAlong = crosstab.columns.filter(({ kind }) => kind === 'cells').length > 1;
  const trends = looks.filter(({ measure }) => isAlong && drawings.some(item => item.measure === measure && item.as === 'trend'));
  return [
    ...crosstab.columns.flatMap(({ kind }) => looks.map(({ measure }) => column(measure, kind))),
    ...trends.map(({ measure }) => ({ ...column(measure, 'trend'), width: null })),
  ];
}

/** A measure's cells as a layer, for the legend and for pictures. */
const layerOf = ({ measure, dress }: Pick<MeasureLook, 'measure' | 'dress'>, { frame, livery }: LayoutRequest): Layer => {
  const nothing = new Float64Array(frame.table.rowCount);
  return {
    name: measure,
    measure,
    as: null,
    shape: 'column',
    panel: 0,
    axis: 0,
    slot: 0,
    slots: 1,
    values: nothing,
    ends: nothing,
    bases: null,
    base: 0,
    rows: new Int32Array(frame.table.rowCount),
    beyond: [],
    stroke: { width: 1, dash: 'solid', marker: '' },
    span: null,
    cue: null,
    ...dress,
    // Cells have no colour of their own that could be told from another.
    colour: livery.base,
  };
};

/** "milk (L) by valley and hut, across month". */
function noteOf({ levels, across, measures }: Crosstab, { write, figure: { data } }: LayoutRequest): string {
  const named = measures.map(name => (write.unit(name) ? `${name} (${write.unit(name)})` : name));
  const steps = levels.map(({ column, step }) => (step?.kind === 'grain' ? step.grain : column));
  const columns = across === null ? '' : `, across ${data.seriesStep?.kind === 'grain' ? data.seriesStep.grain : across}`;
  return `${listed(named)} by ${listed(steps)}${columns}`;
}

/** Notes that a reader needs to read the table right. */
function notesOf(crosstab: Crosstab, { figure, frame, applied }: LayoutRequest): string[] {
  const { left } = crosstab;
  const totals = crosstab.rows.some(({ kind }) => kind !== 'cells') || crosstab.columns.some(({ kind }) => kind === 'total');
  const whatIfs = crosstab.measures.some(measure => frame.whatIfs[measure]?.includes(1));
  const scaled = applied.some(({ treatments }) => treatments.some(({ show }) => show === 'instead'));
  const helpers = crosstab.measures.filter(name => figure.data.helpers.some(helper => helper.name === name));
  return [
    ...(left.rows ? [`${counted(left.rows, 'row')} more have no room: keep the largest of a level, or filter`] : []),
    ...(left.columns ? [`${counted(left.columns, 'column')} more have no room, and are in the totals`] : []),
    ...(totals && whatIfs ? ['totals leave what-if values out'] : []),
    ...(totals && scaled ? ['what is drawn in the place of a measure has no total'] : []),
    ...(totals && helpers.length
      ? [`${listed(helpers)} ${helpers.length === 1 ? 'has' : 'have'} no total: computed after aggregation`]
      : []),
  ];
}

const part = (id: string, says: string, cue: string | null = null): NamedPart => ({ id, says, cue });

function partsOf({
  title,
  subtitle,
  note,
  source,
  legend,
  axisNote,
}: Pick<PlanWords, 'title' | 'subtitle' | 'note' | 'source' | 'legend' | 'axisNote'>): NamedPart[] {
  const spoken = (id: string, before: string, words: string): NamedPart[] => (words ? [part(id, `${before}: ${words}`)] : []);
  return [
    ...spoken('title', 'Title', title),
    ...spoken('subtitle', 'Below the title', subtitle),
    ...legend.map(({ text, cue }, i) => part(`legend ${i + 1}`, `Legend: ${text}`, cue)),
    ...spoken('note', 'Table', axisNote),
    ...spoken('foot', 'Note', note),
    ...spoken('source', 'Source', source),
  ];
}
