import { plainCrosstab, type Figure } from 'core/document';
import { plainMeasure } from 'core/frame';
import { readSentence as proseText } from 'core/sentence';
import { tableOf } from 'core/table';
import { briefOf, chooseWord, firstFigure, settingsBehind, subjectOf, type TableFacts } from '../index';

const columns = tableOf({
  valley: ['Tolm', 'Siddel'],
  hut: ['A', 'B'],
  week: ['2031-05-05', '2031-06-02'],
  milk: [10, 20],
  cows: [1, 2],
}).columns.map(column => (column.name === 'week' ? { ...column, type: 'date' as const } : column));
const table = { id: 't', name: 't', rowCount: 2, units: {}, columns } as unknown as TableFacts;
const first = firstFigure('f', table, 'hut');
const figure: Figure = {
  ...first,
  data: { ...first.data, measures: [plainMeasure('milk', 'sum(milk)')], order: { by: 'measure', measure: 'milk', descending: true } },
};
const subject = (of: Figure) => subjectOf(of, [table]);

/** The figure after choosing some words one after the other. */
function chosen(from: Figure, ...words: readonly (readonly [key: string, value: string])[]): Figure {
  return words.reduce((now, [key, value]) => {
    const change = chooseWord(subject(now), key, value);
    if (!change.ok) throw new Error(`${key} cannot be ${value}`);
    return { ...now, ...change.value };
  }, from);
}
const prose = (of: Figure): string => proseText(briefOf(subject(of)).shape.said);
const finer = (of: Figure): string[] => briefOf(subject(of)).shape.finer.map(proseText);

describe('a crosstab in words', () => {
  const nested = chosen(figure, ['mark', 'crosstab'], ['outer:0', 'valley'], ['across', 'week']);
  it('is one sentence', () => {
    expect(prose(chosen(figure, ['mark', 'crosstab']))).toBe('Show milk summed by hut as a crosstab, largest first.');
    expect(prose(nested)).toBe('Show milk summed by hut within valley, across week month by month as a crosstab, largest first.');
  });
  it('says what was decided, and what waits', () => {
    const decided = chosen(
      nested,
      ['row-totals', 'none'],
      ['part-totals:0', 'last'],
      ['top:1', '5'],
      ['across-order', 'total:falling'],
      ['paints', 'text'],
      ['drawing:0', 'trend'],
      ['rules', 'zebra'],
      ['row-names', 'wrapped'],
      ['align:0', 'middle'],
      ['width:0', '90'],
    );
    expect(prose(decided)).toBe(
      'Show milk summed by hut within valley, across week month by month as a crosstab, largest first. Columns stand largest total first. ' +
        'Totals of rows are left out. Subtotals of each valley are behind them. Of hut keep the 5 largest, the others together. Cues colour their text. ' +
        'Cells show as numbers, with a small line along the row. Between rows stand stripes. Long names are wrapped onto two lines. milk is set in the middle. Columns of milk are 90 pixels wide.',
    );
    expect(finer(nested)).toContain('Rows are nested in nothing further.');
    expect(finer(nested)).toContain('Totals of columns are behind them.');
  });
  it('a column that makes panels in other shapes is its outermost level, and is said', () => {
    const panels = chosen(figure, ['panel', 'column:valley'], ['mark', 'crosstab']);
    expect(prose(panels)).toBe('Show milk summed by hut within valley as a crosstab, largest first.');
    expect(prose(chosen(panels, ['outer:0', 'cows']))).toContain('by hut within valley, cows value by value as a crosstab');
  });
  it('bins of levels and of columns have a width that is chosen, and leave the others as they are', () => {
    const binned = chosen(
      figure,
      ['mark', 'crosstab'],
      ['outer:0', 'cows'],
      ['outer-step:0', 'bin'],
      ['across', 'milk'],
      ['across-step', 'bin'],
    );
    expect(prose(binned)).toContain('by hut within cows in bins of a fitting width, across milk in bins of a fitting width');
    const own = chosen(binned, ['outer-bin:0', '10'], ['across-bin', '500']);
    expect(prose(own)).toContain('by hut within cows in bins of 10, across milk in bins of 500');
    expect([own.data.outer, own.data.seriesStep]).toEqual([
      [{ column: 'cows', step: { kind: 'bin', width: 10 } }],
      { kind: 'bin', width: 500 },
    ]);
    expect(chosen(own, ['outer-bin:0', 'auto']).data.outer[0]?.step).toEqual({ kind: 'bin', width: null });
    expect(() => chosen(nested, ['outer-bin:0', '10'])).toThrow();
  });
  it('a level that is taken away is gone, those below move up', () => {
    const two = chosen(nested, ['outer:1', 'cows']);
    expect(two.data.outer.map(({ column }) => column)).toEqual(['valley', 'cows']);
    expect(chosen(two, ['outer:0', '']).data.outer.map(({ column }) => column)).toEqual(['cows']);
  });
  it('offers no column twice, and has no words of charts', () => {
    const offered = (key: string): string[] => {
      const word = briefOf(subject(nested)).shape;
      const token = [...word.said, ...word.finer.flat()].find(part => typeof part !== 'string' && part.key === key);
      return typeof token === 'object' && 'options' in token.input ? token.input.options.map(({ value }) => value) : [];
    };
    expect(offered('outer:1')).toEqual(['', 'milk', 'cows']);
    expect(settingsBehind(subject(nested), ['series', 'panel', 'arrange', 'proportion'])).toEqual([]);
  });
  it('refuses what it does not offer', () => {
    expect(chooseWord(subject(nested), 'row-totals', 'above').ok).toBeFalse();
    expect(chooseWord(subject(figure), 'row-totals', 'last').ok).toBeFalse();
  });
});

describe('changing a figure’s shape there and back', () => {
  const marks = ['bar', 'stem', 'line', 'step', 'area', 'points', 'crosstab'] as const;
  const decided: Figure = {
    ...chosen(figure, ['mark', 'crosstab'], ['outer:0', 'valley'], ['across', 'week'], ['rules', 'zebra'], ['mark', 'column']),
    words: { title: 'T', subtitle: 'S', note: 'N' },
  };
  for (const mark of marks)
    it(`column, ${mark}, column leaves the document as it was`, () =>
      expect(chosen(decided, ['mark', mark], ['mark', 'column'])).toEqual(decided));
  it('through all of them, stacked in between', () => {
    const through = marks.map(mark => ['mark', mark] as const);
    const back = chosen(decided, ['arrange', 'stacked'], ...through, ['mark', 'column'], ['arrange', 'side']);
    expect(back).toEqual(decided);
  });
  it('a crosstab and a line, there and back', () => {
    const crosstab = chosen(decided, ['mark', 'crosstab']);
    expect(chosen(crosstab, ['mark', 'line'], ['mark', 'crosstab'])).toEqual(crosstab);
    expect(crosstab.crosstab).toEqual({ ...plainCrosstab, lines: 'zebra' });
  });
  it('an order that is chosen anew is not taken back', () => {
    const line = chosen(figure, ['mark', 'line'], ['order', 'category:desc']);
    expect(chosen(line, ['mark', 'column']).data.order).toEqual({ by: 'category', descending: true });
  });
});
