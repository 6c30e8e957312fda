import { DASHES } from 'core/frame';
import { nameText } from 'core/formula';
import { columnOf, type Column } from 'core/table';
import * as z from 'zod/mini';
import { choice, colour, cueFields, defineKind, level, levelWords, markOf } from './define';
import type { HelperFormula } from './kind';
import { levelFormula, levelSchema, renamedLevel } from './level';
import { DASH_OPTIONS } from './line-tokens';
import { look } from './look';
import { legendScope, windowOf } from './scope';

const schema = z.object({ ...cueFields('typical'), level: levelSchema, line: z.string(), dash: z.enum(DASHES) });

export type TypicalCue = z.infer<typeof schema>;

/** Draws a typical value of a measure as a line, and colours what lies at or above it and below it. */
export const typical = defineKind<TypicalCue>({
  kind: 'typical',
  help: 'Draw the average, a median, a percentile or a number as a line; colour above and below.',
  search: 'avg average mean median percentile total minimum maximum line constant above below',
  schema,
  fresh: ({ measures }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'figure' },
    level: { is: 'stat', stat: 'average' },
    line: 'ink',
    dash: 'dashed',
    quiet: false,
    looks: { above: look('brass'), below: look('') },
  }),
  differs: true,
  tokens: {
    level: level('level', 'Typical value'),
    line: colour('line', 'Colour of the line'),
    dash: choice('dash', 'Dash of the line', DASH_OPTIONS),
  },
  reads: (_cue, say) => [
    'Draw the ',
    say('level'),
    ' of ',
    say('measure'),
    ' ',
    say('scope'),
    ' as a ',
    say('dash'),
    ' line in ',
    say('line'),
    '; from it up in ',
    say('look:above'),
    ', below in ',
    say('look:below'),
    ', ',
    say('labels'),
    '; ',
    say('quiet'),
    '.',
  ],
  parts: () => ['above', 'below'],
  columns: cue => [cue.measure],
  expand: (cue, nameFor) => {
    const m = nameText(cue.measure);
    const line: HelperFormula = {
      part: 'line',
      name: nameFor(levelWords(cue.level).replace(/^= .*/, 'line')),
      formula: levelFormula(cue.level, cue.measure, windowOf(cue.scope)),
    };
    const helper = (part: string, formula: string): HelperFormula => ({ part, name: nameFor(part), formula });
    return {
      helpers: [
        line,
        helper('above', `case when ${m} >= ${nameText(line.name)} then ${m} end`),
        helper('below', `case when ${m} < ${nameText(line.name)} then ${m} end`),
        helper('difference', `${m} - ${nameText(line.name)}`),
      ],
      treatments: [
        ...['above', 'below'].map(part => markOf(cue, part, legendOf(cue, part), { difference: 'difference' })),
        {
          show: 'line',
          part: 'line',
          measure: cue.measure,
          colour: cue.line,
          dash: cue.dash,
          width: 1.75,
          marker: '',
          form: 'level',
          axis: 'same',
          label: true,
          legend: `${levelWords(cue.level)}${legendScope(cue.scope)}`,
          drag: cue.level.is === 'number' ? 'level' : null,
        },
      ],
    };
  },
  why: (cue, { frame, row, part, write, helper }) => {
    const value = write(cue.measure, (columnOf(frame.table, cue.measure) as Column).data[row] as number);
    return `${cue.measure} ${value} is ${part === 'above' ? 'at or above' : 'below'} the ${levelWords(cue.level)}, ${write(cue.measure, Number(helper('line')))}`;
  },
  renamed: (cue, from, to) => ({ ...cue, level: renamedLevel(cue.level, from, to) }),
});

const legendOf = (cue: TypicalCue, part: string): string => `${part} ${levelWords(cue.level)}`;
