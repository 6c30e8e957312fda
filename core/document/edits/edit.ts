import type { WhatIf } from 'core/frame';
import { followTitle } from '../follow-title';
import { sharedParts } from './shared-parts';
import { unreachable } from 'core/result';
import type { CellEdit } from 'core/table';
import type { Figure, LiveryDoc, NamedLook, NumberFormat, SmallPicture, Project } from '../schema';
import type { PageDoc } from '../page-schema';
import type { Derived, TableDoc } from '../table-schema';

/** Everything that can be done to a project; each edit is one step of undo. */
export type Edit =
  | { readonly kind: 'rename-project'; readonly name: string }
  | { readonly kind: 'add-table'; readonly table: TableDoc }
  | { readonly kind: 'remove-table'; readonly table: string }
  | { readonly kind: 'change-table'; readonly table: string; readonly change: Partial<Omit<TableDoc, 'id'>> }
  | { readonly kind: 'add-figure'; readonly figure: Figure; readonly at?: number }
  | { readonly kind: 'remove-figure'; readonly figure: string }
  | { readonly kind: 'move-figure'; readonly figure: string; readonly to: number }
  | { readonly kind: 'change-figure'; readonly figure: string; readonly change: Partial<Omit<Figure, 'id'>> }
  | { readonly kind: 'edit-cells'; readonly table: string; readonly cells: readonly CellEdit[] }
  | { readonly kind: 'reset-cells'; readonly table: string; readonly cells: readonly Omit<CellEdit, 'value'>[] }
  | { readonly kind: 'set-what-ifs'; readonly figure: string; readonly whatIfs: readonly WhatIf[] }
  | { readonly kind: 'reset-what-ifs'; readonly figure: string; readonly whatIfs: readonly Omit<WhatIf, 'value'>[] }
  | { readonly kind: 'set-derived'; readonly table: string; readonly derived: readonly Derived[] }
  | { readonly kind: 'set-formats'; readonly formats: readonly NumberFormat[] }
  | { readonly kind: 'set-pictures'; readonly pictures: readonly SmallPicture[] }
  | { readonly kind: 'set-liveries'; readonly liveries: readonly LiveryDoc[] }
  | { readonly kind: 'set-looks'; readonly looks: readonly NamedLook[] }
  | { readonly kind: 'set-pages'; readonly pages: readonly PageDoc[] }
  | { readonly kind: 'all'; readonly edits: readonly Edit[] };

/** The project after an edit; equal parts are shared with the one before. */
export function applyEdit(project: Project, edit: Edit): Project {
  switch (edit.kind) {
    case 'rename-project':
      return { ...project, name: edit.name };
    case 'add-table':
      return { ...project, tables: [...project.tables, edit.table] };
    case 'remove-table':
      return { ...project, tables: project.tables.filter(table => table.id !== edit.table) };
    case 'change-table':
      return mapTable(project, edit.table, table => ({ ...table, ...edit.change }));
    case 'add-figure':
      return { ...project, figures: project.figures.toSpliced(edit.at ?? project.figures.length, 0, edit.figure) };
    case 'remove-figure':
      return { ...project, figures: project.figures.filter(figure => figure.id !== edit.figure) };
    case 'move-figure':
      return { ...project, figures: moved(project.figures, edit.figure, edit.to) };
    case 'change-figure':
      return mapFigure(project, edit.figure, figure => sharedParts(figure, followTitle(figure, { ...figure, ...edit.change })));
    case 'edit-cells':
      return mapTable(project, edit.table, table => ({ ...table, edits: merged(table.edits, edit.cells, cellName) }));
    case 'reset-cells':
      return mapTable(project, edit.table, table => ({ ...table, edits: without(table.edits, edit.cells, cellName) }));
    case 'set-what-ifs':
      return mapWhatIfs(project, edit.figure, whatIfs => merged(whatIfs, edit.whatIfs, whatIfName));
    case 'reset-what-ifs':
      return mapWhatIfs(project, edit.figure, whatIfs => without(whatIfs, edit.whatIfs, whatIfName));
    case 'set-derived':
      return mapTable(project, edit.table, table => ({ ...table, derived: [...edit.derived] }));
    case 'set-formats':
      return { ...project, formats: [...edit.formats] };
    case 'set-pictures':
      return { ...project, pictures: [...edit.pictures] };
    case 'set-liveries':
      return { ...project, liveries: [...edit.liveries] };
    case 'set-looks':
      return { ...project, looks: [...edit.looks] };
    case 'set-pages':
      return { ...project, pages: [...edit.pages] };
    case 'all':
      return edit.edits.reduce(applyEdit, project);
    default:
      return unreachable(edit);
  }
}

/** The figures with one moved to another index, counted without it. */
function moved(figures: readonly Figure[], id: string, to: number): Figure[] {
  const figure = figures.find(item => item.id === id);
  const others = figures.filter(item => item.id !== id);
  return figure ? others.toSpliced(to, 0, figure) : others;
}

const mapFigure = (project: Project, id: string, change: (figure: Figure) => Figure): Project => ({
  ...project,
  figures: project.figures.map(figure => (figure.id === id ? change(figure) : figure)),
});

const mapTable = (project: Project, id: string, change: (table: TableDoc) => TableDoc): Project => ({
  ...project,
  tables: project.tables.map(table => (table.id === id ? change(table) : table)),
});

const mapWhatIfs = (project: Project, id: string, change: (whatIfs: WhatIf[]) => WhatIf[]): Project =>
  mapFigure(project, id, figure => ({ ...figure, data: { ...figure.data, whatIfs: change(figure.data.whatIfs) } }));

/** The key that tells items apart. */
type NameOf<T> = (item: T) => string;
const cellName: NameOf<Omit<CellEdit, 'value'>> = ({ row, column }) => `${row}\u0000${column}`;
const whatIfName: NameOf<Omit<WhatIf, 'value'>> = ({ by, category, measure, split }) =>
  [by, category ?? '\u0001', measure, ...split.map(item => item ?? '\u0001')].join('\u0000');

const without = <K, T extends K>(list: readonly T[], gone: readonly K[], nameOf: NameOf<K>): T[] => {
  const names = new Set(gone.map(nameOf));
  return list.filter(item => !names.has(nameOf(item)));
};

const merged = <K, T extends K>(list: readonly T[], added: readonly T[], nameOf: NameOf<K>): T[] => [
  ...without<K, T>(list, added, nameOf),
  ...added,
];
