import { applyCues, cueFactsOf, cueKinds, kindOf, type Cue } from 'core/cue';
import type { Figure } from 'core/document';
import { frameOf, type Frame, type FigureData } from 'core/frame';
import { readSentence } from 'core/sentence';
import { makeTable, named, tableOf, valuesFrom } from 'core/table';
import { about, figure, formats, tables } from '../first-figure/huts.spec';
import { cuesAbout, cuesOfMark, filtersAbout, subjectOf, wordsGoverning } from '../index';

const wordsAt = (part: string, now: Figure = figure): string[] =>
  wordsGoverning(subjectOf(now, tables, formats), part).map(sentence => readSentence(sentence).trim());

describe('what is clicked on the stage', () => {
  const second: Figure = {
    ...figure,
    data: { ...figure.data, measures: figure.data.measures.flatMap(one => [one, { ...one, name: 'fat', axis: 'second' as const }]) },
  };
  const rows: readonly [part: string, now: Figure, says: RegExp, not: RegExp][] = [
    ['title', figure, /^It is called Milk by hut\.$/, /Below/],
    ['subtitle', figure, /^Below the title stands nothing\.$/, /called/],
    ['axis first', figure, /The axis begins at a fitting value\./, /summed|second/],
    ['axis second', second, /The second axis begins at/, /The first axis begins/],
    ['axis title second', second, /milk is read on the first axis/, /begins/],
    ['categories', figure, /Show milk summed by hut as columns, largest first\./, /Gridlines/],
    ['legend 2', figure, /It is shown as one series\./, /Gridlines/],
    ['panel 1', figure, /It has one panel\./, /series/],
    ['note', figure, /Values stand in L\./, /Gridlines/],
  ];
  for (const [part, now, says, not] of rows)
    it(`${part} opens its words`, () => {
      const words = wordsAt(part, now);
      expect(words.some(sentence => says.test(sentence)))
        .withContext(words.join(' '))
        .toBe(true);
      expect(words.some(sentence => not.test(sentence)))
        .withContext(words.join(' '))
        .toBe(false);
    });
  it('a part that no word governs has none', () => expect(wordsAt('line 1')).toEqual([]));
  it('a changed word comes first, as it stands in the prose', () =>
    expect(readSentence(wordsGoverning(about({ ...figure, words: { title: 'Milk, at last', subtitle: '' } }), 'title')[0] ?? [])).toBe(
      'Call it Milk, at last.',
    ));
});

const plain = tableOf({
  hut: ["Al's", 'Bo', null, 'Bo'],
  milk: [10, 20, 5, 21],
  wide: [1, 2.5, 11, 14],
});

const days = named('day', valuesFrom('date', ['2031-05-02', '2031-05-30', '2031-06-01', '2031-06-02']));
const table = makeTable('deliveries', [...plain.columns, days]);

function framed(change: Partial<FigureData>): { readonly now: Figure; readonly frame: Frame } {
  const now: Figure = { ...figure, data: { ...figure.data, order: { by: 'category', descending: false }, ...change } };
  const frame = frameOf(table, now.data);
  if (!frame.ok) throw new Error('the frame does not hold');
  return { now, frame: frame.value };
}

describe('about a mark', () => {
  const facts = cueFactsOf({ category: 'hut', measures: ['milk'] });
  const { frame } = framed({ category: 'hut' });
  const whens = (row: number): string[] =>
    cuesAbout(frame, row, 'milk', facts).map(({ makes }) => (makes.kind === 'rule' ? (makes.branches[0]?.when ?? '') : makes.kind));
  it('its category, values like it and what lies above it', () => {
    expect(whens(0)).toEqual(["hut = 'Al''s'", 'milk between 9.5 and 10.5', 'milk > 10']);
    expect(whens(1)).toEqual(["hut = 'Bo'", 'milk between 38.95 and 43.05', 'milk > 41']);
    expect(whens(2)[0]).toBe('hut is null');
  });
  it('reads as a sentence', () => {
    const [own] = cuesAbout(frame, 0, 'milk', facts);
    expect(own?.words).toBe("Mark Al's");
    expect(readSentence(kindOf(own?.makes as Cue).sentence(own?.makes as Cue, facts))).toContain("Where hut = 'Al''s', mark milk in brass");
  });

  it('the cue that draws it comes first, then those that colour its measure there', () => {
    const cue = (kind: keyof typeof cueKinds, id: string): Cue => cueKinds[kind].create(id, facts);
    const applied = applyCues([cue('extremes', 'ends'), cue('running', 'so far'), cue('outlier', 'far')], frame);
    const of = (row: number, measure: string, drawnBy: string | null): string[] =>
      cuesOfMark(applied, row, measure, drawnBy).map(item => item.cue.id);
    // 41 of Bo is the highest, 10 of Al's is neither.
    expect([of(1, 'milk', null), of(0, 'milk', null), of(1, 'wide', null)]).toEqual([['ends'], [], []]);
    expect([of(1, 'milk', 'so far'), of(1, 'milk', 'ends'), of(0, 'milk', 'so far')]).toEqual([['so far', 'ends'], ['ends'], ['so far']]);
  });

  const filters: readonly [name: string, change: Partial<FigureData>, row: number, keep: string, leave: string, left: number][] = [
    ['a text', { category: 'hut' }, 1, "hut = 'Bo'", "not (hut = 'Bo') or hut is null", 2],
    ['a missing text', { category: 'hut' }, 2, 'hut is null', 'not (hut is null)', 2],
    [
      'a bin',
      { category: 'wide', step: { kind: 'bin', width: 10 } },
      1,
      'wide >= 10 and wide < 20',
      'not (wide >= 10 and wide < 20) or wide is null',
      1,
    ],
    [
      'a month',
      { category: 'day', step: { kind: 'grain', grain: 'month' } },
      0,
      "date_trunc('month', day) = date '2031-05-01'",
      "not (date_trunc('month', day) = date '2031-05-01') or day is null",
      1,
    ],
  ];
  for (const [name, change, row, keep, leave, left] of filters)
    it(`${name} is kept alone, or left out`, () => {
      const { now, frame: made } = framed(change);
      const [kept, without] = filtersAbout(now, made, row).map(({ makes }) => (makes.kind === 'formula' ? makes : null));
      expect([kept?.formula, without?.formula]).toEqual([keep, leave]);
      const after = framed({ ...change, filters: without ? [without] : [] });
      expect(after.frame.table.rowCount).toBe(left);
    });
});
