import type { Cell } from 'core/table';
import type { CueKindName } from './index';
import { along, applied, frameFor, level, make, n } from './kinds/kind-frames.spec';
import { look } from './looks/look';
import { studentQuantile } from './statistics/student-t';

const shareLooks = { highest: look('pasture', 'share'), lowest: look('clay') };

describe('notes that stand at a cue’s sentence', () => {
  const cases: readonly [name: string, kind: CueKindName, change: object, a: Cell[], codes: string[]][] = [
    ['a share of a total with a negative value', 'rescale', { to: 'share' }, [5, -1, 3], ['cue-negative']],
    ['a share without one', 'rescale', { to: 'share' }, [5, 1, 3], []],
    ['labels with a share of a total with a negative value', 'extremes', { looks: shareLooks }, [5, -1, 3], ['cue-negative']],
    ['labels with a share without one', 'extremes', { looks: shareLooks }, [5, 1, 3], []],
    ['an index from a negative base', 'rescale', { base: 'B' }, [5, -1, 3], ['cue-odd-base']],
    ['an index from zero', 'rescale', { base: 'B' }, [5, 0, 3], ['cue-odd-base']],
    ['an index from a missing base', 'rescale', { base: 'B' }, [5, n, 3], ['cue-odd-base']],
    ['an index from a base that is not there', 'rescale', { base: 'Z' }, [5, 1, 3], ['cue-no-row']],
    ['an index from a positive base', 'rescale', { base: 'B' }, [5, 1, 3], []],
    ['ties that widen the bottom two', 'rank', { end: 'bottom', n: 2 }, [1, 2, 2, 5], ['cue-ties']],
    ['ties that do not', 'rank', { end: 'bottom', n: 3 }, [1, 2, 2, 5], []],
    ['a first row that is missing', 'change', { from: 'first' }, [n, 1, 2], ['cue-first-missing']],
    ['a first row that is there', 'change', { from: 'first' }, [1, n, 2], []],
    ['marks outside a confidence interval of the mean', 'band', { by: 'confidence' }, [1, 2, 4], ['cue-mean-interval']],
    ['marks outside standard errors', 'band', { by: 'error' }, [1, 2, 4], ['cue-mean-interval']],
    ['marks outside standard deviations', 'band', { by: 'deviation' }, [1, 2, 4], []],
    // The largest of 4 values lies at most 3 / √4 = 1.5 sd from their mean.
    [
      'a window with the row itself, too short for 2 sd',
      'band',
      { by: 'deviation', k: 2, moving: 4, includes: true, scope: along },
      [1, 2, 4],
      ['cue-window-short'],
    ],
    [
      'a window with the row itself, long enough',
      'band',
      { by: 'deviation', k: 1.4, moving: 4, includes: true, scope: along },
      [1, 2, 4],
      [],
    ],
    ['a window of one row before', 'band', { by: 'deviation', k: 2, moving: 1, scope: along }, [1, 2, 4], ['cue-window-short']],
    ['a window of two rows before', 'band', { by: 'deviation', k: 2, moving: 2, scope: along }, [1, 2, 4], []],
    // 5 values reach 4 / √5 = 1.79 sd.
    ['too few values for 3 sd', 'outlier', { method: 'deviation', k: 3 }, [1, 2, 3, 4, 99], ['cue-too-few']],
    ['enough for 1.7 sd', 'outlier', { method: 'deviation', k: 1.7 }, [1, 2, 3, 4, 99], []],
    ['three values and fences', 'outlier', {}, [1, 2, 99], ['cue-too-few']],
    ['four values and fences', 'outlier', {}, [1, 2, 3, 99], []],
    ['a median absolute deviation of zero', 'outlier', { method: 'mad', k: 3.5 }, [5, 5, 5, 9], ['cue-no-spread']],
    ['a standard deviation of zero', 'outlier', { method: 'deviation', k: 1 }, [5, 5, 5, 5], ['cue-no-spread']],
    [
      'a threshold with nothing to note',
      'threshold',
      {
        steps: [
          { name: 'x', upTo: level('3') },
          { name: 'y', upTo: n },
        ],
      },
      [1, 9],
      [],
    ],
  ];
  for (const [name, kind, change, a, codes] of cases)
    it(name, () => {
      const rows = applied(
        make(kind, change),
        frameFor(
          a,
          a.map(() => n),
        ),
      );
      expect(rows.problems.map(({ code }) => code)).toEqual(codes as never);
      expect(rows.helpers.length > 0).toBe(!codes.includes('cue-no-row'));
    });
  it('choosing an interval of the mean leaves single values unmarked', () => {
    const cue = make('band', { by: 'deviation' });
    expect(cue.looks['outside']?.colour).toBe('clay');
    const { frame } = { frame: frameFor([1, 2, 4]) };
    expect(applied(cue, frame).treatments.some(item => item.show === 'mark' && item.look.colour === 'clay')).toBe(true);
  });
});

describe('quantiles of Student’s t distribution', () => {
  // Two-sided 95 %, 99 % and 90 % from the tables of W. S. Gosset's distribution in any textbook, to their last digit.
  const cases: readonly [share: number, df: number, value: number][] = [
    [0.975, 1, 12.706],
    [0.975, 2, 4.303],
    [0.975, 3, 3.182],
    [0.975, 4, 2.776],
    [0.975, 9, 2.262],
    [0.975, 10, 2.228],
    [0.975, 19, 2.093],
    [0.975, 29, 2.045],
    [0.975, 60, 2.0],
    [0.975, 120, 1.98],
    [0.995, 5, 4.032],
    [0.995, 30, 2.75],
    [0.95, 7, 1.895],
    [0.95, 40, 1.684],
    [0.5, 8, 0],
  ];
  for (const [share, df, value] of cases) it(`${share} with ${df}`, () => expect(studentQuantile(share, df)).toBeCloseTo(value, 3));
  it('refuses what has none', () => {
    expect(() => studentQuantile(1, 3)).toThrowError(RangeError);
    expect(() => studentQuantile(0.9, 0)).toThrowError(RangeError);
  });
});
