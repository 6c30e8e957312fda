import { attributes, escaped } from 'core/markup';
import type { Livery } from 'core/plan';

/** What a document looks like: the colours of a livery. */
export type Look = Pick<Livery, 'ground' | 'ink' | 'soft' | 'hair' | 'font'>;

/** A document that needs nothing else: no request goes anywhere, nothing in it runs, and it prints. */
export function htmlDocument(title: string, look: Look, body: readonly string[], more = ''): string {
  const policy = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:";
  return [
    '<!doctype html>',
    '<html lang="en">',
    '<head>',
    '<meta charset="utf-8">',
    `<meta${attributes({ 'http-equiv': 'Content-Security-Policy', content: policy })}>`,
    '<meta name="viewport" content="width=device-width, initial-scale=1">',
    `<title>${escaped(title)}</title>`,
    `<style>${styleOf(look)}${more}</style>`,
    '</head>',
    '<body>',
    '<main>',
    ...body.filter(Boolean),
    '</main>',
    '</body>',
    '</html>',
    '',
  ].join('\n');
}

const styleOf = ({ ground, ink, soft, hair, font }: Look): string =>
  [
    `body{margin:0;background:${ground};color:${ink};font:15px/1.5 ${font};font-variant-numeric:tabular-nums}`,
    'main{max-width:75rem;margin:0 auto;padding:2rem 1.5rem}',
    'h1{font-size:1.5rem;line-height:1.25;margin:0 0 .25rem}h2{font-size:1.05rem;margin:2rem 0 .5rem}',
    `p,li{max-width:46rem}.soft{color:${soft}}`,
    'figure{margin:0 0 1rem}svg{max-width:100%;height:auto;display:block}',
    'ol{padding-left:1.4rem}li{margin:.25rem 0}',
    '.table{overflow-x:auto}table{border-collapse:collapse;font-size:13px}',
    `th,td{padding:.25rem .6rem;border-bottom:1px solid ${hair};text-align:left;white-space:nowrap}td.number,th.number{text-align:right}`,
    `thead th{color:${soft};font-weight:600}tbody th{font-weight:400}`,
    '@media print{main{padding:0;max-width:none}body{font-size:11pt}tr,figure{break-inside:avoid}thead{display:table-header-group}.screen{display:none}}',
  ].join('');

/** An element with a text; nothing where there is none. */
export const element = (tag: string, text: string, look: Readonly<Record<string, string | undefined>> = {}): string =>
  text ? `<${tag}${attributes(look)}>${escaped(text)}</${tag}>` : '';
