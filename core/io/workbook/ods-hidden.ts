import { strFromU8 } from 'fflate';
import { wholePart } from './parts';

// One tag of a sheet, a row, or the end of a sheet (ISO/IEC 26300-3, 9.1): all else of the text is passed over.
const TAGS = /<(\/?)table:(table|table-row)(?=[\s/>])([^>]*)>/g;
const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };

/**
 * The rows of a sheet of an OpenDocument workbook that are hidden or filtered away, counted from 0; none for another kind of file. What the reader library
 * leaves out. Cost: unpacking the sheets once more, and one pass over their text.
 */
export function hiddenInOds(bytes: Uint8Array, sheet: string): ReadonlySet<number> {
  const hidden = new Set<number>();
  const content = wholePart(bytes, 'content.xml');
  if (!content) return hidden;
  let [row, isOwn, depth] = [0, false, 0];
  for (const [, end, kind, attributes = ''] of strFromU8(content).matchAll(TAGS)) {
    if (kind === 'table') {
      depth += end ? -1 : attributes.endsWith('/') ? 0 : 1;
      // A table within a cell is no sheet.
      if (!end && depth === 1) [row, isOwn] = [0, nameIn(attributes) === sheet];
      continue;
    }
    if (end || !isOwn || depth !== 1) continue;
    const count = Number(/table:number-rows-repeated="(\d+)"/.exec(attributes)?.[1] ?? 1);
    if (/table:visibility="(?:collapse|filter)"/.test(attributes))
      for (let i = 0; i < Math.min(count, MOST_ROWS - row); i++) hidden.add(row + i);
    row += count;
  }
  return hidden;
}

// No sheet has more rows.
const MOST_ROWS = 1_048_576;

const nameIn = (attributes: string): string =>
  (/table:name="([^"]*)"/.exec(attributes)?.[1] ?? '').replaceAll(
    /&(?:(amp|lt|gt|quot|apos)|#(\d+)|#x([\da-f]+));/gi,
    (whole, name?: string, decimal?: string, hex?: string) =>
      name ? (ENTITIES[name] ?? whole) : String.fromCodePoint(decimal ? Number(decimal) : parseInt(hex ?? '', 16)),
  );
