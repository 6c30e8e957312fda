import { pictureOf, type Livery } from 'core/plan';
import type { Edit } from 'core/document/edits';
import { firstFigure } from 'core/brief';
import { plainTable, type Figure } from 'core/document';
import { applyEdits, tableOf, type Cell, type CellEdit } from 'core/table';
import type { SourceInfo } from 'engine';
import type { Shown } from '../services/engine/picture-store';
import { changesFor, resetFor } from './cell-edit';
import type { CellText } from './grid-column';
import { ledgerColumns } from './ledger-columns';

const livery: Livery = { ground: '', ink: '', soft: '', hair: '', base: '', series: [], quiet: '', colours: {}, font: '' };
const table = tableOf({ hut: ['Alm', 'Berg', 'Alm'], valley: ['Tolm', 'Siddel', 'Tolm'], milk: [10, 20, 5] }, 'deliveries');
const source: SourceInfo = { name: 'deliveries', rowCount: 3, columns: table.columns };

function shown(change: (figure: Figure) => Partial<Figure> = () => ({}), edits: readonly CellEdit[] = []): Shown {
  const first = firstFigure('f', { id: 'd', name: 'deliveries', rowCount: 3, units: {}, columns: table.columns });
  const plain = { ...first, data: { ...first.data, order: { by: 'table' as const } } };
  const figure = { ...plain, ...change(plain) };
  const writing = { units: {}, formats: [] };
  const read = pictureOf({ figure, table: applyEdits(table, edits), writing, livery });
  return {
    ask: { figure, table: { id: 'd', edits, derived: [], source: null, mends: [], others: null }, writing, livery },
    picture: read.ok ? read.value : null,
    problems: [],
    number: 1,
  };
}
const withWhatIf = ({ data }: Figure): Partial<Figure> => ({
  data: { ...data, whatIfs: [{ by: 'hut', category: 'Berg', split: [], measure: 'milk', value: 99 }] },
});

describe('ledger columns', () => {
  it('data first, then each cue’s helper columns with number, colour and formula', () => {
    const columns = ledgerColumns(shown());
    expect(columns.map(column => column.name)).toEqual(['hut', 'valley', 'milk', 'highest', 'lowest', 'rest']);
    const formula = 'case when milk = max(milk) over () then milk end';
    expect(columns[3]?.helper).toEqual({
      cue: { number: 1, kind: 'extremes' },
      colour: 'brass',
      formula,
    });
    expect(columns[5]?.helper?.colour).toBeNull();
  });

  const cells: readonly [
    name: string,
    shown: Shown,
    column: string,
    row: number,
    expected: [value: Cell, text: string, mark: string | null, editable: boolean, opens: boolean],
  ][] = [
    ['a sum of two rows opens them', shown(), 'milk', 0, [15, '15', null, true, true]],
    ['a single row is edited in place', shown(), 'milk', 1, [20, '20', null, true, false]],
    ['an edited row', shown(undefined, [{ row: 1, column: 'milk', value: 7 }]), 'milk', 1, [7, '7', 'edited', true, false]],
    ['an edit below a sum', shown(undefined, [{ row: 2, column: 'milk', value: 7 }]), 'milk', 0, [17, '17', 'edited-below', true, true]],
    [
      'an edit of another column marks nothing here',
      shown(undefined, [{ row: 1, column: 'valley', value: 'X' }]),
      'milk',
      1,
      [20, '20', null, true, false],
    ],
    ['a what-if value', shown(withWhatIf), 'milk', 1, [99, '99', 'what-if', true, false]],
    ['a name of several rows is not edited', shown(), 'hut', 0, ['Alm', 'Alm', null, false, false]],
    [
      'a helper column writes its measure’s values as they are written there',
      shown(undefined, [{ row: 1, column: 'milk', value: 20.55 }]),
      'lowest',
      0,
      [15, '15.00', null, false, false],
    ],
    ['a helper column is never edited', shown(), 'highest', 0, [null, '', null, false, false]],
  ];
  for (const [name, from, column, row, expected] of cells)
    it(name, () => {
      const found = ledgerColumns(from).find(item => item.name === column)!;
      expect([found.value(row), found.text(row), found.mark(row), found.editable(row), found.opens(row)]).toEqual(expected);
    });
});

