import { whatIfSchema } from 'core/frame';
import { failure, success, type Result } from 'core/result';
import * as z from 'zod/mini';
import type { Edit } from './edits';
import type { HistoryMove } from './edits';
import { faultsOf } from './read-project';
import {
  figureSchema,
  liverySchema,
  MOST_LIVERIES,
  MOST_LOOKS,
  MOST_PICTURES,
  namedLookSchema,
  numberFormatSchema,
  smallPictureSchema,
} from './schema';
import { MOST_PAGES, pageSchema } from './page-schema';
import { cellEditSchema, derivedSchema, tableDocSchema } from './table-schema';

const text = z.string();
const place = z.omit(cellEditSchema, { value: true });

// One schema per kind of edit; what an edit holds is what the document would hold.
const plainEdits = [
  z.object({ kind: z.literal('rename-project'), name: text }),
  z.object({ kind: z.literal('add-table'), table: tableDocSchema }),
  z.object({ kind: z.literal('remove-table'), table: text }),
  z.object({ kind: z.literal('change-table'), table: text, change: z.partial(z.omit(tableDocSchema, { id: true })) }),
  z.object({ kind: z.literal('add-figure'), figure: figureSchema, at: z.optional(z.number()) }),
  z.object({ kind: z.literal('remove-figure'), figure: text }),
  z.object({ kind: z.literal('move-figure'), figure: text, to: z.number() }),
  z.object({ kind: z.literal('change-figure'), figure: text, change: z.partial(z.omit(figureSchema, { id: true })) }),
  z.object({ kind: z.literal('edit-cells'), table: text, cells: z.array(cellEditSchema) }),
  z.object({ kind: z.literal('reset-cells'), table: text, cells: z.array(place) }),
  z.object({ kind: z.literal('set-what-ifs'), figure: text, whatIfs: z.array(whatIfSchema) }),
  z.object({ kind: z.literal('reset-what-ifs'), figure: text, whatIfs: z.array(z.omit(whatIfSchema, { value: true })) }),
  z.object({ kind: z.literal('set-derived'), table: text, derived: z.array(derivedSchema) }),
  z.object({ kind: z.literal('set-formats'), formats: z.array(numberFormatSchema) }),
  z.object({ kind: z.literal('set-pictures'), pictures: z.array(smallPictureSchema).check(z.maxLength(MOST_PICTURES)) }),
  z.object({ kind: z.literal('set-liveries'), liveries: z.array(liverySchema).check(z.maxLength(MOST_LIVERIES)) }),
  z.object({ kind: z.literal('set-pages'), pages: z.array(pageSchema).check(z.maxLength(MOST_PAGES)) }),
  z.object({ kind: z.literal('set-looks'), looks: z.array(namedLookSchema).check(z.maxLength(MOST_LOOKS)) }),
] as const;
const all = z.object({ kind: z.literal('all'), edits: z.array(z.discriminatedUnion('kind', plainEdits)) });
const editSchema = z.discriminatedUnion('kind', [...plainEdits, all]);

const moveSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('edit'),
    edit: editSchema,
    key: z.optional(text),
  }),
  z.object({ kind: z.literal('undo') }),
  z.object({ kind: z.literal('redo') }),
]);

/** A move from storage, another tab or the page. Problems: every field with an invalid value. */
export function readMove(data: unknown): Result<HistoryMove> {
  const read = moveSchema.safeParse(data);
  if (!read.success) return failure(...faultsOf(read.error));
  const move = read.data;
  // The schema holds each kind of edit to the fields of its type; only how it writes optional ones differs.
  return success(move.kind === 'edit' ? { kind: 'edit', edit: move.edit as Edit, key: move.key } : move);
}
