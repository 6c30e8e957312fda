import type { HandoverFormat } from '../format';
import { formatOffers, offerNamed, type FormatName } from '../offers';
import { makers } from './formats';

/** A format by its name; undefined for none. */
export function formatNamed(name: string): HandoverFormat | undefined {
  const offer = offerNamed(name);
  return offer && { ...offer, make: makers[name as FormatName] };
}

/** Every format that a figure leaves in, in the order of help. */
export const handoverFormats: readonly HandoverFormat[] = Object.keys(formatOffers).flatMap(name => formatNamed(name) ?? []);
