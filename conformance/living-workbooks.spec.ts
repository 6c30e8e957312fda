import { read, utils, type CellObject } from '@e965/xlsx';
import { HyperFormula, type RawCellContent } from 'hyperformula';
import { readFileSync } from 'node:fs';
import { readProjectFile } from 'core/io';
import { cueFactsOf, cueKinds } from 'core/cue';
import type { Figure } from 'core/document';
import { ledgerTable, LIGHT_LIVERY } from 'core/plan';
import { messageFor } from 'core/result/words';
import { cellAt, type Cell, type Table } from 'core/table';
import { Session } from 'engine';
import { figureWorkbook, handedOf, toXlsx, type Handed } from 'handover';
import { isLong, seedsOf } from './generated';
import { grownProject } from './grown-projects';

const SEEDS = seedsOf(120);

/** A workbook opened by an independent reader and computed anew by an independent engine of formulas. */
class Recomputed {
  private constructor(private readonly engine: HyperFormula) {}

  static open(file: Uint8Array): Recomputed {
    const book = read(file, { cellFormula: true, cellDates: false });
    const sheets = Object.fromEntries(
      book.SheetNames.map(name => {
        const sheet = book.Sheets[name] ?? {};
        const { e } = utils.decode_range(sheet['!ref'] ?? 'A1');
        const rows = Array.from({ length: e.r + 1 }, (_, r) =>
          Array.from({ length: e.c + 1 }, (__, c) => contentOf(sheet[utils.encode_cell({ r, c })] as CellObject | undefined)),
        );
        return [name, rows];
      }),
    );
    return new Recomputed(HyperFormula.buildFromSheets(sheets, { licenseKey: 'gpl-v3', useArrayArithmetic: true, smartRounding: false }));
  }

  at(sheet: string, row: number, column: number): unknown {
    return this.engine.getCellValue({ sheet: this.engine.getSheetId(sheet) ?? 0, row, col: column });
  }

  isFormula(sheet: string, row: number, column: number): boolean {
    return this.engine.doesCellHaveFormula({ sheet: this.engine.getSheetId(sheet) ?? 0, row, col: column });
  }

  set(sheet: string, row: number, column: number, value: number): void {
    this.engine.setCellContents({ sheet: this.engine.getSheetId(sheet) ?? 0, row, col: column }, value);
  }

  close(): void {
    this.engine.destroy();
  }
}

/** A formula as one, a text as a text however it begins. */
function contentOf(cell: CellObject | undefined): RawCellContent {
  if (!cell) return null;
  if (cell.f !== undefined) return `=${cell.f}`;
  return typeof cell.v === 'string' ? `'${cell.v}` : cell.v;
}

const DAY = 86_400_000;
// The first of March 1900 is day 61 of a spreadsheet.
const dayOf = (iso: string): number => Date.parse(`${iso.replace(' ', 'T')}${iso.length > 10 ? 'Z' : 'T00:00:00Z'}`) / DAY + 25_569;

function same(ours: Cell, theirs: unknown, type: string): boolean {
  if (ours === null) return theirs === null || theirs === '';
  if (type === 'date' || type === 'timestamp') return theirs === ours || Math.abs(Number(theirs) - dayOf(String(ours))) < 1e-6;
  if (typeof ours === 'number') return typeof theirs === 'number' && Math.abs(ours - theirs) <= 1e-9 * Math.max(1e-3, Math.abs(ours));
  return ours === theirs;
}

/** What differs between a ledger and a sheet. */
function difference(book: Recomputed, { columns, rowCount }: Table, sheet: string): string {
  for (const [c, column] of columns.entries())
    for (let row = 0; row < rowCount; row++) {
      const [ours, theirs] = [cellAt(column, row), book.at(sheet, row + 1, c)];
      if (!same(ours, theirs, column.type))
        return `${column.name} row ${row}: ours ${String(ours)}, theirs ${typeof theirs === 'object' && theirs ? JSON.stringify(theirs) : String(theirs)}`;
    }
  return '';
}

