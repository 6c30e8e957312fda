import { expose } from 'comlink';
import type { Mend } from 'core/document';
import { outlineOf, type TableOutline } from 'core/intake';
import { lookAt, MAX_FILE_BYTES, type ImportedTable, type SourceLook } from 'core/io';
import { readFile } from 'core/io/formats';
import { mendTable } from 'core/mend';
import { failure, success, type Result } from 'core/result';
import { columnOf, type Intake } from 'core/table';
import { stack } from 'core/table/steps';
import { deliver } from 'engine';
import { folderOf } from '../project/file-names';
import type { NamedFile } from '../project/named-file';

/** The read source without its rows, as far as the page needs it. */
export type Seen =
  | { readonly kind: 'project' }
  | { readonly kind: 'tables'; readonly look: SourceLook; readonly files: readonly string[]; readonly isStacked: boolean };

// Of reading a file, what getting its bytes takes.
const BYTES_SHARE = 0.06;
/** The column that names the file of each row, where several were stacked. */
const FILE_COLUMN = 'file';
const PLAIN_READING = { decimal: 'point', dates: 'iso' } as const;

type OnProgress = (share: number) => void;
type Got = Awaited<ReturnType<typeof readFile>>;

/**
 * Reads files of any known kind, and reads them again by another intake, until they are taken. A worker of its own, so that ending it cancels: what it holds
 * goes to the engine through a port and never lies in the page's memory.
 */
export class FileReading {
  private files: readonly { readonly name: string; readonly bytes: Uint8Array }[] = [];
  private tables: readonly ImportedTable[] = [];
  private project: Extract<Got, { ok: true }>['value'] | null = null;
  private stacked: ImportedTable | null = null;

  async open(files: readonly NamedFile[], intake: Intake, onProgress: OnProgress): Promise<Result<Seen>> {
    const large = files.find(({ file }) => file.size > MAX_FILE_BYTES);
    // Told before a byte of it is read.
    if (large) return failure({ code: 'file-too-large', file: large.name, bytes: large.file.size, limit: MAX_FILE_BYTES });
    const got: { name: string; bytes: Uint8Array }[] = [];
    for (const [at, { file, name }] of files.entries())
      got.push({ name, bytes: await bytesOf(file, share => onProgress((BYTES_SHARE * (at + share)) / files.length)) });
    this.files = got;
    return this.read(intake, share => onProgress(BYTES_SHARE + share * (1 - BYTES_SHARE)));
  }

  async read(intake: Intake, onProgress: OnProgress): Promise<Result<Seen>> {
    const tables: ImportedTable[] = [];
    for (const [at, { name, bytes }] of this.files.entries()) {
      const read = await readFile(bytes, name, { intake, onProgress: share => onProgress((at + share) / this.files.length) });
      if (!read.ok) return read;
      if (read.value.kind === 'project') {
        this.project = read.value;
        return success({ kind: 'project' });
      }
      tables.push(...read.value.tables);
    }
    const [first] = tables;
    if (!first) return failure({ code: 'file-empty', file: this.files[0]?.name ?? '' });
    this.tables = tables;
    this.stacked = tables.length > 1 && areAlike(tables) ? stackedTable(tables, folderOf(this.files.map(({ name }) => name))) : null;
    return success({
      kind: 'tables',
      look: lookAt(this.stacked ?? first),
      files: this.files.map(({ name }) => name),
      isStacked: this.stacked !== null,
    });
  }

  /** The outline of the read source, mended like the table that it continues. */
  outline(mends: readonly Mend[]): TableOutline {
    const { table } = this.stacked ?? (this.tables[0] as ImportedTable);
    const { table: mended, outcomes } = mendTable(table, mends);
    return outlineOf(
      mended,
      outcomes.map(({ count }) => count),
    );
  }

  /** The look at one of several tables that are not stacked. */
  lookAtTable(at: number): SourceLook {
    return lookAt(this.tables[at] as ImportedTable);
  }

  /** Sends what was read to the engine: the project, the stacked table, or one of the tables. */
  give(engine: MessagePort, at: number, name: string): void {
    if (this.project?.kind === 'project') return deliver(engine, this.project);
    const { table } = this.stacked ?? (this.tables[at] as ImportedTable);
    deliver(engine, { kind: 'table', table: { ...table, name } });
  }
}

/** Whether tables have the same columns, whatever their order. */
function areAlike(tables: readonly ImportedTable[]): boolean {
  const namesOf = ({ table }: ImportedTable): string => JSON.stringify(table.columns.map(({ name }) => name).sort());
  const [first] = tables as readonly [ImportedTable, ...ImportedTable[]];
  return tables.every(table => namesOf(table) === namesOf(first));
}

/** Tables of like files below each other, each row with the name of its file; called like the folder that the files lie in. */
function stackedTable(tables: readonly ImportedTable[], folder: string | null): ImportedTable | null {
  const made = stack(
    tables.map(({ table }) => ({ name: folder === null ? table.name : table.name.slice(folder.length + 1), table })),
    FILE_COLUMN,
  );
  if (!made.ok) return null;
  const [first] = tables as readonly [ImportedTable, ...ImportedTable[]];
  const table = { ...made.value.table, name: folder ?? made.value.table.name };
  const columns = first.columns.map(column => ({
    ...column,
    type: (column.name === null ? undefined : columnOf(table, column.name))?.type ?? column.type,
    misfits: [],
    misfitCount: tables.reduce((sum, other) => sum + (other.columns.find(({ source }) => source === column.source)?.misfitCount ?? 0), 0),
  }));
  // It is of no source, and nothing is decided of it.
  const files = {
    source: '',
    name: table.columns[0]?.name ?? FILE_COLUMN,
    type: 'text',
    unit: null,
    reading: PLAIN_READING,
    misfits: [],
    misfitCount: 0,
  } as const;
  return { ...first, table, notes: tables.flatMap(({ notes }) => notes), columns: [files, ...columns], parts: [], part: null };
}

/** The bytes of a file, piece by piece, so that there is news of them. */
async function bytesOf(file: Blob, onProgress: OnProgress): Promise<Uint8Array> {
  const bytes = new Uint8Array(file.size);
  onProgress(0);
  let at = 0;
  const reader = file.stream().getReader();
  for (let { done, value } = await reader.read(); !done && value; { done, value } = await reader.read()) {
    bytes.set(value, at);
    at += value.length;
    onProgress(at / file.size);
  }
  return bytes;
}

expose(new FileReading());
