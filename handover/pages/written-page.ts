import type { Figure, PageBlock, PageDoc } from 'core/document';
import { writeWords, type Livery, type Plan } from 'core/plan';
import { messageFor } from 'core/result/words';
import type { Session } from 'engine';
import { handedOf, type Handed } from '../handed';

/** A block of a page, computed. */
export type WrittenBlock =
  | { readonly kind: 'text'; readonly paragraphs: readonly string[]; readonly faults: readonly string[] }
  | {
      readonly kind: 'figure';
      readonly id: string;
      readonly name: string;
      readonly wide: boolean;
      /** What is drawn; null where it cannot be. */
      readonly plan: Plan | null;
      readonly problems: readonly string[];
    }
  | { readonly kind: 'break' };

/** A page whose words and figures are computed. */
export interface WrittenPage {
  readonly name: string;
  readonly columns: 1 | 2;
  readonly blocks: readonly WrittenBlock[];
}

/** A figure of a page as it is computed there; undefined where it cannot be. */
type HandedBy = (figure: string) => Handed | undefined;

/** A page with its computed values and its figures' plans. What cannot be computed says so in its place, and stops nothing else. Cost: a picture of each figure. */
export function writtenPage(session: Session, page: PageDoc, livery: Livery): WrittenPage {
  const made = new Map<string, { readonly handed: Handed | undefined; readonly problems: readonly string[] }>();
  const madeOf = (id: string) => {
    let found = made.get(id);
    if (!found) made.set(id, (found = computed(session, id, livery)));
    return found;
  };
  const blocks = page.blocks.map((block, at): WrittenBlock => {
    if (block.kind === 'break') return block;
    if (block.kind === 'text') return textOf(block, figureBeside(page.blocks, at), id => madeOf(id).handed);
    const { handed, problems } = madeOf(block.figure);
    const name = session.figure(block.figure)?.name ?? 'A figure that is gone';
    return { kind: 'figure', id: block.figure, name, wide: block.wide, plan: handed?.plan ?? null, problems };
  });
  return { name: page.name, columns: page.columns, blocks };
}

function computed(session: Session, id: string, livery: Livery) {
  const figure = session.figure(id);
  if (!figure)
    return { handed: undefined, problems: ['This figure is not in the project any more. Choose another, or take it off the page.'] };
  const made = handedOf(session, cued(figure), livery, session.stagesOf(id));
  return made.ok ? { handed: made.value, problems: [] } : { handed: undefined, problems: made.problems.map(messageFor) };
}

/** A page shows a figure once. */
const cued = (figure: Figure): Figure => (figure.view === 'both' ? { ...figure, view: 'cued' } : figure);

/** The figure whose rows a paragraph speaks of unless it says: the nearest before it, else the nearest behind. */
function figureBeside(blocks: readonly PageBlock[], at: number): string | null {
  const isFigure = (block: PageBlock): block is Extract<PageBlock, { kind: 'figure' }> => block.kind === 'figure';
  return (blocks.slice(0, at).findLast(isFigure) ?? blocks.slice(at).find(isFigure))?.figure ?? null;
}

function textOf({ text, of }: Extract<PageBlock, { kind: 'text' }>, beside: string | null, handedBy: HandedBy): WrittenBlock {
  const id = of ?? beside;
  const handed = id === null ? undefined : handedBy(id);
  const hasValues = /\{[^{}]*\}/.test(text);
  const written =
    handed && hasValues
      ? writeWords(text, {
          frame: handed.picture.frame,
          applied: handed.picture.applied,
          write: handed.write,
          formats: handed.writing.formats.map(({ name }) => name),
        })
      : {
          text: hasValues ? text.replace(/\{[^{}]*\}/g, '–') : text,
          faults: hasValues ? ['There is no figure whose rows these values could be computed over.'] : [],
        };
  const paragraphs = written.text
    .split(/\n{2,}/)
    .map(part => part.trim())
    .filter(Boolean);
  return { kind: 'text', paragraphs, faults: written.faults };
}
