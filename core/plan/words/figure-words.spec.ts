import { firstFigure } from 'core/brief';
import { plainFormat, type Figure } from 'core/document';
import { plainMeasure } from 'core/frame';
import { messageFor } from 'core/result/words';
import { tableOf, type Cell } from 'core/table';
import { pictureOf, type ChartPlan } from '../index';
import { livery, make } from '../plan-frames.spec';

function planOf(milk: Cell[], words: Partial<Figure['words']>, cues: Figure['cues'] = []): ChartPlan {
  const table = tableOf({ hut: milk.map((_, i) => `H${i + 1}`), milk });
  const made = firstFigure('f', { id: 'd', name: 'd', rowCount: milk.length, units: { milk: 'L' }, columns: table.columns }, 'hut');
  const figure: Figure = {
    ...made,
    data: { ...made.data, measures: [plainMeasure('milk', 'sum(milk)')], order: { by: 'table' } },
    cues,
    words: { title: 'Milk', subtitle: '', ...words },
  };
  const read = pictureOf({
    figure,
    table,
    writing: { units: { milk: 'L' }, formats: [plainFormat('volume', { suffix: ' L', decimals: 1 })] },
    livery,
  });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value.plans[0] as ChartPlan;
}

describe('words with computed values', () => {
  const titles: readonly [template: string, title: string, fault?: RegExp][] = [
    ['Most is {max(milk)}', 'Most is 30'],
    ['Most is {max(milk) as volume}, all {sum(milk) as volume}', 'Most is 30.0 L, all 60.0 L'],
    ['{count(*)} huts', '3 huts'],
    ['{max(mlk)}', '–', /\{max\(mlk\)\}: .*mlk/],
    ['{max(milk) as volum}', '–', /no number format is called volum/],
    ['{milk}', '–', /\{milk\}/],
    ['no braces', 'no braces'],
    ['{', '{'],
    ['{max(case when milk > 99 then milk end)}', '–'],
  ];
  for (const [template, title, fault] of titles)
    it(template, () => {
      const plan = planOf([10, 30, 20], { title: template });
      expect(plan.title).toBe(title);
      expect(plan.wordFaults.map(({ key }) => key)).toEqual(fault ? ['title'] : []);
      if (fault) expect(plan.wordFaults[0]?.words).toMatch(fault);
    });
  it('stand below the title, in note and source as well', () => {
    const plan = planOf([10, 30], { subtitle: 'of {sum(milk)}', note: 'least {min(milk)}', source: '{count(*)} huts' });
    expect([plan.subtitle, plan.note, plan.source]).toEqual(['of 40', 'least 10', '2 huts']);
    expect(plan.description).toContain('Source: 2 huts');
  });
});

describe('a title that states a finding', () => {
  const extremes = { ...make('extremes'), measure: 'milk', which: 'highest' } as Figure['cues'][number];
  const stated = (wording: 'plain' | 'number' | 'compared', milk: Cell[] = [10, 30, 20]): string =>
    planOf(milk, { finding: { cue: extremes.id, wording } }, [extremes]).title;
  // The average of 10, 30 and 20 is 20; 30 is 1.5 times that.
  it('plainly', () => expect(stated('plain')).toBe('H2 has the highest milk'));
  it('with its number', () => expect(stated('number')).toBe('H2 has the highest milk: 30 L'));
  it('compared', () => expect(stated('compared')).toBe('H2 has the highest milk: 30 L, 1.5 × the average'));
  it('follows the data', () => expect(stated('number', [10, 30, 44])).toBe('H3 has the highest milk: 44 L'));
  it('names ties', () => expect(stated('number', [30, 30, 1])).toBe('H1 and H2 have the highest milk: 30 L'));
  it('gives way to the words of the analyst where nothing is found', () => expect(stated('plain', [null, null])).toBe('Milk'));
  it('is no multiple where that would tell nothing', () => {
    expect(stated('compared', [-10, -30])).toBe('H1 has the highest milk; the average is −20 L');
    expect(stated('compared', [7])).toBe('H1 has the highest milk; the average is 7 L');
  });
  it('counts many', () => {
    const above = { ...make('typical'), measure: 'milk' };
    const milk = [9, 9, 9, 9, 1, 1, 1, 1];
    // 36 of 40 in all; 9 of an average of 5.
    const titles = (['plain', 'number', 'compared'] as const).map(
      wording => planOf(milk, { finding: { cue: above.id, wording } }, [above]).title,
    );
    expect(titles).toEqual([
      '4 of 8 huts are above average',
      '4 of 8 huts are above average, with 90 % of all milk',
      '4 of 8 huts are above average: 9 L, 1.8 × the average',
    ]);
  });
});
