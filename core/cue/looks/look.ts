import { colourOptions, glyphOptions } from 'core/glyph';
import { choiceToken, type Option, type Sentence, type Token } from 'core/sentence';
import * as z from 'zod/mini';

/** The content of a mark's label. `glyph` puts the glyph in the label's place; `text` is the analyst's own, with computed values in braces. */
export const LABELS = ['none', 'value', 'name', 'share', 'difference', 'glyph', 'text'] as const;
/** What a mark's label says. */
export type LabelKind = (typeof LABELS)[number];

/** How the marks of one part of a cue are drawn. An empty colour or glyph leaves the mark unchanged. */
export const lookSchema = z.object({
  colour: z.string(),
  outline: z.boolean(),
  glyph: z.string(),
  label: z.enum(LABELS),
  text: z.string().check(z.maxLength(300)),
});

/** Colour, outline, glyph and label of a part. */
export type Look = z.infer<typeof lookSchema>;

/** A look with a colour; other fields are plain by default. */
export const look = (colour: string, label: LabelKind = 'none', glyph = ''): Look => ({ colour, outline: false, glyph, label, text: '' });

const LABEL_WORDS: Readonly<Record<LabelKind, string>> = {
  none: 'without labels',
  value: 'with their values',
  name: 'with their names',
  share: 'with their shares',
  difference: 'with their differences',
  glyph: 'with their glyphs',
  text: 'with words of your own',
};

/** Labels to choose from. */
export const labelOptions = (differs: boolean): Option[] =>
  LABELS.filter(label => differs || label !== 'difference').map(value => ({ value, label: LABEL_WORDS[value] }));

/** A token for a colour: one of the project's named looks, a colour by its name, or a hex value. */
export function colourToken(part: string, { colour }: Look, looks: readonly string[] = []): Token {
  const text = colour || 'its own colour';
  const named = looks.map((name): Option => ({ value: name, label: name, colour: name }));
  const options = [...named, ...colourOptions, { value: '', label: 'its own colour' }];
  return { key: `look:${part}:colour`, about: `Colour of ${part}`, text, input: { kind: 'colour', value: colour, options } };
}

/** One label token for all parts; it reads "labelled one by one" where parts differ. */
export function labelsToken(looks: readonly Look[], differs: boolean): Token {
  const [first] = looks;
  const same = looks.every(item => item.label === first?.label);
  const options = labelOptions(differs);
  return choiceToken('labels', 'Labels', same ? (first?.label ?? 'none') : 'labelled one by one', options);
}

/** The finer settings of one part: outline, glyph, label. */
export function finerLook(part: string, item: Look, differs: boolean, pictures: readonly string[]): Sentence {
  const name = part.charAt(0).toUpperCase() + part.slice(1);
  return [
    `${name}: `,
    choiceToken(`look:${part}:outline`, `Outline of ${part}`, String(item.outline), [
      { value: 'true', label: 'outlined' },
      { value: 'false', label: 'no outline' },
    ]),
    ', ',
    choiceToken(`look:${part}:glyph`, `Glyph of ${part}`, item.glyph, glyphOptions(pictures)),
    ', ',
    choiceToken(`look:${part}:label`, `Label of ${part}`, item.label, labelOptions(differs)),
    ...(item.label === 'text'
      ? [
          ' ',
          {
            key: `look:${part}:text`,
            about: 'Label: words, with computed values in braces such as {milk}',
            text: item.text || 'nothing yet',
            input: { kind: 'text' as const, value: item.text, placeholder: '{milk} L' },
          },
        ]
      : []),
    '.',
  ];
}

/** A look with one setting changed. Throws a RangeError for an unknown setting. */
export function changeLook(item: Look, setting: string, value: string): Look {
  switch (setting) {
    case 'outline':
      return { ...item, outline: value === 'true' };
    case 'colour':
    case 'glyph':
    case 'text':
      return { ...item, [setting]: value };
    case 'label':
      return { ...item, label: lookSchema.shape.label.parse(value) };
    default:
      throw new RangeError(`a look has no ${setting}`);
  }
}
