import { DASHES } from 'core/frame';
import { nameText } from 'core/formula';
import { columnOf, type Column } from 'core/table';
import * as z from 'zod/mini';
import { peersOf } from '../scope/among';
import { choice, colour, cueFields, defineKind, level, levelWords, markOf } from '../define';
import type { HelperFormula } from '../kind';
import { levelParts } from '../level/level-parts';
import { isStatistic, levelColumns, levelFormula, levelSchema, renamedLevel } from '../level/level';
import { DASH_OPTIONS } from '../looks/line-tokens';
import { look } from '../looks/look';
import { legendScope, placeWords, windowOf } from '../scope/scope';
import { valuesWhere } from '../scope/values-where';

const schema = z.object({ ...cueFields('typical'), level: levelSchema, line: z.string(), dash: z.enum(DASHES) });

/** A line at a typical value, and what is above and below it. */
export type TypicalCue = z.infer<typeof schema>;

/**
 * Draws a typical value of a measure as a line, and colours what lies at or above it and below it. A statistic is that of the figure's rows (the
 * average of the bars); `overall` is the measure's own formula over all rows behind them (the average over all rows).
 */
export const typical = defineKind<TypicalCue>({
  kind: 'typical',
  help: 'Draw the average, a median, a percentile or a number as a line; colour above and below.',
  search: 'avg average mean median percentile total minimum maximum line constant above below',
  schema,
  tuning: [{ word: /^(median|minimum|maximum|p(\d{1,2}|100))$/, token: 'level' }],
  fresh: ({ measures }) => ({
    measure: measures[0] ?? '',
    scope: { kind: 'panels' },
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
  reads: (cue, say, words) => [
    'Draw ',
    ...levelParts(cue, say, words),
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
  columns: cue => [cue.measure, ...levelColumns(cue.level)],
  expand: (cue, nameFor) => {
    const m = nameText(cue.measure);
    const line: HelperFormula = {
      part: 'line',
      name: nameFor(levelWords(cue.level).replace(/^= .*/, 'line')),
      formula: levelFormula(cue.level, cue.measure, windowOf(cue.scope), cue.scope),
    };
    const where = (part: string, when: string): HelperFormula => valuesWhere({ part, name: nameFor(part), when, measure: m });
    return {
      helpers: [
        line,
        where('above', `${m} >= ${nameText(line.name)}`),
        where('below', `${m} < ${nameText(line.name)}`),
        { part: 'difference', name: nameFor('difference'), formula: `${m} - ${nameText(line.name)}` },
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
    const line = write(cue.measure, Number(helper('line')));
    const side = part === 'above' ? 'at or above' : 'below';
    if (isStatistic(cue.level)) {
      const among = peersOf(cue.scope, frame, row, cue.measure).seen;
      return `${cue.measure} ${value} is ${side} the ${levelWords(cue.level)} of ${among}, ${line}`;
    }
    const place = cue.level.is === 'overall' ? placeWords(cue.scope, frame, row) : '';
    return `${cue.measure} ${value} is ${side} ${levelWords(cue.level)}${place}, ${line}`;
  },
  renamed: (cue, from, to) => ({ ...cue, level: renamedLevel(cue.level, from, to) }),
});

const legendOf = (cue: Pick<TypicalCue, 'level'>, part: string): string => `${part} ${levelWords(cue.level)}`;
