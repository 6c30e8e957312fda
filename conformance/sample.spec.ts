import { readProjectFile } from 'core/io';
import { LIGHT_LIVERY } from 'core/plan';
import { Engine, MemoryStorage } from 'engine';
import { readFileSync } from 'node:fs';

/** What the checks find in the sample: figures that mark everything above a level, and a pair of colours that one colour vision does not tell apart. */
const KNOWN: Readonly<Record<string, RegExp>> = {
  'Above average': /^9 of 20 marks are emphasised/,
  'Actual and deviation': /^8 of 19 marks are emphasised/,
  'Worst counts': /^13 of 20 marks are emphasised/,
  'Wheels beside plan': /look alike in tritanopia/,
};

describe('the sample', () => {
  it('leaves nothing to be checked but what is known', async () => {
    const tabs = { enter: () => Promise.resolve(true), tell: () => undefined, hear: () => undefined };
    const engine = new Engine({ storage: new MemoryStorage(), tabs });
    const text = readFileSync('demo/data/highmeadow.json', 'utf8');
    await engine.openFile(text);
    const read = readProjectFile(text);
    if (!read.ok) throw new Error('the sample cannot be read');
    const { figures } = read.value.project;
    const found = await Promise.all(
      figures.map(async ({ id, name }) => [name, (await engine.look(id, LIGHT_LIVERY)).risks.map(({ words }) => words)] as const),
    );
    expect(figures.length).toBeGreaterThan(25);
    const risky = found.filter(([, risks]) => risks.length > 0);
    expect(risky.map(([name]) => name).sort()).toEqual(Object.keys(KNOWN).sort());
    for (const [name, risks] of risky) expect(risks).toEqual([jasmine.stringMatching(KNOWN[name] as RegExp)]);
  });
});
