import type { Figure, Project } from 'core/document';
import { BadInput } from './table-file';

/** A figure of a project by its name, whatever its capitals; the first where no name is given. Throws `BadInput` where there is none. */
export function figureIn({ figures }: Project, name: string | undefined): Figure {
  const found =
    name === undefined
      ? figures[0]
      : (figures.find(item => item.name === name) ?? figures.find(item => item.name.toLowerCase() === name.toLowerCase()));
  if (found) return found;
  const names = figures.map(item => item.name).join(', ');
  throw new BadInput([name === undefined ? 'The project has no figure.' : `No figure is called ${name}. Choose one of: ${names}.`]);
}
