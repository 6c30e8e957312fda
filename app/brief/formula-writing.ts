import { inject, Injectable } from '@angular/core';
import { plainMeasure, type Helper, type Measure } from 'core/frame';
import type { Derived, Figure } from 'core/document';
import { FormulaDesk, type Written } from '../services/figure/formula-desk';
import { ProjectStore } from '../services/project/project-store';

/** Opens the desk for a derived column, a measure or a helper column, and takes what was written into the project. */
@Injectable({ providedIn: 'root' })
export class FormulaWriting {
  private readonly desk = inject(FormulaDesk);
  private readonly store = inject(ProjectStore);

  derived(figure: Figure, name: string | null): void {
    const { table } = figure.data;
    const before = this.store.tableDoc(table)?.derived ?? [];
    const old = before.find(column => column.name === name);
    const set = (derived: readonly Derived[]): void => this.store.apply({ kind: 'set-derived', table, derived });
    this.desk.open({
      place: 'derived',
      title: 'Compute a column',
      name: name ?? 'share',
      formula: old?.formula ?? '',
      use: written => {
        const taken = [...(this.store.snapshot?.sources[table]?.columns ?? []), ...before.filter(column => column !== old)];
        const problem = nameProblem(
          written.name,
          taken.map(column => column.name),
        );
        if (problem === null)
          set(old ? before.map(column => (column === old ? derivedOf(written) : column)) : [...before, derivedOf(written)]);
        return problem;
      },
      ...(old ? { remove: () => set(before.filter(column => column !== old)) } : {}),
    });
  }

  measure(figure: Figure, at: number | null): void {
    const old = at === null ? undefined : figure.data.measures[at];
    this.desk.open({
      place: 'measure',
      title: 'Measure',
      name: old?.name ?? 'ratio',
      formula: old?.formula ?? '',
      use: ({ name, formula }) => {
        const now = this.store.figure ?? figure;
        const problem = nameProblem(
          name,
          namesOf(now).filter(other => other !== old?.name),
        );
        if (problem !== null) return problem;
        const next = { ...(old ?? plainMeasure(name, formula)), name, formula };
        const { data } = now;
        if (at === null) this.store.changeFigure({ data: { ...data, measures: [...data.measures, next] } });
        else this.replace(now, at, next);
        return null;
      },
      ...(at !== null && figure.data.measures.length > 1
        ? { remove: () => this.store.changeFigure({ data: { ...figure.data, measures: figure.data.measures.filter((_, i) => i !== at) } }) }
        : {}),
    });
  }

  /** Everything that named the old measure follows; what knows how comes with the brief. */
  private replace(figure: Figure, at: number, next: Measure): void {
    void import('../services/figure/figure-making').then(({ replaceMeasure }) => this.store.changeFigure(replaceMeasure(figure, at, next)));
  }

  helper(figure: Figure, at: number | null): void {
    const old = at === null ? undefined : figure.data.helpers[at];
    const put = (helpers: readonly Helper[]): void => {
      const now = this.store.figure ?? figure;
      this.store.changeFigure({ data: { ...now.data, helpers: [...helpers] } });
    };
    this.desk.open({
      place: 'helper',
      title: 'Helper column',
      name: old?.name ?? 'change',
      formula: old?.formula ?? '',
      scope: old?.scope ?? { kind: 'along', column: figure.data.category, within: splitOf(figure) },
      use: written => {
        const now = this.store.figure ?? figure;
        const problem = nameProblem(
          written.name,
          namesOf(now).filter(other => other !== old?.name),
        );
        if (problem !== null) return problem;
        const { helpers } = now.data;
        put(
          old
            ? helpers.map(helper => (helper.name === old.name ? { ...helper, ...written } : helper))
            : [...helpers, { ...written, shape: null, axis: 'first', format: null }],
        );
        return null;
      },
      ...(old ? { remove: () => put(figure.data.helpers.filter(helper => helper.name !== old.name)) } : {}),
    });
  }
}

const splitOf = ({ data }: Figure): string[] => [...new Set([data.series, data.panel].filter(name => name !== null))];
const derivedOf = ({ name, formula }: Written): Derived => ({ name, formula });

const namesOf = ({ data }: Figure): string[] => [
  data.category,
  ...(data.series === null ? [] : [data.series]),
  ...(data.panel === null ? [] : [data.panel]),
  ...data.measures.map(measure => measure.name),
  ...data.helpers.map(helper => helper.name),
];

function nameProblem(name: string, taken: readonly string[]): string | null {
  if (name === '') return 'Give it a name first.';
  return taken.some(other => other.toLowerCase() === name.toLowerCase())
    ? `A column is called ${name} already. Choose another name.`
    : null;
}
