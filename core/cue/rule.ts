import { literalText, nameText, renameNames } from 'core/formula';
import { choiceToken, type Token } from 'core/sentence';
import * as z from 'zod/mini';
import { cueFields, defineKind, markOf, type TokenOf } from './define';
import type { HelperFormula } from './kind';
import { look } from './look';
import { lookingIn } from './scope';
import { treatmentSchema, type Treatment } from './treatments';

const MOST_BRANCHES = 9;
const formula = z.string().check(z.minLength(1), z.maxLength(10_000));
const columnSchema = z.object({ part: z.string(), name: z.string(), formula, as: z.optional(z.enum(['percent', 'number'])) });

/**
 * Named formulas, then branches: the first whose condition is true takes the row. Aggregates without a window look where the scope says. `columns` and `shows` are what another cue brought when
 * it was opened as formulas.
 */
const schema = z.object({
  ...cueFields('rule'),
  columns: z.array(columnSchema),
  branches: z.array(z.object({ name: z.string().check(z.minLength(1), z.maxLength(60)), when: formula })).check(z.maxLength(MOST_BRANCHES)),
  shows: z.array(treatmentSchema),
});

export type RuleCue = z.infer<typeof schema>;
const COLOURS = ['brass', 'slate', 'clay', 'pasture', 'plum', 'lake'];
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
export const rule = defineKind<RuleCue>({
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
      branches: [{ name: 'branch 1', when: `${m} > 1.2 * avg(${m})` }],
      shows: [],
      quiet: true,
      looks: { 'branch 1': look('brass', 'value') },
    };
  },
  tokens: {
    ...Object.fromEntries(places.map(at => [`when:${at}`, whenToken(at)])),
    ...Object.fromEntries(Array.from({ length: 30 }, (_, at) => [`column:${at}`, columnToken(at)])),
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
      i ? '; else where ' : 'Where ',
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
  finer: (_cue, say) => [['The rule has ', say('count'), '; what sums or counts in it looks ', say('scope'), '.']],
  parts: cue => cue.branches.map(branch => branch.name),
  columns: cue => [cue.measure],
  expand: (cue, nameFor) => {
    const columns = named(cue.columns, nameFor).map(column => ({ ...column, formula: lookingIn(cue.scope, column.formula) }));
    const given = new Map(cue.columns.map((column, i) => [column.name, columns[i]?.name ?? column.name]));
    if (cue.branches.length === 0) return { helpers: columns, treatments: cue.shows };
    const m = nameText(cue.measure);
    const cases = cue.branches.map(
      ({ name, when }) => `when ${lookingIn(cue.scope, renameNames(when, given))} then ${literalText('text', name)}`,
    );
    const branch: HelperFormula = { part: 'branch', name: nameFor('branch'), formula: `case ${cases.join(' ')} end` };
    const values = cue.branches.map(({ name }): HelperFormula => ({
      part: name,
      name: nameFor(name),
      formula: `case when ${nameText(branch.name)} = ${literalText('text', name)} then ${m} end`,
    }));
    const marks = cue.branches.map(({ name, when }): Treatment => markOf(cue, name, /^branch \d+$/.test(name) ? when : name));
    return { helpers: [...columns, branch, ...values], treatments: [...cue.shows, ...marks] };
  },
  why: (cue, { part }) => {
    const branch = cue.branches.find(item => item.name === part);
    return branch ? `${branch.when} is true` : `${part} has a value`;
  },
  renamed: (cue, from, to) => {
    const names = new Map([[from, to]]);
    return {
      ...cue,
      columns: cue.columns.map(column => ({ ...column, formula: renameNames(column.formula, names) })),
      branches: cue.branches.map(branch => ({ ...branch, when: renameNames(branch.when, names) })),
    };
  },
});

/** The columns with names that are free in the figure; formulas follow. */
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
  while (branches.length < count) branches.push({ name: `branch ${branches.length + 1}`, when: `${nameText(cue.measure)} is not null` });
  const looks = Object.fromEntries(branches.map(({ name }, i) => [name, cue.looks[name] ?? look(COLOURS[i % COLOURS.length] as string)]));
  return { ...cue, branches, looks };
}
