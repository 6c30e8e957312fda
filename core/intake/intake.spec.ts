import { lookAt, tableFromRows, readCsv, type SourceLook } from 'core/io';
import { readSentence } from 'core/sentence';
import { PLAIN_INTAKE, plainColumnIntake, type ColumnIntake, type Intake } from 'core/table';
import { chooseColumn, chooseSource, columnSentences, sourceSentences } from './index';

const TEXT = 'Report\nhut;milk;share;day\nAlm;1.234;12 %;02.06.2031\nBerg;900;4 %;03.06.2031\n';

function looked(intake: Intake = PLAIN_INTAKE, text = TEXT): SourceLook {
  const read = readCsv(new TextEncoder().encode(text), 'june.csv', { intake });
  if (!read.ok) throw new Error('not read');
  return lookAt(read.value);
}

const wish = (name: string, own: Partial<ColumnIntake>): ColumnIntake => ({ ...plainColumnIntake(name), ...own });
const said = (look: SourceLook, intake: Intake = PLAIN_INTAKE): string => sourceSentences(look, intake).map(readSentence).join(' ');

describe('how a source is read, in sentences', () => {
  it('a text says its letters, its sign, what was left out', () =>
    expect(said(looked())).toBe(
      'Its letters are UTF-8, its cells apart by semicolons. Leave out 1 line at the top and nothing at the bottom. The first row that is left names the columns. Missing are empty cells and the usual words, and nothing else.',
    ));
  it('rows without names are data', () =>
    expect(said(looked(PLAIN_INTAKE, '1,2\n3,4\n'))).toContain('The first row that is left is data.'));
  it('records have no lines to leave out', () => {
    const look = lookAt(tableFromRows('t', ['a'], [[1]]));
    expect(said(look, { ...PLAIN_INTAKE, missing: ['999', 'x'] })).toBe(
      'Missing are empty cells and the usual words, and also “999”, “x”.',
    );
  });
  it('a sheet says which, and what of it', () => {
    const look: SourceLook = { ...looked(), origin: { kind: 'sheet' }, parts: ['May', 'June'], part: 'June' };
    const range = { top: 3, left: 2, bottom: 40, right: null };
    expect(said(look, { ...PLAIN_INTAKE, range })).toContain('Take the sheet June. Of the sheet take rows 3 to 40, columns 2 and on.');
  });

  const chosen: readonly [key: string, value: string, becomes: Partial<Intake> | null][] = [
    ['encoding', 'windows-1252', { encoding: 'windows-1252' }],
    ['delimiter', '|', { delimiter: '|' }],
    ['part', 'June', { part: 'June', range: null, above: null, columns: [] }],
    ['range', '3 to 40, 2 to 6', { range: { top: 3, bottom: 40, left: 2, right: 6 } }],
    ['range', '3-', { range: { top: 3, bottom: null, left: 1, right: null } }],
    ['range', '', { range: null }],
    ['range', '0 to 3', null],
    ['range', '9 to 3', null],
    ['range', 'all', null],
    ['above', '2', { above: 2 }],
    ['above', '-1', null],
    ['below', '100000', null],
    ['names', 'none', { names: 'none' }],
    ['hidden', 'out', { hidden: 'out' }],
    ['missing', ' 999; k. A. ;999;', { missing: ['999', 'k. A.'] }],
    ['toString', '1', null],
  ];
  for (const [key, value, becomes] of chosen)
    it(`${key} as ${value || 'nothing'}`, () => {
      const change = chooseSource(PLAIN_INTAKE, key, value);
      expect(change.ok ? change.value : null).toEqual(becomes);
    });
});

describe('how a column is read, in sentences', () => {
  const columns: readonly [source: string, own: Partial<ColumnIntake>, main: string][] = [
    ['hut', {}, 'hut holds text.'],
    ['milk', {}, 'milk holds numbers in no unit.'],
    ['milk', { as: 'litres', unit: 'L' }, 'litres (there milk) holds numbers in L.'],
    ['share', {}, 'share holds numbers in %, percents as they stand: 25 % is 25.'],
    ['share', { fractions: true }, 'share holds numbers in no unit, percents as fractions: 25 % is 0.25.'],
    ['day', {}, 'day holds dates, written day, month, year: 02.06.2031.'],
    ['day', { out: true }, 'day is left out.'],
  ];
  for (const [source, own, main] of columns)
    it(main, () => {
      const intake = { ...PLAIN_INTAKE, columns: [wish(source, own)] };
      const column = looked(intake).columns.find(item => item.source === source)!;
      expect(readSentence(columnSentences(column, intake).main)).toBe(main);
    });

  const milk = looked().columns.find(({ source }) => source === 'milk')!;
  const chosen: readonly [key: string, value: string, becomes: ColumnIntake | null][] = [
    ['as', ' litres ', wish('milk', { as: 'litres' })],
    ['as', 'milk', null],
    ['type', 'text', wish('milk', { type: 'text' })],
    // What it holds stays what it was read as: with one value missing numbers stay numbers.
    ['missing', '900', wish('milk', { type: 'number', missing: ['900'] })],
    ['decimal', 'point', wish('milk', { type: 'number', decimal: 'point' })],
    ['thousands', 'apostrophe', wish('milk', { type: 'number', thousands: 'apostrophe' })],
    ['unit', 'L', wish('milk', { type: 'number', unit: 'L' })],
    ['out', 'out', wish('milk', { out: true })],
  ];
  for (const [key, value, becomes] of chosen)
    it(`${key} as ${value}`, () => {
      const change = chooseColumn(PLAIN_INTAKE, milk, key, value);
      expect(change.ok && change.value.columns).toEqual(becomes ? [becomes] : []);
    });
  it('a word of none', () => expect(chooseColumn(PLAIN_INTAKE, milk, 'constructor', 'x').ok).toBeFalse());
});
