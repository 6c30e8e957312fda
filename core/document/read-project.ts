import { failure, success, type Result } from 'core/result';
import type * as z from 'zod/mini';
import { fromVersion10 } from './from-version-10';
import { fromVersion3 } from './from-version-3';
import { fromVersion4 } from './from-version-4';
import { fromVersion5 } from './from-version-5';
import { fromVersion6 } from './from-version-6';
import { fromVersion7 } from './from-version-7';
import { fromVersion8 } from './from-version-8';
import { fromVersion9 } from './from-version-9';
import { partOf, partsIn, type Loose } from './loose';
import { PROJECT_VERSION, projectSchema, type Project } from './schema';

/** Converts a document of version n to version n + 1. */
type Migration = (document: Loose) => Loose;

/** Migrations by the version they start from. */
const migrations: Readonly<Record<number, Migration>> = {
  1: fromVersion1,
  2: fromVersion2,
  3: fromVersion3,
  4: fromVersion4,
  5: fromVersion5,
  6: fromVersion6,
  7: fromVersion7,
  8: fromVersion8,
  9: fromVersion9,
  10: fromVersion10,
};

/** Version 2 added series, panels, steps, helper columns by hand, derived columns and number formats. */
function fromVersion1(document: Loose): Loose {
  const figures = partsIn(document['figures']).map(figure => {
    const data = partOf(figure['data']);
    const measures = partsIn(data['measures']).map(measure => ({ ...measure, shape: null, format: null }));
    const whatIfs = partsIn(data['whatIfs']).map(whatIf => ({ ...whatIf, split: [] }));
    const wider = { ...data, measures, whatIfs, step: null, series: null, panel: null, helpers: [] };
    return { ...figure, data: wider, shape: { ...partOf(figure['shape']), arrange: 'side', panels: 'one' } };
  });
  return { ...document, version: 2, figures, tables: partsIn(document['tables']).map(table => ({ ...table, derived: [] })), formats: [] };
}

/** Version 3 added all kinds of cues with looks, a second value axis, bounds, and small pictures. */
function fromVersion2(document: Loose): Loose {
  const wider = (column: Loose): Loose => ({ ...column, axis: 'first' });
  const figures = partsIn(document['figures']).map(figure => {
    const data = partOf(figure['data']);
    return {
      ...figure,
      data: { ...data, measures: partsIn(data['measures']).map(wider), helpers: partsIn(data['helpers']).map(wider) },
      scales: { ...partOf(figure['scales']), axes: { first: FITTING, second: FITTING }, between: 'free' },
      cues: partsIn(figure['cues']).map(withLooks),
    };
  });
  return { ...document, version: 3, figures, pictures: [] };
}

// An axis as versions 3 and 4 had it.
const FITTING: Loose = { zero: 'auto', low: null, high: null, numbers: true };

/** Before version 3 the one kind of cue had its colours and labels as separate fields. */
function withLooks({ highest, lowest, labels, ...cue }: Loose): Loose {
  const look = (colour: unknown): Loose => ({ colour, outline: false, glyph: '', label: labels ? 'value' : 'none', text: '' });
  return { ...cue, looks: { highest: look(highest), lowest: look(lowest) } };
}

/** A project from untrusted data: older versions are migrated, newer ones refused, and every fault is named by its path. */
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
