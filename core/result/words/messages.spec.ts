import { failure, success, unreachable, type Place, type Problem } from 'core/result';
import { messageFor } from './index';

const at: Place = { start: 0, end: 4, line: 2, column: 5 };

describe('problems in words: what was found, then what to do', () => {
  const cases: readonly [problem: Problem, says: string][] = [
    [
      { code: 'syntax', at, words: ')', expected: ['a number', 'a column'] },
      'Line 2, column 5: “)” does not fit here. Expected a number or a column.',
    ],
    [{ code: 'syntax', at, words: '', expected: ['a column'] }, 'Line 2, column 5: the formula ends too early. Expected a column.'],
    [{ code: 'unknown-name', at, words: 'mlik', nearest: 'milk', known: ['milk'] }, 'No column is called “mlik”. Did you mean milk?'],
    [
      { code: 'unknown-name', at, words: 'x', nearest: undefined, known: 'abcdefghij'.split('') },
      'No column is called “x”. Choose one of: a, b, c, d, e, f, g, h, ….',
    ],
    [
      { code: 'unknown-function', at, words: 'foo', nearest: undefined },
      'No function is called “foo”. Look it up in the function reference.',
    ],
    [
      { code: 'aggregate-here', at, words: 'sum(a)', name: 'sum' },
      'sum sums up many rows and cannot stand here. Give it a window: sum(…) over ().',
    ],
    [{ code: 'window-needed', at, words: 'rank()', name: 'rank' }, 'rank needs a window: rank() over (order by …).'],
    [
      { code: 'file-too-large', file: 'a.csv', bytes: 734_003_200, limit: 536_870_912 },
      'a.csv has 734 MB; up to 536.9 MB can be opened. Split it or drop columns.',
    ],
    [
      { code: 'too-many-columns', line: 1, limit: 20_000 },
      'Line 1 has more than 20,000 cells. Check the mark between cells, or drop columns.',
    ],
    [{ code: 'too-many-columns', line: 1, limit: 20_000, counts: 'row' }, 'Row 1 has more than 20,000 cells. Drop columns first.'],
    [
      { code: 'too-many-cells', line: 9, limit: 2_000_000, counts: 'row' },
      'By row 9 the table has more than 2,000,000 cells. Drop columns or rows first.',
    ],
    [{ code: 'row-ragged', line: 7, cells: 2, columns: 3 }, 'Line 7 has 2 of 3 cells. The rest was left missing.'],
    [
      { code: 'row-ragged', line: 7, cells: 4, columns: 3 },
      'Line 7 has 4 cells for 3 columns. The extra ones were put into columns of their own.',
    ],
    [{ code: 'rows-ragged-more', count: 12 }, '12 more lines have too few or too many cells; they were treated the same way.'],
    [
      { code: 'cells-misfit-more', column: 'milk', count: 9, type: 'number' },
      '9 more cells of milk are not a number; they were left missing.',
    ],
    [
      { code: 'value-misfit', column: 'milk', text: 'x', type: 'number' },
      '“x” is not a number, so milk keeps its value. Type a number, or clear the cell for missing.',
    ],
    [{ code: 'figure-no-table', name: 'gone' }, 'The table gone is not in this project. Choose another table.'],
    [
      { code: 'document-newer', version: 4, known: 1 },
      'This project was saved by a newer version (4; known up to 1). Update Cowbell, then open it.',
    ],
  ];
  for (const [problem, says] of cases) it(says, () => expect(messageFor(problem)).toBe(says));

  it('results carry a value, or every problem', () => {
    expect(success(3)).toEqual({ ok: true, value: 3 });
    expect(failure({ code: 'document-foreign' }).problems.length).toBe(1);
    expect(() => unreachable('x' as never)).toThrowError(TypeError, /unexpected case "x"/);
  });
});
