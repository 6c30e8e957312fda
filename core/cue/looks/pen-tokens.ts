import { penSchema, withPen, type Line, type Pen } from 'core/frame';
import { choiceToken, type Option, type Sentence, type Token } from 'core/sentence';
import { DASH_OPTIONS } from './line-tokens';
import type { CueBase } from '../kind';
import type { TreatmentOf } from './treatments';

const WIDTHS = [1, 1.5, 2, 2.5, 3, 4];
const NO_PEN: Pen = { width: null, dash: null, marker: null };

const MARKER_OPTIONS: readonly Option[] = [
  { value: '', label: 'without markers' },
  { value: 'dot', label: 'with dots' },
  { value: 'ring', label: 'with rings' },
  { value: 'square', label: 'with squares' },
  { value: 'diamond', label: 'with diamonds' },
  { value: 'up', label: 'with triangles' },
  { value: 'cross', label: 'with crosses' },
];

/** Tokens for width, dash and marker of a line; their keys begin with `prefix`. */
function penWords(prefix: string, line: Line): { width: Token; dash: Token; marker: Token } {
  const widths = [...new Set([...WIDTHS, line.width])].sort((a, b) => a - b);
  const options = widths.map(width => ({ value: String(width), label: `${width} px wide` }));
  return {
    width: choiceToken(`${prefix}:width`, 'Width of the line', String(line.width), options),
    dash: choiceToken(`${prefix}:dash`, 'Dash', line.dash, DASH_OPTIONS),
    marker: choiceToken(`${prefix}:marker`, 'Markers', line.marker, MARKER_OPTIONS),
  };
}

/** One token for the whole line, such as "2 px wide, solid"; each option changes one setting (see `readPen`). */
export function penWord(key: string, about: string, line: Line): Token {
  const { width, dash, marker } = penWords(key, line);
  const tokens = [width, dash, marker];
  const options = tokens.flatMap(optionsOf);
  const text = tokens.filter(token => token !== marker || line.marker !== '').map(token => token.text);
  return { key, about, text: text.join(', '), input: { kind: 'choice', value: '', options } };
}

/** The options of a token, grouped by setting, the current ones ticked. */
function optionsOf({ key, input }: Token): Option[] {
  if (input.kind !== 'choice') return [];
  const setting = key.slice(key.lastIndexOf(':') + 1);
  return input.options.map(({ value, label }) => ({ value: `${setting}:${value}`, label, ticked: value === input.value }));
}

/** The pen of an option's value. Throws a RangeError for an unknown value. */
export function readPen(pen: Pen | undefined, value: string): Pen {
  const [setting = '', to = ''] = value.split(':');
  return changePen(pen, setting, to);
}

/** A pen with one setting changed. Throws a RangeError for an unknown value. */
export function changePen(pen: Pen | undefined, setting: string, value: string): Pen {
  if (!(setting in NO_PEN)) throw new RangeError(`a line has no ${setting}`);
  return penSchema.parse({ ...(pen ?? NO_PEN), [setting]: setting === 'width' ? Number(value) : value });
}

/** The finer setting of a cue that draws lines; empty where it draws none. A dash that the sentence already offers is left out. */
export function penSentence(cue: CueBase, lines: readonly TreatmentOf<'line'>[]): Sentence[] {
  const line = lines.find(({ form }) => form !== 'columns');
  if (!line) return [];
  const { width, dash, marker } = penWords('pen', withPen(line, cue.pen));
  const parts = [
    ...(line.form === 'points' ? [] : [width]),
    ...(line.form === 'points' || 'dash' in cue ? [] : [dash]),
    ...(line.form === 'level' ? [] : [marker]),
  ];
  return [
    [line.form === 'points' ? 'Its points are drawn ' : 'Its line is ', ...parts.flatMap((part, i) => (i ? [', ', part] : [part])), '.'],
  ];
}
