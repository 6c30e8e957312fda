import { computed, effect, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { levelsOf, totalsIn } from 'core/crosstab';
import type { CueFacts } from 'core/cue';
import { briefOf, candidatesOf, chooseWord, rangeOf, subjectOf } from 'core/brief';
import type { Figure } from 'core/document';
import { isAdditive, keyOf } from 'core/frame';
import { messageFor } from 'core/result/words';
import { columnOf, rowsWithValue, type ColumnType } from 'core/table';
import { shapeOf } from 'core/shape';
import { layersOf } from '../services/layers-of';
import { Notices } from '../services/notices';
import { PictureStore } from '../services/picture-store';
import { ProjectStore } from '../services/project-store';
import { Risks } from '../services/risks';
import { namedTints } from '../ui/tint';
import type { TokenChoice } from './token-choice';

/** The figure as the brief speaks of it, and what choosing one of its words does: in the brief itself and beside what is clicked on the stage. */
@Injectable({ providedIn: 'root' })
export class BriefWords {
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly looked = inject(Risks);

  readonly figure = toSignal(this.store.figure$, { initialValue: null });
  private readonly tables = toSignal(this.store.tables$, { initialValue: [] });
  readonly shown = toSignal(inject(PictureStore).shown$);
  private readonly project = toSignal(this.store.project$);
  readonly formats = computed(() => this.project()?.formats ?? []);
  readonly table = computed(() => this.tables().find(item => item.id === this.figure()?.data.table));

  /** The picture of this very figure; that of another tells nothing about it. */
  readonly picture = computed(() => (this.shown()?.ask.figure.id === this.figure()?.id ? (this.shown()?.picture ?? null) : null));
  readonly applied = computed(() => this.picture()?.applied ?? []);
  readonly subject = computed(() => {
    const figure = this.figure();
    const picture = this.picture();
    const layers = layersOf(picture?.plans.at(-1));
    const marks = layers.map(layer => ({ axis: layer.axis, ends: layer.ends, lengths: shapeOf(layer).byLength }));
    const liveries = this.project()?.liveries.map(({ name }) => name) ?? [];
    const looked = this.looked.found();
    const titles = looked.figure === figure?.id ? looked.titles : [];
    return (
      figure && subjectOf(figure, this.tables(), this.formats(), { emptyRows: picture?.frame.emptyRows ?? 0, marks, titles }, liveries)
    );
  });
  readonly sections = computed(() => {
    const subject = this.subject();
    return subject && briefOf(subject);
  });
  /** What cues may speak of. */
  readonly facts = computed((): CueFacts => {
    const figure = this.figure();
    const data = figure?.data;
    const frame = this.shown()?.picture?.frame;
    const rows = figure?.shape.mark === 'crosstab' && data ? levelsOf(data).map(({ column }) => column) : [];
    const scopes = [frame?.series, frame?.panel, ...rows, ...(frame?.carried ?? []), ...(frame?.helpers ?? [])].filter(
      name => typeof name === 'string',
    );
    const names = [...(data?.measures ?? []), ...(data?.helpers ?? [])].map(column => column.name);
    const typeOf = (name: string) =>
      (frame && columnOf(frame.table, name)?.type) ?? this.table()?.columns.find(column => column.name === name)?.type;
    const subject = this.subject();
    const candidates = subject ? candidatesOf(subject) : [];
    return {
      candidates,
      rangeOf: name => (subject ? rangeOf(subject, candidates, name) : undefined),
      category: data?.category ?? '',
      series: data?.series ?? null,
      panel: data?.panel ?? null,
      typeOf,
      measures: names,
      ratios: (data?.measures ?? []).filter(({ formula }) => !isAdditive(formula)).map(({ name }) => name),
      scopes: [...new Set(scopes)],
      rows,
      totals: figure?.shape.mark === 'crosstab' ? totalsIn(figure) : [],
      along: alongOf(data, typeOf(data?.category ?? '')),
      counts: name => {
        const column = frame && columnOf(frame.table, name);
        return column && { there: rowsWithValue(column).length, all: column.data.length };
      },
      pictures: this.project()?.pictures.map(picture => picture.name) ?? [],
      looks: this.project()?.looks.map(look => look.name) ?? [],
    };
  });

  constructor() {
    effect(() => namedTints.set(Object.fromEntries((this.project()?.looks ?? []).map(({ name, colour }) => [name, colour]))));
  }

  /** Chooses a value for a word; false where it was refused, which is said. */
  choose({ key, value }: TokenChoice): boolean {
    const subject = this.subject();
    if (!subject) return false;
    const byHand = value === 'hand' ? BY_HAND[key] : undefined;
    if (byHand) {
      this.store.changeFigure(byHand.change(subject.figure, this.keysOf(byHand.column(subject.figure))));
      return false;
    }
    const change = chooseWord(subject, key, value);
    if (change.ok) this.store.changeFigure(change.value);
    else for (const problem of change.problems) this.notices.fault(messageFor(problem));
    return change.ok;
  }

  /** An order by hand starts as what it arranges stands now. */
  private keysOf(name: string | null): (string | null)[] {
    const frame = this.shown()?.picture?.frame;
    const column = frame && name !== null ? columnOf(frame.table, name) : undefined;
    return column ? [...new Set(Array.from({ length: column.data.length }, (_, row) => keyOf(column, row)))] : [];
  }
}

/** Orders that may be by hand, by the word that chooses them: of which column's values, and what it changes. */
const BY_HAND: Readonly<
  Record<
    string,
    { readonly column: (figure: Figure) => string | null; readonly change: (figure: Figure, keys: (string | null)[]) => Partial<Figure> }
  >
> = {
  order: { column: ({ data }) => data.category, change: ({ data }, keys) => ({ data: { ...data, order: { by: 'hand', keys } } }) },
  'across-order': {
    column: ({ data }) => data.series,
    change: ({ crosstab }, keys) => ({ crosstab: { ...crosstab, columns: { by: 'hand', descending: false, keys } } }),
  },
  'panel-order': {
    column: ({ data }) => data.panel,
    change: ({ shape }, keys) => ({ shape: { ...shape, panelOrder: { by: 'hand', descending: false, keys } } }),
  },
};

/** What cues go along unless told otherwise: forward in time, else the order that the figure shows. */
function alongOf(data: Figure['data'] | undefined, type: ColumnType | undefined): CueFacts['along'] {
  const category = data?.category ?? '';
  const order = data?.order;
  if (type === 'date' || type === 'timestamp' || !order) return { column: category, descending: false };
  if (order.by === 'measure') return { column: order.measure, descending: order.descending };
  return { column: category, descending: order.by === 'category' && order.descending };
}
