import { compileFormula, Evaluator, functionReference, MAX_CHARACTERS, scopeOf, type FormulaPlace } from 'core/formula';
import { messageFor } from 'core/result';
import { seededRandom } from 'demo/random';
import { columnCases, measureCases } from './cases';
import { troubledRows } from './rows';

const TEXTS = 100_000;
const table = troubledRows(12);
const scope = scopeOf(table);
const random = seededRandom(99);
const below = (n: number): number => Math.floor(random() * n);
const seeds = [...columnCases, ...measureCases];
const crumbs = [
  '(',
  ')',
  "'",
  '"',
  ',',
  ' ',
  '--',
  '/*',
  '*/',
  'over',
  'case',
  'end',
  'null',
  '1e999',
  '.',
  '||',
  '%',
  'select',
  '\u0000',
  '🔔',
  'é',
  '\n',
  ';',
  'x',
  '((((',
  'interval',
  'between',
  '9'.repeat(40),
  ...functionReference.map(({ name }) => `${name}(`),
];

/** A text made wrong: pieces cut out, doubled, swapped in, or nothing but crumbs. */
function mutated(): string {
  let text = seeds[below(seeds.length)] as string;
  if (random() < 0.2) text = Array.from({ length: 1 + below(12) }, () => crumbs[below(crumbs.length)]).join(random() < 0.5 ? ' ' : '');
  for (let times = 1 + below(3); times > 0; times--) {
    const at = below(text.length + 1);
    const choice = below(4);
    if (choice === 0) text = text.slice(0, at) + text.slice(at + 1 + below(5));
    else if (choice === 1) text = text.slice(0, at) + (crumbs[below(crumbs.length)] as string) + text.slice(at);
    else if (choice === 2) text = text.slice(0, at) + text.slice(Math.max(0, at - below(8)));
    else text = text.slice(0, at) + (seeds[below(seeds.length)] as string).slice(0, below(20)) + text.slice(at);
  }
  return text;
}

describe('whatever is typed', () => {
  it(`${TEXTS.toLocaleString('en')} random and mutated texts compile or say why, at a place`, () => {
    const places: readonly FormulaPlace[] = ['column', 'filter', 'measure'];
    let [fine, faulty] = [0, 0];
    for (let i = 0; i < TEXTS; i++) {
      const text = mutated();
      const read = compileFormula(text, scope, places[i % 3]);
      if (read.ok) {
        fine++;
        if (i % 3 === 0 && fine % 7 === 0) expect(new Evaluator(table).values(read.value).data.length).toBe(12);
        continue;
      }
      faulty++;
      const [problem] = read.problems;
      const at = problem && 'at' in problem ? problem.at : undefined;
      if (!problem || !at || at.start < 0 || at.end < at.start || at.start > text.length || messageFor(problem).length < 10)
        fail(`no message at a place for ${JSON.stringify(text)}`);
    }
    expect(fine).toBeGreaterThan(1_000);
    expect(faulty).toBeGreaterThan(50_000);
  });

  const limits: readonly [name: string, text: string, code: string][] = [
    ['too long', 'x + '.repeat(MAX_CHARACTERS), 'too-long'],
    ['too deep in brackets', `${'('.repeat(400)}x${')'.repeat(400)}`, 'too-deep'],
    ['too deep in cases', `${'case when b then '.repeat(300)}x${' end'.repeat(300)}`, 'too-deep'],
    ['too deep in calls', `${'abs('.repeat(300)}x${')'.repeat(300)}`, 'too-deep'],
    ['an endless row of signs', `${'- '.repeat(4000)}x`, 'too-deep'],
    ['an endless row of nots', `${'not '.repeat(2400)}b`, 'too-deep'],
  ];
  for (const [name, text, code] of limits)
    it(name, () => {
      const read = compileFormula(text, scope);
      expect(read.ok ? 'fine' : read.problems[0]?.code).toBe(code as 'too-deep');
    });
});
