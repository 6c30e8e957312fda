import { sourceKey, type Project } from 'core/document';
import type { ProjectBundle } from 'core/io';
import { counted } from 'core/sentence';
import { carriedEdits, type Table } from 'core/table';
import { Session } from 'engine';
import { WrongUse } from './command';
import { BadInput, readTable } from './table-file';

/**
 * A project opened with other rows in the place of some of its tables: each item is `TABLE=FILE`, read as that table's intake says. Edits go with their
 * row. Throws `WrongUse` for an item that is none, `BadInput` for a table that is not there or a file that cannot be read.
 */
export async function sessionWith(
  { project, tables }: ProjectBundle,
  data: readonly string[],
  warn: (line: string) => void,
): Promise<Session> {
  const sources = new Map(Object.entries(tables));
  const fresh = await freshTables(project, data, warn);
  const carried = withCarriedEdits(project, { old: new Map(sources), fresh }, warn);
  for (const [key, table] of fresh) sources.set(key, table);
  return new Session(carried, sources);
}

/** Tables read anew, by the ids under which those are kept whose place they take. */
async function freshTables({ tables }: Project, data: readonly string[], warn: (line: string) => void): Promise<Map<string, Table>> {
  const fresh = new Map<string, Table>();
  for (const item of data) {
    const [, name = '', file = ''] = /^([^=]+)=(.+)$/.exec(item) ?? [];
    if (!file) throw new WrongUse(`“${item}” is no --data TABLE=FILE.`);
    const doc = tables.find(table => table.name === name) ?? tables.find(table => table.name.toLowerCase() === name.toLowerCase());
    if (!doc) throw new BadInput([`No table is called ${name}. Choose one of: ${tables.map(table => table.name).join(', ')}.`]);
    if (doc.made) throw new BadInput([`${doc.name} is made of other tables. Name one that has a file of its own.`]);
    fresh.set(sourceKey(doc), await readTable(file, warn, doc.intake ?? undefined));
  }
  return fresh;
}

/** Edits go with their row; those whose row is not found are left out and told. */
function withCarriedEdits(
  project: Project,
  { old, fresh }: { readonly old: ReadonlyMap<string, Table>; readonly fresh: ReadonlyMap<string, Table> },
  warn: (line: string) => void,
): Project {
  const tables = project.tables.map(table => {
    const [before, after] = [old.get(sourceKey(table)), fresh.get(sourceKey(table))];
    if (!before || !after) return table;
    const { edits, lost } = carriedEdits(before, after, table.edits);
    if (lost) warn(`${table.name}: left out ${counted(lost, 'edit')} of rows that are not there as they were.`);
    return { ...table, edits: [...edits] };
  });
  return { ...project, tables };
}
