import { firstFigure } from 'core/brief';
import { cueFactsOf, cueKinds, readLevel, type Cue, type CueKindName, type CueScope } from 'core/cue';
import { plainTable, PROJECT_VERSION, type Figure, type Project } from 'core/document';
import { plainMeasure, type Filter, type Helper, type Measure, type Step } from 'core/frame';
import { makeTable, named, valuesFrom, type Cell, type ColumnType, type Table } from 'core/table';
import { seededRandom } from 'demo/random';

/** A project with one figure over one table, and the table. */
export interface GrownProject {
  readonly project: Project;
  readonly figure: Figure;
  readonly table: Table;
}

const HUTS = ['Alm', 'Berg', "O'Dell", 'Ключи', '高原', 'a "quoted" hut', 'Siddel', 'Tolm', '=1+1'] as const;
const VALLEYS = ['Tolm', 'Siddel', 'Auvers Gap'] as const;
const MEASURES: readonly Measure[] = [
  plainMeasure('milk', 'sum(milk)'),
  plainMeasure('average fat', 'avg(fat)'),
  plainMeasure('rows', 'count(*)'),
  plainMeasure('ratio', 'sum(fat) / nullif(sum(milk), 0)'),
  plainMeasure('middle', 'median(milk)'),
  plainMeasure('upper', 'percentile_cont(0.75) within group (order by fat)'),
  plainMeasure('different', 'count(distinct hut)'),
  plainMeasure('good', 'sum(milk) filter (where is_good)'),
  plainMeasure('lowest fat', 'min(fat)'),
];
const HELPERS: readonly Omit<Helper, 'name'>[] = [
  { formula: 'sum(milk)', scope: { kind: 'figure' }, shape: null, axis: 'first', format: null },
  { formula: 'milk - avg(milk)', scope: { kind: 'figure' }, shape: null, axis: 'first', format: null },
  { formula: 'rank() over (order by milk desc)', scope: { kind: 'own' }, shape: null, axis: 'first', format: null },
  { formula: 'case when milk > 0 then milk / 2 end', scope: { kind: 'own' }, shape: null, axis: 'first', format: null },
];
const KINDS = Object.keys(cueKinds) as CueKindName[];

/** A figure from a seed: any category, steps, splits, measures, filters, helper columns, what-if values and up to three cues of any kind and scope, over rows with gaps, ties and zeros. */
export const grownProject = (seed: number): GrownProject => new Grower(seededRandom(seed * 7919 + 3)).project(seed);

class Grower {
  constructor(private readonly random: () => number) {}

  project(seed: number): GrownProject {
    const table = this.table();
    const [category, step] = this.category();
    const split = this.chance(0.45) ? this.one(['valley', 'hut', 'is_good'].filter(name => name !== category)) : null;
    const panel =
      split !== null && this.chance(0.3) ? this.one(['valley', 'hut'].filter(name => name !== category && name !== split)) : null;
    const own = [MEASURES[0] as Measure, ...this.some(MEASURES.slice(1), 2)];
    const base = firstFigure(
      `f${seed}`,
      { id: 't', name: 'deliveries', rowCount: table.rowCount, units: {}, columns: table.columns },
      category,
    );
    const names = own.map(({ name }) => name);
    const helpers = this.chance(0.3) ? [{ ...this.one(HELPERS), name: 'by hand' }] : [];
    const figure: Figure = {
      ...base,
      data: {
        ...base.data,
        category,
        step,
        series: split,
        seriesStep: null,
        panel: panel ?? null,
        outer: [],
        empty: this.one(['missing', 'zero', 'left-out'] as const),
        measures: own,
        helpers,
        filters: this.filters(),
        order: this.one([
          { by: 'table' as const },
          { by: 'category' as const, descending: this.chance(0.5) },
          { by: 'measure' as const, measure: 'milk', descending: true },
        ]),
        whatIfs:
          this.chance(0.2) && split === null && step === null
            ? [
                {
                  by: category,
                  category: category === 'hut' ? 'Alm' : 'Tolm',
                  split: [],
                  measure: 'milk',
                  value: this.chance(0.3) ? null : 77,
                },
              ]
            : [],
      },
      cues: Array.from({ length: this.below(4) }, (_, i) => this.cue(i, category, names, split, panel)),
      view: 'cued',
    };
    const derived = this.chance(0.3)
      ? [
          { name: 'double', formula: 'milk * 2' },
          { name: 'more', formula: 'double + coalesce(fat, 0)' },
        ]
      : [];
    const project: Project = {
      version: PROJECT_VERSION,
      id: 'p',
      name: 'grown',
      tables: [{ ...plainTable('t', 'deliveries'), derived }],
      figures: [figure],
      formats: [],
      pictures: [],
      liveries: [],
      looks: [],
    };
    return { project, figure, table };
  }

