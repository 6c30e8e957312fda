import { crosstabOf, shownData, totalsIn } from 'core/crosstab';
import { applyCues, type AppliedCue, type Treatment } from 'core/cue';
import { frameOf, type Frame } from 'core/frame';
import type { Figure } from 'core/document';
import { success, type Result } from 'core/result';
import { runAll, type Stages } from 'core/stages';
import type { Table } from 'core/table';
import type { Computed, Writing } from 'core/words';
import type { Livery } from './livery';
import { withBounds } from './bounds';
import { drawnColumns, type DrawnColumn } from './drawn-columns';
import { overallsOf } from './overall-asks';
import type { Plan } from './plan';
import { planOf } from './plan-of';
import { inTable } from './resting-cues';
import { tablePlanOf } from './table-plan-of';
import type { PlanRequest } from './requests';

/** Everything that the screen shows of a figure: its frame, its cues applied, and the drawings that its view asks for. */
export interface Picture {
  readonly frame: Frame;
  readonly applied: readonly AppliedCue[];
  /** One plan, or plain and cued side by side. */
  readonly plans: readonly Plan[];
  /** What broken axes draw, as columns beside the frame's; empty where none is broken. */
  readonly drawn: readonly DrawnColumn[];
  /** Rows without a value though everything they are computed from is there: of the table's derived columns, and of measures and helper columns. */
  readonly withoutValue: { readonly table: Readonly<Record<string, number>>; readonly figure: Readonly<Record<string, number>> };
}

/** What a picture is made from. */
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
  const { frame, applied } = computed.value;
  const bounded = stages('bounded', [request.figure, frame], () => withBounds(request.figure, frame));
  if (!bounded.ok) return bounded;
  const figure = bounded.value;
  const asked = { figure, frame, applied, writing, livery };
  const plans = stages('planned', [applied, figure, writing, livery], () =>
    figure.shape.mark === 'crosstab' ? tablesOf(asked, request.table, stages) : plansOf(asked, stages),
  );
  return success({
    frame,
    applied,
    plans,
    drawn: drawnColumns(frame, plans),
    withoutValue: { table: withoutValue ?? {}, figure: frame.withoutValue },
  });
}

/** A figure's numbers without its drawing: the frame, and its cues' helper columns. Problems: those of the frame. */
export function computedOf(figure: Figure, table: Table): Result<Computed> {
  const steps = computing({ figure, table }, runAll);
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}

function* computing({ figure, table }: Pick<PictureRequest, 'figure' | 'table'>, stages: Stages): Generator<void, Result<Computed>> {
  const data = shownData(figure);
  const framed = frameOf(table, data, overallsOf(figure.cues, data), stages);
  if (!framed.ok) return framed;
  yield;
  const frame = framed.value;
  const applied = stages('cued', [frame, figure.cues], () => applyCues(figure.cues, frame, stages));
  return success({
    frame,
    applied:
      figure.shape.mark === 'crosstab'
        ? stages('in table', [applied, figure.crosstab, data], () => inTable(applied, totalsIn({ ...figure, data })))
        : applied,
  });
}

/** The tables that the figure's view asks for, spread out once. */
function tablesOf(request: Omit<PlanRequest, 'roomForLabels'>, table: Table, stages: Stages): Plan[] {
  const { figure, frame, applied } = request;
  const crosstab = stages('spread out', [frame, table, figure.data, figure.crosstab], () => crosstabOf(frame, table, figure));
  const plan = (cues: readonly AppliedCue[]): Plan => tablePlanOf({ ...request, applied: cues }, crosstab, stages);
  return { plain: () => [plan([])], cued: () => [plan(applied)], both: () => [plan([]), plan(applied)] }[figure.view]();
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
