import type { Figure } from 'core/document';
import { readSentence } from 'core/sentence';
import { about, chosen, figure } from './first-figure/huts.spec';
import { briefOf, settings } from './index';

describe('the prose of the brief', () => {
  it('what was left alone waits, a sentence each', () => {
    const { data, shape, scales, words } = briefOf(about(figure));
    expect([data, shape, scales, words].flatMap(({ finer }) => finer.map(readSentence))).toEqual([
      'It is shown as one series.',
      'It has one panel.',
      'Beside it stands nothing.',
      'It is drawn 16:9.',
      'It wears the colours of the page.',
      'Values stand in L.',
      'Numbers have fitting decimals.',
      'The line at zero is stronger than the gridlines where values lie on both sides.',
      'Gridlines are hair-thin.',
      'The axis is linear.',
      'The axis starts as its shapes need.',
      'The axis begins at a fitting value.',
      'The axis ends at a fitting value.',
      'The axis keeps as much as labels need free beyond the data.',
      'The axis has no ceiling.',
      'The axis has no floor.',
      'The axis has fitting steps.',
      'The axis leaves out nothing.',
      'The axis runs from low to high.',
      'The axis stands with numbers.',
      'The axis writes its numbers plain.',
      'The axis counts plain values.',
      'The axis is titled what is read there.',
      'The axis stands on the left.',
      'Names of the categories stand as fits the room.',
      'Names stand at the axis.',
      'It is called Milk by hut.',
      'Below the title stands nothing.',
      'At the foot stands nothing.',
      'As its source it names nothing.',
      'Label what the cues mark.',
      'Labels stand where they can be read.',
      'Labels stand no further off their marks.',
      'The legend stands where its livery has it.',
    ]);
  });
  const others: Readonly<Record<string, string>> = {
    series: 'valley',
    panel: 'column:valley',
    proportion: '4:3',
    unit: 'hL',
    decimals: '1',
    gridlines: 'false',
    'zero:first': 'out',
    'low:first': '3',
    'high:first': '90,000',
    'scale:first': 'symlog',
    'headroom:first': '20 %',
    'ceiling:first': '100',
    'floor:first': '-5',
    'axis-step:first': 'about 8',
    'breaks:first': '10 to 20 and 30 to 1,000',
    'reversed:first': 'true',
    'power:first': '5',
    'axis-title:first': 'Litres',
    'zero-line': 'bold',
    'written:first': 'unit',
    'numbers:first': 'false',
    title: 'Mine',
    subtitle: 'A word',
    note: 'A note',
    source: 'The union',
    'label-what': 'all',
    'label-place': 'base',
    'label-offset': '6 px',
    legend: 'side',
    livery: 'Dusk',
    'names-beside': 'bars',
  };
  for (const [key, value] of Object.entries(others))
    it(`${key}, once changed, stands in the prose, and leaves it when set back`, () => {
      const keysOf = (now: Figure, part: 'said' | 'finer'): string[] => {
        const { shape, scales, words } = briefOf(about(now));
        const sentences = [shape, scales, words].flatMap(section => (part === 'said' ? [section.said] : section.finer));
        return sentences.flatMap(sentence => sentence.flatMap(word => (typeof word === 'string' ? [] : [word.key])));
      };
      const [name = '', place = ''] = key.split(':');
      const plain = settings[name]?.plain(about(figure), place) ?? '';
      const changed = { ...figure, ...chosen(figure, key, value) };
      const back = { ...changed, ...chosen(changed, key, plain) };
      expect([figure, changed, back].map(now => [keysOf(now, 'said').includes(key), keysOf(now, 'finer').includes(key)])).toEqual([
        [false, true],
        [true, false],
        [false, true],
      ]);
    });
});
