import { computed, effect, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { CueFacts } from 'core/cue';
import { briefOf, chooseWord, cueFactsIn, subjectOf } from 'core/brief';
import type { Figure } from 'core/document';
import { keyOf } from 'core/frame';
import { messageFor } from 'core/result/words';
import { columnOf } from 'core/table';
import { shapeOf } from 'core/shape';
import { layersOf } from '../services/figure/layers-of';
import { Notices } from '../services/telling/notices';
import { Pace } from '../services/engine/pace';
import { PictureStore } from '../services/engine/picture-store';
import { ProjectStore } from '../services/project/project-store';
import { Risks } from '../services/figure/risks';
import { namedTints } from '../ui/tint';
import type { TokenChoice } from './token-choice';

/** The figure as the brief speaks of it, and what choosing one of its words does: in the brief itself and beside what is clicked on the stage. */
@Injectable({ providedIn: 'root' })
export class BriefWords {
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly looked = inject(Risks);

  private readonly pace = inject(Pace);

  readonly figure = this.pace.follow(toSignal(this.store.figure$, { initialValue: null }), 'words');
  private readonly tables = this.pace.follow(toSignal(this.store.tables$, { initialValue: [] }), 'words');
  readonly shown = this.pace.follow(toSignal(inject(PictureStore).shown$), 'words');
  private readonly project = this.pace.follow(toSignal(this.store.project$), 'words');
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
  /** The columns and facts that cues may use. */
  readonly facts = computed((): CueFacts =>
    cueFactsIn({
      figure: this.figure(),
      frame: this.shown()?.picture?.frame,
      subject: this.subject(),
      pictures: this.project()?.pictures.map(picture => picture.name) ?? [],
      looks: this.project()?.looks.map(look => look.name) ?? [],
    }),
  );

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
