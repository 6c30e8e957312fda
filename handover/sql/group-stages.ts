import { literalText, nameText, scopeWith, type Scope } from 'core/formula';
import { allSteps, asFraction, binWidth, emptyValues, filterRows, overallName, type FigureData, type Overall, type Step } from 'core/frame';
import { columnOf, isNumeric, takeRows, type NumericValues, type Table } from 'core/table';
import type { Frame } from 'core/frame';
import type { Stages } from './stages';
import { isAt, keyNames, whatIfsOf } from './what-ifs';

/** A key that rows are grouped by: its name in the frame, and what it is called in the stage before. */
interface Key {
  readonly name: string;
  readonly column: string;
  readonly step: Step;
  readonly width: number;
}

/** What grouping needs to know of a figure. */
export interface GroupRequest {
  readonly data: FigureData;
  readonly table: Table;
  readonly frame: Frame;
  /** Of the table. */
  readonly scope: Scope;
  readonly asked: readonly Overall[];
}

/** A stage with its columns in their order. */
export interface Grouped {
  readonly from: string;
  readonly columns: readonly string[];
  readonly scope: Scope;
}

/**
 * The stages from the rows that are kept to the frame without its helper columns: keys cut to their steps, groups with their measures, what-if values,
 * periods without rows, measures over all rows.
 */
export function groupStages(stages: Stages, kept: string, request: GroupRequest): Grouped {
  const { frame, scope } = request;
  const { from: cut, keys } = stepStage(stages, kept, request);
  const types = new Map(frame.table.columns.map(({ name, type }) => [name, type]));
  let at = groupStage(stages, cut, keys, request);
  at = whatIfStage(stages, at, request);
  at = fillStage(stages, at, keys, request);
  at = overallStages(stages, at, cut, keys, request);
  let own: Scope = new Map();
  for (const name of at.columns) own = scopeWith(own, name, types.get(name) ?? scope.get(name) ?? 'text');
  return { ...at, scope: own };
}

type At = Pick<Grouped, 'from' | 'columns'>;

function keysOf({ data, table }: GroupRequest): Omit<Key, 'width'>[] {
  const { category, step, series, seriesStep, outer } = data;
  const steps = new Map<string, Step>([
    ...outer.map(({ column, step: own }) => [column, own] as const),
    ...(series === null ? [] : [[series, seriesStep] as const]),
    [category, step],
  ]);
  return keyNames(data).map(name => {
    const own = columnOf(table, name);
    const wished = steps.get(name) ?? null;
    const fits = own && isNumeric(own) && wished && (own.type === 'number') === (wished.kind === 'bin');
    return { name, column: name, step: fits ? wished : null };
  });
}

function stepStage(stages: Stages, kept: string, request: GroupRequest): { from: string; keys: readonly Key[] } {
  const rows = filterRows(request.table, request.data.filters);
  const left = rows.ok && rows.value ? takeRows(request.table, rows.value) : request.table;
  const keys = keysOf(request).map((key): Key => {
    const { step } = key;
    const width = step?.kind === 'bin' ? binWidth(columnOf(left, key.name) as NumericValues, step.width) : 0;
    return step ? { ...key, column: freeName(`${key.name} step`, request.scope), width } : { ...key, width };
  });
  const cut = keys.filter(({ step }) => step);
  if (cut.length === 0) return { from: kept, keys };
  const shown = cut.map(key => `${cutSql(key, request.scope)} as ${nameText(key.column)}`);
  const said = cut.map(({ name, step, width }) =>
    step?.kind === 'grain'
      ? `${name} by ${step.grain}`
      : `${name} in bins of ${width}${step?.kind === 'bin' && step.width === null ? ', which fits these rows' : ''}`,
  );
  const from = stages.add('stepped', `Steps: ${said.join(', ')}`, () => `select *, ${shown.join(', ')}\nfrom ${nameText(kept)}`);
  return { from, keys };
}

