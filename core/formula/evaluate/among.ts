import { isMissing, MISSING_BOOLEAN } from 'core/table';
import { compareVecs } from './compare';
import { runLogic } from './operators';
import { lengthFor, strideOf, type BooleanVec, type Vec } from './vec';

/** `arg in (items)`: true where it equals an item, else missing where it or any item is missing. Cost: one look-up per row for plain values. */
export function isAmong(arg: Vec, items: readonly Vec[], rows: number): BooleanVec {
  const plain = items.filter(item => item.constant);
  const others = items.filter(item => !item.constant);
  const found = isAmongPlain(arg, plain, lengthFor(rows, arg));
  return others.reduce((any: BooleanVec, item) => runLogic('or', any, compareVecs('=', arg, item, rows), rows), found);
}

function isAmongPlain(arg: Vec, items: readonly Vec[], rows: number): BooleanVec {
  const there = items.filter(item => !isMissing(item, 0));
  const otherwise = there.length < items.length ? MISSING_BOOLEAN : 0;
  const data = new Uint8Array(rows);
  const [isItem, stride] = [membership(arg, there), strideOf(arg)];
  for (let row = 0; row < rows; row++) {
    const at = row * stride;
    data[row] = isMissing(arg, at) ? MISSING_BOOLEAN : isItem(at) ? 1 : otherwise;
  }
  // Nothing is equal to one of none, whatever it is.
  if (items.length === 0) data.fill(0);
  return { type: 'boolean', data, constant: arg.constant };
}

/** Whether the value at an index is one of the items. */
function membership(arg: Vec, items: readonly Vec[]): (at: number) => boolean {
  if (arg.type === 'text') {
    const wanted = new Set(items.map(item => (item.type === 'text' ? item.dictionary[item.data[0] as number] : undefined)));
    const byCode = arg.dictionary.map(text => wanted.has(text));
    return at => byCode[arg.data[at] as number] === true;
  }
  // Adding zero makes −0 and 0 one number.
  const wanted = new Set(items.map(item => (item.data[0] as number) + 0));
  return at => wanted.has((arg.data[at] as number) + 0);
}
