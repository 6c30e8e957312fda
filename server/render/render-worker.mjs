// What a worker of the pool runs for each question. A thread does not take over the translation of TypeScript from the one that starts it.
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { register } from 'tsx/esm/api';

process.env.TSX_TSCONFIG_PATH ??= join(fileURLToPath(new URL('../..', import.meta.url)), 'tsconfig.json');
register();
const { rendered } = await import('./rendered.ts');

export default rendered;
