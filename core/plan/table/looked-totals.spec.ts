import { firstFigure } from 'core/brief';
import { plainCrosstab, type Figure } from 'core/document';
import type { Cue } from 'core/cue';
import { plainMeasure } from 'core/frame';
import { messageFor } from 'core/result/words';
import { rememberStages, type Stages } from 'core/stages';
import { makeTable, named, tableOf, valuesFrom, type Table } from 'core/table';
import { changedFindings, findingTitles, foundBy, writerOf } from 'core/words';
import { cuedPlaces, ledgerTable, pictureOf, type Picture } from '../index';
import { livery, make } from '../plan-frames.spec';

const COLUMNS = {
  valley: ['Tolm', 'Tolm', 'Tolm', 'Tolm', 'Siddel', 'Siddel'],
  hut: ['A', 'A', 'B', 'B', 'C', 'C'],
  month: ['2031-05-03', '2031-06-09', '2031-05-17', '2031-06-20', '2031-05-30', '2031-07-01'],
  milk: [10, 20, 30, 40, 50, -60] as (number | null)[],
};
/** Months are periods of dates. */
function tableFrom({ month, ...others }: typeof COLUMNS): Table {
  return makeTable('t', [...tableOf(others).columns, named('month', valuesFrom('date', month))]);
}

const writing = { units: { milk: 'L' }, formats: [], looks: [] };

function figureWith(cues: readonly Cue[], change: Partial<Figure> = {}): Figure {
  const { columns } = tableFrom(COLUMNS);
  const first = firstFigure('f', { id: 't', name: 't', rowCount: 6, units: {}, columns }, 'hut');
  return {
    ...first,
    data: {
      ...first.data,
      outer: [{ column: 'valley', step: null }],
      series: 'month',
      seriesStep: { kind: 'grain', grain: 'month' },
      measures: [plainMeasure('milk', 'sum(milk)')],
      order: { by: 'table' },
    },
    shape: { ...first.shape, mark: 'crosstab' },
    crosstab: plainCrosstab,
    cues: [...cues],
    ...change,
  };
}

const usual = tableFrom(COLUMNS);

function pictured(figure: Figure, columns: typeof COLUMNS = COLUMNS, stages?: Stages): Picture {
  const table = columns === COLUMNS ? usual : tableFrom(columns);
  const read = pictureOf({ figure, table, writing, livery }, stages);
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value;
}

const highest = (of: 'rows' | 'columns', change: object = {}): Cue =>
  make('extremes', { id: `highest of ${of}`, which: 'highest', scope: { kind: 'totals', of }, ...change });
const above = (of: 'rows' | 'columns'): Cue => make('typical', { id: `above of ${of}`, scope: { kind: 'totals', of } });

/** A ledger as lines of texts, its heads first. */
const lines = (picture: Pick<Picture, 'frame' | 'applied'>): string[] => {
  const { columns, rowCount } = ledgerTable(picture);
  const rows = Array.from({ length: rowCount }, (_, row) =>
    columns.map(({ type, data, ...column }) => {
      const value = data[row] as number;
      if ('dictionary' in column) return column.dictionary[value];
      return type === 'date' ? new Date(value * 86_400_000).toISOString().slice(0, 7) : Number.isNaN(value) ? '' : String(value);
    }),
  );
  return [columns.map(({ name }) => name), ...rows].map(cells => cells.join(' '));
};

