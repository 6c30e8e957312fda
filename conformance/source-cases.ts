import { readFile } from 'core/io/formats';
import { messageFor } from 'core/result/words';
import { cellAt, PLAIN_INTAKE, type Cell, type Intake } from 'core/table';

/** What a source reads as: its columns by name, types, notes in words; or what is wrong with it. */
export async function seenSource(data: Uint8Array, file: string, intake?: Partial<Intake>) {
  const read = await readFile(data, file, { intake: intake && { ...PLAIN_INTAKE, ...intake } });
  if (!read.ok) return { columns: {}, types: '', notes: [], fault: read.problems.map(messageFor).join(' '), units: {}, parts: [] };
  if (read.value.kind === 'project') throw new Error('a project');
  const [first] = read.value.tables;
  const { table, notes, units, parts } = first!;
  const cells = (at: number): Cell[] => Array.from({ length: table.rowCount }, (_, row) => cellAt(table.columns[at]!, row));
  return {
    columns: Object.fromEntries(table.columns.map(({ name }, at) => [name, cells(at)])),
    types: table.columns.map(({ type }) => type).join(' '),
    notes: notes.map(messageFor),
    fault: '',
    units,
    parts,
  };
}

/** What a source should read as; what is not named may be anything. */
export interface ExpectedSource {
  readonly columns?: Readonly<Record<string, readonly Cell[]>>;
  readonly types?: string;
  /** Every note, each by words that stand in it. */
  readonly notes?: readonly string[];
  readonly fault?: string;
  readonly units?: Readonly<Record<string, string>>;
}

/** A source, and what it reads as. */
export type SourceCase = readonly [name: string, data: Uint8Array, file: string, expected: ExpectedSource, intake?: Partial<Intake>];

/** A row of a test for each case. */
export function sourceRows(cases: readonly SourceCase[]): void {
  for (const [name, data, file, expected, intake] of cases)
    it(name, async () => {
      const found = await seenSource(data, file, intake);
      if (expected.fault) expect(found.fault).toContain(expected.fault);
      else expect(found.fault).toBe('');
      if (expected.columns) expect(found.columns as unknown).toEqual(expected.columns);
      if (expected.types) expect(found.types).toBe(expected.types);
      if (expected.units) expect(found.units as unknown).toEqual(expected.units);
      const notes = expected.notes ?? (expected.fault ? [] : undefined);
      if (notes) expect(found.notes.length).withContext(found.notes.join('\n')).toBe(notes.length);
      for (const [at, words] of (notes ?? []).entries()) expect(found.notes[at]).toContain(words);
    });
}
