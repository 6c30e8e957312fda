import { liverySchema, type LiveryDoc } from 'core/document';
import { failure, success, type Result } from 'core/result';
import * as z from 'zod/mini';

const FORMAT = 'cowbell-livery';
// A livery is a page of text; what is larger is something else.
const MOST_BYTES = 64 * 1024;

const fileSchema = z.object({ format: z.literal(FORMAT), livery: liverySchema });

/** A livery as a file: JSON with its version. */
export const writeLivery = (livery: LiveryDoc): string => `${JSON.stringify({ format: FORMAT, livery }, null, 2)}\n`;

/** Reads a livery from an untrusted text. Problems: not JSON, not a livery, or a field with an invalid value. */
export function readLivery(text: string): Result<LiveryDoc> {
  if (text.length > MOST_BYTES) return fault('This file is too large for a livery. Choose one that was handed over from here.');
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return fault('This file is no JSON. Choose a livery that was handed over from here.');
  }
  const read = fileSchema.safeParse(data);
  if (read.success) return success(read.data.livery);
  const [issue] = read.error.issues;
  const place = issue?.path.join('.') ?? '';
  return fault(`This file is no livery: there is a fault at ${place || 'its beginning'}.`);
}

const fault = (words: string): Result<never> => failure({ code: 'setting-entry', words });
