import { shownData } from 'core/crosstab';
import { nameText, SqlTooLong } from 'core/formula';
import { helperFormula, isAdditive, type FigureData } from 'core/frame';
import { ledgerTable, overallsOf } from 'core/plan';
import { failure, success, type Result } from 'core/result';
import { isNumeric } from 'core/table';
import { figureText } from '../figure-text';
import type { Handed } from '../handed';
import { dialects, type DialectName } from './dialects';
import { filterStages, literalOf } from './filter-stages';
import { groupStages, type Grouped } from './group-stages';
import { scopeFor, Stages } from './stages';
import { sourceNotes, tableStages } from './table-stages';
import { isAt, whatIfsOf } from './what-ifs';

// Characters of a statement, at most: longer ones are read by nobody and refused by engines.
const LONGEST = 1_000_000;

/**
 * One statement of SQL for a whole figure: from the tables that it reads, through filters, steps, groups, measures, helper columns and cues, to the rows of
 * its ledger. One common table expression for each stage, with a comment that says what it does. Problem: a statement that is too long to be of use.
 *
 * @param column one helper column alone, beside the columns that name its rows; stages behind it are left out
 */
export function figureStatement(handed: Handed, dialect: DialectName, column?: string): Result<string> {
  try {
    const text = written(handed, dialect, column);
    return text.length > LONGEST ? failure({ code: 'sql-too-long', limit: LONGEST }) : success(text);
  } catch (error) {
    if (error instanceof SqlTooLong) return failure({ code: 'sql-too-long', limit: LONGEST });
    throw error;
  }
}

function written(handed: Handed, dialect: DialectName, column?: string): string {
  const { session, figure, table, picture, project } = handed;
  const { frame } = picture;
  const data = shownData(figure);
  const stages = new Stages(dialects[dialect], new Set(project.tables.map(({ name }) => name.toLowerCase())));
  const source = tableStages(stages, session, data.table);
  const scope = scopeFor(table.columns);
  const kept = filterStages(stages, source, scope, data.filters);
  let at = groupStages(stages, kept, { data, table, frame, scope, asked: overallsOf(figure.cues, data) });
  at = withHelpers(stages, at, data, handed);
  const isThere = (): boolean => column !== undefined && at.columns.includes(column);
  if (!isThere()) at = withDrawn(stages, at, handed);
  if (!isThere()) at = withCues(stages, at, handed, column);
  const order = orderOf(at, data, handed);
  const keys = new Set([frame.category, frame.panel, frame.series, ...frame.outer]);
  const isShown = (name: string): boolean => column === undefined || name === column || keys.has(name);
  const ledger = ledgerTable(picture).columns.flatMap(({ name }) => (isShown(name) ? [name] : []));
  const shown = ledger.map(name => (at.columns.includes(name) ? nameText(name) : whatIfMark(name, data, handed)));
  const head = [
    column === undefined
      ? `${figure.name}: the rows of its ledger, as Cowbell computes them.`
      : `${column} of ${figure.name}, as Cowbell computes it.`,
    ...sourceNotes(session, data.table),
    ...(order ? [] : ['A table of a database has no order of its own, so these rows come in none.']),
  ];
  return stages.statement(head, `select ${shown.join(',\n  ')}\nfrom ${nameText(at.from)}${order ? `\norder by ${order}` : ''}`);
}

/** Helper columns by hand. */
function withHelpers(stages: Stages, at: Grouped, data: FigureData, { picture: { frame } }: Handed): Grouped {
  const columns = data.helpers
    .filter(({ name }) => frame.helpers.includes(name))
    .map(helper => ({ name: helper.name, formula: helperFormula(helper) }));
  return {
    ...stages.compute(at.from, 'helped', 'Helper columns by hand', at.scope, columns),
    columns: [...at.columns, ...columns.map(({ name }) => name)],
  };
}

/** What a broken axis draws. */
function withDrawn(stages: Stages, at: Grouped, { picture }: Handed): Grouped {
  const columns = picture.drawn.map(({ name, formula }) => ({ name, formula }));
  return {
    ...stages.compute(at.from, 'drawn', 'What the broken axis draws', at.scope, columns),
    columns: [...at.columns, ...columns.map(({ name }) => name)],
  };
}

/** The helper columns of each cue, under its sentence; up to the cue that `last` is a column of. */
function withCues(stages: Stages, at: Grouped, handed: Handed, last?: string): Grouped {
  const sentences = new Map(figureText(handed).cues.map(({ number, sentence }) => [number, sentence]));
  let now = at;
  for (const { number, helpers } of handed.picture.applied) {
    if (helpers.length === 0) continue;
    const said = `Cue ${number}: ${sentences.get(number) ?? ''}`;
    const made = stages.compute(now.from, `cue_${number}`, said, now.scope, helpers);
    now = { ...made, columns: [...now.columns, ...helpers.map(({ name }) => name)] };
    if (last !== undefined && now.columns.includes(last)) break;
  }
  return now;
}

/** "what-if" where a value is one. */
function whatIfMark(name: string, data: FigureData, { picture: { frame } }: Handed): string {
  const measure = data.measures.find(own => name.startsWith(`${own.name} what-if`))?.name ?? '';
  const here = whatIfsOf(data, measure).map(item => `(${isAt(item, data, frame.table)})`);
  return `case when ${here.join(' or ') || '1 = 0'} then 'what-if' end as ${nameText(name)}`;
}

/** What the rows are ordered by; empty where the figure has the order of its table. */
function orderOf({ columns, scope }: Grouped, data: FigureData, { picture: { frame } }: Handed): string {
  const { order, category, step } = data;
  const name = nameText(category);
  switch (order.by) {
    case 'table':
      return step ? `${name}${order.backward ? ' desc' : ''} nulls last` : '';
    case 'category':
      return `${name}${order.descending ? ' desc' : ''} nulls last`;
    case 'hand': {
      const type = scope.get(category) ?? 'text';
      const places = order.keys.map((key, place) =>
        key === null ? `when ${name} is null then ${place}` : `when ${name} = ${literalOf(type, key)[0] ?? 'null'} then ${place}`,
      );
      return places.length ? `case ${places.join(' ')} else ${places.length} end` : '';
    }
    case 'measure': {
      if (!columns.includes(order.measure)) return '';
      const way = `${order.descending ? ' desc' : ''} nulls last`;
      const column = frame.table.columns.find(own => own.name === order.measure);
      const split = (data.series !== null && data.series !== category) || (data.panel !== null && data.panel !== category);
      const measure = data.measures.find(own => own.name === order.measure);
      if (!split || !column || !isNumeric(column)) return `${nameText(order.measure)}${way}`;
      const of = measure && isAdditive(measure.formula) ? 'sum' : 'avg';
      return `${of}(${nameText(order.measure)}) over (partition by ${name})${way}`;
    }
  }
}
