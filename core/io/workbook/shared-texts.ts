import type { Pieces } from './parts';
import { readPart } from './xml-part';

/** Collects the texts of an element that holds a text or runs of it, without how they are pronounced (ISO/IEC 29500, 18.4.8). */
export class TextRuns {
  private text = '';
  private isTaken = false;
  private isSpoken = false;

  /** Another text begins. */
  begin(): void {
    this.text = '';
  }

  /** An element within it begins. */
  open(name: string): void {
    if (name === 'rPh') this.isSpoken = true;
    if (name === 't') this.isTaken = !this.isSpoken;
  }

  /** Characters came. */
  add(text: string): void {
    if (this.isTaken) this.text += text;
  }

  /** An element within it ends. */
  close(name: string): void {
    if (name === 'rPh') this.isSpoken = false;
    if (name === 't') this.isTaken = false;
  }

  /** The collected texts. */
  whole(): string {
    return unescaped(this.text);
  }
}

/** The texts that cells share, by their places; none where a workbook has no part of them. */
export function sharedTexts(part: Pieces | undefined): string[] {
  const texts: string[] = [];
  if (!part) return texts;
  const runs = new TextRuns();
  readPart(part, {
    open: name => (name === 'si' ? runs.begin() : runs.open(name)),
    text: text => runs.add(text),
    close: name => (name === 'si' ? void texts.push(runs.whole()) : runs.close(name)),
  });
  return texts;
}

/** A text with the characters that XML cannot hold, which workbooks write as `_x000D_` (ISO/IEC 29500, 22.9.2.19). */
export const unescaped = (text: string): string =>
  text.includes('_x') ? text.replaceAll(/_x([\da-f]{4})_/gi, (_, hex: string) => String.fromCharCode(parseInt(hex, 16))) : text;
