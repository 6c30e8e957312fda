import { literalText, nameText } from 'core/formula';
import { choiceToken, type Token } from 'core/sentence';
import { columnOf, textAt, type Column, type NumericValues } from 'core/table';
import * as z from 'zod/mini';
import { choice, cueFields, defineKind, lookOf, markOf, yesNo, type TokenOf } from '../define';
import type { HelperFormula, Placed } from '../kind';
import {
  isStatistic,
  levelColumns,
  levelFormula,
  levelSchema,
  levelToken,
  levelWords,
  numberLevel,
  readLevel,
  renamedLevel,
  type Level,
} from '../level/level';
import { look } from '../looks/look';
import { measuresWithin } from '../scope/partners';
import { legendScope, windowOf } from '../scope/scope';
import type { Treatment } from '../looks/treatments';
import { valuesWhere } from '../scope/values-where';

const MOST_STEPS = 9;
const stepSchema = z.object({ name: z.string().check(z.minLength(1), z.maxLength(60)), upTo: z.nullable(levelSchema) });

/** Steps from low to high; the last has no upper edge. `edge`: the step of a value that equals an edge. */
const schema = z.object({
  ...cueFields('threshold'),
  steps: z.array(stepSchema).check(z.minLength(2), z.maxLength(MOST_STEPS)),
  edge: z.enum(['lower', 'upper']),
  lines: z.boolean(),
});

/** Steps of a measure, each with its look. */
export type ThresholdCue = z.infer<typeof schema>;
const COLOURS = ['slate', 'brass', 'clay', 'pasture', 'plum', 'lake'];

const nameToken = (at: number): TokenOf<ThresholdCue> => ({
  token: (cue, _words, key): Token => {
    const value = cue.steps[at]?.name ?? '';
    return { key, about: `Name of step ${at + 1}`, text: value, input: { kind: 'text', value, placeholder: `step ${at + 1}` } };
  },
  // A name stands for its step in the helper column: two steps never share one.
  set: (cue, value) =>
    value.trim() && cue.steps.every((step, i) => i === at || step.name !== value.trim()) ? renamedStep(cue, at, value.trim()) : cue,
});

function renamedStep(cue: ThresholdCue, at: number, name: string): ThresholdCue {
  const old = cue.steps[at]?.name ?? '';
  const { [old]: kept, ...looks } = cue.looks;
  return {
    ...cue,
    steps: cue.steps.map((step, i) => (i === at ? { ...step, name } : step)),
    looks: { ...looks, [name]: kept ?? look('brass') },
  };
}

const edgeToken = (at: number): TokenOf<ThresholdCue> => ({
  token: (cue, words, key) => levelToken(key, `Upper edge of ${cue.steps[at]?.name ?? ''}`, cue.steps[at]?.upTo ?? numberLevel(0), words),
  set: (cue, value, words) => {
    const upTo = readLevel(value, measuresWithin(words), words.along);
    return upTo ? { ...cue, steps: cue.steps.map((step, i) => (i === at ? { ...step, upTo } : step)) } : cue;
  },
});

const places = Array.from({ length: MOST_STEPS }, (_, i) => i);