const freeName = (wished: string, scope: Scope): string => {
  let name = wished;
  while (scope.has(name)) name += ' here';
  return name;
};

/** A date cut to the start of its period, a number to the lower end of its bin: the same arithmetic as in the frame, to the last bit. */
function cutSql({ name, step, width }: Key, scope: Scope): string {
  const own = nameText(name);
  if (step?.kind === 'grain') {
    const day = scope.get(name) === 'timestamp' ? `cast(${own} as date)` : own;
    return DAYS.has(step.grain) ? `cast(${own} as date)` : `cast(date_trunc('${step.grain}', ${day}) as date)`;
  }
  const { whole, per } = asFraction(width);
  const floor = `floor(${own} / ${width})`;
  const end = (index: string): string => `(${index} * ${whole} * 1.0 / ${per})`;
  const index = `case when ${own} >= ${end(`(${floor} + 1)`)} then ${floor} + 1 when ${own} < ${end(floor)} then ${floor} - 1 else ${floor} end`;
  return end(`(${index})`);
}

// Periods no longer than a day: the frame knows none within a day.
const DAYS: ReadonlySet<string> = new Set(['day', 'hour', 'minute', 'second']);

function groupStage(stages: Stages, from: string, keys: readonly Key[], { data, frame, scope }: GroupRequest): At {
  const measures = data.measures.map(({ name, formula }) => `${stages.sql(formula, scope, 'measure').text} as ${nameText(name)}`);
  const carried = frame.carried.map(name => `min(${nameText(name)}) as ${nameText(name)}`);
  const shown = [...keys.map(({ column, name }) => as(column, name)), ...carried, ...measures];
  const said = `Groups by ${keys.map(({ name }) => name).join(', ')}, with ${data.measures.map(({ name }) => name).join(', ')}`;
  const name = stages.add(
    'grouped',
    said,
    () => `select ${shown.join(',\n  ')}\nfrom ${nameText(from)}\ngroup by ${keys.map(({ column }) => nameText(column)).join(', ')}`,
  );
  return { from: name, columns: [...keys.map(key => key.name), ...frame.carried, ...data.measures.map(measure => measure.name)] };
}

const as = (column: string, name: string): string => (column === name ? nameText(name) : `${nameText(column)} as ${nameText(name)}`);

/** Values that stand in for computed ones in this figure alone. */
function whatIfStage(stages: Stages, at: At, { data, frame }: GroupRequest): At {
  const marked = at.columns.filter(name => frame.whatIfs[name] && whatIfsOf(data, name).length);
  if (marked.length === 0) return at;
  const shown = at.columns.map(name => {
    if (!marked.includes(name)) return nameText(name);
    const branches = whatIfsOf(data, name).map(item => `when ${isAt(item, data, frame.table)} then ${literalText('number', item.value)}`);
    return `case ${branches.join(' ')} else ${nameText(name)} end as ${nameText(name)}`;
  });
  const from = stages.add('tried', 'What-if values of this figure', () => `select ${shown.join(',\n  ')}\nfrom ${nameText(at.from)}`);
  return { ...at, from };
}

/** What each grain adds to a day. */
const PERIODS: Readonly<Record<string, string>> = { week: "'7' day", month: "'1' month", quarter: "'3' month", year: "'1' year" };

