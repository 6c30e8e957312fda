import { literalText, nameText, renameNames } from 'core/formula';
import { choiceToken, type Token } from 'core/sentence';
import * as z from 'zod/mini';
import { choice, cueFields, defineKind, markOf, type TokenOf } from '../define';
import type { CueKind, HelperFormula } from '../kind';
import { look } from '../looks/look';
import { lookingIn } from '../scope/scope';
import { treatmentSchema, type Treatment } from '../looks/treatments';
import { valuesWhere } from '../scope/values-where';

const MOST_BRANCHES = 9;
const formula = z.string().check(z.minLength(1), z.maxLength(10_000));
const columnSchema = z.object({ part: z.string(), name: z.string(), formula, as: z.optional(z.enum(['percent', 'number'])) });

/** A branch: its condition and its look. `legend` and `difference` come from the cue that was opened as formulas. */
const branchSchema = z.object({
  name: z.string().check(z.minLength(1), z.maxLength(60)),
  when: formula,
  legend: z.optional(z.string().check(z.maxLength(200))),
  difference: z.optional(z.string()),
});

/**
 * Named formulas, then branches. Aggregates without a window use the scope. `columns` and `shows` come from another cue that was opened as formulas.
 */
const schema = z.object({
  ...cueFields('rule'),
  columns: z.array(columnSchema),
  branches: z.array(branchSchema).check(z.maxLength(MOST_BRANCHES)),
  /** Which branches apply to a row: the first that is true, or all that are. */
  takes: z.enum(['first', 'every']),
  shows: z.array(treatmentSchema),
});

/** Conditions by formula, each with its look. */
export type RuleCue = z.infer<typeof schema>;
const COLOURS = ['brass', 'slate', 'clay', 'pasture', 'plum', 'lake'];
/** The name of a branch by letters, since helper columns with equal names get numbers. */
const branchName = (at: number): string => `branch ${'abcdefghi'.charAt(at)}`;
const places = Array.from({ length: MOST_BRANCHES }, (_, i) => i);

const whenToken = (at: number): TokenOf<RuleCue> => ({
  token: (cue, _words, key): Token => {
    const { name = '', when = '' } = cue.branches[at] ?? {};
    return { key, about: `Condition of ${name}`, text: when, input: { kind: 'formula', value: when, name, place: 'helper' } };
  },
  set: (cue, value) => ({ ...cue, branches: cue.branches.map((branch, i) => (i === at ? { ...branch, when: value } : branch)) }),
});

const columnToken = (at: number): TokenOf<RuleCue> => ({
  token: (cue, _words, key): Token => {
    const { name = '', formula: value = '' } = cue.columns[at] ?? {};
    return { key, about: `Formula of ${name}`, text: name, input: { kind: 'formula', value, name, place: 'helper' } };
  },
  set: (cue, value) => ({ ...cue, columns: cue.columns.map((column, i) => (i === at ? { ...column, formula: value } : column)) }),
});

