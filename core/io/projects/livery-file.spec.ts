import { LIVERIES, type LiveryDoc } from 'core/document';
import { messageFor } from 'core/result/words';
import { readLivery, writeLivery } from '../index';

const [livery] = LIVERIES as [LiveryDoc];
const says = (text: string): string => {
  const read = readLivery(text);
  return read.ok ? read.value.name : read.problems.map(messageFor).join();
};

describe('a livery as a file', () => {
  it('comes back as it went', () => {
    const read = readLivery(writeLivery(livery));
    expect(read.ok && read.value).toEqual(livery);
  });
  const faults: readonly [name: string, text: string, words: RegExp][] = [
    ['no JSON', 'livery', /no JSON/],
    ['another file', '{"format":"cowbell-project"}', /fault at format/],
    ['a newer version', writeLivery({ ...livery, version: 2 as 1 }), /fault at livery\.version/],
    ['a colour that is none', writeLivery({ ...livery, ink: 'url(x)' }), /fault at livery\.ink/],
    ['letters too large', writeLivery({ ...livery, sizes: { ...livery.sizes, title: 900 } }), /fault at livery\.sizes\.title/],
    ['a large file', ' '.repeat(70_000), /too large/],
    ['a list', '[]', /fault at its beginning/],
  ];
  for (const [name, text, words] of faults) it(name, () => expect(says(text)).toMatch(words));
});
