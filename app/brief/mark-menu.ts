import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { cuesAbout, cuesOfMark, filtersAbout, withHandColour } from 'core/brief';
import type { Cue } from 'core/cue';
import { categoryAt, type Filter } from 'core/frame';
import { hoverText } from 'core/words';
import { LabelPins, type MovedLabel } from '../services/figure/label-pins';
import { layersOf } from '../services/figure/layers-of';
import { ProjectStore } from '../services/project/project-store';
import { RowsAsked } from '../services/engine/rows-asked';
import { Icon } from '../ui/icon';
import { BriefWords } from './brief-words';
import { CueChanges } from './cue-changes';
import { GoverningWords } from './governing-words';

// How far a press moves a label, in CSS pixels; and about where it stands before it was moved.
const NUDGE = 8;
const AS_IT_COMES = { across: 0, down: -14 };
const WAYS = [
  { words: 'up', across: 0, down: -NUDGE },
  { words: 'down', across: 0, down: NUDGE },
  { words: 'left', across: -NUDGE, down: 0 },
  { words: 'right', across: NUDGE, down: 0 },
] as const;

/** A category or a series, and the colour that it has by hand. */
interface Coloured {
  readonly of: 'category' | 'series';
  readonly value: string;
  readonly colour: string | null;
}

/**
 * Everything that can be read and done about one mark: why it looks as it does, the cues that marked it, a cue about it, keeping or leaving it out, its
 * rows.
 */
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
    @for (item of coloured(); track item.of) {
      <p class="sheet-head mt-1 border-t border-hair pt-2">Colour of {{ item.value }} by hand</p>
      <div class="flex flex-wrap items-center gap-1 px-2" [attr.data-hand-colours]="item.of">
        @for (colour of palette(); track colour) {
          <button
            type="button"
            class="size-6 rounded-xs border border-edge"
            [style.background]="colour"
            [attr.aria-label]="'Colour ' + item.value + ' ' + colour"
            [attr.aria-pressed]="colour === item.colour"
            (click)="colourIt(item, colour)"
          ></button>
        }
        @if (item.colour) {
          <button type="button" class="act text-small" (click)="colourIt(item, null)">Its own again</button>
        }
      </div>
    }
    @if (pin(); as moved) {
      <p class="sheet-head mt-1 border-t border-hair pt-2">Its label</p>
      <div class="flex flex-wrap gap-1 px-1" role="group" aria-label="Move its label">
        @for (way of ways; track way.words) {
          <button type="button" class="act text-small" (click)="nudge(moved, way.across, way.down)">{{ way.words }}</button>
        }
        @if (isPinned()) {
          <button type="button" class="act text-small text-soft" (click)="letGo()">Let it go</button>
        }
      </div>
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
  private readonly pins = inject(LabelPins);

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

  private readonly layer = computed(() => {
    const layers = layersOf(this.brief.picture()?.plans.at(-1));
    const at = layers.findIndex(({ measure, rows }) => measure === this.measure() && rows.includes(this.row()));
    const layer = layers[at];
    return layer && { layer, at };
  });
  protected readonly name = computed(() => {
    const frame = this.frame();
    return frame ? categoryAt(frame, this.row()) : '';
  });
  /** Colours of what the figure wears: of its series, then of emphasis. */
  protected readonly palette = computed(() => {
    const livery = this.brief.picture()?.plans.at(-1)?.livery;
    return livery ? [...new Set([...livery.series, ...Object.values(livery.colours)])] : [];
  });
  /** The things that can have a colour by hand: the category, and the series when there are several. */
  protected readonly coloured = computed((): Coloured[] => {
    const layers = layersOf(this.brief.picture()?.plans.at(-1));
    const several = new Set(layers.filter(({ cue }) => cue === null).map(({ name }) => name)).size > 1;
    const series = several ? this.layer()?.layer.name : undefined;
    const byHand = this.brief.figure()?.dress.colours ?? [];
    const item = (of: Coloured['of'], value: string): Coloured => ({
      of,
      value,
      colour: byHand.find(hand => hand.of === of && hand.value === value)?.colour ?? null,
    });
    return [...(this.name() ? [item('category', this.name())] : []), ...(series === undefined ? [] : [item('series', series)])];
  });

  protected readonly ways = WAYS;
  private readonly pinned = computed(() =>
    this.brief.figure()?.labels.pins.find(({ category, measure }) => category === this.name() && measure === this.measure()),
  );
  protected readonly isPinned = computed(() => this.pinned() !== undefined);
  /** Where its label stands from its mark, by hand or as it comes; null where the mark has none. */
  protected readonly pin = computed(() => {
    const found = this.layer();
    const at = found?.layer.rows.indexOf(this.row()) ?? -1;
    if (!found?.layer.labels.some(label => label.at === at)) return null;
    const { across, down } = this.pinned() ?? AS_IT_COMES;
    return { row: this.row(), layer: found.at, across, down };
  });

  /** Puts the label a little further that way; each press is a step of undo. */
  protected nudge(from: MovedLabel, across: number, down: number): void {
    const picture = this.brief.picture();
    const plan = picture?.plans.at(-1);
    if (!picture || !plan) return;
    this.pins.start();
    void this.pins.put({ ...from, across: from.across + across, down: from.down + down }, picture, plan);
  }

  protected letGo(): void {
    const [figure, pinned] = [this.brief.figure(), this.pinned()];
    if (figure) this.store.changeFigure({ labels: { ...figure.labels, pins: figure.labels.pins.filter(pin => pin !== pinned) } });
  }

  protected colourIt({ of, value }: Coloured, colour: string | null): void {
    const figure = this.brief.figure();
    if (figure) this.store.changeFigure(withHandColour(figure, of, value, colour));
  }

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
