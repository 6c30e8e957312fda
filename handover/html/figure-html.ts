import { writeCsv } from 'core/io';
import { ledgerTable } from 'core/plan';
import { escaped } from 'core/markup';
import { element, fileName, htmlDocument } from '../offers';
import { figureText, type CueText } from '../figure-text';
import { totalsOf, type Handed } from '../handed';
import { ledgerHtml } from './ledger-html';

/** A figure as one file that opens anywhere: drawn, with what each mark says, what stands out, the ledger, and its rows to take away. */
export function figureHtml(handed: Handed, svg: string): string {
  const { plan, figure, picture } = handed;
  const text = figureText(handed);
  const csv = writeCsv(ledgerTable(picture), { guardsFormulas: true });
  const name = fileName(figure.name, 'csv');
  return htmlDocument(text.title || figure.name, plan.livery, [
    `<figure>\n${svg}</figure>`,
    element('p', text.description),
    cuesHtml(text.cues),
    '<h2>The ledger</h2>',
    ledgerHtml(handed),
    ...totalsOf(handed).flatMap(totals => [`<h2>${totals.title}, as cues look at them</h2>`, ledgerHtml(totals.handed)]),
    `<p class="screen"><a download="${escaped(name)}" href="data:text/csv;base64,${base64(csv)}">Take its rows as CSV</a></p>`,
    '<h2>The figure as it was decided</h2>',
    ...text.brief.map(words => element('p', words)),
    element('p', text.note, { class: 'soft' }),
    element('p', text.source && `Source: ${text.source}`, { class: 'soft' }),
  ]);
}

/** What stands out, each cue with what it found. */
export function cuesHtml(cues: readonly CueText[]): string {
  if (cues.length === 0) return '';
  const items = cues.map(({ sentence, on, found, problems }) => {
    const more = [...found, ...problems].map(words => `<br><span class="soft">${escaped(words)}</span>`).join('');
    return `<li>${escaped(sentence)}${on ? '' : ' (off)'}${more}</li>`;
  });
  return `<h2>What stands out</h2>\n<ol>\n${items.join('\n')}\n</ol>`;
}

/** A text as base64 of its UTF-8. */
function base64(text: string): string {
  const bytes = new TextEncoder().encode(text);
  const pieces: string[] = [];
  // In pieces, since a function takes so many arguments only.
  for (let at = 0; at < bytes.length; at += PIECE) pieces.push(String.fromCharCode(...bytes.subarray(at, at + PIECE)));
  return btoa(pieces.join(''));
}

const PIECE = 8_190;