/** Marks rows where a formula is true, with one branch or many. */
export const rule: CueKind<RuleCue> = defineKind<RuleCue>({
  kind: 'rule',
  help: 'Mark where any formula is true; several branches, each with its look.',
  search: 'formula condition if when case logic any custom sql',
  schema,
  fresh: ({ measures }) => {
    const m = nameText(measures[0] ?? '');
    return {
      measure: measures[0] ?? '',
      scope: { kind: 'figure' },
      columns: [],
      branches: [{ name: branchName(0), when: `${m} > 1.2 * avg(${m})` }],
      takes: 'first',
      shows: [],
      quiet: true,
      looks: { [branchName(0)]: look('brass', 'value') },
    };
  },
  tokens: {
    ...Object.fromEntries(places.map(at => [`when:${at}`, whenToken(at)])),
    ...Object.fromEntries(Array.from({ length: 30 }, (_, at) => [`column:${at}`, columnToken(at)])),
    takes: choice('takes', 'Which branches take a row', [
      { value: 'first', label: 'the first that is true' },
      { value: 'every', label: 'every one that is true' },
    ]),
    count: {
      token: (cue, _words, key) =>
        choiceToken(key, 'Number of branches', String(cue.branches.length), [
          ...places.map(i => ({ value: String(i + 1), label: i === 0 ? 'one branch' : `${i + 1} branches` })),
          ...(cue.branches.length === 0 ? [{ value: '0', label: 'no branch' }] : []),
        ]),
      set: (cue, value) => withBranches(cue, Number(value)),
    },
  },
  reads: (cue, say) => [
    ...(cue.columns.length ? ['Compute ', ...cue.columns.flatMap((_, i) => [...(i ? [', '] : []), say(`column:${i}`)]), '. '] : []),
    ...cue.branches.flatMap((branch, i) => [
      i ? (cue.takes === 'first' ? '; else where ' : '; and where ') : 'Where ',
      say(`when:${i}`),
      ', mark ',
      say('measure'),
      ' in ',
      say(`look:${branch.name}`),
    ]),
    ...(cue.branches.length ? [', ', say('labels')] : ['Mark ', say('measure'), ' by no condition']),
    '; ',
    say('quiet'),
    '.',
  ],
  finer: (_cue, say) => [
    ['The rule has ', say('count'), ', and a row is marked by ', say('takes'), '; what sums or counts in it looks ', say('scope'), '.'],
  ],
  parts: cue => cue.branches.map(branch => branch.name),
  columns: cue => [cue.measure],
  expand: (cue, nameFor) => {
    const columns = named(cue.columns, nameFor).map(column => ({ ...column, formula: lookingIn(cue.scope, column.formula) }));
    const given = new Map(cue.columns.map((column, i) => [column.name, columns[i]?.name ?? column.name]));
    if (cue.branches.length === 0) return { helpers: columns, treatments: cue.shows };
    const m = nameText(cue.measure);
    const whens = cue.branches.map(({ when }) => lookingIn(cue.scope, renameNames(when, given)));
    const values = cue.takes === 'first' ? exclusive(cue.branches, whens, m, nameFor) : each(cue.branches, whens, m, nameFor);
    const marks = cue.branches.map(({ name, when, legend, difference }): Treatment => {
      const words = legend ?? (/^branch (\d+|[a-i])$/.test(name) ? when : name);
      return markOf(cue, name, words, difference === undefined ? {} : { difference });
    });
    return { helpers: [...columns, ...values], treatments: [...cue.shows, ...marks] };
  },
  why: (cue, { part }) => {
    const branch = cue.branches.find(item => item.name === part);
    return branch ? `${branch.when} is true` : `${part} has a value`;
  },
  renamed: (cue, from, to) => {
    const names = new Map([[from, to]]);
    const own = new Set(cue.columns.map(({ name }) => name));
    // A column of the rule's own that bears the new name gives way to it first.
    if (own.has(to)) return rule.renamed(withColumnNamed(cue, to, freeAmong(to, own)), from, to);
    if (own.has(from)) return cue;
    return {
      ...cue,
      columns: cue.columns.map(column => ({ ...column, formula: renameNames(column.formula, names) })),
      branches: cue.branches.map(branch => ({ ...branch, when: renameNames(branch.when, names) })),
    };
  },
});

/** The columns with names that are free in the figure; formulas are adjusted. */
function named(columns: RuleCue['columns'], nameFor: (part: string) => string): HelperFormula[] {
  const names = new Map<string, string>();
  return columns.map(({ part, name, formula, as }) => {
    const free = nameFor(name);
    const helper = { part, name: free, formula: renameNames(formula, names), ...(as ? { as } : {}) };
    names.set(name, free);
    return helper;
  });
}

function withBranches(cue: RuleCue, count: number): RuleCue {
  const branches = cue.branches.slice(0, count);
  while (branches.length < count) branches.push({ name: branchName(branches.length), when: `${nameText(cue.measure)} is not null` });
  const looks = Object.fromEntries(branches.map(({ name }, i) => [name, cue.looks[name] ?? look(COLOURS[i % COLOURS.length] as string)]));
  return { ...cue, branches, looks };
}

type Branches = RuleCue['branches'];

/** A column with the branch of each row, and one per branch with its values. */
function exclusive(branches: Branches, whens: readonly string[], m: string, nameFor: (part: string) => string): HelperFormula[] {
  const cases = branches.map(({ name }, i) => `when ${whens[i]} then ${literalText('text', name)}`);
  const branch: HelperFormula = { part: 'branch', name: nameFor('branch'), formula: `case ${cases.join(' ')} end` };
  const values = branches.map(({ name }) =>
    valuesWhere({ part: name, name: nameFor(name), when: `${nameText(branch.name)} = ${literalText('text', name)}`, measure: m }),
  );
  return [branch, ...values];
}

/** A column per branch with the values for which it is true, independent of other branches. */
const each = (branches: Branches, whens: readonly string[], m: string, nameFor: (part: string) => string): HelperFormula[] =>
  branches.map(({ name }, i) => valuesWhere({ part: name, name: nameFor(name), when: whens[i] ?? '', measure: m }));

/** The rule with one of its columns renamed; its formulas are adjusted. */
function withColumnNamed(cue: RuleCue, from: string, to: string): RuleCue {
  const names = new Map([[from, to]]);
  const at = cue.columns.findIndex(({ name }) => name === from);
  return {
    ...cue,
    columns: cue.columns.map((column, i) => ({
      ...column,
      name: i === at ? to : column.name,
      // Only what stands after it can speak of it.
      formula: i > at ? renameNames(column.formula, names) : column.formula,
    })),
    branches: cue.branches.map(branch => ({ ...branch, when: renameNames(branch.when, names) })),
  };
}

function freeAmong(name: string, taken: ReadonlySet<string>): string {
  let n = 2;
  while (taken.has(`${name} ${n}`)) n++;
  return `${name} ${n}`;
}
