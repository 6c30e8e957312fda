import { tied } from './ties';
import type { LabelAsk } from '../plan';

const ask = (at: number, text: string): LabelAsk => ({ at, text, where: 'end', rank: 1 });
const many = (count: number, text = '0'): LabelAsk[] => Array.from({ length: count }, (_, at) => ask(at, text));

describe('labels that say the same', () => {
  it('of up to five marks stand at each', () => expect(tied(many(5), 'hut')).toEqual(many(5)));
  it('of more marks are one, at the middle one', () =>
    expect(tied(many(7), 'hut')).toEqual([{ ...ask(3, '0 · 7 huts'), ties: [0, 1, 2, 3, 4, 5, 6] }]));
  it('leave others as they are, in order', () => {
    const [shared, other] = tied([...many(6), ask(9, '70')], 'hut');
    expect([shared?.text, other]).toEqual(['0 · 6 huts', ask(9, '70')]);
  });
  it('count values of a name that is no plain word', () =>
    expect(tied(many(400), 'Name der Hütte')[0]?.text).toBe('0 · 400 values of Name der Hütte'));
});
