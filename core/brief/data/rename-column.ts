import type { Figure, Making, Mend, Project, TableDoc } from 'core/document';
import type { Edit } from 'core/document/edits';
import { renameNames } from 'core/formula';
import type { Filter } from 'core/frame';
import { follow, followHelper, followScales, followed } from './replace-measure';

/** A new name for a column of a table. */
export interface Renaming {
  readonly from: string;
  readonly to: string;
}

/**
 * A column of a table under another name, as one step of undo: the table gets the mends that name it so, and everything that spoke of it speaks of the new
 * name: its units, computed columns and edits, figures with their cues, filters and words, and tables made of it with theirs. The source stays as it is.
 */
export function renameColumn(project: Project, table: string, renaming: Renaming, mends: readonly Mend[]): Edit {
  const own = project.tables.find(({ id }) => id === table);
  if (!own) return { kind: 'all', edits: [] };
  const change: Edit = { kind: 'change-table', table, change: { ...tableFollowing(own, renaming), mends: [...mends] } };
  return { kind: 'all', edits: [change, ...following(project, table, renaming, [])] };
}

/** The project after a column was renamed: its figures, the tables made of the table, and their figures where the name is kept. */
function following({ tables, figures, ...project }: Project, table: string, renaming: Renaming, seen: readonly string[]): Edit[] {
  const own = figures
    .filter(({ data }) => data.table === table)
    .map((figure): Edit => {
      const { id, ...change } = figureFollowing(figure, renaming);
      return { kind: 'change-figure', figure: id, change };
    });
  const made = tables.flatMap((other): Edit[] => {
    const next = other.made && !seen.includes(other.id) ? makingFollowing(other.made, table, renaming) : other.made;
    if (!next || next === other.made) return [];
    const behind = following({ tables, figures, ...project }, other.id, renaming, [...seen, table]);
    return [{ kind: 'change-table', table: other.id, change: { ...tableFollowing(other, renaming), made: next } }, ...behind];
  });
  return [...own, ...made];
}

const renamed = ({ from, to }: Renaming, name: string): string => (name === from ? to : name);

/** The column names in a table's document. */
function tableFollowing({ units, readings, edits, derived, hidden, order }: TableDoc, renaming: Renaming): Partial<TableDoc> {
  const names = new Map([[renaming.from, renaming.to]]);
  const keys = <T>(record: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(Object.entries(record).map(([name, value]) => [renamed(renaming, name), value]));
  return {
    units: keys(units),
    readings: keys(readings),
    edits: edits.map(edit => ({ ...edit, column: renamed(renaming, edit.column) })),
    derived: derived.map(column => ({ ...column, formula: renameNames(column.formula, names) })),
    hidden: hidden.map(name => renamed(renaming, name)),
    order: order.map(name => renamed(renaming, name)),
  };
}

/** The making of a table, where it names the renamed column; the same object where it does not. */
function makingFollowing(making: Making, table: string, renaming: Renaming): Making {
  const all = (names: readonly string[]): string[] => names.map(name => renamed(renaming, name));
  switch (making.kind) {
    case 'align':
      if (!making.lists.some(list => list.table === table)) return making;
      return { ...making, lists: making.lists.map(list => (list.table === table ? { ...list, keys: all(list.keys) } : list)) };
    case 'look-up': {
      if (making.table !== table && making.other !== table) return making;
      const own = making.table === table ? { ...making, keys: all(making.keys) } : making;
      return own.other === table ? { ...own, otherKeys: all(own.otherKeys), columns: all(own.columns) } : own;
    }
    case 'stack':
      return making.tables.includes(table) ? { ...making } : making;
    case 'long':
      return making.table === table ? { ...making, columns: all(making.columns) } : making;
    case 'wide':
      return making.table === table ? { ...making, name: renamed(renaming, making.name), value: renamed(renaming, making.value) } : making;
  }
}

/** A figure over the table with the renamed column. */
export function figureFollowing(figure: Figure, renaming: Renaming): Figure {
  const { from, to } = renaming;
  const { data } = figure;
  const names = new Map([[from, to]]);
  const formula = (text: string): string => renameNames(text, names);
  const isKept = data.measures.some(({ name }) => name === to) || data.helpers.some(({ name }) => name === to);
  const measures = data.measures.map(measure => ({
    ...measure,
    formula: formula(measure.formula),
    name: isKept ? measure.name : renamed(renaming, measure.name),
  }));
  const own = [data.category, data.series, data.panel, ...data.outer.map(({ column }) => column), ...data.measures.map(({ name }) => name)];
  const next: Figure = {
    ...figure,
    data: {
      ...data,
      category: renamed(renaming, data.category),
      series: data.series === null ? null : renamed(renaming, data.series),
      panel: data.panel === null ? null : renamed(renaming, data.panel),
      outer: data.outer.map(level => ({ ...level, column: renamed(renaming, level.column) })),
      measures,
      filters: data.filters.map(filter => filterFollowing(filter, renaming)),
      whatIfs: data.whatIfs.map(item => ({ ...item, by: renamed(renaming, item.by) })),
    },
  };
  // What stands in the figure's own rows is spoken of by helper columns, cues, scales, labels and words.
  return own.includes(from) && !isKept ? partsFollowing(next, renaming) : next;
}

function filterFollowing(filter: Filter, renaming: Renaming): Filter {
  const names = new Map([[renaming.from, renaming.to]]);
  if (filter.kind === 'formula') return { ...filter, formula: renameNames(filter.formula, names) };
  const column = renamed(renaming, filter.column);
  return filter.kind === 'top' ? { ...filter, column, measure: renameNames(filter.measure, names) } : { ...filter, column };
}

function partsFollowing(figure: Figure, renaming: Renaming): Figure {
  const { from, to } = renaming;
  const { data, labels, words, crosstab } = figure;
  const names = new Map([[from, to]]);
  const ofMeasure = <T extends { readonly measure: string }>(item: T): T => ({ ...item, measure: renamed(renaming, item.measure) });
  const text = (written: string): string =>
    written.replaceAll(/\{([^{}]*)\}/g, (_, inside: string) => `{${renamedInBraces(inside, names)}}`);
  return {
    ...figure,
    data: {
      ...data,
      helpers: data.helpers.map(helper => followHelper(helper, from, to)),
      order: followed(data.order, from, to),
      whatIfs: data.whatIfs.map(ofMeasure),
    },
    cues: figure.cues.map(cue => follow(cue, from, to)),
    scales: followScales(figure.scales, from, to),
    labels: {
      ...labels,
      where: renameNames(labels.where, names),
      measure: labels.measure === null ? null : renamed(renaming, labels.measure),
      text: text(labels.text),
      pins: labels.pins.map(ofMeasure),
    },
    words: {
      ...words,
      title: text(words.title),
      subtitle: text(words.subtitle),
      ...(words.note === undefined ? {} : { note: text(words.note) }),
      ...(words.source === undefined ? {} : { source: text(words.source) }),
    },
    crosstab: {
      ...crosstab,
      drawings: crosstab.drawings.map(ofMeasure),
      aligns: crosstab.aligns.map(ofMeasure),
      widths: crosstab.widths.map(ofMeasure),
    },
  };
}

/** A text with formulas in braces, only the formulas changed. */
function renamedInBraces(inside: string, names: ReadonlyMap<string, string>): string {
  const [, formula = inside, as = ''] = /^(.*?)(\s+as\s+[\p{L}\p{N}_ ]+)?$/su.exec(inside) ?? [];
  return `${renameNames(formula, names)}${as}`;
}
