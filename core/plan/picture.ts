import { applyCues, kindOf, winnersOf, type AppliedCue, type Treatment } from 'core/cue';
import { frameOf, type Frame } from 'core/frame';
import type { Figure } from 'core/project';
import { success, type Result } from 'core/result';
import { cellAt, columnOf, isMissing, type Cell, type Column, type Table } from 'core/table';
import type { Livery } from './livery';
import type { Plan } from './plan';
import { planOf } from './plan-of';
import { writerOf, type ValueWriter, type Writing } from './value-writer';
import { treatmentsOf } from './cue-data';

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
  const roomForLabels = applied.some(({ treatments }) => treatments.some(asksForRoom));
  const plan = (cues: readonly AppliedCue[]): Plan => planOf({ figure, frame, applied: cues, writing, livery, roomForLabels });
  const plans = { plain: () => [plan([])], cued: () => [plan(applied)], both: () => [plan([]), plan(applied)] }[figure.view]();
  return success({ frame, applied, plans, withoutValue: { ...withoutValue, ...frame.withoutValue } });
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

/** Why a row looks as it does: "brass, because milk 21,400 L is the highest of 20 huts (cue 1)". */
export function whyOf({ frame, applied }: Picture, row: number, figure: Figure, writing: Writing): string {
  const measures = [...frame.measures, ...frame.helpers].filter(name => columnOf(frame.table, name)?.type === 'number');
  const missing = measures.length > 0 && measures.every(name => isMissing(columnOf(frame.table, name) as Column, row));
  if (missing) return 'Missing: no value, which is not zero.';
  for (const measure of measures.filter(name => !givesWay(applied, name, row))) {
    const winners = winnersOf(applied, frame.table.rowCount, measure);
    const winner = applied[winners.cue[row] as number];
    const treatment = winner?.treatments[winners.treatment[row] as number];
    if (winner && treatment) return becauseOf(frame, winner, treatment, row, writerOf(figure, writing));
  }
  const other = wordsOfOthers(frame, applied, row, writerOf(figure, writing));
  return other || (applied.some(cue => cue.quietsRest) ? 'Quiet, because no cue marks it.' : '');
}

/** Whether parts or a span are drawn in this row in the measure's place: its own mark is not there to have a colour. */
function givesWay(applied: readonly AppliedCue[], measure: string, row: number): boolean {
  const isThere = (from: AppliedCue, part: string): boolean => {
    const column = partIn(from, part);
    return column !== undefined && !isMissing(column, row);
  };
  const splits = treatmentsOf(applied, 'split').filter(({ item }) => item.measure === measure);
  return (
    splits.some(({ item, from }) => item.parts.some(({ part }) => isThere(from, part))) ||
    treatmentsOf(applied, 'span').some(({ item }) => item.measures.includes(measure))
  );
}

function becauseOf(frame: Frame, winner: AppliedCue, treatment: Treatment, row: number, write: ValueWriter): string {
  const part = treatment.show === 'mark' || treatment.show === 'ramp' ? treatment.part : '';
  const colour = treatment.show === 'mark' ? treatment.look.colour : 'shaded';
  const why = whyIn(frame, winner, part, row, write);
  return `${colour.charAt(0).toUpperCase()}${colour.slice(1)}, because ${why} (cue ${winner.number}).`;
}

const partIn = ({ helpers }: AppliedCue, part: string): Column | undefined => helpers.find(item => item.part === part)?.column;

function whyIn(frame: Frame, from: AppliedCue, part: string, row: number, write: ValueWriter): string {
  const helper = (name: string): Cell => {
    const column = partIn(from, name);
    return column ? cellAt(column, row) : null;
  };
  return kindOf(from.cue).why(from.cue, { frame, row, part, helper, write: write.full });
}

/** Cues that colour no mark but speak of every row: parts, spans. */
function wordsOfOthers(frame: Frame, applied: readonly AppliedCue[], row: number, write: ValueWriter): string {
  const speaking = applied.filter(({ treatments }) =>
    treatments.some(({ show }) => show === 'split' || show === 'span' || show === 'instead'),
  );
  return speaking
    .map(cue => {
      const split = cue.treatments.find(item => item.show === 'split');
      const parts = split?.show === 'split' ? split.parts.map(({ part }) => part) : [''];
      const shown = parts.filter(part => part === '' || hasValue(cue, part, row));
      const last = shown.at(-1);
      return last === undefined ? '' : `${capital(whyIn(frame, cue, last, row, write))} (cue ${cue.number}).`;
    })
    .filter(Boolean)
    .join(' ');
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const hasValue = (from: AppliedCue, part: string, row: number): boolean => {
  const column = partIn(from, part);
  return column !== undefined && !isMissing(column, row) && cellAt(column, row) !== 0;
};
