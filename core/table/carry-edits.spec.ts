import { carriedEdits, tableOf, type Cell, type CellEdit } from '.';

type Columns = Record<string, Cell[]>;

describe('edits in a source that takes the place of another', () => {
  const before: Columns = { hut: ['Alm', 'Berg', 'Cloud', 'Alm'], week: ['1', '1', '1', '2'], milk: [3, 5, 4, 7] };
  const edit = (row: number, column = 'milk', value: Cell = 99): CellEdit => ({ row, column, value });
  const cases: readonly [name: string, after: Columns, edits: CellEdit[], carried: CellEdit[], lost: number][] = [
    [
      'go with their row, wherever it stands',
      { hut: ['Cloud', 'Berg', 'Alm'], week: ['1', '1', '1'], milk: [4, 5, 3] },
      [edit(0), edit(1)],
      [edit(2), edit(1)],
      0,
    ],
    ['are lost where the row is gone', { hut: ['Cloud'], week: ['1'], milk: [4] }, [edit(0), edit(2)], [edit(0)], 1],
    ['are lost where the source itself now says something else', { hut: ['Alm'], week: ['1'], milk: [8] }, [edit(0)], [], 1],
    ['are lost where two rows may be meant', { hut: ['Berg', 'Berg'], week: ['1', '1'], milk: [5, 5] }, [edit(1)], [], 1],
    ['are lost where the column is of another type', { hut: ['Alm'], week: ['1'], milk: ['3'] }, [edit(0)], [], 1],
    [
      'tell rows by all texts they share',
      { hut: ['Alm', 'Alm'], week: ['2', '1'], milk: [7, 3] },
      [edit(0), edit(3)],
      [edit(1), edit(0)],
      0,
    ],
    [
      'of a text are found by the other texts',
      { hut: ['Berg', 'Cloud'], week: ['1', '1'], milk: [5, 4] },
      [edit(1, 'hut', 'Bergli')],
      [],
      1,
    ],
  ];
  for (const [name, after, edits, carried, lost] of cases)
    it(name, () => expect(carriedEdits(tableOf(before), tableOf(after), edits)).toEqual({ edits: carried, lost }));
  it('are lost where nothing tells rows apart, and none cost nothing', () => {
    expect(carriedEdits(tableOf({ milk: [1, 2] }), tableOf({ milk: [1, 2] }), [edit(1)])).toEqual({ edits: [], lost: 1 });
    expect(carriedEdits(tableOf(before), tableOf({}), [])).toEqual({ edits: [], lost: 0 });
  });
});
