import { distances, placesAlong, divisionsOf, runsOneWay, type Along, type AlongTick, type TimeCount } from './index';

const MS_A_DAY = 86_400_000;
/** Days since 1970 of a moment in ISO form. */
const days = (text: string): number => Date.parse(text.includes('T') ? `${text}Z` : text) / MS_A_DAY;
const months = (year: number, month: number): number => year * 12 + month - 1;

const time = (at: readonly number[], change: Partial<TimeCount> = {}, scaled = true): Along => ({
  by: { kind: 'time', unit: 'days', language: 'en', weeks: 'monday', ...change },
  at: Float64Array.from(at),
  scaled,
});
const numbers = (at: readonly number[]): Along => ({ by: { kind: 'number' }, at: Float64Array.from(at), scaled: true });

const written = (ticks: readonly AlongTick[]): string =>
  ticks.map(({ place, text, under }) => `${Number(place.toFixed(4))} ${text}${under === null ? '' : ` / ${under}`}`).join(', ');
/** The ticks of the finest division that has at most so many. */
const ticksOf = (along: Along, most: number): AlongTick[] => {
  const found = divisionsOf(along)
    .map(division => division.ticks())
    .find(ticks => ticks.length > 0 && ticks.length <= most);
  return found ?? [];
};

describe('ticks along a category axis', () => {
  const mondays = ['2030-12-30', '2031-01-06', '2031-01-20', '2031-02-10'].map(days);
  // The places are widths of a week: the first of January lies 2 days behind the first Monday, that of February 33.
  const rows: readonly [name: string, along: Along, most: number, expected: string][] = [
    [
      'weeks by their Monday, to scale: those without a row are there',
      time(mondays),
      7,
      '0 30 / Dec 2030, 1 6 / Jan 2031, 2 13, 3 20, 4 27, 5 3 / Feb, 6 10',
    ],
    [
      'weeks by number: the thirtieth of December lies in the first of 2031',
      time(mondays, { weeks: 'number' }),
      7,
      '0 W1 / 2031, 1 W2, 2 W3, 3 W4, 4 W5, 5 W6, 6 W7',
    ],
    ['weeks in German', time(mondays.slice(0, 2), { weeks: 'number', language: 'de' }), 7, '0 KW 1 / 2031, 1 KW 2'],
    ['weeks closed up: only those with a row', time(mondays, { weeks: 'number' }, false), 7, '0 W1 / 2031, 1 W2, 2 W4, 3 W7'],
    ['months between weeks, to scale', time(mondays), 3, '0.2857 Jan / 2031, 4.7143 Feb'],
    ['months closed up begin at their first week', time(mondays, {}, false), 3, '0 Dec / 2030, 1 Jan / 2031, 3 Feb'],
    ['months in French', time(mondays, { language: 'fr' }), 3, '0.2857 janv. / 2031, 4.7143 févr.'],
    [
      'falling dates read in their own order',
      time([...mondays].reverse()),
      7,
      '0 10 / Feb 2031, 1 3, 2 27 / Jan, 3 20, 4 13, 5 6, 6 30 / Dec 2030',
    ],
    [
      'months as wide as each other, whatever their days',
      time([months(2030, 11), months(2031, 1), months(2031, 2)], { unit: 'months' }),
      4,
      '0 Nov / 2030, 1 Dec, 2 Jan / 2031, 3 Feb',
    ],
    [
      'quarters by their number, the year once',
      time([months(2030, 4), months(2031, 4), months(2031, 7)], { unit: 'months' }),
      6,
      '0 Q2 / 2030, 1 Q3, 2 Q4, 3 Q1 / 2031, 4 Q2, 5 Q3',
    ],
    [
      'years, also where only every third is there',
      time([months(2030, 1), months(2033, 1)], { unit: 'months' }),
      4,
      '0 2030, 0.3333 2031, 0.6667 2032, 1 2033',
    ],
    [
      'hours of a day, and the day once',
      time(['2031-03-01T22:30', '2031-03-01T23:30', '2031-03-02T01:30'].map(days)),
      4,
      '0.5 23:00 / 1 Mar 2031, 1.5 00:00 / 2 Mar 2031, 2.5 01:00',
    ],
    [
      'seconds',
      time(['2031-03-01T10:00:58', '2031-03-01T10:00:59', '2031-03-01T10:01:01'].map(days)),
      4,
      '0 10:00:58 / 1 Mar 2031, 1 10:00:59, 2 10:01:00, 3 10:01:01',
    ],
    ['centuries', time([days('1502-03-04'), days('1602-03-04'), days('1702-03-04')]), 4, '0.9783 1600, 1.9783 1700'],
    ['numbers at their values', numbers([812, 900, 1300]), 6, '1 900, 2.1364 1000, 3.2727 1100, 4.4091 1200, 5.5455 1300'],
    ['no half years between years', numbers([1990, 1995, 2000]), 5, '0 1990, 1 1995, 2 2000'],
  ];
  for (const [name, along, most, expected] of rows) it(name, () => expect(written(ticksOf(along, most))).toBe(expected));
});