/** A row for every step between the first and the last, in every panel and series. */
function fillStage(stages: Stages, at: At, keys: readonly Key[], { data, table, frame }: GroupRequest): At {
  const [first, ...split] = keys;
  const category = columnOf(frame.table, data.category);
  if (!first?.step || data.empty === 'left-out' || !category || !isNumeric(category)) return at;
  if (!allSteps(category, first.step, first.width)) return at;
  const own = nameText(first.name);
  const ends = `from ${nameText(at.from)} where ${own} is not null`;
  const periods = stages.add(
    'periods',
    `Every ${stepNoun(first)} from the first to the last`,
    name => periodsSql(first, own, at.from, name, ends),
    {
      recursive: true,
      columns: first.step.kind === 'bin' ? '(nth)' : '(step)',
    },
  );
  const step =
    first.step.kind === 'bin' ? `(periods.nth * ${asFraction(first.width).whole} * 1.0 / ${asFraction(first.width).per})` : 'periods.step';
  const parts = split.map(key => nameText(key.name));
  const splits = parts.length ? ` cross join (select distinct ${parts.join(', ')} from ${nameText(at.from)}) as parts` : '';
  const same = parts.map(name => ` and own.${name} is not distinct from parts.${name}`).join('');
  const empty = emptyValues(table, data.measures, data.empty);
  const shown = at.columns.map((name, i) => {
    if (i === 0) return step;
    if (i < keys.length) return `parts.${nameText(name)}`;
    const value = empty[name];
    return value === undefined ? 'null' : literalText('number', value);
  });
  const columns = at.columns.map(nameText).join(', ');
  const from = stages.add(
    'filled',
    'Periods without rows stand with what their measures are over none',
    () =>
      `select ${columns} from ${nameText(at.from)}\nunion all\nselect ${shown.join(', ')}\nfrom ${nameText(periods)} as periods${splits}\nwhere not exists (select 1 from ${nameText(at.from)} as own where own.${own} = ${step}${same})`,
  );
  return { ...at, from };
}

const stepNoun = ({ step }: Key): string => (step?.kind === 'grain' ? step.grain : 'bin');

function periodsSql({ step, width }: Key, own: string, from: string, name: string, ends: string): string {
  if (step?.kind === 'grain') {
    const next = `cast(step + interval ${PERIODS[step.grain] ?? "'1' day"} as date)`;
    return `select min(${own}) ${ends}\nunion all\nselect ${next} from ${nameText(name)}\nwhere step < (select max(${own}) from ${nameText(from)})`;
  }
  const { whole, per } = asFraction(width);
  const nth = (value: string): string => `cast(round(${value} * ${per} / ${whole}) as bigint)`;
  return `select ${nth(`min(${own})`)} ${ends}\nunion all\nselect nth + 1 from ${nameText(name)}\nwhere nth < (select ${nth(`max(${own})`)} from ${nameText(from)})`;
}

/** Measures over all rows behind the frame, in each part that they are asked for. */
function overallStages(stages: Stages, at: At, rows: string, keys: readonly Key[], { data, frame, scope, asked }: GroupRequest): At {
  const needed = asked.filter(ask => frame.overall.includes(overallName(ask)));
  if (needed.length === 0) return at;
  const joined = needed.map((ask, i) => {
    const measure = data.measures.find(({ name }) => name === ask.measure);
    const text = stages.sql(measure?.formula ?? '', scope, 'measure').text;
    const parts = ask.within.map(name => ({ name, column: keys.find(key => key.name === name)?.column ?? name }));
    const shown = [...parts.map(({ column, name }) => as(column, name)), `${text} as value`];
    const by = parts.length ? `\ngroup by ${parts.map(({ column }) => nameText(column)).join(', ')}` : '';
    const name = stages.add('whole', overallName(ask), () => `select ${shown.join(', ')}\nfrom ${nameText(rows)}${by}`);
    const on = parts.map(({ name: part }) => `whole_${i + 1}.${nameText(part)} is not distinct from own.${nameText(part)}`);
    return {
      join: `left join ${nameText(name)} as whole_${i + 1} on ${on.join(' and ') || '1 = 1'}`,
      column: `whole_${i + 1}.value as ${nameText(overallName(ask))}`,
    };
  });
  const from = stages.add(
    'framed',
    'Measures over all rows beside those of each',
    () =>
      `select own.*, ${joined.map(({ column }) => column).join(', ')}\nfrom ${nameText(at.from)} as own\n${joined.map(({ join }) => join).join('\n')}`,
  );
  return { from, columns: [...at.columns, ...needed.map(overallName)] };
}
