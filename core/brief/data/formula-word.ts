import type { Token } from 'core/sentence';

/** A token that opens its formula at the desk. */
export const formulaWord = (
  key: string,
  about: string,
  { name, formula }: { readonly name: string; readonly formula: string },
  place: 'derived' | 'measure' | 'helper',
): Token => ({ key, about, text: name, input: { kind: 'formula', value: formula, name, place } });
