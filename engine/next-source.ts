import { tablesOf } from 'core/making';
import { outlineOf, type TableOutline } from 'core/intake';
import { cuedPlaces, pictureOf, type Livery, type Picture } from 'core/plan';
import { failure, success, type Result } from 'core/result';
import { carriedEdits, isSameTable, type Table } from 'core/table';
import { changedFindings, foundBy, writerOf, type CueFound, type ValueWriter } from 'core/words';
import type { Figure } from 'core/document';
import type { ChangedFigure, FigureFound, NextRows } from './api';
import type { Session } from './session';

/** A table without its rows, mended and not edited: what its next source is compared with. Problems: those of its source. */
export function outlineOfTable(session: Session, id: string): Result<TableOutline> {
  const mended = session.mendedTable(id);
  if (!mended.ok) return mended;
  const { table, outcomes } = mended.value;
  return success(
    outlineOf(
      table,
      outcomes.map(({ count }) => count),
    ),
  );
}

/** What becomes of a table's edits in a source that takes the place of its own, and whether it is the same as that. Problem: the table has no source. */
export function editsIn(session: Session, id: string, next: Table): Result<NextRows> {
  const [source, doc] = [session.sourceTable(id), session.project.tables.find(table => table.id === id)];
  if (!source.ok || !doc) return source.ok ? failure({ code: 'figure-no-table', name: id }) : source;
  return success({ ...carriedEdits(source.value, next, doc.edits), isSame: isSameTable(source.value, next) });
}

/** What the cues of all figures found that show a table, or one made of it. A figure that cannot be drawn found nothing. */
export function findingsOf(session: Session, table: string, livery: Livery): FigureFound[] {
  return figuresOf(session, table).flatMap(figure => {
    const picture = pictured(session, figure, livery);
    return [{ figure: figure.id, found: picture ? foundBy(cuedPlaces(figure, picture), writerFor(session, figure, livery)) : [] }];
  });
}

/** What those cues find now that is not what they found before; figures that can no longer be drawn are told too. */
export function changesSince(session: Session, before: readonly FigureFound[], livery: Livery): ChangedFigure[] {
  return before.flatMap(({ figure: id, found }): ChangedFigure[] => {
    const figure = session.figure(id);
    if (!figure) return [];
    const asked = session.requestFor(figure, livery);
    const made = asked.ok ? pictureOf(asked.value, session.stagesOf(id)) : asked;
    if (!made.ok) return [{ figure: id, name: figure.name, changes: [], problems: made.problems }];
    const changes = changedFindings(
      found satisfies readonly CueFound[],
      cuedPlaces(figure, made.value),
      writerFor(session, figure, livery),
    );
    return changes.length ? [{ figure: id, name: figure.name, changes, problems: [] }] : [];
  });
}

/** Figures that show a table, or one that is made of it. */
function figuresOf(session: Session, table: string): readonly Figure[] {
  const { figures, tables } = session.project;
  const needs = (id: string, seen: readonly string[]): boolean => {
    if (id === table) return true;
    const made = tables.find(own => own.id === id)?.made;
    return !!made && !seen.includes(id) && tablesOf(made).some(part => needs(part, [...seen, id]));
  };
  return figures.filter(({ data }) => needs(data.table, []));
}

function pictured(session: Session, figure: Figure, livery: Livery): Picture | null {
  const asked = session.requestFor(figure, livery);
  const made = asked.ok ? pictureOf(asked.value, session.stagesOf(figure.id)) : asked;
  return made.ok ? made.value : null;
}

function writerFor(session: Session, figure: Figure, livery: Livery): ValueWriter {
  const asked = session.requestFor(figure, livery);
  const writing = asked.ok ? asked.value.writing : undefined;
  return writerOf(figure, writing as NonNullable<typeof writing>);
}
