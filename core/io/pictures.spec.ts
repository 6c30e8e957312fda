import { PROJECT_VERSION } from 'core/document';
import { messageFor } from 'core/result/words';
import { readProjectFile, readSmallPicture } from './index';

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
const svg = (inside: string, more = ''): string => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"${more}>${inside}</svg>`;
const saysOf = (text: string): string => {
  const read = readSmallPicture(bytesOf(text), 'bell.svg');
  return read.ok ? '' : read.problems.map(messageFor).join();
};

describe('small pictures', () => {
  const taken: readonly [name: string, text: string][] = [
    ['shapes', svg('<path d="M0 0h9v9z" fill="#b80"/>')],
    ['a prologue and a comment', `<?xml version="1.0" encoding="UTF-8"?>\n<!-- made by hand -->\n${svg('<rect width="9" height="9"/>')}`],
    [
      'a document type',
      `<!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">${svg('<circle r="4"/>')}`,
    ],
    ['a prefix for all of it', '<s:svg xmlns:s="http://www.w3.org/2000/svg"><s:g><s:path d="M0 0h1"/></s:g></s:svg>'],
    [
      'its own gradient',
      svg('<defs><linearGradient id="a"><stop offset="0"/></linearGradient></defs><rect fill="url(#a)" width="9" height="9"/>'),
    ],
    ['styles', svg('<style>.a { fill: #b80 }</style><path class="a" d="M0 0h1" style="stroke:none"/>')],
    ['notes of the program that drew it', svg('<metadata><e:x xmlns:e="urn:editor" e:on="1"/></metadata>')],
    ['words', svg('<text x="1" y="1">5 &lt; 6 &amp; so on</text>')],
  ];
  for (const [name, text] of taken) it(`takes ${name}`, () => expect(saysOf(text)).toBe(''));

  const refused: readonly [name: string, text: string, says: RegExp][] = [
    ['a script', svg('<script>alert(1)</script>'), /“<script”/],
    ['a script under a prefix', '<s:svg xmlns:s="http://www.w3.org/2000/svg"><s:script/></s:svg>', /“<s:script”/],
    ['a page inside', svg('<foreignObject><b xmlns="http://www.w3.org/1999/xhtml"/></foreignObject>'), /“<foreignObject”/],
    ['an element of pages', svg('<h:img xmlns:h="http://www.w3.org/1999/xhtml"/>'), /“<h:img”/],
    ['a listener', svg('<path onclick="x()" d="M0 0"/>'), /“onclick="x\(\)"”/],
    ['a listener of another case', svg('', ' onLoad="x()"'), /onLoad/],
    ['an address outside', svg('<linearGradient href="http://a/b#c"/>'), /href/],
    ['the same under a prefix of one’s own', svg('<linearGradient q:href="//a" xmlns:q="http://www.w3.org/1999/xlink"/>'), /q:href/],
    ['a script as an address, its letters as numbers', svg('<linearGradient href="&#106;avascript:x()"/>'), /href="javascript:x\(\)"/],
    ['an animated link', svg('<a href="#a"><animate attributeName="href" to="javascript:x()"/></a>'), /“<a”/],
    ['an animation alone', svg('<path d="M0 0"><set attributeName="href" to="#"/></path>'), /“<set”/],
    ['a picture that is fetched', svg('<image href="http://a/b.png"/>'), /“<image”/],
    ['copies of copies', svg('<use href="#a"/>'), /“<use”/],
    ['a fill from outside', svg('<path fill="url(http://a/b)" d="M0 0"/>'), /fill=/],
    ['a fill from outside, escaped', svg('<path style="fill:u\\72l(http://a/b)" d="M0 0"/>'), /style=/],
    ['a style that fetches', svg('<style>@import "http://a/b.css";</style>'), /@import/],
    ['the same in a section', svg('<style><![CDATA[ .a{fill:url(//b)} ]]></style>'), /url\(\/\/b\)/],
    ['a style sheet before it', `<?xml-stylesheet href="a.css"?>${svg('')}`, /xml-stylesheet/],
    ['entities of its own', `<!DOCTYPE svg [<!ENTITY a "aaaa">]>${svg('&a;')}`, /ENTITY/],
    ['an entity that nobody knows', svg('&lol;'), /lol|entity/],
    ['another kind of XML', '<html xmlns="http://www.w3.org/1999/xhtml"/>', /“<html”/],
    ['SVG in name only', '<svg/>', /“<svg”/],
    ['half a file', '<svg xmlns="http://www.w3.org/2000/svg"><path', /unclosed|unexpected/],
    ['depth without end', svg('<g>'.repeat(200) + '</g>'.repeat(200)), /more than 100 elements/],
    ['words', 'a bell', /neither PNG nor SVG/],
  ];
  for (const [name, text, says] of refused) it(`refuses ${name}`, () => expect(saysOf(text)).toMatch(says));
  it('refuses what is too large, or too wide', () => {
    expect(saysOf(svg(' '.repeat(70_000)))).toMatch(/up to/);
    const png = Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 73, 72, 68, 82, 0, 0, 16, 0, 0, 0, 0, 9, 0);
    const read = readSmallPicture(png, 'wide.png');
    expect(read.ok ? '' : messageFor(read.problems[0]!)).toBe(
      'wide.png has 4096 × 9 pixels; up to 1024 each way will do. Make it smaller.',
    );
  });

  it('those of a project file pass the same checks: one that does not is left out, and noted', () => {
    const picture = (name: string, text: string) => ({ name, type: 'image/svg+xml', data: btoa(text) });
    const project = {
      version: PROJECT_VERSION,
      id: 'p',
      name: 'P',
      tables: [],
      figures: [],
      formats: [],
      pictures: [picture('good', svg('<circle r="4"/>')), picture('bad', svg('<script/>')), { ...picture('odd', ''), data: 'A' }],
      liveries: [],
      looks: [],
    };
    const read = readProjectFile(JSON.stringify({ format: 'cowbell-project', project, tables: {} }));
    expect(read.ok && read.value.project.pictures.map(({ name }) => name)).toEqual(['good']);
    expect(read.ok && read.value.notes.map(messageFor)).toEqual([
      'bad holds “<script”, which is more than shapes. Save it as plain SVG, or as PNG.',
      'odd is neither PNG nor SVG. Save it as one of these.',
    ]);
  });
});
