import type { AxisChoice, Figure } from 'core/document';
import { messageFor } from 'core/result/words';
import { readSentence, type Token } from 'core/sentence';
import { chosen, figure, formats, tables } from '../first-figure/huts.spec';
import { briefOf, chooseWord, settings, subjectOf } from '../index';

type Axis = Partial<AxisChoice>;
const withAxis = (change: Axis, more: Partial<Figure['scales']> = {}): Figure => {
  const { scales } = figure;
  return { ...figure, scales: { ...scales, ...more, axes: { ...scales.axes, first: { ...scales.axes.first, ...change } } } };
};
const said = (now: Figure): string => readSentence(briefOf(subjectOf(now, tables)).scales.said);
const axisOf = (now: Figure): AxisChoice => now.scales.axes.first;

describe('words of a value axis', () => {
  const chosenWords: readonly [key: string, value: string, before: Axis, expected: Axis, says: RegExp][] = [
    ['scale:first', 'log', {}, { scale: 'log' }, /The axis is logarithmic\./],
    ['scale:first', 'log', { low: 0, high: 90 }, { scale: 'log', low: null, high: 90 }, /ends at 90\./],
    ['scale:first', 'symlog', { low: -5 }, { scale: 'symlog', low: -5 }, /symmetric log, for values on both sides of zero/],
    ['base:first', '2', { scale: 'log' }, { base: 2 }, /has the base 2\./],
    ['base:first', 'e', { scale: 'log' }, { base: Math.E }, /has the base e\./],
    ['base:first', '1.5', { scale: 'symlog' }, { base: 1.5 }, /has the base 1\.5\./],
    ['every:first', '3', { scale: 'log' }, { every: 3 }, /has a number at one power in 3\./],
    ['every:first', '1', { scale: 'log' }, { every: 1 }, /has a number at every power\./],
    ['every:first', 'fitting', { scale: 'log', every: 2 }, { every: null }, /is logarithmic\.$/],
    ['written:first', 'powers', { scale: 'log' }, { written: 'powers' }, /writes its numbers as powers of the base\./],
    ['headroom:first', '20 %', {}, { headroom: { as: 'share', amount: 0.2 } }, /keeps 20 % free beyond the data\./],
    ['headroom:first', '5,000', {}, { headroom: { as: 'value', amount: 5000 } }, /keeps 5,000 free/],
    ['headroom:first', '0 %', {}, { headroom: { as: 'share', amount: 0 } }, /keeps 0 % free/],
    ['ceiling:first', '100', {}, { ceiling: 100 }, /has a ceiling of 100\./],
    ['ceiling:first', '100 %', {}, { ceiling: 1 }, /has a ceiling of 1\./],
    ['floor:first', '-10', {}, { floor: -10 }, /has a floor of -10\./],
    ['axis-step:first', '2,500', {}, { step: { as: 'by', amount: 2500 } }, /has steps of 2,500\./],
    ['axis-step:first', 'about 8', {}, { step: { as: 'count', amount: 8 } }, /has about 8 steps\./],
    ['power:first', '5', {}, { power: 5 }, /counts in 10⁵\./],
    ['power:first', '-3', {}, { power: -3 }, /counts in 10⁻³\./],
    ['axis-title:first', 'Litres so far', {}, { title: 'Litres so far' }, /is titled Litres so far\./],
    ['axis-title:first', '', { title: 'x' }, { title: null }, /^$/],
    ['reversed:first', 'true', {}, { reversed: true }, /runs from high to low\./],
    ['breaks:first', '100 to 1,000', {}, { breaks: [{ from: 100, to: 1000 }] }, /leaves out 100 to 1,000\./],
    [
      'breaks:first',
      '300 to 400 and 100 to 200',
      {},
      {
        breaks: [
          { from: 100, to: 200 },
          { from: 300, to: 400 },
        ],
      },
      /leaves out 100 to 200 and 300 to 400\./,
    ],
    ['breaks:first', 'nothing', { breaks: [{ from: 1, to: 2 }] }, { breaks: [] }, /^$/],
    ['shares:first', '70 : 30', { breaks: [{ from: 1, to: 2 }] }, { shares: [70, 30] }, /gives its stretches room 70 : 30\./],
  ];
  for (const [key, value, before, expected, says] of chosenWords)
    it(`${key} to ${value}${Object.keys(before).length ? ` after ${Object.keys(before).join(', ')}` : ''}`, () => {
      const start = withAxis(before);
      const changed = { ...start, ...chosen(start, key, value) };
      expect(axisOf(changed)).toEqual({ ...axisOf(start), ...expected });
      expect(said(changed)).toMatch(says);
    });

  const refused: readonly [key: string, value: string, before: Axis, says: RegExp][] = [
    ['base:first', '1', { scale: 'log' }, /above 1/],
    ['base:first', '0.5', { scale: 'log' }, /above 1/],
    ['base:first', 'ten', { scale: 'log' }, /above 1/],
    ['base:first', '10000000', { scale: 'log' }, /At most 1,000,000/],
    ['base:first', '10', {}, /no setting “base:first”/],
    ['every:first', '1.5', { scale: 'log' }, /whole number/],
    ['every:first', '0', { scale: 'log' }, /whole number/],
    ['low:first', '0', { scale: 'log' }, /no place for 0/],
    ['high:first', '-3', { scale: 'log' }, /no place for -3/],
    ['low:first', '9', { high: 9 }, /run backwards/],
    ['headroom:first', '95 %', {}, /up to 90 %/],
    ['headroom:first', '-1', {}, /up to 90 %/],
    ['ceiling:first', 'high', {}, /A number or a percent/],
    ['ceiling:first', '5', { floor: 5 }, /floor, 5, must lie below the ceiling, 5/],
    ['floor:first', '7', { ceiling: 5 }, /floor, 7, must lie below the ceiling, 5/],
    ['axis-step:first', '0', {}, /from number to number/],
    ['axis-step:first', 'about 2.5', {}, /whole number of steps/],
    ['axis-step:first', 'about 500', {}, /50 at most/],
    ['power:first', '2.5', {}, /whole power/],
    ['power:first', '31', {}, /whole power/],
    ['axis-title:first', 'x'.repeat(201), {}, /200 characters at most/],
    ['breaks:first', '100', {}, /From value to value/],
    ['breaks:first', '9 to 5', {}, /9 to 5 leaves out nothing/],
    ['breaks:first', '1 to 5 and 4 to 8', {}, /4 to 8 meets the break before it/],
    ['breaks:first', '1 to 2 and 3 to 4 and 5 to 6 and 7 to 8 and 9 to 10', {}, /4 breaks at most/],
    ['shares:first', '50', { breaks: [{ from: 1, to: 2 }] }, /2 stretches: give 2 shares, such as “50 : 50”/],
    ['shares:first', '50 : 0', { breaks: [{ from: 1, to: 2 }] }, /A share for each stretch/],
    ['shares:first', '50 : 50', {}, /no setting/],
  ];
  for (const [key, value, before, says] of refused)
    it(`${key} refuses ${value}`, () => {
      const result = chooseWord(subjectOf(withAxis(before), tables, formats), key, value);
      expect(result.ok ? 'taken' : result.problems.map(messageFor).join(' ')).toMatch(says);
    });

  it('parts stacked to 100 % are not broken, and it is said what to do', () => {
    const full = { ...figure, shape: { ...figure.shape, arrange: 'full' as const } };
    const result = chooseWord(subjectOf(full, tables), 'breaks:first', '10 to 20');
    expect(result.ok ? 'taken' : result.problems.map(messageFor).join(' ')).toMatch(/no longer add up.*log axis/);
  });

  it('offers breaks at the gaps of what is read at the axis, and the room that each frees', () => {
    const marks = [
      { axis: 0, ends: Float64Array.of(20, 90, 60, 1010), lengths: true },
      { axis: 1, ends: Float64Array.of(1, 2, 3), lengths: true },
    ];
    const subject = subjectOf(figure, tables, [], { emptyRows: 0, marks, titles: [] });
    const { input } = settings['breaks']?.word(subject, 'first', 'breaks:first') as Token;
    expect(input.kind === 'entry' ? input.options.map(({ value, label }) => [value, label]) : []).toEqual([
      ['nothing', 'nothing'],
      ['125 to 1,000', '125 to 1,000: frees 87 % of the axis'],
    ]);
  });

  it('two axes tied by a factor say it, and nothing but a number above zero is one', () => {
    const tied = withAxis({}, { between: 'tied' });
    const two = { ...tied, data: { ...tied.data, measures: tied.data.measures.map(measure => ({ ...measure, axis: 'second' as const })) } };
    expect(said({ ...two, ...chosen(two, 'tie', '1,000') })).toContain('The second stands for 1,000 times the first.');
    for (const value of ['0', '-2', 'x']) expect(chooseWord(subjectOf(two, tables), 'tie', value).ok).toBeFalse();
    expect(chooseWord(subjectOf(figure, tables), 'tie', '2').ok).toBeFalse();
  });

  it('no two settings have one name', () => {
    const words = briefOf(subjectOf(figure, tables, formats));
    const keys = [words.data, words.shape, words.scales, words.words].flatMap(({ said: prose, finer }) =>
      [prose, ...finer].flatMap(sentence => sentence.flatMap(part => (typeof part === 'string' ? [] : [part.key]))),
    );
    expect(new Set(keys).size).toBe(keys.length);
  });
});
