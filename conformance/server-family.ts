import { PGlite, types } from '@electric-sql/pglite';
import { literalText, nameText } from 'core/formula';
import { cellAt, type Cell, type Table } from 'core/table';

const TYPES = { number: 'double precision', text: 'text', boolean: 'boolean', date: 'date', timestamp: 'timestamp' } as const;

/**
 * A third embedded engine, of the family of the large servers: strict types, and dates and intervals of the standard, which the second lacks. It has
 * neither a percentile that moves nor a rounding of floats to places, so these are added here, in the engine's own language.
 */
export class ServerFamilyEngine {
  private constructor(private readonly database: PGlite) {}

  /** The rows of a table as `name`, each with its `place`. */
  static async over(name: string, { columns, rowCount }: Table): Promise<ServerFamilyEngine> {
    const database = await PGlite.create({ parsers: { [types.DATE]: text => text, [types.NUMERIC]: Number } });
    await database.exec(LACKING);
    const shape = columns.map(column => `${nameText(column.name)} ${TYPES[column.type]}`);
    await database.exec(`create table ${nameText(name)} (place integer, ${shape.join(', ')})`);
    const rows = Array.from(
      { length: rowCount },
      (_, row) => `(${[row, ...columns.map(column => literalText(column.type, cellAt(column, row)))].join(', ')})`,
    );
    await database.exec(`insert into ${nameText(name)} values ${rows.join(', ')}`);
    return new ServerFamilyEngine(database);
  }

  /** One column of what a statement gives, by place. */
  async values(statement: string, column: string): Promise<Cell[]> {
    const { rows } = await this.database.query<Record<string, Cell>>(`select * from (${statement}) as given order by place`);
    return rows.map(row => row[column] ?? null);
  }

  close(): Promise<void> {
    return this.database.close();
  }
}

/** What is gathered is the share first, then each value of the window. Rounding to places is there for exact decimals only. */
const LACKING = `
  create function round(item float, places integer) returns float language sql immutable as 'select round(item::numeric, places)::float';
  create function gather(gathered float[], item float, share float) returns float[] language sql immutable
    as 'select coalesce(gathered, array[share]) || item';
  create function gather_halved(gathered float[], item float) returns float[] language sql immutable
    as 'select gather(gathered, item, 0.5)';
  create function percentile_of(gathered float[]) returns float language sql immutable
    as 'select percentile_cont(gathered[1]) within group (order by item) from unnest(gathered[2:]) as item';
  create aggregate median(float) (sfunc = gather_halved, stype = float[], finalfunc = percentile_of);
  create aggregate quantile_cont(float, float) (sfunc = gather, stype = float[], finalfunc = percentile_of);
`;
