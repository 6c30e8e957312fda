import { choiceToken, counted, nearest, plainOptions, readSentence, textToken } from './index';

describe('sentences', () => {
  it('a token reads as its chosen option, or as its bare value', () => {
    const options = [{ value: 'a', label: 'the first' }];
    expect(choiceToken('k', 'About', 'a', options).text).toBe('the first');
    expect(choiceToken('k', 'About', 'gone', options).text).toBe('gone');
    expect(readSentence(['Take ', choiceToken('k', 'About', 'a', options), '.'])).toBe('Take the first.');
    expect(readSentence([textToken('k', 'About', '', 'nothing')])).toBe('nothing');
    expect(plainOptions(['x'])).toEqual([{ value: 'x', label: 'x' }]);
  });
  const counts: readonly [count: number, noun: string, text: string][] = [
    [1, 'hut', '1 hut'],
    [20, 'hut', '20 huts'],
    [5, 'valley', '5 valleys'],
    [2, 'dairy', '2 dairies'],
    [3, 'batch', '3 batches'],
    [0, 'row', '0 rows'],
    [4, 'Name der Hütte', '4 values of Name der Hütte'],
    [1, 'week_no', '1 value of week_no'],
  ];
  for (const [count, noun, text] of counts) it(text, () => expect(counted(count, noun)).toBe(text));
  const near: readonly [query: string, found: readonly string[]][] = [
    ['hghest', ['Mark the highest']],
    ['gridlins', ['Gridlines']],
    ['decimal digits', ['Decimals']],
    ['export', ['Hand over']],
    ['exprt', ['Hand over']],
    ['zzz', []],
    ['', []],
  ];
  const entries = [
    { name: 'Mark the highest' },
    { name: 'Gridlines' },
    { name: 'Decimals', search: 'digits round' },
    { name: 'Hand over', search: 'export' },
  ];
  for (const [query, found] of near)
    it(`near “${query}” lies ${found.join(', ') || 'nothing'}`, () =>
      expect(nearest(query, entries, 1).map(({ name }) => name)).toEqual([...found]));
});
