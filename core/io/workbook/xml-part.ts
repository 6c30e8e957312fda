import { SaxesParser, type SaxesTagPlain } from 'saxes';
import type { Pieces } from './parts';

/** What is done with the elements and texts of a part, by names without their prefixes. */
export interface PartHandler {
  readonly open?: (name: string, attributes: Readonly<Record<string, string>>) => void;
  readonly text?: (text: string) => void;
  readonly close?: (name: string) => void;
}

// Bytes that are parsed at once: the texts of longer pieces would outlive a collection of young garbage, and so fill the memory.
const STEP = 1 << 15;

// More than any part of a workbook has, and too little to exhaust the memory.
const [DEEPEST, MOST_ATTRIBUTES] = [100, 1_000];

/**
 * Reads a part of a workbook as XML, a piece at a time: no more of its text is in memory than one piece. Throws where it is not well-formed, nested too
 * deep, or not in an encoding that a part may have (ISO/IEC 29500-2, 6.2.5: UTF-8 or UTF-16).
 */
export function readPart(part: Pieces, { open, text, close }: PartHandler, onProgress?: (share: number) => void): void {
  const parser = new SaxesParser();
  let [depth, attributeCount] = [0, 0];
  parser.on('attribute', () => {
    if (++attributeCount > MOST_ATTRIBUTES) throw new RangeError('an element has too many attributes');
  });
  parser.on('opentag', ({ name, attributes }: SaxesTagPlain) => {
    attributeCount = 0;
    if (++depth > DEEPEST) throw new RangeError('elements are nested too deep');
    open?.(localName(name), attributes);
  });
  parser.on('closetag', ({ name }: SaxesTagPlain) => {
    depth--;
    close?.(localName(name));
  });
  if (text) {
    parser.on('text', text);
    parser.on('cdata', text);
  }
  let decoder: TextDecoder | undefined;
  for (const [piece, share] of part) {
    decoder ??= new TextDecoder(encodingOf(piece), { fatal: true });
    for (let at = 0; at < piece.length; at += STEP) parser.write(decoder.decode(piece.subarray(at, at + STEP), { stream: true }));
    onProgress?.(share);
  }
  parser.write(decoder?.decode() ?? '').close();
}

/** A name without the prefix of its namespace; nearly all names have none. */
export const localName = (name: string): string => (name.includes(':') ? name.slice(name.indexOf(':') + 1) : name);

/** An attribute by its local name, whatever prefix its namespace has. */
export const attributeOf = (attributes: Readonly<Record<string, string>>, local: string): string | undefined =>
  Object.entries(attributes).find(([name]) => localName(name) === local)?.[1];

function encodingOf([first, second]: Uint8Array): string {
  if (first === 0xff && second === 0xfe) return 'utf-16le';
  return first === 0xfe && second === 0xff ? 'utf-16be' : 'utf-8';
}
