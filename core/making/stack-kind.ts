import { literalText, nameText } from 'core/formula';
import type { ColumnType } from 'core/table';
import { stack } from 'core/table/steps';
import { fromText, inWords, type MakingKind, type MakingOf } from './kind';

const TYPES = { number: 'double precision', text: 'varchar', boolean: 'boolean', date: 'date', timestamp: 'timestamp' } as const;

/** Tables below each other by the names of their columns. */
export const stackKind: MakingKind<MakingOf<'stack'>> = {
  tables: ({ tables }) => tables,
  make: ({ tables, from }, tableOf) => stack(tables.map(tableOf), from),
  sql: ({ tables, from }, tableOf) => {
    const own = tables.map(tableOf);
    const names = [...new Set(own.flatMap(({ columns }) => columns.map(({ name }) => name)))];
    const types = new Map(
      names.map(name => [
        name,
        typeOf(own.flatMap(({ columns }) => columns.filter(column => column.name === name)).map(({ type }) => type)),
      ]),
    );
    const first = from === null ? [] : [from];
    return own
      .map(of => {
        const { columns } = of;
        const source = first.map(name => `${literalText('text', of.name)} as ${nameText(name)}`);
        const shown = names.map(name => {
          const has = columns.some(column => column.name === name);
          return `cast(${has ? nameText(name) : 'null'} as ${TYPES[types.get(name) as ColumnType]}) as ${nameText(name)}`;
        });
        return `select ${[...source, ...shown].join(', ')} from ${fromText(of)}`;
      })
      .join('\nunion all\n');
  },
  words: ({ tables, from }, nameOf) =>
    `Stack ${inWords(tables.map(nameOf))} by the names of their columns${from === null ? '' : `, ${from} naming the table of each row`}.`,
};

function typeOf(types: readonly ColumnType[]): ColumnType {
  const different = [...new Set(types)];
  if (different.length === 1) return different[0] as ColumnType;
  return different.every(type => type === 'date' || type === 'timestamp') ? 'timestamp' : 'text';
}