interface Seen {
  live: number;
  formulas: number;
  columns: number;
  changed: number;
  followed: number;
}

/** The same figure with another number in one cell of its source. */
function edited(handed: Handed, row: number, column: string, value: number, sources: Map<string, Table>): Handed | null {
  const { project, figure } = handed;
  const tables = project.tables.map(table =>
    table.id === figure.data.table ? { ...table, edits: [...table.edits, { row, column, value }] } : table,
  );
  const again = handedOf(new Session({ ...project, tables }, sources), figure, LIGHT_LIVERY);
  return again.ok ? again.value : null;
}

async function tryOut(handed: Handed, sources: Map<string, Table>, seen: Seen): Promise<string> {
  const model = figureWorkbook(handed);
  const book = Recomputed.open(await toXlsx(model, null));
  try {
    const ledger = ledgerTable(handed.picture);
    const wrong = difference(book, ledger, 'Ledger');
    if (wrong) return wrong;
    const computed = model.told.filter(({ formula }) => formula);
    const live = new Set(computed.filter(({ isLive }) => isLive).map(({ name }) => name));
    seen.columns += computed.length;
    seen.live += live.size;
    seen.formulas += live.size * ledger.rowCount;
    // Where what is kept is told to be values, a change may bring a row in or out.
    return model.words.some(([, , words]) => words?.startsWith('Which rows are kept: values'))
      ? ''
      : changedToo(handed, book, { sources, seen, live });
  } finally {
    book.close();
  }
}

/** A number of the rows is changed there and here. */
function changedToo(
  handed: Handed,
  book: Recomputed,
  { sources, seen, live }: { sources: Map<string, Table>; seen: Seen; live: ReadonlySet<string> },
): string {
  const { table, picture, tableDoc } = handed;
  const { frame } = picture;
  const raw = sources.get(tableDoc.id);
  const names = raw?.columns.filter(({ type }) => type === 'number').map(({ name }) => name) ?? [];
  // A number that no row is grouped by, in a row that the figure shows.
  const column = names.find(
    name => name !== handed.figure.data.category && table.columns.some(own => own.name === name && own.type === 'number'),
  );
  const row = frame.source.rows[Math.floor(frame.source.rows.length / 2)];
  if (!raw || column === undefined || row === undefined || tableDoc.made || tableDoc.mends.length) return '';
  const place = table.columns.findIndex(own => own.name === column);
  const value = 1_234;
  const again = edited(handed, row, column, value, sources);
  if (!again || again.picture.frame.table.rowCount !== frame.table.rowCount) return '';
  book.set(tableDoc.name, row + 1, place, value);
  seen.changed++;
  const [before, after] = [ledgerTable(picture), ledgerTable(again.picture)];
  if (after.columns.length !== before.columns.length) return '';
  // Rows may have another order now: each is found by its keys.
  const keys = new Set([frame.category, frame.series, frame.panel, ...frame.outer]);
  const keyOf = (of: Table, at: number): string =>
    JSON.stringify(of.columns.filter(({ name }) => keys.has(name)).map(own => cellAt(own, at)));
  const places = new Map(Array.from({ length: after.rowCount }, (_, at) => [keyOf(after, at), at]));
  const inOrder = Array.from({ length: before.rowCount }, (_, at) => places.get(keyOf(before, at)) ?? -1);
  if (inOrder.includes(-1)) return '';
  for (const [c, own] of after.columns.entries())
    for (let at = 0; at < before.rowCount; at++) {
      if (!live.has(own.name) || !book.isFormula('Ledger', at + 1, c)) continue;
      const [ours, theirs] = [cellAt(own, inOrder[at] as number), book.at('Ledger', at + 1, c)];
      if (!same(ours, theirs, own.type)) return `after a change ${own.name} row ${at}: ours ${String(ours)}, theirs ${String(theirs)}`;
      if (!same(cellAt(before.columns[c] as Table['columns'][number], at), theirs, own.type)) seen.followed++;
    }
  return '';
}