describe('places along a category axis', () => {
  const rows: readonly [name: string, at: readonly number[], expected: readonly number[] | null][] = [
    ['as far apart as each other', [9, 6, 3], null],
    ['alone', [4], null],
    ['in the smallest distance', [1, 2, 4], [0, 1, 3]],
    ['falling', [40, 10, 0], [0, 3, 4]],
    ['one without a count stands behind', [1, 2, 4, NaN, NaN], [0, 1, 3, 4, 5]],
  ];
  for (const [name, at, expected] of rows)
    it(name, () => {
      const places = placesAlong(Float64Array.from(at));
      expect(places && Array.from(places)).toEqual(expected as number[]);
    });
  const ways: readonly [at: readonly number[], expected: boolean][] = [
    [[1, 2, 5], true],
    [[5, 2], true],
    [[1, 1, 2], false],
    [[1, 3, 2], false],
    [[1, NaN, 2], false],
    [[NaN, NaN], false],
    [[7, NaN], true],
  ];
  for (const [at, expected] of ways)
    it(`${String(at)} ${expected ? 'runs' : 'does not run'} one way`, () => expect(runsOneWay(Float64Array.from(at))).toBe(expected));
  it('tells the smallest and the largest distance', () => expect(distances(Float64Array.of(10, 8, 1, NaN))).toEqual({ least: 2, most: 7 }));
});

/** Whether a moment begins a period, told by the calendar of the platform alone. */
const begins: Readonly<Record<string, (moment: Date) => boolean>> = {
  day: moment => moment.getTime() % MS_A_DAY === 0,
  week: moment => moment.getUTCDay() === 1,
  month: moment => moment.getUTCDate() === 1,
  quarter: moment => moment.getUTCDate() === 1 && moment.getUTCMonth() % 3 === 0,
  year: moment => moment.toISOString().includes('-01-01T00'),
};

describe('ticks over thousands of generated stretches of time', () => {
  let seed = 7;
  const random = (): number => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
  // From minutes to five centuries.
  const spans = [0.01, 0.4, 1, 6, 40, 200, 1_000, 9_000, 182_621];
  const stretches = Array.from({ length: 1_800 }, (_, i) => {
    const first = Math.floor(random() * 200_000) - 150_000 + (i % 2 ? random() : 0);
    const span = spans[i % spans.length] as number;
    const whole = span >= 1 && i % 2 === 0;
    const inside = Array.from({ length: i % 5 }, () => random() * span).map(part => (whole ? Math.floor(part) : part));
    const at = [...new Set([0, ...inside, span])].sort((a, b) => a - b).map(part => first + part);
    return time(i % 3 ? at : at.reverse());
  });
  const faults = { outside: 0, falling: 0, unlike: 0, ticks: 0 };
  const whole: string[] = [];
  for (const along of stretches) {
    const { at } = along;
    const [first, last] = [at[0] as number, at.at(-1) as number];
    const { least } = distances(at);
    for (const division of divisionsOf(along)) {
      if (division.count > 400) continue;
      const ticks = division.ticks();
      ticks.forEach(({ place }, i) => {
        faults.ticks++;
        if (place < -1e-5 || place > Math.abs(last - first) / least + 1e-5) faults.outside++;
        if (i > 0 && place <= (ticks[i - 1] as AlongTick).place) faults.falling++;
        const count = first + Math.sign(last - first) * place * least;
        // A second at most is what a fraction of a day can be off over so long a time.
        const moment = new Date(Math.round(count * 86_400) * 1000);
        if (!Number.isInteger(Math.round(moment.getTime() / 1000)) || Math.abs(moment.getTime() / MS_A_DAY - count) > 1e-4) faults.unlike++;
      });
      const counts = ticks.map(({ place }) => new Date(Math.round((first + Math.sign(last - first) * place * least) * 86_400) * 1000));
      const name = division.count > 1 ? nameOf(division.count, Math.abs(last - first)) : '';
      if (name && !counts.every(begins[name] as (moment: Date) => boolean))
        whole.push(`${name} ${counts.map(item => item.toISOString()).join(' ')}`);
    }
  }

  it('lie inside, rise, and stand at whole seconds', () => {
    expect(faults.ticks).toBeGreaterThan(20_000);
    expect([faults.outside, faults.falling, faults.unlike]).toEqual([0, 0, 0]);
  });
  it('begin the day, week, month, quarter or year that they stand for', () => expect(whole).toEqual([]));
});

/** Which period a division is, by how many of them a span holds. */
function nameOf(count: number, span: number): string {
  const length = span / (count - 1);
  const lengths: Readonly<Record<string, number>> = { day: 1, week: 7, month: 30.44, quarter: 91.31, year: 365.2425 };
  return Object.keys(lengths).find(name => Math.abs((lengths[name] as number) / length - 1) < 0.01) ?? '';
}
