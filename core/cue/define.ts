import { nameText } from 'core/formula';
import { choiceToken, plainOptions, type Option, type Sentence, type Token } from 'core/sentence';
import * as z from 'zod/mini';
import { commonProblems } from './common-problems';
import type { CueBase, CueKind, CueWords, Expansion, FoundProblem, WhyFacts } from './kind';
import { levelToken, levelWords, readLevel, typedNumber, type Level } from './level';
import { changePen, penSentence } from './pen-tokens';
import { changeLook, colourToken, finerLook, labelsToken, lookSchema, type Look } from './look';
import { readScope, scopeSchema, scopeToken, windowOf, type Orders } from './scope';
import type { Treatment, TreatmentOf } from './treatments';
import { penSchema, withPen, type Frame } from 'core/frame';

/** One word of a kind's sentence: how it stands there, and what choosing another does. */
export interface TokenOf<C> {
  token(cue: C, words: CueWords, key: string): Token;
  set(cue: C, value: string, words: CueWords): C;
}

/** What a kind has to say; `defineKind` adds what all kinds share: measure, scope, looks, quiet, renaming, problems. */
export interface KindDef<C extends CueBase> {
  readonly kind: C['kind'];
  readonly help: string;
  readonly search: string;
  readonly schema: z.ZodMiniType<C>;
  fresh(words: CueWords): Omit<C, 'id' | 'kind' | 'on'>;
  /** Whether the cue follows an order; it may unless said. */
  readonly orders?: Orders;
  /** Labels can tell a difference. */
  readonly differs?: boolean;
  readonly tokens: Readonly<Record<string, TokenOf<C>>>;
  reads(cue: C, say: (key: string) => Token): Sentence;
  finer?(cue: C, say: (key: string) => Token): Sentence[];
  /** Parts that have a look, in order. */
  parts(cue: C): readonly string[];
  /** Number columns that the cue needs. */
  columns(cue: C): readonly string[];
  expand(cue: C, nameFor: (part: string) => string): Expansion;
  problems?(cue: C, frame: Frame): readonly FoundProblem[];
  why(cue: C, facts: WhyFacts): string;
  /** Fields beside the measure that name a measure. */
  readonly named?: readonly (keyof C)[];
  renamed?(cue: C, from: string, to: string): C;
}

/** The schema of a kind: what all cues have, and its own fields. */
export const cueFields = <K extends string>(kind: K) => ({
  id: z.string(),
  kind: z.literal(kind),
  on: z.boolean(),
  measure: z.string(),
  scope: scopeSchema,
  quiet: z.boolean(),
  looks: z.record(z.string(), lookSchema),
  pen: z.optional(penSchema),
});

/** Completes a kind's definition. */
export function defineKind<C extends CueBase>(def: KindDef<C>): CueKind<C> {
  const tokens: Readonly<Record<string, TokenOf<C>>> = { ...sharedTokens(def), ...def.tokens };
  const sayIn =
    (cue: C, words: CueWords) =>
    (key: string): Token => {
      if (key.startsWith('look:')) return colourToken(key.split(':')[1] as string, lookOf(cue, key.split(':')[1] as string));
      const found = tokens[key];
      if (!found) throw new RangeError(`${def.kind} has no token ${key}`);
      return found.token(cue, words, key);
    };
  return {
    kind: def.kind,
    help: def.help,
    search: def.search,
    schema: def.schema,
    create: (id, words) => ({ id, kind: def.kind, on: true, ...def.fresh(words) }) as unknown as C,
    sentence: (cue, words) => def.reads(cue, sayIn(cue, words)),
    finer: (cue, words) => [
      ...(def.finer?.(cue, sayIn(cue, words)) ?? []),
      ...penSentence(
        cue,
        def.expand(cue, part => part).treatments.filter(item => item.show === 'line'),
      ),
      ...def.parts(cue).map(part => finerLook(part, lookOf(cue, part), def.differs ?? false, words.pictures ?? [])),
    ],
    change: (cue, token, value, words) => {
      const [first, part = '', setting = ''] = token.split(':');
      if (first === 'look') return { ...cue, looks: { ...cue.looks, [part]: changeLook(lookOf(cue, part), setting, value) } };
      if (first === 'pen') return { ...cue, pen: changePen(cue.pen, part, value) };
      const found = tokens[token];
      if (!found) throw new RangeError(`${def.kind} has no token ${token}`);
      return found.set(cue, value, words);
    },
    renamed: (cue, from, to) => renamedIn(def, cue, from, to),
    expand: (cue, nameFor) => withShares(cue, drawnBy(cue, def.expand(cue, nameFor)), nameFor),
    problems: (cue, frame) => {
      const common = commonProblems(cue, frame, def.columns(cue), def.orders === 'must');
      return common.some(({ rests }) => rests) ? common : [...common, ...(def.problems?.(cue, frame) ?? [])];
    },
    why: (cue, facts) => def.why(cue, facts),
  };
}

export const lookOf = (cue: CueBase, part: string): Look =>
  cue.looks[part] ?? { colour: '', outline: false, glyph: '', label: 'none', text: '' };

function sharedTokens<C extends CueBase>(def: KindDef<C>): Record<string, TokenOf<C>> {
  return {
    measure: measure('measure'),
    scope: {
      token: (cue, words) => scopeToken(cue.scope, words, def.orders ?? 'may'),
      set: (cue, value) => ({ ...cue, scope: readScope(value) }),
    },
    quiet: yesNo('quiet', 'All the others', 'quiet the rest', 'leave the rest'),
    labels: {
      token: cue =>
        labelsToken(
          def.parts(cue).map(part => lookOf(cue, part)),
          def.differs ?? false,
        ),
      set: (cue, value) => {
        const label = lookSchema.shape.label.parse(value);
        const looks = def.parts(cue).map(part => [part, { ...lookOf(cue, part), label }] as const);
        return { ...cue, looks: { ...cue.looks, ...Object.fromEntries(looks) } };
      },
    },
  };
}

