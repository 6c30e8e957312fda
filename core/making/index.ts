// Tables made of other tables of the project: what each way needs, makes, reads as, and says in SQL.
export type { SqlTable } from './kind';
export { madeOf, sqlOfMaking, tablesOf, wordsOfMaking } from './making';
export { chooseMaking, firstMakings, makingSentence } from './words';
