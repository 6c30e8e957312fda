import { helperScopeSchema, obeysScope, type FigureData, type HelperScope } from 'core/frame';
import { listed } from 'core/sentence';
import { AXIS_CHOICES, changedHelper, formatChoices, helperAt, isLine, penSetting, perHelper, SHAPE_CHOICES } from './columns';
import { formulaWord } from './formula-word';
import { finerOf, saidOf, speakerOf, type Section } from '../section';
import { choiceSetting, type Choice, type Subject } from '../setting';
import { offeredColumns, type TableFacts } from './table-facts';

/** Settings of helper columns by hand. */
export const helperSettings = {
  'helper-scope': choiceSetting({
    about: 'Where to look',
    search: 'scope within along window partition',
    places: perHelper,
    plain: scopeValue({ kind: 'own' }),
    options: (subject, place) => helperScopeChoices(subject.figure.data, subject.table, helperAt(subject, place).scope),
    now: (subject, place) => scopeValue(helperAt(subject, place).scope),
    set: (subject, place, scope) => changedHelper(subject, place, { scope }),
  }),
  'helper-shape': choiceSetting({
    about: (subject, place) => `Draw ${helperAt(subject, place).name}`,
    search: 'shape columns line points',
    places: perHelper,
    plain: '',
    options: [{ value: '', label: 'in the ledger only', means: null }, ...SHAPE_CHOICES],
    now: (subject, place) => helperAt(subject, place).shape ?? '',
    set: (subject, place, shape) => changedHelper(subject, place, { shape }),
  }),
  'helper-axis': choiceSetting({
    about: (subject, place) => `Axis of ${helperAt(subject, place).name}`,
    search: 'second dual two axes',
    places: perHelper,
    plain: 'first',
    options: AXIS_CHOICES,
    now: (subject, place) => helperAt(subject, place).axis,
    set: (subject, place, axis) => changedHelper(subject, place, { axis }),
  }),
  'helper-pen': penSetting('helpers', changedHelper),
  'helper-format': choiceSetting({
    about: (subject, place) => `How ${helperAt(subject, place).name} is written`,
    search: 'number format percent thousands',
    places: perHelper,
    plain: '',
    options: ({ formats }) => formatChoices(formats),
    now: (subject, place) => helperAt(subject, place).format ?? '',
    set: (subject, place, format) => changedHelper(subject, place, { format }),
  }),
};

const { say, clause } = speakerOf(helperSettings);

/** "Compute change along week, as a line": a helper column by hand. */
export function helperSection(subject: Subject, at: number): Section {
  const helper = helperAt(subject, String(at));
  const { name } = helper;
  const clauses = [
    ...(helper.shape === null ? [] : [clause('helper-axis', subject, { place: at, said: [', ', ''], finer: [`${name} is read `, '.'] })]),
    ...(isLine(helper.shape) ? [clause('helper-pen', subject, { place: at, said: [', ', ''], finer: [`Its line is `, '.'] })] : []),
    ...(subject.formats.length
      ? [clause('helper-format', subject, { place: at, said: [', ', ''], finer: [`${name} is written `, '.'] })]
      : []),
  ];
  const scope = obeysScope(helper.formula) ? say('helper-scope', subject, at) : 'just as written';
  const computed = [
    'Compute ',
    formulaWord(`helper:${at}`, 'Helper column', helper, 'helper'),
    ' ',
    scope,
    ', ',
    say('helper-shape', subject, at),
  ];
  return { said: [...computed, ...saidOf(clauses), '.'], finer: finerOf(clauses) };
}

/** Scopes of a helper column: the whole figure, within columns with one value per row, along the category or another column. */
export function helperScopeChoices(data: FigureData, table: TableFacts | undefined, now: HelperScope): readonly Choice<HelperScope>[] {
  const splits = [...new Set([data.series, data.panel].filter((name): name is string => name !== null))];
  const texts = offeredColumns(table)
    .filter(column => column.type === 'text' && column.name !== data.category)
    .map(column => column.name);
  const single = [...new Set([...splits, ...texts])].map(name => [name]);
  const inside = [...(splits.length > 1 ? [splits] : []), ...single];
  const numbers = [...data.measures, ...data.helpers].map(column => column.name);
  const orders = [...new Set([data.category, ...splits, ...texts, ...numbers])];
  const offered: HelperScope[] = [
    { kind: 'own' },
    { kind: 'figure' },
    ...inside.map((columns): HelperScope => ({ kind: 'within', columns })),
    ...orders.flatMap(column =>
      [[], ...inside.filter(names => !names.includes(column))].map((within): HelperScope => ({ kind: 'along', column, within })),
    ),
  ];
  const known = offered.some(scope => scopeValue(scope) === scopeValue(now));
  return (known ? offered : [...offered, now]).map(scope => ({ value: scopeValue(scope), label: scopeLabel(scope), means: scope }));
}

function scopeLabel(scope: HelperScope): string {
  switch (scope.kind) {
    case 'own':
      return 'just as written';
    case 'figure':
      return 'over the whole figure';
    case 'within':
      return `within each ${listed(scope.columns)}`;
    case 'along':
      return `along ${scope.column}${scope.within.length ? ` within each ${listed(scope.within)}` : ''}`;
  }
}

/** A scope as the value of an option; column names may contain any character. */
export function scopeValue(scope: HelperScope): string {
  return JSON.stringify(scope);
}

/** The scope of an option's value. Throws a RangeError for an unknown value. */
export const readHelperScope = (value: string): HelperScope => helperScopeSchema.parse(JSON.parse(value));
