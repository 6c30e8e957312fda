import { nameText } from 'core/formula';
import { columnOf, type Column } from 'core/table';
import * as z from 'zod/mini';
import { negativeProblems } from './common-problems';
import { choice, cueFields, defineKind, lookOf, measure, yesNo } from './define';
import type { HelperFormula } from './kind';
import { look } from './look';
import type { Treatment } from './treatments';

const schema = z.object({
  ...cueFields('plan'),
  plan: z.string(),
  way: z.enum(['parts', 'line']),
  total: z.boolean(),
});

export type PlanCue = z.infer<typeof schema>;

/** Splits an actual value against its plan into reached, short by and beyond; or into below and above with the plan as a line. */
export const plan = defineKind<PlanCue>({
  kind: 'plan',
  help: 'Split actual against plan: reached, short by, beyond.',
  search: 'target goal budget actual above below plan missed shortfall variance',
  schema,
  fresh: ({ measures }) => ({
    measure: measures[0] ?? '',
    plan: measures.find(name => /plan|target|goal|budget|expected/i.test(name)) ?? measures[1] ?? '',
    way: 'parts',
    total: false,
    scope: { kind: 'figure' },
    quiet: false,
    looks: { reached: look('slate'), 'short by': look('clay', 'value'), beyond: look('pasture', 'value') },
  }),
  tokens: {
    plan: measure('plan', 'Plan'),
    way: choice('way', 'How the plan shows', [
      { value: 'parts', label: 'reached, short by and beyond' },
      { value: 'line', label: 'a part below and a part above, the plan as a line' },
    ]),
    total: yesNo('total', 'The whole', 'the whole on top', 'no total'),
  },
  reads: (cue, say) => [
    'Split ',
    say('measure'),
    ' against ',
    say('plan'),
    ' into ',
    say('way'),
    ' in ',
    say('look:reached'),
    ...(cue.way === 'parts' ? [', ', say('look:short by')] : []),
    ' and ',
    say('look:beyond'),
    ', ',
    say('labels'),
    ', ',
    say('total'),
    '.',
  ],
  parts: cue => (cue.way === 'parts' ? ['reached', 'short by', 'beyond'] : ['reached', 'beyond']),
  columns: cue => [cue.measure, cue.plan],
  named: ['plan'],
  expand: (cue, nameFor) => {
    const [actual, planned] = [nameText(cue.measure), nameText(cue.plan)];
    const part = (name: string, formula: string): HelperFormula => ({ part: name, name: nameFor(name), formula });
    const parts = [
      part('reached', `least(${actual}, ${planned})`),
      ...(cue.way === 'parts' ? [part('short by', `greatest(${planned} - ${actual}, 0)`)] : []),
      part('beyond', `greatest(${actual} - ${planned}, 0)`),
    ];
    const sum = part('whole', parts.map(({ name }) => nameText(name)).join(' + '));
    const split: Treatment = {
      show: 'split',
      measure: cue.measure,
      parts: parts.map(({ part: name }) => ({ part: name, look: lookOf(cue, name), legend: legendOf(cue, name), ...signOf(name) })),
      total: cue.total ? 'whole' : null,
      hides: [cue.plan],
    };
    return cue.way === 'parts'
      ? { helpers: [...parts, sum], treatments: [split] }
      : { helpers: [...parts, sum, part('plan line', planned)], treatments: [split, planLine(cue)] };
  },
  problems: (cue, frame) => [...negativeProblems(cue.measure, frame), ...negativeProblems(cue.plan, frame)],
  why: (cue, { frame, row, part, write, helper }) => {
    const value = (name: string): string => write(name, (columnOf(frame.table, name) as Column).data[row] as number);
    const size = write(cue.measure, Number(helper(part) ?? 0));
    const words = part === 'reached' ? `${size} of it is within the plan` : part === 'beyond' ? `${size} beyond` : `short by ${size}`;
    return `${cue.measure} is ${value(cue.measure)} against ${value(cue.plan)} planned: ${words}`;
  },
});

const legendOf = (cue: PlanCue, part: string): string =>
  cue.way === 'parts' ? part : part === 'reached' ? `up to ${cue.plan}` : `above ${cue.plan}`;

/** What is missing and what is beyond stand on top of the stack, and say which way they go. */
const signOf = (part: string): { sign?: '+' | '−' } => (part === 'beyond' ? { sign: '+' } : part === 'short by' ? { sign: '−' } : {});

const planLine = (cue: PlanCue): Treatment => ({
  show: 'line',
  part: 'plan line',
  measure: cue.measure,
  colour: 'ink',
  dash: 'dashed',
  width: 2,
  marker: 'dot',
  form: 'joined',
  axis: 'same',
  label: false,
  legend: cue.plan,
  drag: null,
});
