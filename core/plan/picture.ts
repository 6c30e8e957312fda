import { applyCues, kindOf, winnersOf, type AppliedCue } from 'core/cue';
import { frameOf, type Frame } from 'core/frame';
import type { Figure } from 'core/project';
import { success, type Result } from 'core/result';
import { columnOf, isMissing, type Table } from 'core/table';
import type { Livery } from './livery';
import type { Plan } from './plan';
import { planOf } from './plan-of';
import { writerOf, type Writing } from './value-writer';

/** Everything that the screen shows of a figure: its frame, its cues applied, and the drawings that its view asks for. */
export interface Picture {
  readonly frame: Frame;
  readonly applied: readonly AppliedCue[];
  /** One plan, or plain and cued side by side. */
  readonly plans: readonly Plan[];
  /** Rows without a value though everything they are computed from is there, by derived column, measure and helper column. */
  readonly withoutValue: Readonly<Record<string, number>>;
}

export interface PictureRequest {
  readonly figure: Figure;
  /** The figure's table, edits laid over it. */
  readonly table: Table;
  /** Of the table's derived columns, counted when they were computed. */
  readonly withoutValue?: Readonly<Record<string, number>>;
  readonly writing: Writing;
  readonly livery: Livery;
}

/** Table → frame → helper columns → plans, in one pass. Problems: those of the frame. */
export function pictureOf({ figure, table, writing, livery, withoutValue }: PictureRequest): Result<Picture> {
  const framed = frameOf(table, figure.data);
  if (!framed.ok) return framed;
  const frame = framed.value;
  const applied = applyCues(figure.cues, frame);
  const roomForLabels = applied.some(({ treatments }) => treatments.some(({ label }) => label));
  const plan = (cues: readonly AppliedCue[]): Plan => planOf({ figure, frame, applied: cues, writing, livery, roomForLabels });
  const plans = { plain: () => [plan([])], cued: () => [plan(applied)], both: () => [plan([]), plan(applied)] }[figure.view]();
  return success({ frame, applied, plans, withoutValue: { ...withoutValue, ...frame.withoutValue } });
}

/** Why a row looks as it does: "brass, because milk 21,400 L is the highest of 20 huts (cue 1)". */
export function whyOf({ frame, applied }: Picture, row: number, figure: Figure, writing: Writing): string {
  const winners = winnersOf(applied, frame.table.rowCount);
  const winner = applied[winners.cue[row] as number];
  const treatment = winner?.treatments[winners.treatment[row] as number];
  const measures = frame.measures.map(name => columnOf(frame.table, name)).filter(column => column !== undefined);
  if (measures.length && measures.every(measure => isMissing(measure, row))) return 'Missing: no value, which is not zero.';
  if (!winner || !treatment) return applied.some(cue => cue.quietsRest) ? 'Quiet, because no cue marks it.' : '';
  const why = kindOf(winner.cue).why(winner.cue, { frame, row, part: treatment.part, write: writerOf(figure, writing).full });
  return `${treatment.colour.charAt(0).toUpperCase()}${treatment.colour.slice(1)}, because ${why} (cue ${winner.number}).`;
}
