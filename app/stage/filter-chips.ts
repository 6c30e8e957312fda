import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Filter } from 'core/frame';
import type { Figure } from 'core/document';
import { plainOptions } from 'core/sentence';
import { EngineClient } from '../services/engine/engine-client';
import { FormulaDesk } from '../services/figure/formula-desk';
import { ProjectStore } from '../services/project/project-store';
import { ChoiceList } from '../ui/choice-list';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { FilterEditor } from './filter-editor';
import { filterWords } from 'core/words';

/** The figure's filters as chips; each opens its values, and one more can be added for any column. */
@Component({
  selector: 'cb-filter-chips',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceList, FilterEditor, Icon, Sheet],
  host: { class: 'flex flex-wrap items-center gap-2', role: 'group', 'aria-label': 'Filters', 'data-home': '' },
  template: `
    @for (filter of figure().data.filters; track filter.column) {
      <span class="chip pr-0.5">
        @if (filter.kind === 'formula') {
          <button type="button" class="formula overflow-hidden text-ellipsis" (click)="writeFormula(filter)">{{ words(filter) }}</button>
        } @else {
          <button class="overflow-hidden text-ellipsis" [cbSheet]="editor" [sheetLabel]="'Filter ' + filter.column">
            {{ words(filter) }}
          </button>
        }
        <button
          type="button"
          class="act p-1"
          [attr.aria-label]="'Take off the filter on ' + (filter.kind === 'formula' ? 'a formula' : filter.column)"
          (click)="remove(filter)"
        >
          <cb-icon name="x" />
        </button>
      </span>
      <ng-template #editor>
        @defer (on immediate) {
          <cb-filter-editor [filter]="filter" [figure]="figure()" (changed)="set($event)" />
        }
      </ng-template>
    }
    <button #adder="cbSheet" data-home-add data-acts="filter" class="act text-soft" [cbSheet]="columns" sheetLabel="Filter by">
      <cb-icon name="plus" />Filter
    </button>
    <ng-template #columns let-close>
      <p class="sheet-head">Keep only some rows, by</p>
      <cb-choice-list [options]="options()" label="Column" (chosen)="add($event, close)" />
      <button type="button" class="row mt-1 border-t border-hair" (click)="close(); writeFormula(null)">
        <cb-icon name="sigma" />where a formula is true…
      </button>
    </ng-template>
  `,
})
export class FilterChips {
  private readonly store = inject(ProjectStore);
  private readonly engine = inject(EngineClient);
  private readonly desk = inject(FormulaDesk);
  private readonly tables = toSignal(this.store.tables$, { initialValue: [] });
  readonly figure = input.required<Figure>();

  private readonly columns = computed(() => this.tables().find(table => table.id === this.figure().data.table)?.columns ?? []);
  protected readonly options = computed(() => {
    const used = new Set(this.figure().data.filters.map(filter => filter.column));
    return plainOptions(this.columns().flatMap(({ name, hidden }) => (hidden || used.has(name) ? [] : [name])));
  });
  protected words(filter: Filter): string {
    return filterWords(filter, this.columns().find(({ name }) => name === filter.column)?.stats?.distinct);
  }

  protected add(column: string, close: () => void): void {
    close();
    const type = this.columns().find(item => item.name === column)?.type;
    const ranged = type !== 'text' && type !== 'boolean';
    // A fresh filter keeps everything until something is taken out of it.
    if (ranged) this.put({ kind: 'range', column, low: null, high: null });
    else void this.allValues(column).then(keep => this.put({ kind: 'values', column, keep }));
  }

  /** A filter by formula opens at the desk; its `column` only tells it from others. */
  protected writeFormula(filter: Extract<Filter, { kind: 'formula' }> | null): void {
    this.desk.open({
      place: 'filter',
      title: 'Keep rows where',
      name: null,
      formula: filter?.formula ?? '',
      use: ({ formula }) => {
        if (filter) this.set({ ...filter, formula });
        else this.put({ kind: 'formula', column: `ƒ ${crypto.randomUUID()}`, formula });
        return null;
      },
      ...(filter ? { remove: () => this.remove(filter) } : {}),
    });
  }

  private async allValues(column: string): Promise<(string | null)[]> {
    const { table } = this.figure().data;
    const counts = await this.engine.api.valueCounts(table, column);
    return counts.map(({ value }) => value);
  }

  protected set(filter: Filter): void {
    this.change(filters => filters.map(other => (other.column === filter.column ? filter : other)));
  }

  protected remove(filter: Filter): void {
    this.change(filters => filters.filter(other => other !== filter));
  }

  private put(filter: Filter): void {
    this.change(filters => [...filters, filter]);
  }

  private change(step: (filters: readonly Filter[]) => Filter[]): void {
    const { data } = this.figure();
    this.store.changeFigure({ data: { ...data, filters: step(data.filters) } });
  }
}
