import * as z from 'zod/mini';

/** Most pages of a project, blocks of a page, and characters of a paragraph. */
export const [MOST_PAGES, MOST_BLOCKS, MOST_PARAGRAPH] = [100, 300, 20_000] as const;

/**
 * What stands on a page, in its order. `figure`: one of the project's, as wide as its column or as the page. `text`: paragraphs with computed values in
 * braces, computed over the rows of a figure (`of`, null for the nearest one before it, else the nearest behind). `break`: what follows begins a new page.
 */
const blockSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('figure'), figure: z.string(), wide: z.boolean() }),
  z.object({ kind: z.literal('text'), text: z.string().check(z.maxLength(MOST_PARAGRAPH)), of: z.nullable(z.string()) }),
  z.object({ kind: z.literal('break') }),
]);

/** A page of a report: figures and paragraphs in order. */
export const pageSchema = z.object({
  id: z.string(),
  name: z.string().check(z.minLength(1), z.maxLength(200)),
  columns: z.union([z.literal(1), z.literal(2)]),
  blocks: z.array(blockSchema).check(z.maxLength(MOST_BLOCKS)),
});

/** A page of the report. */
export type PageDoc = z.infer<typeof pageSchema>;
/** A block of a page. */
export type PageBlock = PageDoc['blocks'][number];
