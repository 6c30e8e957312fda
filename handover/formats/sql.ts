import { messageFor } from 'core/result/words';
import type { HandoverFormat } from '../format';
import { isDialect } from '../sql/dialects';
import { figureStatement } from '../sql/figure-statement';

/** The figure as one statement. */
export const sql: HandoverFormat = {
  name: 'sql',
  ending: 'sql',
  mime: 'application/sql;charset=utf-8',
  about: 'one statement of SQL from the tables to the rows of the ledger',
  isDrawn: false,
  make: (handed, _, { dialect = 'standard' }) => {
    const text = figureStatement(handed, isDialect(dialect) ? dialect : 'standard');
    return text.ok ? Promise.resolve(text.value) : Promise.reject(new Error(text.problems.map(messageFor).join(' ')));
  },
};
