import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { cueKinds, type Cue, type CueWords } from 'core/cue';
import { keyOf } from 'core/frame';
import { addColumns, briefOf, changeFigure, type Figure, type NumberFormat } from 'core/project';
import { messageFor } from 'core/result';
import { counted, readSentence, type Token } from 'core/sentence';
import { columnOf } from 'core/table';
import { Notices } from '../services/notices';
import { PictureStore } from '../services/picture-store';
import { ProjectStore } from '../services/project-store';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { ColumnPicker } from './column-picker';
import { CueLine, type CueAction } from './cue-line';
import { FormulaWriting } from './formula-writing';
import { NumberFormats } from './number-formats';
import { SentenceLine, type TokenChoice } from './sentence-line';

/** The figure written out as short sentences whose words are the controls. */
@Component({
  selector: 'cb-brief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ColumnPicker, CueLine, Icon, NumberFormats, SentenceLine, Sheet],
  host: { class: 'block h-full overflow-y-auto px-5 py-4', role: 'region', 'aria-label': 'Brief' },
  templateUrl: './brief.html',
})
export class Brief {
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly writing = inject(FormulaWriting);

  protected readonly figure = toSignal(this.store.figure$, { initialValue: null });
  private readonly tables = toSignal(this.store.tables$, { initialValue: [] });
  private readonly shown = toSignal(inject(PictureStore).shown$);

  private readonly project = toSignal(this.store.project$);
  protected readonly formats = computed(() => this.project()?.formats ?? []);
  private readonly table = computed(() => this.tables().find(item => item.id === this.figure()?.data.table));
  protected readonly pickable = computed(() =>
    (this.table()?.columns ?? []).filter(column => column.type === 'number').map(column => column.name),
  );

  protected readonly sections = computed(() => {
    const figure = this.figure();
    return figure && briefOf(figure, this.tables(), this.formats());
  });
  protected readonly applied = computed(() =>
    this.shown()?.ask.figure.id === this.figure()?.id ? (this.shown()?.picture?.applied ?? []) : [],
  );
  protected readonly problems = computed(() => (this.shown()?.problems ?? []).map(messageFor));
  /** Columns that have no value in rows where all they read is there: of the table, and of the figure. */
  protected readonly lacking = computed(() => {
    const derived = new Set(
      this.table()
        ?.columns.filter(column => column.formula !== undefined)
        .map(column => column.name),
    );
    const all = Object.entries(this.shown()?.picture?.withoutValue ?? {}).filter(([, count]) => count > 0);
    const words = (ofTable: boolean): string[] => all.filter(([name]) => derived.has(name) === ofTable).map(withoutValueWords);
    return { table: words(true), figure: words(false) };
  });
  protected readonly words = computed((): CueWords => {
    const data = this.figure()?.data;
    const frame = this.shown()?.picture?.frame;
    const scopes = [frame?.series, frame?.panel, ...(frame?.carried ?? [])].filter(name => typeof name === 'string');
    const names = [...(data?.measures ?? []), ...(data?.helpers ?? [])].map(column => column.name);
    return { category: data?.category ?? '', measures: names, scopes: [...new Set(scopes)] };
  });
  /** Every kind of cue as it would read on this figure. */
  protected readonly offers = computed(() =>
    Object.values(cueKinds).map(kind => ({ kind, reads: readSentence(kind.sentence(kind.create('', this.words()), this.words())) })),
  );

  protected choose({ key, value }: TokenChoice): void {
    const figure = this.figure();
    if (!figure) return;
    if (key === 'order' && value === 'hand') return this.arrange(figure);
    this.store.changeFigure(changeFigure(figure, key, value, this.tables()));
  }

  /** An order by hand starts as the categories stand now. */
  private arrange(figure: Figure): void {
    const frame = this.shown()?.picture?.frame;
    const column = frame && columnOf(frame.table, frame.category);
    const keys = column ? Array.from({ length: column.data.length }, (_, row) => keyOf(column, row)) : [];
    this.store.changeFigure({ data: { ...figure.data, order: { by: 'hand', keys: [...new Set(keys)] } } });
  }

  protected addColumns(columns: readonly string[]): void {
    const figure = this.figure();
    if (figure && columns.length) this.store.changeFigure(addColumns(figure, columns));
  }

  protected setFormats(formats: readonly NumberFormat[]): void {
    this.store.apply({ kind: 'set-formats', formats });
  }

  protected writeDerived(token: Token | null): void {
    const figure = this.figure();
    if (figure) this.writing.derived(figure, token?.text ?? null);
  }

  protected writeMeasure(token: Token | null): void {
    const figure = this.figure();
    if (figure) this.writing.measure(figure, token ? Number(token.key.split(':')[1] ?? 0) : null);
  }

  protected writeHelper(at: number | null): void {
    const figure = this.figure();
    if (figure) this.writing.helper(figure, at);
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

const withoutValueWords = ([name, count]: [string, number]): string =>
  `${name} has no value in ${counted(count, 'row')}, by a division by zero or the like.`;

function moved<T>(list: readonly T[], from: number, by: 1 | -1): T[] {
  const item = list[from] as T;
  return list.toSpliced(from, 1).toSpliced(from + by, 0, item);
}
