import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { CueWords } from 'core/cue';
import { keyOf } from 'core/frame';
import { addColumns, briefOf, changeFigure, type Figure, type NumberFormat } from 'core/project';
import { messageFor } from 'core/result';
import { counted, type Token } from 'core/sentence';
import { columnOf } from 'core/table';
import { PictureStore } from '../services/picture-store';
import { ProjectStore } from '../services/project-store';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { ColumnPicker } from './column-picker';
import { CueList } from './cue-list';
import { FormulaWriting } from './formula-writing';
import { NumberFormats } from './number-formats';
import { SentenceLine, type TokenChoice } from './sentence-line';

/** The figure written out as short sentences whose words are the controls. */
@Component({
  selector: 'cb-brief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ColumnPicker, CueList, Icon, NumberFormats, SentenceLine, Sheet],
  host: { class: 'block h-full overflow-y-auto px-5 py-4', role: 'region', 'aria-label': 'Brief' },
  templateUrl: './brief.html',
})
export class Brief {
  private readonly store = inject(ProjectStore);
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
    const scopes = [frame?.series, frame?.panel, ...(frame?.carried ?? []), ...(frame?.helpers ?? [])].filter(
      name => typeof name === 'string',
    );
    const names = [...(data?.measures ?? []), ...(data?.helpers ?? [])].map(column => column.name);
    const order = data?.order;
    const along = {
      column: order?.by === 'measure' ? order.measure : (data?.category ?? ''),
      descending: (order?.by === 'measure' || order?.by === 'category') && order.descending,
    };
    const pictures = this.project()?.pictures.map(picture => picture.name) ?? [];
    return { category: data?.category ?? '', measures: names, scopes: [...new Set(scopes)], along, pictures };
  });
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
}

const withoutValueWords = ([name, count]: [string, number]): string =>
  `${name} has no value in ${counted(count, 'row')}, by a division by zero or the like.`;
