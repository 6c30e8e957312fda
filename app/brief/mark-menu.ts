import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { cuesAbout, cuesOfMark, filtersAbout } from 'core/brief';
import type { Cue } from 'core/cue';
import type { Filter } from 'core/frame';
import { hoverText } from 'core/words';
import { ProjectStore } from '../services/project-store';
import { RowsAsked } from '../services/rows-asked';
import { Icon } from '../ui/icon';
import { BriefWords } from './brief-words';
import { CueChanges } from './cue-changes';
import { GoverningWords } from './governing-words';

/** What can be said and done about one mark: why it looks as it does, the cues that marked it, a cue about it, keeping or leaving it out, its rows. */
@Component({
  selector: 'cb-mark-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [GoverningWords, Icon],
  host: { class: 'block w-80 max-w-full' },
  template: `
    @if (told(); as text) {
      <p class="px-2 pt-1 font-semibold">{{ text.title }}</p>
      @if (text.why) {
        <p class="px-2 text-small text-soft">{{ text.why }}</p>
      }
    }
    @for (cue of cues(); track cue.cue.id) {
      <cb-governing-words part="mark" [cueId]="cue.cue.id" [finer]="false" (done)="done.emit()" />
    }
    <p class="sheet-head mt-1 border-t border-hair pt-2">Add a cue</p>
    @for (offer of offers(); track offer.words) {
      <button type="button" class="row" (click)="add(offer.makes)"><cb-icon name="plus" />{{ offer.words }}</button>
    }
    <p class="sheet-head mt-1 border-t border-hair pt-2">Its rows</p>
    @for (offer of filters(); track offer.words) {
      <button type="button" class="row" (click)="keep(offer.makes)"><cb-icon [name]="$first ? 'check' : 'x'" />{{ offer.words }}</button>
    }
    <button type="button" class="row" (click)="openRows()"><cb-icon name="folder-open" />Open its rows</button>
  `,
})
export class MarkMenu {
  readonly row = input.required<number>();
  readonly measure = input.required<string>();
  /** The cue that draws the mark, where it is not the measure's own. */
  readonly drawnBy = input<string | null>(null);
  readonly done = output();

  private readonly store = inject(ProjectStore);
  private readonly brief = inject(BriefWords);
  private readonly changes = inject(CueChanges);
  private readonly rows = inject(RowsAsked);

  private readonly frame = computed(() => this.brief.picture()?.frame ?? null);
  protected readonly told = computed(() => {
    const [shown, picture] = [this.brief.shown(), this.brief.picture()];
    return shown && picture && this.row() < picture.frame.table.rowCount
      ? hoverText(picture, this.row(), shown.ask.figure, shown.ask.writing)
      : null;
  });
  protected readonly cues = computed(() => cuesOfMark(this.brief.applied(), this.row(), this.measure(), this.drawnBy()));
  protected readonly offers = computed(() => {
    const frame = this.frame();
    return frame ? cuesAbout(frame, this.row(), this.measure(), this.brief.facts()) : [];
  });
  protected readonly filters = computed(() => {
    const [frame, figure] = [this.frame(), this.brief.figure()];
    return frame && figure ? filtersAbout(figure, frame, this.row()) : [];
  });

  protected add(cue: Cue): void {
    this.done.emit();
    this.changes.add(cue);
  }

  protected keep(filter: Filter): void {
    this.done.emit();
    const figure = this.brief.figure();
    if (!figure) return;
    const others = figure.data.filters.filter(other => other.column !== filter.column);
    this.store.changeFigure({ data: { ...figure.data, filters: [...others, filter] } });
  }

  protected openRows(): void {
    this.done.emit();
    this.rows.mark.set({ row: this.row(), measure: this.measure() });
  }
}
