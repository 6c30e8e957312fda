import { PGlite } from '@electric-sql/pglite';
import { compileFormula, Evaluator, scopeOf } from 'core/formula';
import { cellAt, tableOf } from 'core/table';
import { seededRandom } from 'demo/random';

const TEXTS = ['', 'a', 'b', 'ab', 'ba', 'aab', 'abab', 'abcabc', 'cab', '2031', 'a-b', 'a b', 'ccc', 'B', '日本'];

/** Patterns of the standard's `similar to`, grown at random from a fixed seed. */
function patternsOf(count: number): string[] {
  const random = seededRandom(20310602);
  const pick = (items: readonly string[]): string => items[Math.floor(random() * items.length)] as string;
  const piece = (depth: number): string => {
    const simple = pick(['a', 'b', 'c', 'ab', '%', '_', '[a-b]', '[^a]', '[[:digit:]]', '[a-]', '-', '日']);
    const inner = depth > 0 && random() < 0.4 ? `(${row(depth - 1)}${random() < 0.6 ? `|${row(depth - 1)}` : ''})` : simple;
    const times = pick(['', '', '', '*', '+', '?', '{2}', '{1,3}', '{0,}']);
    // Only one character, a list or a group is repeated; the engine refuses a repeated %, and repeats only the last of two letters.
    return inner === '%' || inner === 'ab' ? inner : inner + times;
  };
  const row = (depth: number): string => Array.from({ length: 1 + Math.floor(random() * 3) }, () => piece(depth)).join('');
  return Array.from({ length: count }, () => row(2));
}

describe('similar to, as an engine of the standard reads it', () => {
  it('gives the same for patterns grown at random', async () => {
    const patterns = patternsOf(600);
    const database = await PGlite.create();
    const pairs = patterns.flatMap(pattern => TEXTS.map(text => [text, pattern] as const));
    const { rows } = await database.query<{ found: boolean }>(
      'select item similar to pattern as found from unnest($1::text[], $2::text[]) with ordinality as pair(item, pattern, place) order by place',
      [pairs.map(([text]) => text), pairs.map(([, pattern]) => pattern)],
    );
    const table = tableOf({ item: pairs.map(([text]) => text), pattern: pairs.map(([, pattern]) => pattern) });
    const formula = compileFormula('item similar to pattern', scopeOf(table), 'column');
    if (!formula.ok) throw new Error('no formula');
    const column = new Evaluator(table).values(formula.value);
    const wrong = pairs.filter((_, at) => cellAt(column, at) !== rows[at]?.found);
    expect(wrong).toEqual([]);
    expect(rows.filter(({ found }) => found).length).toBeGreaterThan(900);
    await database.close();
  }, 60_000);
});