  /** Whole numbers, so that sums are the same in any order; ties, zeros, negative values and gaps in every column. */
  private table(): Table {
    const count = this.one([0, 1, 2, 12, 40, 90]);
    const list = <T>(make: () => T): (T | null)[] => Array.from({ length: count }, () => (this.chance(0.08) ? null : make()));
    const sign = this.chance(0.3) ? -1 : 1;
    const columns: readonly (readonly [string, ColumnType, readonly Cell[]])[] = [
      ['hut', 'text', list(() => this.one(HUTS))],
      ['valley', 'text', list(() => this.one(VALLEYS))],
      ['day', 'date', list(() => new Date(Date.UTC(2031, 3, 1 + this.below(200))).toISOString().slice(0, 10))],
      ['milk', 'number', list(() => (this.chance(0.1) ? 0 : sign * this.below(400)))],
      ['fat', 'number', list(() => this.below(60))],
      ['is_good', 'boolean', list(() => this.chance(0.5))],
    ];
    return makeTable(
      'deliveries',
      columns.map(([name, type, cells]) => named(name, valuesFrom(type, cells))),
    );
  }

  private category(): [string, Step] {
    const grain = this.one(['day', 'week', 'month', 'quarter', 'year'] as const);
    return this.one<[string, Step]>([
      ['hut', null],
      ['hut', null],
      ['valley', null],
      ['day', { kind: 'grain', grain }],
      ['fat', { kind: 'bin', width: this.one([null, 5, 0.1, 12.5]) }],
      ['day', null],
    ]);
  }

  private filters(): Filter[] {
    const all: Filter[] = [
      { kind: 'values', column: 'valley', keep: this.chance(0.5) ? ['Tolm', null] : ['Tolm', 'Siddel'] },
      { kind: 'values', column: 'fat', keep: ['3', '12', null, 'none'] },
      { kind: 'range', column: 'milk', low: this.chance(0.5) ? 20 : null, high: 300 },
      { kind: 'range', column: 'day', low: '2031-05-01', high: null },
      { kind: 'missing', column: 'fat', keep: this.one(['there', 'missing'] as const) },
      { kind: 'top', column: 'hut', n: 3, measure: 'sum(milk)', end: this.one(['largest', 'smallest'] as const) },
      { kind: 'top', column: 'valley', n: 1, measure: 'avg(fat)', end: 'largest' },
      { kind: 'formula', column: '', formula: "hut like 'A%' or fat > 10" },
      { kind: 'values', column: 'is_good', keep: ['true'] },
    ];
    return this.chance(0.5) ? [] : this.some(all, 2);
  }

  private cue(nth: number, category: string, measures: readonly string[], series: string | null, panel: string | null): Cue {
    const kind = this.one(KINDS);
    const facts = cueFactsOf({ category, measures: [...measures], series, panel, along: { column: category, descending: false } });
    const made = cueKinds[kind].create(`cue-${nth}`, facts);
    const within = [series, panel].filter((name): name is string => name !== null);
    const scopes: CueScope[] = [
      { kind: 'figure' },
      { kind: 'panels' },
      ...(within.length ? [{ kind: 'within' as const, columns: within.slice(0, 1) }] : []),
      { kind: 'along', column: category, descending: this.chance(0.3), within: 'split' },
    ];
    const level = this.one(['average', 'median', 'p90', '100', 'average - 1 sd']);
    const more: Partial<Record<CueKindName, object>> = {
      reference: { level: readLevel(level, [...measures]) },
      typical: { level: readLevel(level, [...measures]) },
      compare: { other: readLevel('average', [...measures]) },
      outlier: { method: this.one(['iqr', 'deviation', 'mad']) },
      rank: { n: 1 + this.below(4), unit: this.one(['items', 'percent', 'share']) },
      rescale: { to: this.one(['index', 'share', 'unit', 'z']) },
      change: { as: this.one(['percent', 'difference']), from: this.one(['previous', 'first']) },
    };
    const changed = { ...made, ...(more[kind] ?? {}), scope: this.one(scopes) };
    // A cue that cannot be read would not be in a project: then as it is first made.
    return cueKinds[kind].schema.safeParse(changed).success ? changed : made;
  }

  private below(n: number): number {
    return Math.floor(this.random() * n);
  }

  private one<T>(list: readonly T[]): T {
    return list[this.below(list.length)] as T;
  }

  private some<T>(list: readonly T[], most: number): T[] {
    const count = this.below(most + 1);
    const left = [...list];
    return Array.from({ length: count }, () => left.splice(this.below(left.length), 1)[0] as T);
  }

  private chance(share: number): boolean {
    return this.random() < share;
  }
}
