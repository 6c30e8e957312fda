import { counted } from 'core/sentence';
import type { Edit } from './edit';
import type { Project } from '../schema';

/** An edit in a few words, for undo and its notice: "changed the shape of Milk by hut". */
export function describeEdit(edit: Edit, before: Project): string {
  const figureName = (id: string): string => before.figures.find(figure => figure.id === id)?.name ?? 'the figure';
  const tableName = (id: string): string => before.tables.find(table => table.id === id)?.name ?? '';
  switch (edit.kind) {
    case 'rename-project':
      return `renamed the project to ${edit.name}`;
    case 'add-table':
      return `added the table ${edit.table.name}`;
    case 'remove-table':
      return `removed the table ${tableName(edit.table)}`;
    case 'change-table':
      if (edit.change.name !== undefined) return `renamed the table to ${edit.change.name}`;
      if (edit.change.source) return `gave ${tableName(edit.table)} new rows`;
      return edit.change.mends ? `changed the mends of ${tableName(edit.table)}` : `changed the table ${tableName(edit.table)}`;
    case 'add-figure':
      return `added ${edit.figure.name}`;
    case 'remove-figure':
      return `removed ${figureName(edit.figure)}`;
    case 'move-figure':
      return `moved ${figureName(edit.figure)}`;
    case 'change-figure':
      return edit.change.name === undefined
        ? `changed ${Object.keys(edit.change).join(' and ')} of ${figureName(edit.figure)}`
        : `renamed ${figureName(edit.figure)}`;
    case 'edit-cells':
      return `edited ${counted(edit.cells.length, 'cell')}`;
    case 'reset-cells':
      return `reset ${counted(edit.cells.length, 'cell')}`;
    case 'set-what-ifs':
      return `set ${edit.whatIfs.length} what-if ${edit.whatIfs.length === 1 ? 'value' : 'values'}`;
    case 'reset-what-ifs':
      return 'reset what-if values';
    case 'set-derived':
      return 'changed the derived columns';
    case 'set-pictures':
      return 'changed the small pictures';
    case 'set-liveries':
      return 'changed the liveries';
    case 'set-looks':
      return 'changed the named looks';
    case 'set-pages':
      return 'changed the pages';
    case 'set-formats':
      return 'changed the number formats';
    case 'all':
      return edit.edits.length === 1
        ? describeEdit(edit.edits[0] as Edit, before)
        : (edit.edits.map(one => describeEdit(one, before))[0] ?? 'changed nothing');
  }
}
