import { failure, success, type Result } from 'core/result';
import type * as z from 'zod/mini';
import { plainScales } from './plain-scales';
import { PROJECT_VERSION, projectSchema, type Project } from './schema';

/** Turns a document of version n into one of version n + 1. */
type Migration = (document: Record<string, unknown>) => Record<string, unknown>;

/** Migrations by the version they start from. */
const migrations: Readonly<Record<number, Migration>> = { 1: fromVersion1, 2: fromVersion2 };

type Loose = Record<string, unknown>;
const list = (value: unknown): Loose[] => (Array.isArray(value) ? (value as Loose[]) : []);

/** Version 2 brought series, panels, steps, helper columns by hand, derived columns and number formats. */
function fromVersion1(document: Loose): Loose {
  const figures = list(document['figures']).map(figure => {
    const data = (figure['data'] ?? {}) as Loose;
    const measures = list(data['measures']).map(measure => ({ ...measure, shape: null, format: null }));
    const whatIfs = list(data['whatIfs']).map(whatIf => ({ ...whatIf, split: [] }));
    const wider = { ...data, measures, whatIfs, step: null, series: null, panel: null, helpers: [] };
    return { ...figure, data: wider, shape: { ...(figure['shape'] as Loose), arrange: 'side', panels: 'one' } };
  });
  return { ...document, version: 2, figures, tables: list(document['tables']).map(table => ({ ...table, derived: [] })), formats: [] };
}

/** Version 3 brought every kind of cue with looks of its own, a second value axis, bounds, and small pictures. */
function fromVersion2(document: Loose): Loose {
  const wider = (column: Loose): Loose => ({ ...column, axis: 'first' });
  const figures = list(document['figures']).map(figure => {
    const data = (figure['data'] ?? {}) as Loose;
    const { axes, between } = plainScales;
    return {
      ...figure,
      data: { ...data, measures: list(data['measures']).map(wider), helpers: list(data['helpers']).map(wider) },
      scales: { ...(figure['scales'] as Loose), axes, between },
      cues: list(figure['cues']).map(withLooks),
    };
  });
  return { ...document, version: 3, figures, pictures: [] };
}

/** The one kind of cue before version 3 had its colours and labels beside each other. */
function withLooks({ highest, lowest, labels, ...cue }: Loose): Loose {
  const look = (colour: unknown): Loose => ({ colour, outline: false, glyph: '', label: labels ? 'value' : 'none', text: '' });
  return { ...cue, looks: { highest: look(highest), lowest: look(lowest) } };
}

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
