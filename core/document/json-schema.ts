import * as z from 'zod/mini';
import { projectSchema } from './schema';

/** The document as JSON Schema (draft 2020-12), generated from what reads it. What only a computation can tell, such as breaks that must rise, it leaves to the reader. */
export const documentJsonSchema = (): Readonly<Record<string, unknown>> =>
  z.toJSONSchema(projectSchema, { unrepresentable: 'any', target: 'draft-2020-12', io: 'input' });
