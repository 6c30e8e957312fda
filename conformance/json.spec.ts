import { seenSource, sourceRows } from './source-cases';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const n = null;

describe('JSON as tables', () => {
  sourceRows([
    [
      'objects, keys nested and missing, in the order in which they appear',
      bytes('[{"hut":"Alm","at":{"valley":"Tolm","pos":{"x":1}}},{"milk":3,"hut":null}]'),
      'a.json',
      {
        columns: { hut: ['Alm', n], 'at.valley': ['Tolm', n], 'at.pos.x': [1, n], milk: [n, 3] },
        types: 'text text number number',
        notes: [],
      },
    ],
    [
      'whole numbers that no float holds',
      bytes('[{"id":9007199254740993,"x":1},{"id":2,"x":0.1234567890123456789}]'),
      'a.json',
      { columns: { id: ['9007199254740993', '2'], x: [1, 0.12345678901234568] }, notes: ['id stays text'] },
    ],
    [
      'texts of dates and numbers',
      bytes('[{"day":"2031-06-02","v":"1,5"},{"day":"2031-06-03","v":"2,25"}]'),
      'a.json',
      { columns: { day: ['2031-06-02', '2031-06-03'], v: [1.5, 2.25] }, types: 'date number', notes: [] },
    ],
    [
      'answers',
      bytes('[{"ok":true},{"ok":null},{"ok":false}]'),
      'a.json',
      { columns: { ok: [true, n, false] }, types: 'boolean', notes: [] },
    ],
    [
      'lists within records',
      bytes('[{"hut":"Alm","cows":["Lisa","Ella"]}]'),
      'a.json',
      { columns: { hut: ['Alm'], cows: ['["Lisa","Ella"]'] }, notes: ['Lists within cows were kept as text'] },
    ],
    [
      'a key that a prototype has',
      bytes('[{"__proto__":1,"constructor":2}]'),
      'a.json',
      {
        columns: Object.fromEntries([
          ['__proto__', [1]],
          ['constructor', [2]],
        ]),
      },
    ],
    ['values alone', bytes('[3,4,null]'), 'a.json', { columns: { value: [3, 4, n] }, notes: [] }],
    [
      'rows, the first with names',
      bytes('[["hut","milk"],["Alm",3],["Berg",4]]'),
      'a.json',
      { columns: { hut: ['Alm', 'Berg'], milk: [3, 4] }, notes: [] },
    ],
    [
      'an object of columns',
      bytes('{"hut":["Alm","Berg"],"milk":[1,2.5]}'),
      'a.json',
      { columns: { hut: ['Alm', 'Berg'], milk: [1, 2.5] }, notes: [] },
    ],
    [
      'the longest list of several',
      bytes('{"a":[{"x":1}],"b":{"items":[{"y":1},{"y":2}]}}'),
      'a.json',
      { columns: { y: [1, 2] }, notes: [] },
    ],
    [
      'the list that was chosen',
      bytes('{"a":[{"x":1}],"b":{"items":[{"y":1},{"y":2}]}}'),
      'a.json',
      { columns: { x: [1] } },
      { part: 'a' },
    ],
    [
      'a record on each line, one of them cut off',
      bytes('{"hut":"Alm","milk":1}\r\n\r\n{"hut":"Berg","milk":2}\n{"hut":'),
      'a.jsonl',
      { columns: { hut: ['Alm', 'Berg'], milk: [1, 2] }, notes: ['Line 4 is no record'] },
    ],
    ['a single record', bytes('{"hut":"Alm","milk":2}'), 'a.json', { columns: { hut: ['Alm'], milk: [2] }, notes: [] }],
    [
      'UTF-16 with its mark',
      new Uint8Array([0xff, 0xfe, ...new Uint8Array(Uint16Array.from([...'[{"ö":1}]'], c => c.charCodeAt(0)).buffer)]),
      'a.json',
      { columns: { ö: [1] } },
    ],
    ['cut off', bytes('[{"a":1},\n{"a":2},\n{"a"'), 'a.json', { fault: 'Line 3 of a.json is not JSON' }],
    ['no list', bytes('[]'), 'a.json', { fault: 'no list of records' }],
    ['a column read otherwise', bytes('[{"v":"999"},{"v":"12"}]'), 'a.json', { columns: { v: [n, 12] } }, { missing: ['999'] }],
  ]);
  it('nested deeper than any record: an answer, no exception', async () => {
    const deep = await seenSource(bytes('['.repeat(100_000) + ']'.repeat(100_000)), 'a.json');
    expect(deep.fault + deep.types).not.toBe('');
    const object = await seenSource(bytes(`[${'{"a":'.repeat(3_000)}1${'}'.repeat(3_000)}]`), 'a.json');
    expect(Object.keys(object.columns).length).toBe(1);
  });
});
