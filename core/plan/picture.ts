import { crosstabOf, shownData, totalsIn, type Crosstab } from 'core/crosstab';
import { applyCues, type AppliedCue, type Treatment } from 'core/cue';
import { frameOf, type Frame } from 'core/frame';
import { isTable, type Figure } from 'core/document';
import { success, type Result } from 'core/result';
import { runAll, type Stages } from 'core/stages';
import type { Table } from 'core/table';
import type { Computed, Writing } from 'core/words';
import type { Livery } from './dress/livery';
import { withBounds } from './axes/bounds';
import { drawnColumns, type DrawnColumn } from './layers/drawn-columns';
import { lookedTotals, looksAtTotals, type LookedTotals } from './table/looked-totals';
import { overallsOf } from './overall-asks';
import type { Plan } from './plan';
import { planOf } from './plan-of';
import { inTable } from './resting-cues';
import { tablePlanOf } from './table/table-plan-of';
import type { PlanRequest } from './requests';

/** Everything that the screen shows of a figure: its frame, its cues applied, and the drawings that its view asks for. */
export interface Picture {
  readonly frame: Frame;
  readonly applied: readonly AppliedCue[];
  /** Totals of a crosstab that cues look at, with the helper columns that these have over them; empty where none does. */
  readonly totals: readonly LookedTotals[];
  /** One plan, or plain and cued side by side. */
  readonly plans: readonly Plan[];
  /** What broken axes draw, as columns beside the frame's; empty where none is broken. */
  readonly drawn: readonly DrawnColumn[];
  /** Rows without a value though everything they are computed from is there: of the table's derived columns, and of measures and helper columns. */
  readonly withoutValue: { readonly table: Readonly<Record<string, number>>; readonly figure: Readonly<Record<string, number>> };
}

/** Inputs of a picture. */
export interface PictureRequest {
  readonly figure: Figure;
  /** The figure's table, edits laid over it. */
  readonly table: Table;
  /** Of the table's derived columns, counted when they were computed. */
  readonly withoutValue?: Readonly<Record<string, number>>;
  readonly writing: Writing;
  readonly livery: Livery;
}

/** Table → frame → helper columns → plans, in one pass. Problems: those of the frame, and of ends of axes that are formulas. */
export function pictureOf(request: PictureRequest, stages: Stages = runAll): Result<Picture> {
  const steps = picturing(request, stages);
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}

/** The same, stage by stage: between two of them the caller may do something else, or give the picture up. */
export function* picturing(request: PictureRequest, stages: Stages): Generator<void, Result<Picture>> {
  const computed = yield* computing(request, stages);
  if (!computed.ok) return computed;
  yield;
  const { writing, livery, withoutValue } = request;
  const { frame, applied, totals } = computed.value;
  const bounded = stages('bounded', [request.figure, frame], () => withBounds(request.figure, frame));
  if (!bounded.ok) return bounded;
  const figure = bounded.value;
  const asked = { figure, frame, applied, totals, writing, livery };
  const plans = stages('planned', [applied, totals, figure, writing, livery], () =>
    isTable(figure) ? tablesOf(asked, request.table, stages) : plansOf(asked, stages),
  );
  return success({
    frame,
    applied,
    totals,
    plans,
    drawn: drawnColumns(frame, plans),
    withoutValue: { table: withoutValue ?? {}, figure: frame.withoutValue },
  });
}

/** A figure's numbers, those of the totals that cues look at included. */
type Numbers = Computed & Pick<Picture, 'totals'>;

/** A figure's numbers without its drawing: the frame, and its cues' helper columns. Problems: those of the frame. */
export function computedOf(figure: Figure, table: Table): Result<Numbers> {
  const steps = computing({ figure, table }, runAll);
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}

function* computing({ figure, table }: Pick<PictureRequest, 'figure' | 'table'>, stages: Stages): Generator<void, Result<Numbers>> {
  const data = shownData(figure);
  const framed = frameOf(table, data, overallsOf(figure.cues, data), stages);
  if (!framed.ok) return framed;
  yield;
  const frame = framed.value;
  const applied = stages('cued', [frame, figure.cues], () => applyCues(figure.cues, frame, stages));
  if (!isTable(figure)) return success({ frame, applied, totals: NO_TOTALS });
  const crosstab = figure.cues.some(looksAtTotals) ? spreadOut(figure, frame, table, stages) : null;
  const totals = crosstab
    ? stages('looked at totals', [crosstab, figure.cues, figure.data, figure.scales, figure.dress], () =>
        lookedTotals(crosstab, figure, frame, stages),
      )
    : NO_TOTALS;
  return success({
    frame,
    applied: stages('in table', [applied, totals, figure.crosstab, data], () => inTable(applied, totalsIn({ ...figure, data }), totals)),
    totals,
  });
}

// The same one each time: what is made from it is found again.
const NO_TOTALS: readonly LookedTotals[] = [];

const spreadOut = (figure: Figure, frame: Frame, table: Table, stages: Stages): Crosstab =>
  stages('spread out', [frame, table, figure.data, figure.crosstab], () => crosstabOf(frame, table, figure));

/** The tables that the figure's view asks for, spread out once. */
function tablesOf(request: Omit<PlanRequest, 'roomForLabels'>, table: Table, stages: Stages): Plan[] {
  const { figure, frame } = request;
  const crosstab = spreadOut(figure, frame, table, stages);
  const cued = (): Plan => tablePlanOf(request, crosstab, stages);
  const plain = (): Plan => tablePlanOf({ ...request, applied: [], totals: NO_TOTALS }, crosstab, stages);
  return { plain: () => [plain()], cued: () => [cued()], both: () => [plain(), cued()] }[figure.view]();
}

/** The drawings that the figure's view asks for. Plain and cued side by side have the same room for labels. */
function plansOf(request: Omit<PlanRequest, 'roomForLabels'>, stages: Stages): Plan[] {
  const roomForLabels = request.applied.some(({ treatments }) => treatments.some(asksForRoom));
  const plan = (applied: readonly AppliedCue[]): Plan => planOf({ ...request, applied, roomForLabels }, stages);
  const [plain, cued] = [(): Plan => plan([]), (): Plan => plan(request.applied)];
  return { plain: () => [plain()], cued: () => [cued()], both: () => [plain(), cued()] }[request.figure.view]();
}

/** Labels and glyphs stand beyond the ends of marks. */
function asksForRoom(item: Treatment): boolean {
  switch (item.show) {
    case 'mark':
    case 'ramp':
      return item.look.label !== 'none' || item.look.glyph !== '';
    case 'split':
      return item.total !== null || item.parts.some(({ look }) => look.label !== 'none');
    case 'line':
      return item.label;
    case 'span':
      return item.labels;
    default:
      return false;
  }
}
