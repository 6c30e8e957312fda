import { nameText, renameNames } from 'core/formula';
import { choiceToken, type Option, type Sentence, type Token } from 'core/sentence';
import * as z from 'zod/mini';
import { seenSentence } from './scope/among';
import { commonProblems, negativeProblems } from './common-problems';
import {
  type CueBase,
  type CueKind,
  type Expansion,
  type FoundProblem,
  type HelperFormula,
  type Placed,
  type TuningWord,
  type WhyFacts,
} from './kind';
import type { CueFacts, Surroundings } from './scope/surroundings';
import { levelToken, levelWords, readLevel, typedNumber, type Level } from './level/level';
import { measureOptions, measuresWithin } from './scope/partners';
import { changePen, penSentence } from './looks/pen-tokens';
import { changeLook, colourToken, finerLook, labelsToken, lookSchema, type Look } from './looks/look';
import { readScope, renamedScope, scopeIn, scopeSchema, scopeToken, wholeWindowOf, type Orders, type Scope } from './scope/scope';
import type { Treatment, TreatmentOf } from './looks/treatments';
import { penSchema, withPen, type Frame } from 'core/frame';

/** One token of a kind's sentence: how it reads, and what choosing a value changes. */
export interface TokenOf<C> {
  token(cue: C, words: CueFacts, key: string): Token;
  set(cue: C, value: string, words: CueFacts): C;
}

/** A cue without its scope, which is resolved later. */
type Unplaced<C extends CueBase> = Omit<C, 'scope'>;

/** The definition of a kind; `defineKind` adds the parts that all kinds share: measure, scope, looks, quiet, renaming, problems. */
export interface KindDef<C extends CueBase> {
  readonly kind: C['kind'];
  readonly help: string;
  readonly search: string;
  readonly schema: z.ZodMiniType<C>;
  /** Typed words that tune a new cue; none unless given. */
  readonly tuning?: readonly TuningWord[];
  fresh(words: CueFacts): Omit<C, 'id' | 'kind' | 'on'>;
  /** Whether the cue follows an order; "may" by default. */
  readonly orders?: Orders | ((cue: Unplaced<C>) => Orders);
  /** Whether labels at marks of this kind may show the difference to a level. */
  readonly differs?: boolean;
  readonly tokens: Readonly<Record<string, TokenOf<C>>>;
  reads(cue: Placed<C>, say: (key: string) => Token, words: CueFacts): Sentence;
  /** Whether the cue computes a statistic over all rows of its scope and its sentence does not state their count, which is then added. */
  sees?(cue: Placed<C>): boolean;
  finer?(cue: Placed<C>, say: (key: string) => Token, words: CueFacts): Sentence[];
  /** Parts that have a look, in order. */
  parts(cue: Unplaced<C>): readonly string[];
  /** Number columns that the cue needs. */
  columns(cue: Unplaced<C>): readonly string[];
  expand(cue: Placed<C>, nameFor: (part: string) => string, around: Surroundings): Expansion;
  problems?(cue: Placed<C>, frame: Frame): readonly FoundProblem[];
  why(cue: Placed<C>, facts: WhyFacts): string;
  unjudged?(cue: Placed<C>, facts: WhyFacts): string | null;
  /** Fields beside the measure that name a measure. */
  readonly named?: readonly (keyof C)[];
  renamed?(cue: C, from: string, to: string): C;
}

