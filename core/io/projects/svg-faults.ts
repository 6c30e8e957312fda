import { SaxesParser, type SaxesAttributeNS, type SaxesTagNS } from 'saxes';

const SVG = 'http://www.w3.org/2000/svg';
const XHTML = 'http://www.w3.org/1999/xhtml';

/** SVG elements that draw shapes and words, and their styles. Any other element may run, fetch, embed or link. */
const SHAPES = new Set(
  (
    'svg g defs symbol title desc metadata switch path rect circle ellipse line polyline polygon text tspan textPath ' +
    'linearGradient radialGradient stop pattern clipPath mask marker style'
  ).split(' '),
);

/** Deepest nesting of elements. */
const DEEPEST = 100;

/**
 * What in an SVG is more than shapes and words, in the file's own words; null where it is nothing but these. The parsed tree is looked at, so that
 * prefixes, escapes and entities hide nothing: names count by their namespace, values as they are once read. A document type is ordinary; entities of
 * one's own are not. Throws nothing: what is no XML is named like the rest.
 */
export function faultOfSvg(text: string): string | null {
  let fault: string | null = null;
  const found = (words: string): void => void (fault ??= words.trim().slice(0, 80));
  const parser = new SaxesParser({ xmlns: true });
  const open: string[] = [];
  parser.on('error', error => found(error.message));
  parser.on('doctype', doctype => {
    if (/<!\s*(entity|attlist|notation|element)|%/i.test(doctype)) found(`<!DOCTYPE${doctype}`);
  });
  parser.on('processinginstruction', ({ target }) => found(`<?${target}`));
  parser.on('opentag', tag => {
    if (open.length === 0 && !(tag.uri === SVG && tag.local === 'svg')) found(`<${tag.name}`);
    if (open.length >= DEEPEST) found(`more than ${DEEPEST} elements inside each other`);
    open.push(tag.local);
    const element = faultOfElement(tag);
    if (element) found(element);
    for (const attribute of Object.values(tag.attributes)) {
      const words = faultOfAttribute(attribute);
      if (words) found(words);
    }
  });
  const styled = (words: string): void => {
    const style = open.at(-1) === 'style' ? faultOfStyle(words) : null;
    if (style) found(style);
  };
  parser.on('text', styled);
  parser.on('cdata', styled);
  parser.on('closetag', () => void open.pop());
  parser.write(text).close();
  return fault;
}

/** Elements of drawing programs are ignored when shown; embedded pages are refused. */
function faultOfElement({ uri, local, name }: SaxesTagNS): string | null {
  if (uri === XHTML || uri === '') return `<${name}`;
  return uri === SVG && !SHAPES.has(local) ? `<${name}` : null;
}

function faultOfAttribute({ local, name, value }: SaxesAttributeNS): string | null {
  const words = `${name}="${value}"`;
  if (/^on[a-z]/i.test(local)) return words;
  // White space and control characters inside an address are passed over by those who follow it.
  const address = Array.from(value)
    .filter(sign => sign > ' ')
    .join('');
  if (/^(href|src|base)$/i.test(local) && !address.startsWith('#')) return words;
  if (/^(java|vb)script:/i.test(address)) return words;
  return faultOfStyle(value) ? words : null;
}

/** Styles may refer to parts of the picture only; escapes with a backslash are refused. */
function faultOfStyle(style: string): string | null {
  if (style.includes('\\')) return style;
  if (/@import|@namespace|expression\s*\(|-moz-binding|image-set\s*\(/i.test(style)) return style;
  const addresses = [...style.matchAll(/url\s*\(\s*["']?\s*([^"')]*)/gi)].map(([, address = '']) => address);
  return addresses.some(address => !address.startsWith('#')) ? style : null;
}
