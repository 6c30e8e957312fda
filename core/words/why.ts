import { kindOf, treatmentsOf, winnersOf, type AppliedCue, type Treatment } from 'core/cue';
import type { Figure } from 'core/document';
import type { Frame } from 'core/frame';
import { cellAt, columnOf, isMissing, type Cell, type Column } from 'core/table';
import { writerOf, type ValueWriter, type Writing } from './value-writer';

/** A figure's numbers: its frame, and its cues' helper columns. */
export interface Computed {
  readonly frame: Frame;
  readonly applied: readonly AppliedCue[];
}

/** Why a row looks as it does: "Brass, because milk 21,400 L is the highest of 20 huts (cue 1).", and the ranges it is seen against. */
export function whyOf(picture: Computed, row: number, figure: Figure, writing: Writing): string {
  const { frame, applied } = picture;
  const measures = [...frame.measures, ...frame.helpers].filter(name => columnOf(frame.table, name)?.type === 'number');
  const missing = measures.length > 0 && measures.every(name => isMissing(columnOf(frame.table, name) as Column, row));
  if (missing) return 'Missing: no value, which is not zero.';
  const write = writerOf(figure, writing);
  const winner = winnerOf(picture, measures, row);
  const main = winner ? becauseOf(frame, winner.cue, winner.treatment, row, write) : withoutMark(picture, row, write);
  const ranges = applied.filter(cue => cue !== winner?.cue).flatMap(cue => rangeWords(cue, row, write));
  return [main, ...ranges].filter(Boolean).join(' ');
}

/** The cue and treatment that colour the first measure of a row that any colours. */
function winnerOf(
  { frame, applied }: Computed,
  measures: readonly string[],
  row: number,
): { cue: AppliedCue; treatment: Treatment } | null {
  for (const measure of measures.filter(name => !givesWay(applied, name, row))) {
    const winners = winnersOf(applied, frame.table.rowCount, measure);
    const cue = applied[winners.cue[row] as number];
    const treatment = cue?.treatments[winners.treatment[row] as number];
    if (cue && treatment) return { cue, treatment };
  }
  return null;
}

/** What is said of a row that no cue colours: what cues draw of it, why one could not judge it, or that it is quiet. */
function withoutMark({ frame, applied }: Computed, row: number, write: ValueWriter): string {
  const unjudged = applied.flatMap(from => {
    const words = from.helpers.length ? kindOf(from.cue).unjudged(from.cue, factsOf(frame, from, '', row, write)) : null;
    return words === null ? [] : [`Not marked: ${words} (cue ${from.number}).`];
  });
  const said = [wordsOfOthers(frame, applied, row, write), ...unjudged].filter(Boolean).join(' ');
  return said || (applied.some(cue => cue.quietsRest) ? 'Quiet, because no cue marks it.' : '');
}

/** "Expected range: 10 to 20 L (cue 2)." */
function rangeWords(from: AppliedCue, row: number, write: ValueWriter): string[] {
  return from.treatments.flatMap(item => {
    if (item.show !== 'band') return [];
    const [low, high] = [item.low, item.high].map(part => (partIn(from, part) ? cellAt(partIn(from, part) as Column, row) : null));
    if (typeof low !== 'number' || typeof high !== 'number') return [];
    return [`${capital(item.legend)}: ${write.full(item.measure, low)} to ${write.full(item.measure, high)} (cue ${from.number}).`];
  });
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

const whyIn = (frame: Frame, from: AppliedCue, part: string, row: number, write: ValueWriter): string =>
  kindOf(from.cue).why(from.cue, factsOf(frame, from, part, row, write));

function factsOf(frame: Frame, from: AppliedCue, part: string, row: number, write: ValueWriter) {
  const helper = (name: string): Cell => {
    const column = partIn(from, name);
    return column ? cellAt(column, row) : null;
  };
  return { frame, row, part, helper, write: write.full };
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
