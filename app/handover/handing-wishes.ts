import { signal } from '@angular/core';
import * as z from 'zod/mini';

const REMEMBERED = 'cowbell.handover';

const wishesSchema = z.object({
  /** Texts that a spreadsheet would run stand behind an apostrophe. */
  guardsFormulas: z.boolean(),
  /** A mark at the start, by which some programs know UTF-8. */
  mark: z.boolean(),
  /** The letters go into each SVG, or are named. */
  fonts: z.enum(['embedded', 'named']),
  transparent: z.boolean(),
  width: z.number().check(z.positive(), z.maximum(20_000)),
  unit: z.enum(['px', 'cm']),
  perInch: z.number().check(z.minimum(30), z.maximum(2_400)),
  dialect: z.enum(['standard', 'duckdb', 'postgresql']),
});

/** How figures are handed over: chosen in the sheet, remembered by the browser. */
export type HandingWishes = z.infer<typeof wishesSchema>;

// Guarded unless the analyst chose otherwise: a ledger most often goes on to a spreadsheet.
const USUAL: HandingWishes = {
  guardsFormulas: true,
  mark: false,
  fonts: 'embedded',
  transparent: false,
  width: 16,
  unit: 'cm',
  perInch: 300,
  dialect: 'standard',
};

/** The options of the last export. */
export const handingWishes = signal<HandingWishes>(remembered());

/** Changes some of it; false where a number is none that can be meant. */
export function wish(change: Partial<HandingWishes>): boolean {
  const read = wishesSchema.safeParse({ ...handingWishes(), ...change });
  if (!read.success) return false;
  handingWishes.set(read.data);
  localStorage.setItem(REMEMBERED, JSON.stringify(read.data));
  return true;
}

function remembered(): HandingWishes {
  try {
    const read = wishesSchema.safeParse({ ...USUAL, ...(JSON.parse(localStorage.getItem(REMEMBERED) ?? '{}') as object) });
    return read.success ? read.data : USUAL;
  } catch {
    return USUAL;
  }
}
