import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { LiveryDoc } from 'core/document';

type Colour = 'ground' | 'ink' | 'soft' | 'hair' | 'base' | 'quiet';

const COLOURS: readonly (readonly [Colour, string])[] = [
  ['ground', 'Ground'],
  ['ink', 'Ink'],
  ['soft', 'Small words'],
  ['hair', 'Gridlines'],
  ['base', 'Marks'],
  ['quiet', 'Quiet marks'],
];

type Size = keyof LiveryDoc['sizes'];

const SIZES: readonly (readonly [Size, string, number, number])[] = [
  ['title', 'Title', 12, 36],
  ['subtitle', 'Below it', 10, 20],
  ['text', 'Names, numbers', 9, 14],
  ['label', 'Labels', 10, 16],
];

/** The colours, letters and lines of one livery, each changed at once: the figure beside follows. */
@Component({
  selector: 'cb-livery-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'block border-t border-hair p-2' },
  template: `
    @let now = livery();
    <div class="grid grid-cols-2 gap-2">
      <label>Name<input class="field" maxlength="60" [value]="now.name" (change)="rename($any($event.target))" /></label>
      <label
        >Letters<select class="field" (change)="set({ family: $any($event.target).value })">
          @for (family of families; track family.value) {
            <option [value]="family.value" [selected]="family.value === now.family">{{ family.words }}</option>
          }
        </select></label
      >
    </div>
    <fieldset class="mt-2 grid grid-cols-3 gap-x-3 gap-y-1">
      <legend class="sheet-head px-0">Colours</legend>
      @for (item of colours; track item[0]) {
        <label class="flex items-center gap-2"
          ><input type="color" class="size-6" [value]="now[item[0]]" (change)="setColour(item[0], $any($event.target).value)" />{{
            item[1]
          }}</label
        >
      }
    </fieldset>
    <fieldset class="mt-2 grid grid-cols-4 gap-x-3 gap-y-1">
      <legend class="sheet-head px-0">Emphasis</legend>
      @for (item of emphases(); track item[0]) {
        <label class="flex items-center gap-2"
          ><input type="color" class="size-6" [value]="item[1]" (change)="setEmphasis(item[0], $any($event.target).value)" />{{
            item[0]
          }}</label
        >
      }
    </fieldset>
    <fieldset class="mt-2 flex flex-wrap gap-2">
      <legend class="sheet-head px-0">Series</legend>
      @for (colour of now.series; track $index) {
        <input
          type="color"
          class="size-6"
          [attr.aria-label]="'Series ' + ($index + 1)"
          [value]="colour"
          (change)="setSeries($index, $any($event.target).value)"
        />
      }
    </fieldset>
    <fieldset class="mt-2 grid grid-cols-4 items-end gap-2">
      <legend class="sheet-head px-0">Sizes, in pixels</legend>
      @for (item of sizes; track item[0]) {
        <label
          >{{ item[1]
          }}<input
            class="field"
            type="number"
            [min]="item[2]"
            [max]="item[3]"
            [value]="now.sizes[item[0]]"
            (change)="setSize(item[0], $any($event.target))"
        /></label>
      }
    </fieldset>
    <div class="mt-2 grid grid-cols-3 gap-2">
      <label
        >Bars take, in %<input class="field" type="number" min="10" max="100" [value]="percent()" (change)="setBar($any($event.target))"
      /></label>
      <label
        >Corners<input
          class="field"
          type="number"
          min="0"
          max="20"
          [value]="now.corner"
          (change)="setNumber('corner', $any($event.target))"
      /></label>
      <label
        >Lines, times usual<input
          class="field"
          type="number"
          min="0.25"
          max="4"
          step="0.25"
          [value]="now.line"
          (change)="setNumber('line', $any($event.target))"
      /></label>
      <label
        >Legend<select class="field" (change)="set({ legend: $any($event.target).value })">
          @for (place of places; track place.value) {
            <option [value]="place.value" [selected]="place.value === now.legend">{{ place.words }}</option>
          }
        </select></label
      >
      <label
        >Numbers<select class="field" (change)="set({ format: $any($event.target).value || null })">
          <option value="">as they come</option>
          @for (format of formats(); track format) {
            <option [value]="format" [selected]="format === now.format">as {{ format }}</option>
          }
        </select></label
      >
      <label class="flex items-center gap-2 pt-5"
        ><input type="checkbox" [checked]="now.grid" (change)="set({ grid: $any($event.target).checked })" />gridlines</label
      >
    </div>
  `,
})
export class LiveryForm {
  readonly livery = input.required<LiveryDoc>();
  /** Names of the project's number formats. */
  readonly formats = input.required<readonly string[]>();
  readonly changed = output<LiveryDoc>();

  protected readonly colours = COLOURS;
  protected readonly sizes = SIZES;
  protected readonly families = [
    { value: 'grotesk', words: 'grotesk' },
    { value: 'mono', words: 'monospace' },
  ];
  protected readonly places = [
    { value: 'top', words: 'above the plot' },
    { value: 'side', words: 'beside it' },
    { value: 'direct', words: 'at the marks' },
    { value: 'none', words: 'nowhere' },
  ];
  protected readonly emphases = computed(() => Object.entries(this.livery().colours));
  protected readonly percent = computed(() => Math.round(this.livery().bar * 100));

  protected set(change: Partial<LiveryDoc>): void {
    this.changed.emit({ ...this.livery(), ...change });
  }

  protected rename(field: HTMLInputElement): void {
    const name = field.value.trim();
    if (name) this.set({ name });
    else field.value = this.livery().name;
  }

  protected setColour(name: Colour, colour: string): void {
    this.set({ [name]: colour });
  }

  protected setEmphasis(name: string, colour: string): void {
    this.set({ colours: { ...this.livery().colours, [name]: colour } });
  }

  protected setSeries(at: number, colour: string): void {
    this.set({ series: this.livery().series.with(at, colour) });
  }

  protected setSize(name: Size, field: HTMLInputElement): void {
    const size = within(field);
    if (size !== null) this.set({ sizes: { ...this.livery().sizes, [name]: size } });
    else field.value = String(this.livery().sizes[name]);
  }

  protected setNumber(name: 'corner' | 'line', field: HTMLInputElement): void {
    const value = within(field);
    if (value !== null) this.set({ [name]: value });
    else field.value = String(this.livery()[name]);
  }

  protected setBar(field: HTMLInputElement): void {
    const value = within(field);
    if (value !== null) this.set({ bar: value / 100 });
    else field.value = String(this.percent());
  }
}

/** A number that a field allows; the nearest that it does for one beyond its ends; null for none. */
function within({ value, min, max }: HTMLInputElement): number | null {
  const number = Number(value);
  if (value.trim() === '' || !Number.isFinite(number)) return null;
  return Math.max(Number(min), Math.min(number, Number(max)));
}
