import { firstFigure } from 'core/brief';
import { cueFactsOf, cueKinds, type Cue, type CueKindName } from 'core/cue';
import type { Figure } from 'core/document';
import { tableOf, type Cell } from 'core/table';
import { changedFindings, foundBy, writerOf } from 'core/words';
import { BARE_LIVERY, cuedPlaces, pictureOf } from '../index';

type Columns = Record<string, Cell[]>;

const writing = { units: { milk: 'L' }, formats: [], pictures: [], liveries: [], looks: [] };
const cue = <K extends CueKindName>(kind: K, change: Partial<Extract<Cue, { kind: K }>> = {}): Cue => ({
  ...cueKinds[kind].create(kind, cueFactsOf({ category: 'hut', measures: ['milk', 'plan'] })),
  ...change,
});

/** What the cues of a figure of milk by hut find over some rows. */
function picture(columns: Columns, cues: readonly Cue[]) {
  const table = tableOf(columns, 'd');
  const facts = {
    id: 'd',
    name: 'd',
    rowCount: table.rowCount,
    units: {},
    columns: table.columns.map(({ name, type }) => ({ name, type })),
  };
  const figure: Figure = { ...firstFigure('f', facts, 'hut'), cues: [...cues] };
  const made = pictureOf({ figure, table, withoutValue: {}, writing, livery: BARE_LIVERY });
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return { places: cuedPlaces(figure, made.value), write: writerOf(figure, writing) };
}
function changes(before: Columns, after: Columns, cues: readonly Cue[]): string[] {
  const [was, now] = [picture(before, cues), picture(after, cues)];
  return changedFindings(foundBy(was.places, was.write), now.places, now.write).map(
    ({ number, words, isQuiet }) => `${number}${isQuiet ? '~' : ''} ${words}`,
  );
}

const BEFORE: Columns = { hut: ['Alm', 'Berg', 'Cloud', 'Dale'], milk: [40, 30, 20, 10] };
const high = cue('extremes', { which: 'highest' });

describe('what changed in the findings', () => {
  const cases: readonly [name: string, after: Columns, cues: readonly Cue[], words: readonly string[]][] = [
    ['nothing', BEFORE, [high], []],
    ['another in its place, by how much', { ...BEFORE, milk: [41, 43, 20, 10] }, [high], ['1 Alm is no longer the highest: Berg, by 2 L.']],
    ['the same, with another value', { ...BEFORE, milk: [44, 30, 20, 10] }, [high], ['1~ Alm is still the highest: 44 L, 40 L before.']],
    [
      'the one before is gone from the rows',
      { hut: ['Berg', 'Cloud', 'Dale'], milk: [30, 20, 10] },
      [high],
      ['1 Alm is not there any more: Berg is the highest, 30 L.'],
    ],
    ['a tie where one was', { ...BEFORE, milk: [40, 40, 20, 10] }, [high], ['1 highest: now also Berg (2 marks, 1 before).']],
    [
      'several that come and go',
      { ...BEFORE, milk: [10, 30, 60, 80] },
      [cue('rank', { n: 2 })],
      ['1 top 2: now also Dale and Cloud; no longer Alm and Berg (2 marks, 2 before).'],
    ],
    ['a line at another level', { ...BEFORE, milk: [44, 30, 20, 10] }, [cue('typical')], ['1 average: 26 L; 25 L before.']],
    [
      'each cue by its number; one that is off says nothing',
      { ...BEFORE, milk: [41, 43, 20, 10] },
      [{ ...cue('typical'), on: false }, high],
      ['2 Alm is no longer the highest: Berg, by 2 L.'],
    ],
    ['nothing is found any more', { hut: ['Alm'], milk: [null] }, [high], []],
  ];
  for (const [name, after, cues, words] of cases) it(name, () => expect(changes(BEFORE, after, cues)).toEqual([...words]));
  it('a cue that is new since is no change', () => {
    const [was, now] = [picture(BEFORE, []), picture(BEFORE, [high])];
    expect(changedFindings(foundBy(was.places, was.write), now.places, now.write)).toEqual([]);
  });
});
