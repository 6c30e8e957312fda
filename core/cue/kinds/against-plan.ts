import { nameText } from 'core/formula';
import { columnOf, type Column } from 'core/table';
import * as z from 'zod/mini';
import { negativeProblems } from '../common-problems';
import { choice, cueFields, defineKind, lookOf, measure, yesNo } from '../define';
import type { HelperFormula, Placed } from '../kind';
import { look } from '../looks/look';
import { partnerOf } from '../scope/partners';
import type { CueFacts } from '../scope/surroundings';
import type { Treatment } from '../looks/treatments';

const schema = z.object({
  ...cueFields('plan'),
  plan: z.string(),
  way: z.enum(['parts', 'line']),
  total: z.boolean(),
});

/** An actual value against its plan. */
export type PlanCue = z.infer<typeof schema>;

const PLAN = /\b(plan|planned|target|goal|budget|expected|quota)\b/i;
const ACTUAL = /\b(actual|real|reached|result|delivered|sold)\b/i;

/** A measure and its plan. Where the figure shows only the plan, the actual value is its partner in the table. */
function actualAndPlan(words: CueFacts): Pick<PlanCue, 'measure' | 'plan'> {
  const isPlan = (name: string): boolean => PLAN.test(name.replaceAll('_', ' '));
  const actual = words.measures.find(name => !isPlan(name));
  if (actual !== undefined) return { measure: actual, plan: partnerOf(words, actual, PLAN) };
  const [planned = ''] = words.measures;
  return { measure: partnerOf(words, planned, ACTUAL), plan: planned };
}

/** Splits an actual value against its plan into reached, short by and beyond; or into below and above with the plan as a line. */
export const againstPlan = defineKind<PlanCue>({
  kind: 'plan',
  help: 'Split actual against plan: reached, short by, beyond.',
  search: 'target goal budget actual above below plan missed shortfall variance',
  schema,
  fresh: words => ({
    ...actualAndPlan(words),
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
    total: yesNo('total', 'The actual value', 'the actual value on top', 'no value on top'),
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
    const sum = part('whole', `case when ${planned} is not null then ${actual} end`);
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

const legendOf = (cue: Placed<PlanCue>, part: string): string =>
  cue.way === 'parts' ? part : part === 'reached' ? `up to ${cue.plan}` : `above ${cue.plan}`;

/** A sign for parts on top of the stack: missing from the plan, or beyond it. */
const signOf = (part: string): { sign?: '+' | '−' } => (part === 'beyond' ? { sign: '+' } : part === 'short by' ? { sign: '−' } : {});

const planLine = (cue: Placed<PlanCue>): Treatment => ({
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
