import * as z from 'zod/mini';
import { projectSchema } from './schema';

/**
 * The document as JSON Schema (draft 2020-12), generated from the schema that reads it. Rules that need a computation, such as ascending breaks, are
 * not part of it.
 */
export const documentJsonSchema = (): Readonly<Record<string, unknown>> =>
  z.toJSONSchema(projectSchema, { unrepresentable: 'any', target: 'draft-2020-12', io: 'input' });
