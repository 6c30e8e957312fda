import sqlite3InitModule, { type Database, type Sqlite3Static } from '@sqlite.org/sqlite-wasm';
import { cellAt, type Cell, type Table } from 'core/table';

/**
 * A second embedded engine, of another family than the first: another parser, other reserved words, no types for dates and booleans. What its
 * build lacks (a standard deviation, the moving percentile under its common name) is added here, written apart from the core.
 */
export class SecondEngine {
  private constructor(private readonly database: Database) {}

  /** The rows of a table as `name`, each with its `place`. */
  static async over(name: string, { columns, rowCount }: Table): Promise<SecondEngine> {
    const engine = await sqlite3InitModule();
    const database = new engine.oo1.DB(':memory:');
    addStatistics(engine, database);
    const types = { number: 'double', text: 'varchar', boolean: 'boolean', date: 'varchar', timestamp: 'varchar' } as const;
    const quoted = (text: string): string => `"${text.replaceAll('"', '""')}"`;
    const shape = columns.map(column => `${quoted(column.name)} ${types[column.type]}`);
    database.exec(`create table ${quoted(name)} (place integer, ${shape.join(', ')})`);
    const insert = database.prepare(`insert into ${quoted(name)} values (${['', ...columns].map(() => '?').join(', ')})`);
    for (let row = 0; row < rowCount; row++) insert.bind([row, ...columns.map(column => cellAt(column, row))]).stepReset();
    insert.finalize();
    return new SecondEngine(database);
  }

  /** One column of what a statement gives, by place. */
  values(statement: string, column: string): Cell[] {
    const rows = this.database.exec({ sql: `select * from (${statement}) order by place`, rowMode: 'object', returnValue: 'resultRows' });
    return rows.map(row => (row as Record<string, Cell>)[column] ?? null);
  }
}

function addStatistics({ capi }: Sqlite3Static, database: Database): void {
  const windowed = (name: string, arity: number, compute: (values: readonly number[], share: number) => number | null): void => {
    // The engine's own memory for one run of an aggregate tells the runs apart.
    const runs = new Map<number, { readonly values: number[]; share: number }>();
    const runOf = (context: number): { readonly values: number[]; share: number } => {
      const key = capi.sqlite3_aggregate_context(context, 8);
      let run = runs.get(key);
      if (!run) runs.set(key, (run = { values: [], share: 0 }));
      return run;
    };
    const value = (context: number): number | null => compute(runOf(context).values, runOf(context).share);
    database.createFunction({
      name,
      arity,
      xStep: (context: number, x: unknown, share: unknown) => {
        const run = runOf(context);
        if (typeof share === 'number') run.share = share;
        if (typeof x === 'number') run.values.push(x);
      },
      xInverse: (context: number, x: unknown) => {
        const { values } = runOf(context);
        if (typeof x === 'number') values.splice(values.indexOf(x), 1);
      },
      xValue: value,
      xFinal: (context: number) => {
        const result = value(context);
        runs.delete(capi.sqlite3_aggregate_context(context, 8));
        return result;
      },
    });
  };
  windowed('stddev_samp', 1, values => {
    if (values.length < 2) return null;
    const mean = values.reduce((sum, item) => sum + item, 0) / values.length;
    return Math.sqrt(values.reduce((sum, item) => sum + (item - mean) ** 2, 0) / (values.length - 1));
  });
  windowed('quantile_cont', 2, (values, share) => {
    if (values.length === 0) return null;
    const sorted = [...values].sort((a, b) => a - b);
    const place = (sorted.length - 1) * share;
    const [low, high] = [sorted[Math.floor(place)] as number, sorted[Math.ceil(place)] as number];
    return low + (high - low) * (place - Math.floor(place));
  });
}