/** The schema of a kind: the fields of all cues, to which its own are added. */
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
  const place = (cue: C, around: Pick<Surroundings, 'series' | 'panel'>): Placed<C> => ({
    ...cue,
    scope: scopeIn(cue.scope, around, ordersOf(def, cue)),
  });
  const sayIn =
    (cue: C, words: CueFacts) =>
    (key: string): Token => {
      if (key.startsWith('look:')) {
        const [, part = ''] = key.split(':');
        return colourToken(part, lookOf(cue, part), words.looks);
      }
      const found = tokens[key];
      if (!found) throw new RangeError(`${def.kind} has no token ${key}`);
      return found.token(cue, words, key);
    };
  return {
    kind: def.kind,
    help: def.help,
    search: def.search,
    schema: def.schema,
    tuning: def.tuning ?? [],
    create: (id, words) => ({ id, kind: def.kind, on: true, ...def.fresh(words) }) as unknown as C,
    sentence: (cue, words) => def.reads(place(cue, words), sayIn(cue, words), words),
    finer: (cue, words) => [
      ...(def.sees?.(place(cue, words)) ? seenSentence(words, cue.measure, place(cue, words).scope) : []),
      ...(def.finer?.(place(cue, words), sayIn(cue, words), words) ?? []),
      ...penSentence(
        cue,
        def.expand(place(cue, words), part => part, words).treatments.filter(item => item.show === 'line'),
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
    columns: cue => def.columns(cue),
    expand: (cue, nameFor, around) => {
      const placed = place(cue, around);
      const own = drawnBy(cue, def.expand(placed, nameFor, around));
      return withPartShares(withShares(cue.measure, placed.scope, own, nameFor), nameFor);
    },
    problems: (cue, frame) => {
      const placed = place(cue, frame);
      const orders = ordersOf(def, cue);
      const common = commonProblems(placed, frame, def.columns(cue), orders === 'must' || orders === 'forward');
      if (common.some(({ rests }) => rests)) return common;
      const own = def.problems?.(placed, frame) ?? [];
      const asksShare = def.parts(cue).some(part => lookOf(cue, part).label === 'share');
      const isSaid = own.some(({ problem }) => problem.code === 'cue-negative');
      return [...common, ...own, ...(asksShare && !isSaid ? negativeProblems(cue.measure, frame) : [])];
    },
    why: (cue, facts) => def.why(place(cue, facts.frame), facts),
    unjudged: (cue, facts) => def.unjudged?.(place(cue, facts.frame), facts) ?? null,
  };
}

const ordersOf = <C extends CueBase>({ orders = 'may' }: KindDef<C>, cue: C): Orders =>
  typeof orders === 'function' ? orders(cue) : orders;

/** The look of a part; a plain one where none is set. */
export const lookOf = (cue: Pick<CueBase, 'looks'>, part: string): Look =>
  cue.looks[part] ?? { colour: '', outline: false, glyph: '', label: 'none', text: '' };

function sharedTokens<C extends CueBase>(def: KindDef<C>): Record<string, TokenOf<C>> {
  return {
    measure: measure('measure'),
    scope: {
      token: (cue, words) => scopeToken(cue.scope, words, ordersOf(def, cue)),
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
  const looks = Object.fromEntries(
    Object.entries(cue.looks).map(([part, item]) => [part, { ...item, text: renamedText(item.text, from, to) }]),
  );
  const renamed = { ...cue, looks, scope: renamedScope(cue.scope, from, to), ...Object.fromEntries(fields.map(field => [field, to])) };
  return def.renamed ? def.renamed(renamed, from, to) : renamed;
}

/** A text with formulas in braces, with a column renamed. */
const renamedText = (text: string, from: string, to: string): string =>
  text.replaceAll(
    /\{(.*?)(\s+as\s+[\p{L}\p{N}_ ]+?)?\s*\}/gu,
    (_, formula: string, as = '') => `{${renameNames(formula, new Map([[from, to]]))}${String(as)}}`,
  );

/** The treatments with the pen of the cue applied to its lines. A level line has no markers. */
function drawnBy(cue: CueBase, { helpers, treatments }: Expansion): Expansion {
  const pen = cue.pen;
  if (!pen) return { helpers, treatments };
  const level = { ...pen, marker: null };
  return {
    helpers,
    treatments: treatments.map(item => (item.show === 'line' ? withPen(item, item.form === 'level' ? level : pen) : item)),
  };
}

/** Adds a helper column for labels that show a share: of all rows of the scope, whatever their order. */
function withShares(measure: string, scope: Scope, expansion: Expansion, nameFor: (part: string) => string): Expansion {
  const asks = (item: Treatment): boolean => (item.show === 'mark' || item.show === 'ramp') && item.look.label === 'share';
  if (!expansion.treatments.some(asks)) return expansion;
  const treatments = expansion.treatments.map(item => (asks(item) ? { ...item, share: 'share' } : item));
  if (expansion.helpers.some(helper => helper.part === 'share')) return { helpers: expansion.helpers, treatments };
  const m = nameText(measure);
  const share = { part: 'share', name: nameFor('share'), formula: `${m} / sum(${m}) ${wholeWindowOf(scope)}`, as: 'percent' as const };
  return { helpers: [...expansion.helpers, share], treatments };
}

/** Adds a helper column for each part whose label shows its share of all parts of the row. */
function withPartShares({ helpers, treatments }: Expansion, nameFor: (part: string) => string): Expansion {
  const shares: HelperFormula[] = [];
  const named = (part: string): string => nameText(helpers.find(helper => helper.part === part)?.name ?? part);
  const drawn = treatments.map(item => {
    if (item.show !== 'split') return item;
    const all = item.parts.map(({ part }) => named(part)).join(' + ');
    const parts = item.parts.map(piece => {
      if (piece.look.label !== 'share' || piece.share !== undefined) return piece;
      const share = `share of ${piece.part}`;
      shares.push({ part: share, name: nameFor(share), formula: `${named(piece.part)} / (${all})`, as: 'percent' });
      return { ...piece, share };
    });
    return { ...item, parts };
  });
  return { helpers: [...helpers, ...shares], treatments: drawn };
}

/** A treatment for the marks of a part. */
export const markOf = (
  cue: Pick<CueBase, 'measure' | 'looks'>,
  part: string,
  legend: string,
  more: { readonly measure?: string; readonly difference?: string } = {},
): TreatmentOf<'mark'> => ({ show: 'mark', part, measure: cue.measure, look: lookOf(cue, part), legend, ...more });

// Builders of tokens, by the field that they change.

/** A token that sets one field from a list. */
export const choice = <C>(field: keyof C, about: string, options: readonly Option[]): TokenOf<C> => ({
  token: (cue, _words, key) => choiceToken(key, about, String(cue[field]), options),
  set: (cue, value) => ({ ...cue, [field]: value }),
});

/** A token that sets one field to yes or no. */
export const yesNo = <C>(field: keyof C, about: string, yes: string, no: string): TokenOf<C> => ({
  token: (cue, _words, key) =>
    choiceToken(key, about, String(cue[field]), [
      { value: 'true', label: yes },
      { value: 'false', label: no },
    ]),
  set: (cue, value) => ({ ...cue, [field]: value === 'true' }),
});

/** A token that sets one field to a measure or helper column of the figure. */
export const measure = <C>(field: keyof C, about = 'Measure'): TokenOf<C> => ({
  token: (cue, words, key) => {
    const token = choiceToken(key, about, String(cue[field]), measureOptions(words));
    return { ...token, text: String(cue[field]) || 'another measure' };
  },
  set: (cue, value) => ({ ...cue, [field]: value }),
});

/** A number among typed words. */
export const TYPED_NUMBER = /^\d+(\.\d+)?$/;
/** A count of two or more among typed words. */
export const TYPED_COUNT = /^([2-9]|[1-9]\d{1,4})$/;

/** Limits of a typed number. */
export interface NumberLimits {
  readonly low: number;
  readonly high: number;
  readonly whole?: boolean;
  readonly offers: readonly number[];
  /** How a number reads in the sentence; plain digits by default. */
  readonly reads?: (value: number) => string;
}

/** A token that sets one field to a number, typed or chosen. */
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

/** A token that sets one field to a level (see `Level`). */
export const level = <C>(field: keyof C, about: string): TokenOf<C> => ({
  token: (cue, words, key) => levelToken(key, about, cue[field] as Level, words),
  set: (cue, value, words) => ({ ...cue, [field]: readLevel(value, measuresWithin(words), words.along) ?? cue[field] }),
});

/** A token that sets one field to the colour of a line or band, not of marks. */
export const colour = <C>(field: keyof C, about: string): TokenOf<C> => ({
  token: (cue, facts, key) => ({ ...colourToken('', { ...NO_LOOK, colour: String(cue[field]) }, facts.looks), key, about }),
  set: (cue, value) => ({ ...cue, [field]: value }),
});

/** A token that sets one field to typed words. */
export const words = <C>(field: keyof C, about: string, placeholder: string): TokenOf<C> => ({
  token: (cue, _words, key) => {
    const value = String(cue[field]);
    return { key, about, text: value || placeholder, input: { kind: 'text', value, placeholder } };
  },
  set: (cue, value) => ({ ...cue, [field]: value }),
});

const NO_LOOK: Look = { colour: '', outline: false, glyph: '', label: 'none', text: '' };

export { levelWords };