describe('typing into the ledger', () => {
  const typed: readonly [name: string, cells: CellText[], edit: Edit | null, says: RegExp][] = [
    [
      'one row edits the table',
      [{ row: 1, column: 'milk', text: '1,234.5' }],
      { kind: 'edit-cells', table: 'd', cells: [{ row: 1, column: 'milk', value: 1234.5 }] },
      /^$/,
    ],
    [
      'a sum takes a what-if value',
      [{ row: 0, column: 'milk', text: '7,5' }],
      { kind: 'set-what-ifs', figure: 'f', whatIfs: [{ by: 'hut', category: 'Alm', split: [], measure: 'milk', value: 7.5 }] },
      /^$/,
    ],
    [
      'an emptied cell is missing',
      [{ row: 1, column: 'milk', text: '' }],
      { kind: 'edit-cells', table: 'd', cells: [{ row: 1, column: 'milk', value: null }] },
      /^$/,
    ],
    ['a text is refused', [{ row: 1, column: 'milk', text: 'lots' }], null, /“lots” is not a number/],
    [
      'a name of one row',
      [{ row: 1, column: 'hut', text: 'Cloud' }],
      { kind: 'edit-cells', table: 'd', cells: [{ row: 1, column: 'hut', value: 'Cloud' }] },
      /^$/,
    ],
    ['a helper column takes nothing', [{ row: 1, column: 'highest', text: '3' }], null, /^$/],
    ['a row that is gone takes nothing', [{ row: 9, column: 'milk', text: '3' }], null, /^$/],
    [
      'a block is one edit, what cannot be read is told',
      [
        { row: 0, column: 'milk', text: '1' },
        { row: 1, column: 'milk', text: '2' },
        { row: 1, column: 'milk', text: 'x' },
      ],
      {
        kind: 'all',
        edits: [
          { kind: 'edit-cells', table: 'd', cells: [{ row: 1, column: 'milk', value: 2 }] },
          { kind: 'set-what-ifs', figure: 'f', whatIfs: [{ by: 'hut', category: 'Alm', split: [], measure: 'milk', value: 1 }] },
        ],
      },
      /“x” is not a number/,
    ],
  ];
  for (const [name, cells, edit, says] of typed)
    it(name, () => {
      const changes = changesFor(shown(), source, cells);
      expect(changes.edit).toEqual(edit);
      expect(changes.refused.map(({ words }) => words).join()).toMatch(says);
    });

  it('a what-if value is read as its column’s numbers were', () => {
    const readings = { milk: { decimal: 'comma', dates: 'iso' } } as const;
    const doc = { ...plainTable('d', 'deliveries'), units: { milk: 'L' }, readings };
    const edited = (text: string): unknown => changesFor(shown(), source, [{ row: 0, column: 'milk', text }], doc).edit;
    const whatIf = (value: number): unknown => ({
      kind: 'set-what-ifs',
      figure: 'f',
      whatIfs: [{ by: 'hut', category: 'Alm', split: [], measure: 'milk', value }],
    });
    expect(edited('1.500')).toEqual(whatIf(1500));
    expect(edited('1,5 L')).toEqual(whatIf(1.5));
  });
  it('a cell with a what-if value goes on taking what-ifs, and resets to its row', () => {
    const from = shown(withWhatIf);
    expect(changesFor(from, source, [{ row: 1, column: 'milk', text: '5' }]).edit?.kind).toBe('set-what-ifs');
    expect(resetFor(from, { row: 1, column: 'milk' })).toEqual({
      kind: 'reset-what-ifs',
      figure: 'f',
      whatIfs: [{ by: 'hut', category: 'Berg', split: [], measure: 'milk' }],
    });
    expect(resetFor(shown(), { row: 1, column: 'milk' })).toEqual({ kind: 'reset-cells', table: 'd', cells: [{ row: 1, column: 'milk' }] });
    expect(resetFor(shown(), { row: 1, column: 'rest' })).toBeNull();
  });
});
