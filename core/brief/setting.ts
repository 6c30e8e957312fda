import type { Figure, NumberFormat } from 'core/document';
import type { FindingTitle } from 'core/words';
import { failure, success, type Result } from 'core/result';
import { choiceToken, textToken, type Option, type Token } from 'core/sentence';
import type { ColumnFacts, TableFacts } from './data/table-facts';

/** The change of a figure that choosing a word makes. */
export type Change = Partial<Omit<Figure, 'id'>>;

/** Facts that only the computed figure has. */
export interface FigureFacts {
  /** Rows that stand for periods without rows of the table. */
  readonly emptyRows: number;
  /** What is read at its value axes: where marks end, and whether they are read by their length. */
  readonly marks: readonly { readonly axis: number; readonly ends: Float64Array; readonly lengths: boolean }[];
  /** Titles that state what its cues found. */
  readonly titles: readonly FindingTitle[];
}

/** What the brief speaks of: a figure, its table among those of the project, what the project names, what was computed. */
export interface Subject {
  readonly figure: Figure;
  readonly tables: readonly TableFacts[];
  /** The figure's own; undefined where the project has lost it. */
  readonly table: TableFacts | undefined;
  readonly formats: readonly NumberFormat[];
  /** Names of the project's own liveries. */
  readonly liveries: readonly string[];
  readonly facts: FigureFacts;
}

/**
 * One decision of the brief. `place` tells which of several it is about: "" for the figure, the index of a measure or helper column, the name
 * of an axis. Adding a setting is adding an entry to its section's table and saying its word in that section's sentence.
 */
export interface Setting {
  /** What it decides, as its popover is headed and as the search lists it. */
  about(subject: Subject, place: string): string;
  /** Further words that the search finds it by. */
  readonly search: string;
  /** The parts of the stage that it governs, by their names in the drawing: a click there opens its word. */
  governs?(place: string): readonly string[];
  /** Where it stands in this figure. */
  places(figure: Figure): readonly string[];
  /** Its value in a figure in which nobody has decided it; null where that follows from the table. */
  plain(subject: Subject, place: string): string | null;
  /** Whether somebody has decided it, where that shows otherwise than by a value of its own. */
  decided?(subject: Subject, place: string): boolean;
  /** The word as it reads now, with what may be chosen there. */
  word(subject: Subject, place: string, key: string): Token;
  /** The change that choosing a value makes; a value that cannot be chosen here is a problem. */
  choose(subject: Subject, place: string, value: string): Result<Change>;
}

/** The facts about a column of the figure's table; undefined when there is none of that name. */
export const columnNamed = ({ table }: Subject, name: string): ColumnFacts | undefined =>
  table?.columns.find(column => column.name === name);

/** Settings by name. */
export type Settings = Readonly<Record<string, Setting>>;

/** An option with what it stands for in the document. */
export interface Choice<Meaning> extends Option {
  readonly means: Meaning;
}

/** Choices whose values are what they stand for: `[value, label]` each. */
export const choices = <const P extends readonly (readonly [value: string, label: string])[]>(pairs: P): readonly Choice<P[number][0]>[] =>
  pairs.map(([value, label]) => ({ value, label, means: value }));

/** Choices that read as their values. */
export const plainChoices = (values: readonly string[]): readonly Choice<string>[] => choices(values.map(value => [value, value] as const));

/** Two choices, each in its own words. */
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
  /** The value of the option that holds now. */
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
  /** How nothing reads. */
  readonly nothing: string;
  readonly now: (subject: Subject) => string;
  readonly set: (subject: Subject, text: string) => Change;
}

/** Characters that a typed word may have. */
const MOST_CHARACTERS = 300;

/** A setting that is typed, as any words. */
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

/** The refusal of a value that a setting does not offer. */
export const refused = (about: string, value: string, options: readonly Option[]): Result<never> =>
  failure({ code: 'setting-value', about, value, offered: options.map(option => option.label) });

const onceAFigure = (): readonly string[] => [''];

/** Whether a setting is decided: its value is not the one that it comes with. What follows from the table is nobody's decision. */
export function isDecided(setting: Setting, subject: Subject, place: string): boolean {
  if (setting.decided) return setting.decided(subject, place);
  const plain = setting.plain(subject, place);
  return plain !== null && setting.word(subject, place, '').input.value !== plain;
}

/** A word's key in the brief: the setting's name, and its place where it has several. */
export const keyOf = (name: string, place: string): string => (place === '' ? name : `${name}:${place}`);
