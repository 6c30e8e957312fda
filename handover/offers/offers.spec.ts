import { PAGE_STYLE, fileName, formatOffers, offerNamed, pageHtml, pixelsOf, withResolution } from './index';

describe('what is offered', () => {
  const names: readonly [name: string, ending: string, file: string][] = [
    ['Milk by hut', 'svg', 'milk-by-hut.svg'],
    ['../../etc/passwd', 'csv', 'etc-passwd.csv'],
    ['高原の牧場', 'png', '高原の牧場.png'],
    ['???', 'sql', 'figure.sql'],
    ['x'.repeat(300), 'csv', `${'x'.repeat(60)}.csv`],
  ];
  for (const [name, ending, file] of names)
    it(`${name.slice(0, 20)} is ${file.slice(0, 30)}`, () => expect(fileName(name, ending)).toBe(file));

  it('a format by its name, and none by one that every object has', () => {
    expect(offerNamed('svg')).toEqual({ name: 'svg', ...formatOffers.svg });
    expect(offerNamed('toString')).toBeUndefined();
  });

  const widths: readonly [amount: number, unit: 'px' | 'cm', perInch: number, pixels: number][] = [
    [1_600, 'px', 300, 1_600],
    [2.54, 'cm', 300, 300],
    [16, 'cm', 254, 1_600],
    [0.001, 'cm', 30, 1],
  ];
  for (const [amount, unit, perInch, pixels] of widths)
    it(`${amount} ${unit} at ${perInch} are ${pixels}`, () => expect(pixelsOf({ amount, unit, perInch })).toBe(pixels));

  it('a resolution stands behind the head of a PNG, with its checksum', () => {
    // The signature and a head of 13 bytes, then what follows.
    const png = Uint8Array.from({ length: 40 }, (_, i) => i);
    const out = withResolution(png, 72);
    expect([...out.subarray(0, 33)]).toEqual([...png.subarray(0, 33)]);
    expect([...out.subarray(54)]).toEqual([...png.subarray(33)]);
    // 72 to an inch are 2,835 to a metre; the checksum is the one that this chunk has in every such file.
    expect([...out.subarray(33, 54)]).toEqual([
      0, 0, 0, 9, 0x70, 0x48, 0x59, 0x73, 0, 0, 0x0b, 0x13, 0, 0, 0x0b, 0x13, 1, 0, 0x9a, 0x9c, 0x18,
    ]);
  });

  it('a page is a document that says what cannot be drawn, and holds nothing of theirs as markup', () => {
    const look = { ground: '#fff', ink: '#000', soft: '#444', hair: '#ccc', font: 'sans-serif' };
    const html = pageHtml(
      {
        name: '<b>Report</b>',
        columns: 2,
        blocks: [
          { kind: 'text', paragraphs: ['# Head & <i>', 'one\ntwo'] },
          { kind: 'figure', name: 'Gone', wide: false, svg: null, problems: ['It is not there.'] },
          { kind: 'break' },
          { kind: 'figure', name: 'There', wide: true, svg: '<svg></svg>', problems: [] },
        ],
      },
      look,
    );
    expect(html).toContain('<h1>&lt;b&gt;Report&lt;/b&gt;</h1>');
    expect(html).toContain('<section><h2>Head &amp; &lt;i&gt;</h2>\n<p>one<br>two</p></section>');
    expect(html).toContain(
      '<figure><p role="alert">Gone cannot be drawn. It is not there.</p></figure>\n<hr>\n<figure class="wide"><svg></svg></figure>',
    );
    expect(html).toContain(PAGE_STYLE);
  });
});
