import { typedMoment } from './typed-moment';

describe('a period as it is written', () => {
  const rows: readonly [text: string, day: string][] = [
    ['Q2 2012', '2012-04-01'],
    ['q4 2031', '2031-10-01'],
    ['Apr 2012', '2012-04-01'],
    ['December 2031', '2031-12-01'],
    ['2012', '2012-01-01'],
    ['2012-04-01', '2012-04-01'],
    ['Alm 2012', 'Alm 2012'],
    ['Q5 2012', 'Q5 2012'],
    ['', ''],
  ];
  for (const [text, day] of rows) it(`“${text}” is ${day || 'nothing'}`, () => expect(typedMoment(text)).toBe(day));
});
