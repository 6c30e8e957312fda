import { documentJsonSchema, faultsOf, readProject, sourceKey, type Project } from 'core/document';
import { failure, success, type DocumentProblem, type Problem, type Result } from 'core/result';
import { cellAt, makeTable, named, parseIsoDate, parseIsoTimestamp, valuesFrom, type ColumnType, type Table } from 'core/table';
import * as z from 'zod/mini';
import { jsonFaultAt } from '../json/json-fault';
import { checkedPicture } from './read-picture';

/** A project and the source tables of its table documents, by their ids. */
export interface ProjectBundle {
  readonly project: Project;
  readonly tables: Readonly<Record<string, Table>>;
}

/** A project that was read, with what had to be left out. */
export interface ReadBundle extends ProjectBundle {
  readonly notes: readonly Problem[];
}

const FORMAT = 'cowbell-project';
const types: readonly ColumnType[] = ['number', 'text', 'boolean', 'date', 'timestamp'];
const cell = z.union([z.number(), z.string(), z.boolean(), z.null()]);
const tableSchema = z.object({
  name: z.string(),
  columns: z.array(z.object({ name: z.string(), type: z.enum(types as [ColumnType, ...ColumnType[]]), cells: z.array(cell) })),
});
const fileSchema = z.object({ format: z.literal(FORMAT), project: z.unknown(), tables: z.record(z.string(), tableSchema) });

/** The project file as JSON Schema, generated from the schema that reads it. */
export function projectFileSchema(): Readonly<Record<string, unknown>> {
  const { $schema, ...project } = documentJsonSchema();
  const { properties, ...file } = z.toJSONSchema(fileSchema, { unrepresentable: 'any', io: 'input' }) as Readonly<Record<string, unknown>>;
  return {
    ...file,
    $schema,
    title: 'A Cowbell project with its tables',
    properties: { ...(properties as object), project },
  };
}

/** The project with its source tables as JSON; numbers in their shortest exact form, missing as null. */
export function writeProjectFile({ project, tables }: ProjectBundle): string {
  const sources = Object.fromEntries(Object.entries(tables).map(([id, table]) => [id, plainTable(table)]));
  return JSON.stringify({ format: FORMAT, project, tables: sources });
}

const plainTable = (table: Table) => ({
  name: table.name,
  columns: table.columns.map(column => ({
    name: column.name,
    type: column.type,
    cells: Array.from({ length: table.rowCount }, (_, row) => cellAt(column, row)),
  })),
});

/**
 * Reads a project from an untrusted text; every fault has its place. Pictures are checked like uploaded ones; a rejected one is left out, with a
 * note.
 */
export function readProjectFile(text: string): Result<ReadBundle> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const file = fileSchema.safeParse(json.value);
  if (!file.success) return isForeign(json.value) ? failure({ code: 'document-foreign' }) : failure(...faultsOf(file.error));
  const project = readProject(file.data.project);
  if (!project.ok) return project;
  const problems = tableFaults(project.value, file.data.tables);
  if (problems.length) return failure(...problems);
  const pictures = project.value.pictures.map(checkedPicture);
  return success({
    project: { ...project.value, pictures: pictures.flatMap(read => (read.ok ? [read.value] : [])) },
    notes: pictures.flatMap(read => (read.ok ? [] : read.problems)),
    tables: Object.fromEntries(Object.entries(file.data.tables).map(([id, table]) => [id, builtTable(table)])),
  });
}

const isForeign = (value: unknown): boolean =>
  typeof value !== 'object' || value === null || !('format' in value) || value.format !== FORMAT;

function parseJson(text: string): Result<unknown> {
  try {
    return success(JSON.parse(text) as unknown);
  } catch {
    return failure({ code: 'document-not-json', line: text.slice(0, jsonFaultAt(text)).split('\n').length });
  }
}

type PlainTable = z.infer<typeof tableSchema>;

function tableFaults(project: Project, tables: Readonly<Record<string, PlainTable>>): DocumentProblem[] {
  const fault = (path: string, found: string): DocumentProblem => ({ code: 'document-field', path, found });
  const absent = project.tables
    .filter(table => !table.made && !Object.hasOwn(tables, sourceKey(table)))
    .map(table => fault(`tables.${table.id}`, 'the values of this table are absent'));
  const uneven = Object.entries(tables).flatMap(([id, { columns }]) => {
    const rows = columns[0]?.cells.length ?? 0;
    const names = columns.map(column => column.name);
    const repeated = names
      .filter((name, i) => names.indexOf(name) !== i)
      .map(name => fault(`tables.${id}`, `two columns are called ${name}`));
    return [
      ...repeated,
      ...columns
        .filter(column => column.cells.length !== rows)
        .map(column => fault(`tables.${id}.${column.name}`, `not ${rows} cells long`)),
    ];
  });
  const misfits = Object.entries(tables).flatMap(([id, { columns }]) =>
    columns.flatMap(column => {
      const row = column.cells.findIndex(value => !fits(value, column.type));
      const found = `row ${row + 1} holds ${JSON.stringify(column.cells[row])}, which is no ${column.type}`;
      return row === -1 ? [] : [fault(`tables.${id}.${column.name}`, found)];
    }),
  );
  return [...absent, ...uneven, ...misfits];
}

/** Whether a value is valid for a column of a type. */
function fits(value: PlainTable['columns'][number]['cells'][number], type: ColumnType): boolean {
  if (value === null) return true;
  switch (type) {
    case 'number':
      return typeof value === 'number';
    case 'boolean':
      return typeof value === 'boolean';
    case 'text':
      return typeof value === 'string';
    case 'date':
      return typeof value === 'string' && !Number.isNaN(parseIsoDate(value));
    case 'timestamp':
      return typeof value === 'string' && !Number.isNaN(parseIsoTimestamp(value));
  }
}

const builtTable = ({ name, columns }: PlainTable): Table =>
  makeTable(
    name,
    columns.map(column => named(column.name, valuesFrom(column.type, column.cells))),
  );
