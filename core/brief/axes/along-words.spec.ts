import type { Figure } from 'core/document';
import { readSentence } from 'core/sentence';
import { chosen, figure, tables } from '../first-figure/huts.spec';
import { briefOf, chooseWord, subjectOf } from '../index';

const along = (category: string, change: Partial<Figure['data']> = {}): Figure => ({
  ...figure,
  data: { ...figure.data, category, order: { by: 'category', descending: false }, ...change },
});
const finer = (now: Figure): string => briefOf(subjectOf(now, tables)).scales.finer.map(readSentence).join(' ');
const said = (now: Figure): string => readSentence(briefOf(subjectOf(now, tables)).scales.said);

describe('words of the category axis', () => {
  const waiting: readonly [name: string, figure: Figure, has: readonly string[], not: readonly string[]][] = [
    [
      'of dates',
      along('week'),
      ['The values of week lie to scale.', 'Weeks are named by their Monday.', 'Months and weeks are written in English'],
      [],
    ],
    ['of numbers', along('week no'), ['The values of week no lie side by side.'], ['Weeks are named', 'written in']],
    ['of names', along('hut'), ['Names of the categories stand as fits the room.'], ['The values of', 'Weeks']],
    ['of bins', along('week no', { step: { kind: 'bin', width: 1 } }), [], ['The values of']],
    [
      'of dates by size',
      along('week', { order: { by: 'measure', measure: 'milk', descending: true } }),
      ['Weeks are named'],
      ['The values of'],
    ],
    ['of months', along('week', { step: { kind: 'grain', grain: 'month' } }), ['lie to scale'], ['Weeks are named']],
  ];
  for (const [name, now, has, not] of waiting)
    it(name, () => {
      for (const words of has) expect(finer(now)).toContain(words);
      for (const words of not) expect(finer(now)).not.toContain(words);
    });

  const decided: readonly [key: string, value: string, category: string, says: string][] = [
    ['spacing', 'even', 'week', 'The values of week lie side by side.'],
    ['spacing', 'scaled', 'week no', 'The values of week no lie to scale.'],
    ['names', 'turned', 'hut', 'Their names stand turned.'],
    ['weeks', 'number', 'week', 'Weeks are named by their number.'],
    ['date-language', 'de', 'week', 'Months and weeks are written in German: Jan, Mai, Dez.'],
    ['axis-side', 'far', 'hut', 'The axis stands on the right.'],
  ];
  for (const [key, value, category, says] of decided)
    it(`${key} as ${value}`, () => {
      const now = along(category);
      expect(said({ ...now, ...chosen(now, key, value) })).toContain(says);
    });
  it('a lying figure has its axis below or above', () => {
    const lying = { ...figure, shape: { ...figure.shape, mark: 'bar' as const } };
    expect(said({ ...lying, ...chosen(lying, 'axis-side', 'far') })).toContain('The axis stands above.');
  });
  it('what is not offered is refused', () => expect(chooseWord(subjectOf(along('week'), tables), 'date-language', 'xx').ok).toBeFalse());
});

describe('an end of an axis that is a formula', () => {
  it('reads as its formula, and speaks of a measure under its new name', () => {
    const bounded: Figure = { ...figure, ...chosen(figure, 'low:first', '0.8 * min(milk)') };
    expect(bounded.scales.axes.first.low).toBe('0.8 * min(milk)');
    expect(said(bounded)).toContain('The axis begins at 0.8 * min(milk).');
    const other: Figure = { ...bounded, ...chosen(bounded, 'measure:0', 'fat') };
    expect(other.scales.axes.first.low).toBe('0.8 * min(fat)');
  });
  for (const [text, says] of [
    ['min(cheese)', 'No column is called “cheese”'],
    ['0.8 *', 'the formula ends too early'],
    ['milk', 'has many values per group'],
  ] as const)
    it(`refuses ${text} at the word`, () => {
      const result = chooseWord(subjectOf(figure, tables), 'high:first', text);
      expect(result.ok ? 'taken' : JSON.stringify(result.problems)).toContain(says);
    });
});
