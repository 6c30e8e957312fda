/** One choice of a token's popover. */
export interface Option {
  readonly value: string;
  readonly label: string;
  /** A colour name or hex value shown as a swatch before the label. */
  readonly colour?: string;
  /** Holds now, in a list that decides several things; in others the token's value says it. */
  readonly ticked?: boolean;
}

/** How a token is changed: from a list, as a colour, by typing words, by typing or choosing a value, as a formula, or by arranging a list. */
export type TokenInput =
  | { readonly kind: 'choice'; readonly value: string; readonly options: readonly Option[] }
  | { readonly kind: 'colour'; readonly value: string; readonly options: readonly Option[] }
  | { readonly kind: 'text'; readonly value: string; readonly placeholder: string }
  | {
      readonly kind: 'entry';
      readonly value: string;
      readonly options: readonly Option[];
      /** What may be typed. */
      readonly hint: string;
      /** The fault of a typed text; null when it is valid. */
      readonly check: (text: string) => string | null;
    }
  | { readonly kind: 'formula'; readonly value: string; readonly name: string; readonly place: 'derived' | 'measure' | 'helper' }
  | { readonly kind: 'arrange'; readonly value: string; readonly items: readonly (string | null)[] };

/** One changeable word of the brief. */
export interface Token {
  /** Names the decision to whoever applies the change. */
  readonly key: string;
  /** The word as it reads in the sentence. */
  readonly text: string;
  /** The decision behind the word, for the popover's heading and for a screen reader. */
  readonly about: string;
  readonly input: TokenInput;
}

/** A sentence of the brief: plain words, and words that are controls. */
export type Sentence = readonly SentencePart[];
/** Plain words, or a word that can be changed. */
export type SentencePart = string | Token;

/** The sentence as one plain text. */
export const readSentence = (sentence: Sentence): string => sentence.map(part => (typeof part === 'string' ? part : part.text)).join('');

/** A token that picks from options; its text is the label of the chosen one, or the bare value when that is no option. */
export function choiceToken(key: string, about: string, value: string, options: readonly Option[]): Token {
  const chosen = options.find(option => option.value === value);
  return { key, about, text: chosen?.label ?? value, input: { kind: 'choice', value, options } };
}

/** A token that is typed; empty, it reads as its placeholder. */
export const textToken = (key: string, about: string, value: string, placeholder: string): Token => ({
  key,
  about,
  text: value || placeholder,
  input: { kind: 'text', value, placeholder },
});

/** Several things of a list, each of which may be ticked; none reads as the given words. */
export function ticksToken(key: string, about: string, ticked: readonly string[], options: readonly Option[], none = 'nothing yet'): Token {
  const text = ticked.map(value => options.find(option => option.value === value)?.label ?? value).join(', ') || none;
  return {
    key,
    about,
    text,
    input: { kind: 'choice', value: '', options: options.map(option => ({ ...option, ticked: ticked.includes(option.value) })) },
  };
}

/** A list with a value put in where it was not, taken out where it was. */
export const toggled = (list: readonly string[], value: string): string[] =>
  list.includes(value) ? list.filter(other => other !== value) : [...list, value];

/** Options whose labels are their values. */
export const plainOptions = (values: readonly string[]): Option[] => values.map(value => ({ value, label: value }));
