import { readCsv, writeCsv, writeProjectFile } from 'core/io';
import type { Table } from 'core/table';
import { mkdir, writeFile } from 'node:fs/promises';
import { demoProject } from './demo-project';
import { monthFiles } from './months';
import { demoTables } from './tables';

const folder = new URL('./data/', import.meta.url);

/** The table as the application reads it from its CSV, so that the sample takes the path of every other file. */
function asRead(csv: string, name: string): Table {
  const read = readCsv(new TextEncoder().encode(csv), `${name}.csv`);
  if (!read.ok) throw new Error(`the demo table ${name} cannot be read: ${JSON.stringify(read.problems)}`);
  return read.value.table;
}

await mkdir(folder, { recursive: true });
const tables: Table[] = [];
for (const table of demoTables()) {
  const csv = writeCsv(table);
  await writeFile(new URL(`${table.name}.csv`, folder), csv);
  tables.push(asRead(csv, table.name));
}
const deliveries = tables.find(({ name }) => name === 'deliveries');
for (const { name, data } of deliveries ? monthFiles(deliveries) : []) await writeFile(new URL(name, folder), data);
const sources = Object.fromEntries(tables.map(table => [table.name, table]));
await writeFile(new URL('highmeadow.json', folder), writeProjectFile({ project: demoProject(tables), tables: sources }));
console.log(`wrote ${tables.length} tables and the sample project to demo/data`);
