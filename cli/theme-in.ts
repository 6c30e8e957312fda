import { LIVERIES, type Figure, type LiveryDoc, type Project } from 'core/document';
import { readLivery } from 'core/io';
import { DARK_LIVERY, LIGHT_LIVERY, type Livery } from 'core/plan';
import { BadInput, textOf, valueOf } from './table-file';

/** How figures are dressed: the page's own livery, and one that all of them wear whatever they name. */
export interface Theme {
  readonly livery: Livery;
  readonly worn: LiveryDoc | null;
}

/** `light` and `dark` dress the page; the name of a livery, or a file with one, dresses every figure. Throws `BadInput` for what is none of these. */
export async function themeIn(word: string, { liveries }: Project): Promise<Theme> {
  if (word === 'light' || word === 'dark') return { livery: word === 'light' ? LIGHT_LIVERY : DARK_LIVERY, worn: null };
  if (word.toLowerCase().endsWith('.json')) return { livery: LIGHT_LIVERY, worn: valueOf(readLivery(await textOf(word)), `${word}: `) };
  const all = [...liveries, ...LIVERIES];
  const worn = all.find(({ name }) => name.toLowerCase() === word.toLowerCase());
  if (worn) return { livery: LIGHT_LIVERY, worn };
  throw new BadInput([
    `There is no theme ${word}. Choose light, dark, one of ${all.map(({ name }) => name).join(', ')}, or a livery’s file.`,
  ]);
}

/** A project whose figures can wear a livery that is not its own. */
export const withLivery = (project: Project, { worn }: Theme): Project =>
  worn ? { ...project, liveries: [worn, ...project.liveries.filter(({ name }) => name !== worn.name)] } : project;

/** A figure as it is handed over: with its cues or plain, in the livery that was asked for. */
export const dressed = (figure: Figure, { worn }: Theme, plain: boolean): Figure => ({
  ...figure,
  view: plain ? 'plain' : figure.view === 'both' ? 'cued' : figure.view,
  dress: worn ? { ...figure.dress, livery: worn.name } : figure.dress,
});
