import type { Figure, NumberFormat } from 'core/document';
import type { FindingTitle } from 'core/words';
import { failure, success, type Result } from 'core/result';
import { choiceToken, textToken, type Option, type Token } from 'core/sentence';
import type { ColumnFacts, TableFacts } from './data/table-facts';

/** The change of a figure that a choice makes. */
export type Change = Partial<Omit<Figure, 'id'>>;

/** Facts that need the computed figure. */
export interface FigureFacts {
  /** Number of rows for periods without rows in the table. */
  readonly emptyRows: number;
  /** The marks at its value axes: their ends, and whether they are read by length. */
  readonly marks: readonly { readonly axis: number; readonly ends: Float64Array; readonly lengths: boolean }[];
  /** Titles that state what its cues found. */
  readonly titles: readonly FindingTitle[];
}

/** The context of a setting: the figure, its table, the project's other tables and names, and what was computed. */
export interface Subject {
  readonly figure: Figure;
  readonly tables: readonly TableFacts[];
  /** The figure's table; undefined where the project no longer has it. */
  readonly table: TableFacts | undefined;
  readonly formats: readonly NumberFormat[];
  /** Names of the project's own liveries. */
  readonly liveries: readonly string[];
  readonly facts: FigureFacts;
}

/**
 * One setting of the brief. `place`: which of several it is about: "" for the figure, the index of a measure or helper column, the name of an axis. A
 * new setting is an entry in its section's table and its clause in that section.
 */
export interface Setting {
  /** What it decides: the title of its popover, and its name in the search. */
  about(subject: Subject, place: string): string;
  /** More words by which the search finds it. */
  readonly search: string;
  /** The parts of the drawing that it is about; a click there opens its token. */
  governs?(place: string): readonly string[];
  /** Its places in a figure; empty where it does not apply. */
  places(figure: Figure): readonly string[];
  /** Its default in a figure; null where the default follows from the table. */
  plain(subject: Subject, place: string): string | null;
  /** Whether it is decided, where that is not simply a value other than the default. */
  decided?(subject: Subject, place: string): boolean;
  /** Its token, with the current value and the choices. */
  word(subject: Subject, place: string, key: string): Token;
  /** The change that choosing a value makes; an invalid value is a problem. */
  choose(subject: Subject, place: string, value: string): Result<Change>;
}

/** Facts about a column of the figure's table; undefined for an unknown name. */
export const columnNamed = ({ table }: Subject, name: string): ColumnFacts | undefined =>
  table?.columns.find(column => column.name === name);

/** Settings by name. */
export type Settings = Readonly<Record<string, Setting>>;

/** An option with the value that the document stores. */
export interface Choice<Meaning> extends Option {
  readonly means: Meaning;
}

/** Choices whose values are stored as they are: `[value, label]` each. */
export const choices = <const P extends readonly (readonly [value: string, label: string])[]>(pairs: P): readonly Choice<P[number][0]>[] =>
  pairs.map(([value, label]) => ({ value, label, means: value }));

/** Choices whose labels are their values. */
export const plainChoices = (values: readonly string[]): readonly Choice<string>[] => choices(values.map(value => [value, value] as const));

/** Two choices for yes and no. */
export const yesNo = (yes: string, no: string): readonly Choice<boolean>[] => [
  { value: 'true', label: yes, means: true },
  { value: 'false', label: no, means: false },
];

interface ChoiceSetting<Meaning> extends Pick<Setting, 'search'> {
  readonly about: Setting['about'] | string;
  readonly places?: Setting['places'];
  readonly governs?: Setting['governs'];
  readonly plain: Setting['plain'] | string | null;
  readonly options: readonly Choice<Meaning>[] | ((subject: Subject, place: string) => readonly Choice<Meaning>[]);
  /** The value of the current option. */
  now(subject: Subject, place: string): string;
  set(subject: Subject, place: string, meaning: Meaning, value: string): Change;
}

/** A setting that is chosen from a list. */
export function choiceSetting<Meaning>(entry: ChoiceSetting<Meaning>): Setting {
  const { about, plain, options } = entry;
  const aboutIt: Setting['about'] = typeof about === 'string' ? () => about : about;
  const offered = typeof options === 'function' ? options : () => options;
  return {
    about: aboutIt,
    search: entry.search,
    ...(entry.governs ? { governs: entry.governs } : {}),
    places: entry.places ?? onceAFigure,
    plain: typeof plain === 'function' ? plain : () => plain,
    word: (subject, place, key) => choiceToken(key, aboutIt(subject, place), entry.now(subject, place), offered(subject, place)),
    choose(subject, place, value) {
      const all = offered(subject, place);
      const chosen = all.find(option => option.value === value);
      return chosen ? success(entry.set(subject, place, chosen.means, value)) : refused(aboutIt(subject, place), value, all);
    },
  };
}

interface TextSetting extends Pick<Setting, 'search' | 'governs'> {
  readonly about: string;
  readonly plain: Setting['plain'];
  /** The text for an empty value. */
  readonly nothing: string;
  readonly now: (subject: Subject) => string;
  readonly set: (subject: Subject, text: string) => Change;
}

/** Most characters of a typed text. */
const MOST_CHARACTERS = 300;

/** A setting with a free text. */
export const textSetting = ({ about, search, plain, nothing, now, set, governs }: TextSetting): Setting => ({
  about: () => about,
  search,
  ...(governs ? { governs } : {}),
  places: onceAFigure,
  plain,
  word: (subject, _place, key) => textToken(key, about, now(subject), nothing),
  choose: (subject, _place, text) =>
    text.length > MOST_CHARACTERS ? failure({ code: 'setting-too-long', about, limit: MOST_CHARACTERS }) : success(set(subject, text)),
});

/** The problem for a value that a setting does not offer. */
export const refused = (about: string, value: string, options: readonly Option[]): Result<never> =>
  failure({ code: 'setting-value', about, value, offered: options.map(option => option.label) });

const onceAFigure = (): readonly string[] => [''];

/** Whether a setting is decided: its value differs from the default. A value that follows from the table is not a decision. */
export function isDecided(setting: Setting, subject: Subject, place: string): boolean {
  if (setting.decided) return setting.decided(subject, place);
  const plain = setting.plain(subject, place);
  return plain !== null && setting.word(subject, place, '').input.value !== plain;
}

/** The key of a token: the setting's name, with its place where it has several. */
export const keyOf = (name: string, place: string): string => (place === '' ? name : `${name}:${place}`);