function renamedIn<C extends CueBase>(def: KindDef<C>, cue: C, from: string, to: string): C {
  const fields = (['measure', ...(def.named ?? [])] as (keyof C)[]).filter(field => cue[field] === from);
  const renamed = { ...cue, ...Object.fromEntries(fields.map(field => [field, to])) };
  return def.renamed ? def.renamed(renamed, from, to) : renamed;
}

/** The lines of a cue as its pen draws them; a marker is nothing for a level. */
function drawnBy(cue: CueBase, { helpers, treatments }: Expansion): Expansion {
  const pen = cue.pen;
  if (!pen) return { helpers, treatments };
  const level = { ...pen, marker: null };
  return {
    helpers,
    treatments: treatments.map(item => (item.show === 'line' ? withPen(item, item.form === 'level' ? level : pen) : item)),
  };
}

/** A label that tells a share gets it from a helper column, like every other number. */
function withShares(cue: CueBase, expansion: Expansion, nameFor: (part: string) => string): Expansion {
  const asks = (item: Treatment): boolean => (item.show === 'mark' || item.show === 'ramp') && item.look.label === 'share';
  if (!expansion.treatments.some(asks)) return expansion;
  const m = nameText(cue.measure);
  const share = { part: 'share', name: nameFor('share'), formula: `${m} / sum(${m}) ${windowOf(cue.scope)}`, as: 'percent' as const };
  const known = expansion.helpers.some(helper => helper.part === 'share');
  const treatments = expansion.treatments.map(item => (asks(item) ? { ...item, share: 'share' } : item));
  return { helpers: known ? expansion.helpers : [...expansion.helpers, share], treatments };
}

/** A treatment for the marks of a part. */
export const markOf = (
  cue: CueBase,
  part: string,
  legend: string,
  more: { readonly measure?: string; readonly difference?: string } = {},
): TreatmentOf<'mark'> => ({ show: 'mark', part, measure: cue.measure, look: lookOf(cue, part), legend, ...more });

// Builders of tokens, by the field that they change.

export const choice = <C>(field: keyof C, about: string, options: readonly Option[]): TokenOf<C> => ({
  token: (cue, _words, key) => choiceToken(key, about, String(cue[field]), options),
  set: (cue, value) => ({ ...cue, [field]: value }),
});

export const yesNo = <C>(field: keyof C, about: string, yes: string, no: string): TokenOf<C> => ({
  token: (cue, _words, key) =>
    choiceToken(key, about, String(cue[field]), [
      { value: 'true', label: yes },
      { value: 'false', label: no },
    ]),
  set: (cue, value) => ({ ...cue, [field]: value === 'true' }),
});

/** A measure or helper column of the figure. */
export const measure = <C>(field: keyof C, about = 'Measure'): TokenOf<C> => ({
  token: (cue, words, key) => {
    const token = choiceToken(key, about, String(cue[field]), plainOptions(words.measures));
    return token.text === '' ? { ...token, text: 'another measure' } : token;
  },
  set: (cue, value) => ({ ...cue, [field]: value }),
});

export interface NumberLimits {
  readonly low: number;
  readonly high: number;
  readonly whole?: boolean;
  readonly offers: readonly number[];
  /** How a number reads in the sentence; plain digits unless said. */
  readonly reads?: (value: number) => string;
}

/** A number, typed or chosen. */
export const number = <C>(
  field: keyof C,
  about: string,
  { low, high, whole = false, offers, reads = String }: NumberLimits,
): TokenOf<C> => {
  const hint = `${whole ? 'A whole number' : 'A number'} from ${low} to ${high.toLocaleString('en')}.`;
  const fits = (value: number): boolean => value >= low && value <= high && (!whole || Number.isInteger(value));
  return {
    token: (cue, _words, key) => {
      const value = String(cue[field]);
      const check = (text: string): string | null => (fits(typedNumber(text)) ? null : hint);
      const options = offers.map(offer => ({ value: String(offer), label: reads(offer) }));
      return { key, about, text: reads(Number(cue[field])), input: { kind: 'entry', value, options, hint, check } };
    },
    set: (cue, value) => ({ ...cue, [field]: typedNumber(value) }),
  };
};

/** A value to compare with (see `Level`). */
export const level = <C>(field: keyof C, about: string): TokenOf<C> => ({
  token: (cue, words, key) => levelToken(key, about, cue[field] as Level, words),
  set: (cue, value, words) => ({ ...cue, [field]: readLevel(value, words.measures) ?? cue[field] }),
});

/** A colour that belongs to a line or band, not to marks. */
export const colour = <C>(field: keyof C, about: string): TokenOf<C> => ({
  token: (cue, _words, key) => ({ ...colourToken('', { ...NO_LOOK, colour: String(cue[field]) }), key, about }),
  set: (cue, value) => ({ ...cue, [field]: value }),
});

export const words = <C>(field: keyof C, about: string, placeholder: string): TokenOf<C> => ({
  token: (cue, _words, key) => {
    const value = String(cue[field]);
    return { key, about, text: value || placeholder, input: { kind: 'text', value, placeholder } };
  },
  set: (cue, value) => ({ ...cue, [field]: value }),
});

const NO_LOOK: Look = { colour: '', outline: false, glyph: '', label: 'none', text: '' };

export { levelWords };
