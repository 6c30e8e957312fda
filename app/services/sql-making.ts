// Comes when the first column is copied: the checker and every function's SQL are of no use before.
export { scopeOf, SqlTooLong, statementOf } from 'core/formula';