describe('workbooks with living formulas, recomputed by another engine', () => {
  const seen: Seen = { live: 0, formulas: 0, columns: 0, changed: 0, followed: 0 };

  it('every figure of the demo project', async () => {
    const read = readProjectFile(readFileSync(new URL('../demo/data/highmeadow.json', import.meta.url), 'utf8'));
    if (!read.ok) return fail(read.problems.map(messageFor).join());
    const sources = new Map(Object.entries(read.value.tables));
    for (const figure of read.value.project.figures) {
      const handed = handedOf(new Session(read.value.project, sources), figure, LIGHT_LIVERY);
      if (!handed.ok) return fail(handed.problems.map(messageFor).join());
      expect(await tryOut(handed.value, sources, seen))
        .withContext(figure.name)
        .toBe('');
    }
  }, 120_000);

  it('totals that cues look at have a sheet of their own, whose helper columns follow the totals', async () => {
    const read = readProjectFile(readFileSync(new URL('../demo/data/highmeadow.json', import.meta.url), 'utf8'));
    if (!read.ok) return fail(read.problems.map(messageFor).join());
    const figure = read.value.project.figures.find(({ id }) => id === 'milk-table') as Figure;
    const cues = (['rows', 'columns'] as const).flatMap(of =>
      (['extremes', 'typical', 'rank', 'threshold', 'outlier'] as const).map(kind => ({
        ...cueKinds[kind].create(`${kind} of ${of}`, cueFactsOf({ category: 'hut', measures: ['milk'] })),
        scope: { kind: 'totals' as const, of },
      })),
    );
    const sources = new Map(Object.entries(read.value.tables));
    const handed = handedOf(new Session(read.value.project, sources), { ...figure, cues }, LIGHT_LIVERY);
    if (!handed.ok) return fail(handed.problems.map(messageFor).join());
    const { totals } = handed.value.picture;
    expect(totals.map(({ of, frame }) => [of, frame.table.rowCount > 3])).toEqual([
      ['rows', true],
      ['columns', true],
    ]);
    const book = Recomputed.open(await toXlsx(figureWorkbook(handed.value), null));
    for (const item of totals) {
      const [sheet, ledger] = [`Totals of ${item.of}`, ledgerTable(item)];
      expect(difference(book, ledger, sheet))
        .withContext(sheet)
        .toBe('');
      const live = ledger.columns.filter((_, c) => book.isFormula(sheet, 1, c));
      // Ten of them at least: none is a key or a total.
      expect(live.length).withContext(sheet).toBeGreaterThan(9);
      const [last, place] = [ledger.rowCount, ledger.columns.findIndex(({ name }) => name === 'milk')];
      const marked = ledger.columns.findIndex(({ name }) => name === 'highest');
      book.set(sheet, last, place, 1e9);
      expect([book.isFormula(sheet, last, place), book.at(sheet, last, marked)]).toEqual([false, 1e9]);
    }
    book.close();
  });

  it(`${SEEDS.length} generated figures`, async () => {
    for (const seed of SEEDS) {
      const { project, figure, table } = grownProject(seed);
      const sources = new Map([['t', table]]);
      const handed = handedOf(new Session(project, sources), figure, LIGHT_LIVERY);
      if (!handed.ok) continue;
      expect(await tryOut(handed.value, sources, seen))
        .withContext(`figure ${seed}`)
        .toBe('');
    }
  }, 240_000);

  // Most columns are formulas, and changes were followed.
  afterAll(() => {
    if (process.env['TELL']) console.log(seen);
    expect(seen.live / seen.columns).toBeGreaterThan(0.85);
    expect(seen.changed).toBeGreaterThan(isLong ? 60 : 10);
    expect(seen.followed).toBeGreaterThan(isLong ? 500 : 50);
  });
});
