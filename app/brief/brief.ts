import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { cueKinds, type Cue, type CueWords } from 'core/cue';
import { briefOf, changeFigure, type Figure } from 'core/project';
import { messageFor } from 'core/result';
import { readSentence } from 'core/sentence';
import { Notices } from '../services/notices';
import { PictureStore } from '../services/picture-store';
import { ProjectStore } from '../services/project-store';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { CueLine, type CueAction } from './cue-line';
import { SentenceLine, type TokenChoice } from './sentence-line';

/** The figure written out as short sentences whose words are the controls. */
@Component({
  selector: 'cb-brief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CueLine, Icon, SentenceLine, Sheet],
  host: { class: 'block h-full overflow-y-auto px-5 py-4', role: 'region', 'aria-label': 'Brief' },
  templateUrl: './brief.html',
})
export class Brief {
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);

  protected readonly figure = toSignal(this.store.figure$, { initialValue: null });
  private readonly tables = toSignal(this.store.tables$, { initialValue: [] });
  private readonly shown = toSignal(inject(PictureStore).shown$);

  protected readonly sections = computed(() => {
    const figure = this.figure();
    return figure && briefOf(figure, this.tables());
  });
  protected readonly applied = computed(() =>
    this.shown()?.ask.figure.id === this.figure()?.id ? (this.shown()?.picture?.applied ?? []) : [],
  );
  protected readonly problems = computed(() => (this.shown()?.problems ?? []).map(messageFor));
  protected readonly words = computed((): CueWords => {
    const data = this.figure()?.data;
    const carried = this.shown()?.picture?.frame.carried ?? [];
    return { category: data?.category ?? '', measures: data?.measures.map(measure => measure.name) ?? [], scopes: carried };
  });
  /** Every kind of cue as it would read on this figure. */
  protected readonly offers = computed(() =>
    Object.values(cueKinds).map(kind => ({ kind, reads: readSentence(kind.sentence(kind.create('', this.words()), this.words())) })),
  );

  protected choose({ key, value }: TokenChoice): void {
    const figure = this.figure();
    if (figure) this.store.changeFigure(changeFigure(figure, key, value, this.tables()));
  }

  protected changeCue(cue: Cue): void {
    this.setCues(cues => cues.map(other => (other.id === cue.id ? cue : other)));
  }

  protected addCue(kind: keyof typeof cueKinds): void {
    this.setCues(cues => [...cues, cueKinds[kind].create(crypto.randomUUID(), this.words())]);
  }

  protected act(action: CueAction, cue: Cue): void {
    if (action === 'duplicate')
      this.setCues(cues => cues.flatMap(other => (other === cue ? [cue, { ...cue, id: crypto.randomUUID() }] : [other])));
    else if (action === 'remove') this.remove(cue);
    else this.setCues(cues => moved(cues, cues.indexOf(cue), action === 'up' ? -1 : 1));
  }

  private remove(cue: Cue): void {
    const figure = this.figure();
    const place = figure?.cues.indexOf(cue) ?? 0;
    this.setCues(cues => cues.filter(other => other !== cue));
    const putBack = (cues: Figure['cues']): Figure['cues'] => cues.toSpliced(place, 0, cue);
    this.notices.done('Removed the cue.', { undo: () => this.setCues(putBack, figure?.id) });
  }

  private setCues(change: (cues: Figure['cues']) => Figure['cues'], id = this.figure()?.id): void {
    const figure = this.store.snapshot?.history.project.figures.find(item => item.id === id);
    if (figure) this.store.apply({ kind: 'change-figure', figure: figure.id, change: { cues: change(figure.cues) } });
  }
}

function moved<T>(list: readonly T[], from: number, by: 1 | -1): T[] {
  const item = list[from] as T;
  return list.toSpliced(from, 1).toSpliced(from + by, 0, item);
}
