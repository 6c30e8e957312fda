import { findingTitles, foundBy, writerOf, type CueFound, type FindingTitle, type ValueWriter, type Writing } from 'core/words';
import { risksOf, type FoundRisk } from 'core/check';
import type { Figure, Project, TableDoc } from 'core/document';
import { cuedPlaces, pictureOf, type Livery, type Picture, type Plan } from 'core/plan';
import { failure, success, type Result } from 'core/result';
import { runAll, type Stages } from 'core/stages';
import type { Table } from 'core/table';
import type { Session } from 'engine';

/** A figure with all that is computed of it: what every format is made from. */
export interface Handed {
  readonly session: Session;
  readonly project: Project;
  readonly figure: Figure;
  readonly tableDoc: TableDoc;
  /** The figure's table, mended and edited, its derived columns behind. */
  readonly table: Table;
  readonly picture: Picture;
  /** What is drawn: with its cues, unless the figure shows plain. */
  readonly plan: Plan;
  /** Numbers of cues by their ids. */
  readonly numbers: ReadonlyMap<string, number>;
  readonly writing: Writing;
  readonly write: ValueWriter;
}

/** A figure of a session computed, to be handed over. Problems: those of its table and its frame. Cost: one picture, less what stages remember. */
export function handedOf(session: Session, figure: Figure, livery: Livery, stages: Stages = runAll): Result<Handed> {
  const asked = session.requestFor(figure, livery);
  if (!asked.ok) return asked;
  const made = pictureOf(asked.value, stages);
  if (!made.ok) return made;
  const plan = made.value.plans.at(-1);
  const tableDoc = session.project.tables.find(({ id }) => id === figure.data.table);
  if (!plan || !tableDoc) return failure({ code: 'figure-no-table', name: figure.data.table });
  const { table, writing } = asked.value;
  return success({
    session,
    project: session.project,
    figure,
    tableDoc,
    table,
    picture: made.value,
    plan,
    numbers: new Map(made.value.applied.map(({ cue, number }) => [cue.id, number])),
    writing,
    write: writerOf(figure, writing),
  });
}

/** What may mislead in a figure, each with its check. Cost: O(marks). */
export function risksIn({ session, figure, plan, picture, writing }: Handed): readonly FoundRisk[] {
  const { units, formats } = writing;
  const { frame, applied } = picture;
  return risksOf({ figure, plan, units, formats, derived: session.derivedOf(figure.data.table), frame, applied });
}

/** Totals of a crosstab that cues look at, each as it is handed over: in the place of the figure's cells. */
export const totalsOf = (handed: Handed): readonly { readonly title: string; readonly handed: Handed }[] =>
  handed.picture.totals.map(({ of, figure, frame, applied }) => ({
    title: `Totals of ${of}`,
    handed: { ...handed, figure, picture: { ...handed.picture, frame, applied, drawn: [], totals: [] } },
  }));

/** What the cues of a figure found, to be compared with what they find later. */
export const foundIn = ({ figure, picture, write }: Handed): readonly CueFound[] => foundBy(cuedPlaces(figure, picture), write);

/** Titles that state what the first cue found. */
export const titlesIn = ({ figure, picture, write }: Handed): readonly FindingTitle[] => findingTitles(cuedPlaces(figure, picture), write);
