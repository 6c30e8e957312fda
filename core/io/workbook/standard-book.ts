import type { Book } from './book';
import { numberFormats } from './styles-part';
import { partOf, type Pieces } from './parts';
import { sharedTexts } from './shared-texts';
import { SheetCells } from './sheet-cells';
import { readSheetPart } from './sheet-part';
import { attributeOf, readPart } from './xml-part';

/**
 * A workbook after ISO/IEC 29500, read a piece at a time into typed memory; null for any other kind of file. Throws where something is not as the standard
 * has it: the reader library takes more. Cost: of a sheet one pass over its unpacked bytes, which are all that is kept beside its cells.
 */
export function standardBook(bytes: Uint8Array): Book | null {
  const main = [...relationsOf(bytes, '').values()].find(({ type }) => type.endsWith('/officeDocument'))?.target;
  if (!main?.endsWith('.xml')) return null;
  const { sheets, is1904 } = contentsOf(neededPart(bytes, main));
  const relations = relationsOf(bytes, main);
  const partWith = (type: string): Pieces | undefined => {
    const found = [...relations.values()].find(relation => relation.type.endsWith(type));
    return found && partOf(bytes, found.target);
  };
  return {
    names: sheets.map(({ name }) => name),
    cells: (name, onProgress) => {
      const target = relations.get(sheets.find(sheet => sheet.name === name)?.relation ?? '')?.target ?? '';
      const [texts, formats] = [sharedTexts(partWith('/sharedStrings')), numberFormats(partWith('/styles'))];
      const cells = new SheetCells(is1904, texts);
      readSheetPart(neededPart(bytes, target), cells, { formats, onProgress });
      return cells;
    },
  };
}

function neededPart(bytes: Uint8Array, name: string): Pieces {
  const part = partOf(bytes, name);
  if (!part) throw new Error(`no part is called ${name}`);
  return part;
}

interface SheetOfBook {
  readonly name: string;
  readonly relation: string;
}

/** Sheets in their order, and where days are counted from. */
function contentsOf(part: Pieces): { sheets: readonly SheetOfBook[]; is1904: boolean } {
  const sheets: SheetOfBook[] = [];
  let is1904 = false;
  readPart(part, {
    open: (name, attributes) => {
      if (name === 'workbookPr') is1904 = isTrue(attributes['date1904']);
      if (name === 'sheet') sheets.push({ name: attributes['name'] ?? '', relation: attributeOf(attributes, 'id') ?? '' });
    },
  });
  return { sheets, is1904 };
}

/** A yes of the standard (ISO/IEC 29500, xsd:boolean). */
const isTrue = (text: string | undefined): boolean => text === '1' || text === 'true';

interface Relation {
  readonly type: string;
  readonly target: string;
}

/** What a part is related to, by the relations' ids; an empty name is the file as a whole. */
function relationsOf(bytes: Uint8Array, part: string): ReadonlyMap<string, Relation> {
  const at = part.lastIndexOf('/') + 1;
  const related = new Map<string, Relation>();
  const listed = partOf(bytes, `${part.slice(0, at)}_rels/${part.slice(at)}.rels`);
  if (!listed) return related;
  readPart(listed, {
    open: (name, { Id = '', Type = '', Target = '', TargetMode }) => {
      if (name === 'Relationship' && TargetMode !== 'External') related.set(Id, { type: Type, target: resolved(part, Target) });
    },
  });
  return related;
}

/** The name of a part that is named from another: without a first slash it lies beside that. */
const resolved = (from: string, target: string): string => decodeURIComponent(new URL(target, `file:///${from}`).pathname.slice(1));