/** Colours a measure by steps between levels. */
export const threshold = defineKind<ThresholdCue>({
  kind: 'threshold',
  help: 'Colour by steps: below a limit, between limits, above; a limit may be computed.',
  search: 'limit target traffic light steps bands above below percentile standard deviation class',
  schema,
  fresh: ({ measures }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'figure' },
    steps: [
      { name: 'low', upTo: { is: 'percentile', percentile: 25 } },
      { name: 'middle', upTo: { is: 'percentile', percentile: 75 } },
      { name: 'high', upTo: null },
    ],
    edge: 'lower',
    lines: false,
    quiet: false,
    looks: { low: look('clay'), middle: look(''), high: look('pasture') },
  }),
  tokens: {
    ...Object.fromEntries(
      places.flatMap(at => [
        [`name:${at}`, nameToken(at)],
        [`edge:${at}`, edgeToken(at)],
      ]),
    ),
    edge: choice('edge', 'A value right on an edge', [
      { value: 'lower', label: 'the lower step' },
      { value: 'upper', label: 'the upper step' },
    ]),
    lines: yesNo('lines', 'The edges', 'draw the edges as lines', 'draw no lines'),
    count: {
      token: (cue, _words, key) =>
        choiceToken(
          key,
          'Number of steps',
          String(cue.steps.length),
          places.slice(1).map(i => ({ value: String(i + 1), label: `${i + 1} steps` })),
        ),
      set: (cue, value) => withSteps(cue, Number(value)),
    },
  },
  reads: (cue, say) => [
    'Colour ',
    say('measure'),
    ' by ',
    say('count'),
    ' ',
    say('scope'),
    ': ',
    ...cue.steps.flatMap(({ name, upTo }, i) => [
      ...(i ? [', '] : []),
      say(`name:${i}`),
      ...(upTo ? [cue.edge === 'lower' ? ' up to ' : ' below ', say(`edge:${i}`)] : [cue.edge === 'lower' ? ' above' : ' from there up']),
      ' in ',
      say(`look:${name}`),
    ]),
    '; ',
    say('labels'),
    ', ',
    say('lines'),
    '.',
  ],
  sees: ({ steps }) => steps.some(({ upTo }) => upTo !== null && isStatistic(upTo)),
  finer: (_cue, say) => [['A value right on an edge belongs to ', say('edge'), '; ', say('quiet'), '.']],
  parts: cue => cue.steps.map(step => step.name),
  columns: cue => [cue.measure, ...cue.steps.flatMap(({ upTo }) => (upTo ? levelColumns(upTo) : []))],
  expand: (cue, nameFor) => {
    const m = nameText(cue.measure);
    const edges = cue.steps.flatMap(({ upTo }, i) => (upTo ? [edgeHelper(cue, upTo, i, nameFor)] : []));
    const sign = cue.edge === 'lower' ? '<=' : '<';
    // Past an edge that is not known nothing is known of the step.
    const branches = cue.steps.map(({ name }, i) => {
      const [edge, before] = [edges[i], edges[i - 1]];
      const known = before ? `when ${nameText(before.name)} is null then null ` : '';
      return `${known}when ${m} ${edge ? `${sign} ${nameText(edge.name)}` : 'is not null'} then ${literalText('text', name)}`;
    });
    const step: HelperFormula = { part: 'step', name: nameFor('step'), formula: `case ${branches.join(' ')} end` };
    const values = cue.steps.map(({ name }) =>
      valuesWhere({ part: name, name: nameFor(name), when: `${nameText(step.name)} = ${literalText('text', name)}`, measure: m }),
    );
    const treatments: Treatment[] = [
      ...cue.steps.map(({ name }) => markOf(cue, name, `${name}${legendScope(cue.scope)}`)),
      ...(cue.lines ? edges.map((edge, i) => edgeLine(cue, edge.part, i)) : []),
    ];
    return { helpers: [...edges, step, ...values], treatments };
  },
  why: (cue, { frame, row, part, write, helper }) => {
    const at = cue.steps.findIndex(step => step.name === part);
    const upper = cue.edge === 'upper';
    const edge = (i: number): string => {
      const value = helper(`edge ${i + 1}`);
      return typeof value === 'number' ? write(cue.measure, value) : 'its edge';
    };
    const value = write(cue.measure, (columnOf(frame.table, cue.measure) as Column).data[row] as number);
    const from = at > 0 ? `${upper ? 'from' : 'above'} ${edge(at - 1)}` : '';
    const to = cue.steps[at]?.upTo ? `${upper ? 'below' : 'up to'} ${edge(at)}` : '';
    const name = textAt(columnOf(frame.table, frame.category) as Column, row) || 'this row';
    return `${cue.measure} ${value} of ${name} is “${part}”: ${[from, to].filter(Boolean).join(', ')}`;
  },
  unjudged: (cue, { frame, row, helper }) => {
    const value = (columnOf(frame.table, cue.measure) as NumericValues).data[row] as number;
    if (Number.isNaN(value)) return null;
    const at = cue.steps.findIndex(({ upTo }, i) => upTo !== null && helper(`edge ${i + 1}`) === null);
    const edge = cue.steps[at]?.upTo;
    return edge ? `${cue.measure} has no step here, because the edge “${levelWords(edge)}” has no value` : null;
  },
  renamed: (cue, from, to) => ({
    ...cue,
    steps: cue.steps.map(step => ({ ...step, upTo: step.upTo && renamedLevel(step.upTo, from, to) })),
  }),
});

const edgeHelper = (cue: Placed<ThresholdCue>, upTo: Level, i: number, nameFor: (part: string) => string): HelperFormula => ({
  part: `edge ${i + 1}`,
  name: nameFor(`edge ${i + 1}`),
  formula: levelFormula(upTo, cue.measure, windowOf(cue.scope), cue.scope),
});

const edgeLine = (cue: Placed<ThresholdCue>, part: string, i: number): Treatment => ({
  show: 'line',
  part,
  measure: cue.measure,
  colour: lookOf(cue, cue.steps[i]?.name ?? '').colour,
  dash: 'dashed',
  width: 1.5,
  marker: '',
  form: 'level',
  axis: 'same',
  label: true,
  legend: levelWords(cue.steps[i]?.upTo as Level),
  drag: cue.steps[i]?.upTo?.is === 'number' ? `edge:${i}` : null,
});

/** The cue with a number of steps: new ones are added above, at percentiles that divide evenly; removed ones are the upper ones. */
function withSteps(cue: ThresholdCue, count: number): ThresholdCue {
  const kept = cue.steps.slice(0, count).map((step, i) => ({ ...step, upTo: step.upTo ?? evenEdge(i, count) }));
  while (kept.length < count) kept.push({ name: freeStep(kept), upTo: evenEdge(kept.length, count) });
  const steps = kept.map((step, i) => (i === count - 1 ? { ...step, upTo: null } : step));
  const looks = Object.fromEntries(steps.map(({ name }, i) => [name, cue.looks[name] ?? look(COLOURS[i % COLOURS.length] as string)]));
  return { ...cue, steps, looks };
}

const evenEdge = (i: number, count: number): Level => ({ is: 'percentile', percentile: Math.round((100 * (i + 1)) / count) });

function freeStep(steps: readonly { readonly name: string }[]): string {
  let n = steps.length + 1;
  while (steps.some(step => step.name === `step ${n}`)) n++;
  return `step ${n}`;
}
