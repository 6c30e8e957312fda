import { orderDerived, type TableDoc } from 'core/document';
import { sqlOfMaking, wordsOfMaking, type SqlTable } from 'core/making';
import { cellAt } from 'core/table';
import type { Session } from 'engine';
import { scopeFor, type Stages } from './stages';

/**
 * The stages that give a table of the project, and the name of the last: those of the tables that it is made of, itself, then its derived columns. A table
 * with a source of its own is there under its name, as it stands in the project.
 */
export function tableStages(stages: Stages, session: Session, id: string, known = new Map<string, string>()): string {
  const before = known.get(id);
  if (before !== undefined) return before;
  const doc = session.project.tables.find(table => table.id === id);
  if (!doc) throw new RangeError(`there is no table ${id}`);
  const base = doc.made ? madeStage(stages, session, doc, known) : doc.name;
  const bare = session.editedTable(id);
  const { ordered } = orderDerived(scopeFor(bare?.columns ?? []), doc.derived);
  const columns = ordered.map(({ column }) => column);
  const { from } = stages.compute(base, 'derived', `${doc.name} with its derived columns`, scopeFor(bare?.columns ?? []), columns);
  known.set(id, from);
  return from;
}

function madeStage(stages: Stages, session: Session, doc: TableDoc, known: Map<string, string>): string {
  const made = doc.made;
  if (!made) return doc.name;
  const nameOf = (part: string): string => session.project.tables.find(table => table.id === part)?.name ?? part;
  const tables = new Map<string, SqlTable>();
  const tableOf = (part: string): SqlTable => {
    const found = tables.get(part) ?? sqlTable(session, part, tableStages(stages, session, part, known), nameOf(part));
    tables.set(part, found);
    return found;
  };
  // What it is made of comes first.
  const sql = sqlOfMaking(made, tableOf);
  return stages.add('made', `${doc.name}: ${wordsOfMaking(made, nameOf)}`, () => sql);
}

function sqlTable(session: Session, id: string, from: string, name: string): SqlTable {
  const table = session.tableOf(id)?.table;
  return {
    name,
    from,
    columns: table?.columns ?? [],
    valuesOf: wished => {
      const column = table?.columns.find(own => own.name === wished);
      return column ? [...new Set(Array.from({ length: table?.rowCount ?? 0 }, (_, row) => cellAt(column, row)))] : [];
    },
  };
}

/** What has to be known of the tables that a statement reads: mends and edits are in their rows already. */
export function sourceNotes(session: Session, id: string): string[] {
  const doc = session.project.tables.find(table => table.id === id);
  if (!doc) return [];
  const parts = doc.made ? partsOf(session, doc) : [];
  const own = [
    ...(doc.mends.some(({ off }) => !off) ? ['mended'] : []),
    ...(doc.edits.length ? [`with ${doc.edits.length} edited ${doc.edits.length === 1 ? 'cell' : 'cells'}`] : []),
  ];
  const said = own.length ? [`${doc.name} is the table as it stands in the project: ${own.join(', ')}.`] : [];
  return [...parts.flatMap(part => sourceNotes(session, part)), ...said];
}

const partsOf = (session: Session, doc: TableDoc): string[] => {
  const names: string[] = [];
  if (doc.made)
    sqlOfMaking(doc.made, part => {
      names.push(part);
      return sqlTable(session, part, part, part);
    });
  return [...new Set(names)];
};
