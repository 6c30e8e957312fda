import { literalText, nameText } from 'core/formula';
import { turnLong, turnWide } from 'core/table/steps';
import { fromText, inWords, type MakingKind, type MakingOf } from './kind';

// A sentence names so many columns; the rest is counted.
const NAMED = 4;

/** Columns turned into rows of name and value. */
export const longKind: MakingKind<MakingOf<'long'>> = {
  tables: ({ table }) => [table],
  make: ({ table, columns, name, value }, tableOf) => turnLong(tableOf(table), columns, { name, value }),
  sql: ({ table, columns, name, value }, tableOf) => {
    const own = tableOf(table);
    const kept = own.columns.filter(column => !columns.includes(column.name)).map(column => nameText(column.name));
    return columns
      .map(column => {
        const turned = [`${literalText('text', column)} as ${nameText(name)}`, `${nameText(column)} as ${nameText(value)}`];
        return `select ${[...kept, ...turned].join(', ')} from ${fromText(own)}`;
      })
      .join('\nunion all\n');
  },
  words: ({ table, columns, name, value }, nameOf) => {
    const more = columns.length - NAMED;
    const named = more > 1 ? `${columns.slice(0, NAMED).join(', ')} and ${more} more columns` : inWords(columns);
    return `Turn ${named} of ${nameOf(table)} into rows of ${name} and ${value}.`;
  },
};

/** Rows turned into columns, one for each value of a column. The statement has to know them, so it takes them as they are named there. */
export const wideKind: MakingKind<MakingOf<'wide'>> = {
  tables: ({ table }) => [table],
  make: ({ table, name, value }, tableOf) => turnWide(tableOf(table), { name, value }),
  sql: ({ table, name, value }, tableOf) => {
    const own = tableOf(table);
    const type = own.columns.find(column => column.name === name)?.type ?? 'text';
    const kept = own.columns.filter(column => column.name !== name && column.name !== value).map(column => nameText(column.name));
    // One value at most stands in each place, so that the largest is that one.
    const turned = own.valuesOf(name).map(cell => {
      const here = cell === null ? `${nameText(name)} is null` : `${nameText(name)} = ${literalText(type, cell)}`;
      return `max(case when ${here} then ${nameText(value)} end) as ${nameText(String(cell ?? '(missing)'))}`;
    });
    return `select ${[...kept, ...turned].join(', ')} from ${fromText(own)}${kept.length ? ` group by ${kept.join(', ')}` : ''}`;
  },
  words: ({ table, name, value }, nameOf) => `Turn the rows of ${nameOf(table)} into a column of ${value} for each ${name}.`,
};
