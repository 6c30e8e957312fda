import { numberFormat, type NumberFormat } from './number-format';
import type { Pieces } from './parts';
import { readPart } from './xml-part';

/** The number formats of a workbook by the numbers of its cells' styles; none where it has no styles. */
export function numberFormats(part: Pieces | undefined): readonly NumberFormat[] {
  const own = new Map<number, string>();
  const used: number[] = [];
  if (!part) return [];
  let isOfCells = false;
  readPart(part, {
    open: (name, { numFmtId = '0', formatCode = '' }) => {
      if (name === 'cellXfs') isOfCells = true;
      if (name === 'numFmt') own.set(Number(numFmtId), formatCode);
      if (name === 'xf' && isOfCells) used.push(Number(numFmtId));
    },
    close: name => {
      if (name === 'cellXfs') isOfCells = false;
    },
  });
  return used.map(id => numberFormat(own.get(id) ?? BUILT_IN.get(id) ?? ''));
}

const DAY = 'm/d/yy';

// Formats that no workbook spells out (ISO/IEC 29500, 18.8.30), as far as they make days or times of numbers; of those that depend on the language only
// what is a day in each of them.
const BUILT_IN = new Map<number, string>([
  [14, DAY],
  [15, 'd-mmm-yy'],
  [16, 'd-mmm'],
  [17, 'mmm-yy'],
  [18, 'h:mm AM/PM'],
  [19, 'h:mm:ss AM/PM'],
  [20, 'h:mm'],
  [21, 'h:mm:ss'],
  [22, 'm/d/yy h:mm'],
  ...[27, 28, 29, 30, 31, 36, 50, 51, 52, 53, 54, 57, 58].map(id => [id, DAY] as const),
  [45, 'mm:ss'],
  [46, '[h]:mm:ss'],
  [47, 'mmss.0'],
]);