describe('totals that cues look at', () => {
  const cases: readonly [name: string, cues: readonly Cue[], of: readonly string[], first: readonly string[]][] = [
    ['none, where no cue does', [make('extremes', { scope: { kind: 'figure' } })], [], []],
    ['none of one that is off', [highest('rows', { on: false })], [], []],
    [
      'of rows, by all that names them; the average of 30, 70 and −10',
      [above('rows')],
      ['rows'],
      ['valley hut milk average above below difference', 'Tolm A 30 30 30  0', 'Tolm B 70 30 70  40', 'Siddel C -10 30  -10 -40'],
    ],
    [
      'of columns, by their months; the average of 90, 60 and −60',
      [above('columns')],
      ['columns'],
      ['month milk average above below difference', '2031-05 90 30 90  60', '2031-06 60 30 60  30', '2031-07 -60 30  -60 -90'],
    ],
  ];
  for (const [name, cues, of, first] of cases)
    it(name, () => {
      const { totals } = pictured(figureWith(cues));
      expect(totals.map(item => item.of)).toEqual(of as ('rows' | 'columns')[]);
      expect(totals[0] ? lines(totals[0]) : []).toEqual([...first]);
    });

  it('keep the numbers of their cues, each in the ledger of its own totals', () => {
    const picture = pictured(figureWith([make('extremes', { scope: { kind: 'figure' } }), above('columns'), highest('rows')]));
    expect(picture.totals.map(({ of, applied }) => [of, applied.map(({ number }) => number)])).toEqual([
      ['rows', [3]],
      ['columns', [2]],
    ]);
    expect(picture.applied.map(({ helpers }) => helpers.length > 0)).toEqual([true, false, false]);
  });

  it('take no part where their totals are left out', () => {
    const figure = figureWith([highest('rows')], { crosstab: { ...plainCrosstab, totals: { ...plainCrosstab.totals, rows: 'none' } } });
    expect(pictured(figure).totals).toEqual([]);
  });

  it('tell what is wrong with a cue among them, where it stands', () => {
    const asked = (level: object): string[] =>
      pictured(figureWith([{ ...above('rows'), level } as Cue])).applied[0]!.problems.map(messageFor);
    expect(asked({ is: 'stat', stat: 'average' })).toEqual(['A crosstab has no place for its line; the rest of the cue shows.']);
    expect(asked({ is: 'column', column: 'nowhere' }).join()).toContain('nowhere');
    const none = pictured(figureWith([highest('rows')]), { ...COLUMNS, milk: [null, null, null, null, null, null] });
    expect(none.applied[0]!.problems.map(({ code }) => code)).toEqual(['cue-all-missing']);
  });

  it('are described, titled, and compared with what they were before', () => {
    const figure = figureWith([highest('rows'), highest('columns')]);
    const [was, now] = [pictured(figure), pictured(figure, { ...COLUMNS, milk: [10, 90, 30, 40, 50, -60] })];
    expect(was.plans[0]!.description).toContain('Totals of rows: highest: B, 70 L');
    expect(was.plans[0]!.description).toContain('otals of columns: highest: May 2031, 90 L');
    const write = writerOf(figure, writing);
    const titles = findingTitles(cuedPlaces(figure, was), write);
    expect(titles[0]!.text).toContain('B');
    const titled = { ...figure, words: { ...figure.words, finding: { cue: titles[0]!.cue, wording: titles[0]!.wording } } };
    expect(pictured(titled).plans[0]!.title).toBe(titles[0]!.text);
    const changed = changedFindings(foundBy(cuedPlaces(figure, was), write), cuedPlaces(figure, now), write);
    expect(changed.map(({ words }) => words)).toEqual([
      'B is no longer the highest: A, by 30 L.',
      'May 2031 is no longer the highest: Jun 2031, by 40 L.',
    ]);
  });

  it('follow the language of months, though nothing else has changed', () => {
    const figure = figureWith([highest('columns')]);
    const stages = rememberStages();
    const described = (of: Figure): string => pictured(of, COLUMNS, stages).plans[0]!.description;
    expect(described(figure)).toContain('highest: May 2031');
    const german = { ...figure, scales: { ...figure.scales, along: { ...figure.scales.along, language: 'de' as const } } };
    expect(described(german)).toContain('highest: Mai 2031');
  });

  it('stay the same when nothing but a word changes', () => {
    const figure = figureWith([above('rows')]);
    expect(pictured({ ...figure, words: { ...figure.words, title: 'Another' } }).totals.map(lines)).toEqual(
      pictured(figure).totals.map(lines),
    );
  });
});
