import { messageFor } from 'core/result/words';
import type { Figure } from 'core/document';
import type { Session } from 'engine';
import { handedOf, type Handed } from 'handover';
import { figureIn } from './figure-in';
import { dressed, type Theme } from './theme-in';

/** A figure that was computed, or why it could not be. */
export type Computed = { readonly figure: Figure } & (
  { readonly handed: Handed; readonly problems: readonly [] } | { readonly handed: null; readonly problems: readonly string[] }
);

/** The figures asked for, all of them by `*` or without a name; one that fails stops no other. Throws `BadInput` for a name that is none. */
export function* computedFigures(session: Session, names: readonly string[], theme: Theme, plain = false): Generator<Computed> {
  const { project } = session;
  const figures = names.length === 0 || names.includes('*') ? project.figures : names.map(name => figureIn(project, name));
  for (const figure of figures) {
    const made = handedOf(session, dressed(figure, theme, plain), theme.livery);
    yield made.ok ? { figure, handed: made.value, problems: [] } : { figure, handed: null, problems: made.problems.map(messageFor) };
  }
}
