import { failure, success, type Result } from 'core/result';
import type * as z from 'zod/mini';
import { PROJECT_VERSION, projectSchema, type Project } from './schema';

/** Turns a document of version n into one of version n + 1. */
type Migration = (document: Record<string, unknown>) => Record<string, unknown>;

/** Migrations by the version they start from; empty while there is one version. */
const migrations: Readonly<Record<number, Migration>> = {};

/** A project from untrusted data: an older version is migrated, a newer one refused, every fault named by its path. */
export function readProject(data: unknown): Result<Project> {
  if (typeof data !== 'object' || data === null || !('version' in data) || typeof data.version !== 'number')
    return failure({ code: 'document-foreign' });
  if (data.version > PROJECT_VERSION) return failure({ code: 'document-newer', version: data.version, known: PROJECT_VERSION });
  const parsed = projectSchema.safeParse(migrated(data, data.version));
  return parsed.success ? success(parsed.data) : failure(...faultsOf(parsed.error));
}

function migrated(document: Record<string, unknown>, version: number): Record<string, unknown> {
  const migrate = migrations[version];
  return migrate ? migrated(migrate(document), version + 1) : document;
}

/** Zod's issues as problems, each with the path of its field. */
export function faultsOf(error: z.core.$ZodError) {
  return error.issues.map(issue => ({ code: 'document-field' as const, path: issue.path.join('.') || 'the top', found: issue.message }));
}
