import { along, checkValues, level, n } from './kind-frames.spec';

describe('helper columns of kinds that mark and compare, by hand', () => {
  const A = [10, 40, 20, 30, 20, 0];
  checkValues([
    [
      'rank: ties share a place, all at the edge are in',
      'rank',
      { n: 3 },
      A,
      A,
      { rank: [5, 1, 3, 2, 3, 6], in: [n, 40, 20, 30, 20, n], rest: [10, n, n, n, n, 0] },
    ],
    ['rank: a missing value has no place', 'rank', { n: 2 }, [5, n, 7], [5, n, 7], { rank: [2, n, 1], in: [5, n, 7] }],
    ['rank: bottom', 'rank', { n: 1, end: 'bottom' }, A, A, { rank: [2, 6, 3, 5, 3, 1], in: [n, n, n, n, n, 0] }],
    ['rank: a third of the places', 'rank', { n: 34, unit: 'percent' }, A, A, { in: [n, 40, 20, 30, 20, n] }],
    [
      'rank: those that together make half the total',
      'rank',
      { n: 50, unit: 'share' },
      A,
      A,
      { 'cumulated share': [1, 1 / 3, 11 / 12, 7 / 12, 11 / 12, 1].map(value => Number(value.toFixed(6))), in: [n, 40, n, 30, n, n] },
    ],
    ['rank: within a group', 'rank', { n: 1, scope: { kind: 'within', columns: ['g'] } }, A, A, { in: [n, 40, n, 30, n, n] }],
    [
      'threshold: steps with the edge in the lower one',
      'threshold',
      {
        steps: [
          { name: 'low', upTo: level('10') },
          { name: 'middle', upTo: level('20') },
          { name: 'high', upTo: n },
        ],
      },
      [10, 40, 20, n],
      [n, n, n, n],
      { step: ['low', 'high', 'middle', n], low: [10, n, n, n], middle: [n, n, 20, n], high: [n, 40, n, n] },
    ],
    [
      'threshold: the edge in the upper one',
      'threshold',
      {
        edge: 'upper',
        steps: [
          { name: 'low', upTo: level('10') },
          { name: 'high', upTo: n },
        ],
      },
      [10, 9],
      [n, n],
      { step: ['high', 'low'] },
    ],
    [
      'threshold: past an edge that is not known there is no step',
      'threshold',
      {
        steps: [
          { name: 'low', upTo: level('b') },
          { name: 'middle', upTo: level('30') },
          { name: 'high', upTo: n },
        ],
      },
      [10, 10, 25, 40, 40],
      [15, n, 20, 20, n],
      { step: ['low', n, 'middle', 'high', n], high: [n, n, n, 40, n] },
    ],
    [
      'threshold: the deviation of one row gives no edge',
      'threshold',
      {
        steps: [
          { name: 'low', upTo: level('average + 1 sd') },
          { name: 'high', upTo: n },
        ],
      },
      [10],
      [n],
      { 'edge 1': [n], step: [n], high: [n] },
    ],
    [
      // Edges at 1.7, 2.8, 3.9, 5, 6.1, 7.2: 2.8 stands on one and belongs to the class above it.
      'gradient: a value on the edge of two classes',
      'gradient',
      { classes: 5 },
      [1.7, 2.8, 7.2, 2.79],
      [n, n, n, n],
      { class: [1, 2, 5, 1], shade: [0.1, 0.3, 0.9, 0.1] },
    ],
    [
      'threshold: a share of another column, an average with deviations',
      'threshold',
      {
        steps: [
          { name: 'low', upTo: level('50 % of b') },
          { name: 'middle', upTo: level('average + 1 sd') },
          { name: 'high', upTo: n },
        ],
      },
      [10, 40, 20, 30],
      [30, 40, 50, 20],
      // Average 25, sample standard deviation √(500/3) = 12.909944.
      { 'edge 1': [15, 20, 25, 10], 'edge 2': [37.909944, 37.909944, 37.909944, 37.909944], step: ['low', 'high', 'low', 'middle'] },
    ],
    [
      'plan: reached, short by, beyond',
      'plan',
      { plan: 'b' },
      [10, 40, 20, n, 5],
      [15, 30, 20, 7, n],
      { reached: [10, 30, 20, n, n], 'short by': [5, 0, 0, n, n], beyond: [0, 10, 0, n, n], whole: [10, 40, 20, n, n] },
    ],
    [
      'plan: below and above, the plan as a line',
      'plan',
      { plan: 'b', way: 'line' },
      [10, 40],
      [15, 30],
      { reached: [10, 30], beyond: [0, 10], 'plan line': [15, 30] },
    ],
    [
      'typical: the average, equal counts as above',
      'typical',
      {},
      [10, 20, 30, n],
      [n, n, n, n],
      { line: [20, 20, 20, 20], above: [n, 20, 30, n], below: [10, n, n, n], difference: [-10, 0, 10, n] },
    ],
    ['typical: a percentile', 'typical', { level: level('p75') }, [10, 20, 30, 40], [n, n, n, n], { line: [32.5, 32.5, 32.5, 32.5] }],
    [
      'typical: the median within a group',
      'typical',
      { level: level('median'), scope: { kind: 'within', columns: ['g'] } },
      A,
      A,
      { line: [20, 20, 20, 20, 20, 20] },
    ],
    ['typical: a formula', 'typical', { level: level('= 2 * min(b)') }, [1, 2, 3], [4, 5, 6], { line: [8, 8, 8] }],
    ['reference: a column, a number', 'reference', { level: level('b') }, [1, 2], [4, n], { reference: [4, n] }],
    ['reference: a number per row', 'reference', { level: level('1,250') }, [1, 2], [4, n], { reference: [1250, 1250] }],
    [
      'span',
      'span',
      { high: 'b' },
      [3, 8, n],
      [7, 5, 1],
      {
        low: [3, 5, n],
        high: [7, 8, n],
        spread: [4, 3, n],
        middle: [5, 6.5, n],
        'average low': [4, 4, 4],
        'average high': [7.5, 7.5, 7.5],
      },
    ],
    [
      'compare: another column',
      'compare',
      {},
      [5, 3, 4, n],
      [3, 5, 4, 1],
      { difference: [2, -2, 0, n], direction: ['more', 'less', 'equal', n], more: [5, n, n, n], less: [n, 3, n, n] },
    ],
    ['gradient: from light to deep', 'gradient', {}, [10, 20, 30, n], [n, n, n, n], { position: [0, 0.5, 1, n] }],
    ['gradient: equal values lie in the middle', 'gradient', {}, [4, 4], [n, n], { position: [0.5, 0.5] }],
    [
      'gradient: in classes',
      'gradient',
      { classes: 2 },
      [10, 19, 20, 30],
      [n, n, n, n],
      { class: [1, 1, 2, 2], shade: [0.25, 0.25, 0.75, 0.75] },
    ],
    // The far side reaches 40 from the midpoint: −10 lies a quarter of that below it.
    [
      'gradient: around a midpoint',
      'gradient',
      { way: 'diverging', midpoint: level('0') },
      [-10, 0, 40],
      [n, n, n],
      { position: [0.375, 0.5, 1] },
    ],
    [
      'rule: the first true branch takes a row',
      'rule',
      {
        branches: [
          { name: 'big', when: 'a > 25' },
          { name: 'even', when: 'a > 15 and b is null' },
        ],
      },
      [10, 40, 20, n],
      [n, n, n, n],
      { branch: [n, 'big', 'even', n], big: [n, 40, n, n], even: [n, n, 20, n] },
    ],
    [
      'rule: an average without a window of its own looks where the scope says; one with a window where that says',
      'rule',
      {
        scope: { kind: 'within', columns: ['g'] },
        branches: [
          { name: 'beyond', when: 'a > avg(a)' },
          { name: 'least', when: 'a = min(a) over ()' },
        ],
      },
      [1, 2, 3, 10, 20, 30],
      [n, n, n, n, n, n],
      { beyond: [n, n, 3, n, n, 30], least: [1, n, n, n, n, n] },
    ],
    [
      'rank has no order but its own: one that was given is left out',
      'rank',
      { n: 1, scope: along },
      [10, 12, 8, 12],
      [n, n, n, n],
      { rank: [3, 1, 4, 1], in: [n, 12, n, 12] },
    ],
    [
      'rule: every branch that is true takes the row',
      'rule',
      {
        takes: 'every',
        branches: [
          { name: 'big', when: 'a > 25' },
          { name: 'even', when: 'a > 15' },
        ],
      },
      [10, 40, 20],
      [n, n, n],
      { big: [n, 40, n], even: [n, 40, 20] },
    ],
    [
      'extremes along an order: highest so far',
      'extremes',
      { which: 'highest', scope: along },
      [10, 8, 12, 12],
      [n, n, n, n],
      { highest: [10, n, 12, 12] },
    ],
  ]);
});
