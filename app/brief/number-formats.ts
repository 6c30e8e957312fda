import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { formatNumber, LADDERS, ladderText, LANGUAGES, oneDecimals, readLadder } from 'core/format';
import { styleOf } from 'core/words';
import { MOST_RUNGS, plainFormat, type NumberFormat } from 'core/document';
import { Icon } from '../ui/icon';

const EXAMPLES = [1234.5678, 0.0472];
// Beside each other, what a unit for each value does and what one for all does.
const LADDER_EXAMPLES = [498_800, 2_200_000];

type Field = 'decimals' | 'significant' | 'scale' | 'ladder';

/** The project's number formats: named once, used everywhere. */
@Component({
  selector: 'cb-number-formats',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon],
  host: { class: 'block w-[30rem] max-w-full' },
  template: `
    <p class="sheet-head">Ways to write numbers, named once for the whole project</p>
    <div data-home class="max-h-28 overflow-y-auto">
      @for (format of formats(); track format.name) {
        <div class="flex items-center">
          <button type="button" class="row" [attr.aria-pressed]="editing() === format.name" (click)="editing.set(format.name)">
            <span class="grow">{{ format.name }}</span><span class="text-small text-soft">{{ example(format) }}</span>
          </button>
          <button type="button" class="act p-1.5" [attr.aria-label]="'Remove ' + format.name" (click)="remove(format.name)">
            <cb-icon name="trash" />
          </button>
        </div>
      }
    </div>
    @let now = draft();
    <form class="grid grid-cols-2 gap-2 border-t sm:grid-cols-3 border-hair p-2" (submit)="$event.preventDefault(); save()">
      <label
        >Name<input class="field" data-home-add maxlength="60" [value]="now.name" (input)="set({ name: $any($event.target).value })"
      /></label>
      <label
        >Decimals<input
          class="field"
          type="number"
          min="0"
          max="12"
          placeholder="fitting"
          [value]="refused().decimals ?? now.decimals ?? ''"
          [attr.aria-invalid]="refused().decimals !== undefined"
          [attr.aria-describedby]="refused().decimals === undefined ? null : 'format-fault'"
          (input)="setDecimals($any($event.target).value)"
      /></label>
      <label>Before<input class="field" maxlength="20" [value]="now.prefix" (input)="set({ prefix: $any($event.target).value })" /></label>
      <label>Behind<input class="field" maxlength="20" [value]="now.suffix" (input)="set({ suffix: $any($event.target).value })" /></label>
      <label
        >In units of<input
          class="field"
          inputmode="decimal"
          [value]="refused().scale ?? now.scale"
          [attr.aria-invalid]="refused().scale !== undefined"
          [attr.aria-describedby]="refused().scale === undefined ? null : 'format-fault'"
          (change)="setScale($any($event.target).value)"
      /></label>
      <label
        >Digits in all<input
          class="field"
          type="number"
          min="1"
          max="15"
          placeholder="fitting"
          [value]="refused().significant ?? now.significant ?? ''"
          [attr.aria-invalid]="refused().significant !== undefined"
          [attr.aria-describedby]="refused().significant === undefined ? null : 'format-fault'"
          (input)="setSignificant($any($event.target).value)"
      /></label>
      <label
        >Separators<select class="field" [value]="now.language" (change)="set({ language: $any($event.target).value })">
          @for (language of languages; track language.code) {
            <option [value]="language.code" [selected]="language.code === now.language">{{ language.example }}</option>
          }
        </select></label
      >
      <label
        >No value reads<input class="field" maxlength="20" [value]="now.missing" (input)="set({ missing: $any($event.target).value })"
      /></label>
      <label class="col-span-full"
        >Ladder of units<input
          class="field"
          list="format-ladders"
          placeholder="none"
          [value]="refused().ladder ?? ladderText(now.ladder)"
          [attr.aria-invalid]="refused().ladder !== undefined"
          [attr.aria-describedby]="refused().ladder === undefined ? null : 'format-fault'"
          (change)="setLadder($any($event.target).value)" /><datalist id="format-ladders">
          @for (ladder of ladders; track ladder) {
            <option [value]="ladder"></option>
          }</datalist
      ></label>
      @if (now.ladder.length) {
        <fieldset class="col-span-full grid grid-cols-2 gap-2">
          <legend class="sr-only">Unit of the ladder</legend>
          @for (way of unitWays; track way.value) {
            <label class="grid gap-1"
              ><span class="flex gap-2"
                ><input type="radio" name="unit-for" [checked]="now.unitFor === way.value" (change)="set({ unitFor: way.value })" />{{
                  way.words
                }}</span
              ><span class="text-small text-soft" [attr.data-unit-for]="way.value">{{ ladderExample(now, way.value) }}</span></label
            >
          }
        </fieldset>
      }
      <div class="col-span-full grid grid-cols-2 gap-1">
        <label class="flex gap-2"
          ><input type="checkbox" [checked]="now.percent" (change)="set({ percent: $any($event.target).checked })" />share as percent</label
        >
        <label class="flex gap-2"
          ><input type="checkbox" [checked]="now.grouping" (change)="set({ grouping: $any($event.target).checked })" />thousands
          grouped</label
        >
        <label class="flex gap-2"
          ><input
            type="checkbox"
            [checked]="now.sign === 'always'"
            (change)="set({ sign: $any($event.target).checked ? 'always' : 'negative' })"
          />plus before gains</label
        >
        <label class="flex gap-2"
          ><input
            type="checkbox"
            [checked]="now.negative === 'parentheses'"
            (change)="set({ negative: $any($event.target).checked ? 'parentheses' : 'minus' })"
          />losses in ( )</label
        >
      </div>
      @if (fault(); as words) {
        <p class="col-span-full text-small text-warn-ink" id="format-fault" data-fault>{{ words }}</p>
      }
      <p class="col-span-full text-small text-soft" data-example>{{ example(now) }}</p>
      <button
        type="submit"
        class="act act-loud col-span-full justify-center"
        [attr.aria-disabled]="now.name.trim() === '' || fault() !== null"
      >
        {{ known() ? 'Change it' : 'Add it' }}
      </button>
    </form>
  `,
})
export class NumberFormats {
  readonly formats = input.required<readonly NumberFormat[]>();
  readonly changed = output<readonly NumberFormat[]>();
  protected readonly editing = signal<string | null>(null);
  protected readonly draft = linkedSignal((): NumberFormat => this.formats().find(format => format.name === this.editing()) ?? FRESH);
  protected readonly ladders = Object.values(LADDERS).map(ladderText);
  protected readonly ladderText = ladderText;
  protected readonly languages = LANGUAGES.map(code => ({ code, example: formatNumber(1234567.8, { decimals: 1, language: code }) }));
  protected readonly unitWays = [
    { value: 'each', words: 'each value its own' },
    { value: 'all', words: 'one for all' },
  ] as const;
  /** Typed texts that were refused, by field. */
  protected readonly refused = signal<Partial<Readonly<Record<Field, string>>>>({});
  protected readonly fault = computed(() => {
    const { decimals, significant, scale, ladder } = this.refused();
    if (decimals !== undefined)
      return `“${decimals}” decimals cannot be written. Type a whole number from 0 to 12, or nothing for as many as fit.`;
    if (significant !== undefined) return `“${significant}” digits cannot be written. Type a whole number from 1 to 15, or nothing.`;
    if (ladder !== undefined) return faultOf(ladder);
    return scale === undefined ? null : `“${scale}” is no unit to count in. Type a number above 0, such as 1000.`;
  });
  protected readonly known = computed(() => this.formats().some(format => format.name === this.draft().name.trim()));

  protected example(format: NumberFormat): string {
    return EXAMPLES.map(value => formatNumber(value, styleOf(format))).join('   ');
  }

  protected set(change: Partial<NumberFormat>): void {
    this.draft.update(draft => ({ ...draft, ...change }));
  }

  protected ladderExample(format: NumberFormat, unitFor: NumberFormat['unitFor']): string {
    const style = oneDecimals(styleOf({ ...format, unitFor }), LADDER_EXAMPLES);
    return LADDER_EXAMPLES.map(value => formatNumber(value, style)).join('   ');
  }

  protected setDecimals(text: string): void {
    const decimals = digitsIn(text, 0, 12);
    this.take('decimals', text, decimals === undefined ? undefined : { decimals, ...(decimals === null ? {} : { significant: null }) });
  }

  protected setSignificant(text: string): void {
    const significant = digitsIn(text, 1, 15);
    const change = { significant, ...(significant === null ? {} : { decimals: null }) };
    this.take('significant', text, significant === undefined ? undefined : (change as Partial<NumberFormat>));
  }

  protected setScale(text: string): void {
    const scale = Number(text.replaceAll(',', ''));
    this.take('scale', text, scale > 0 && Number.isFinite(scale) ? { scale } : undefined);
  }

  protected setLadder(text: string): void {
    const read = readLadder(text);
    this.take('ladder', text, 'ladder' in read && read.ladder.length <= MOST_RUNGS ? { ladder: read.ladder } : undefined);
  }

  /** Takes what a field says; undefined leaves the text beside the fault for the field to be mended. */
  private take(field: Field, text: string, change: Partial<NumberFormat> | undefined): void {
    this.refused.update(({ [field]: _, ...others }) => (change ? others : { ...others, [field]: text }));
    if (change) this.set(change);
  }

  protected save(): void {
    if (this.fault() !== null || this.draft().name.trim() === '') return;
    const format = { ...this.draft(), name: this.draft().name.trim() };
    const others = this.formats();
    this.changed.emit(this.known() ? others.map(other => (other.name === format.name ? format : other)) : [...others, format]);
    this.editing.set(format.name);
  }

  protected remove(name: string): void {
    this.changed.emit(this.formats().filter(format => format.name !== name));
    this.editing.set(null);
  }
}

const FRESH = plainFormat('');

/** A whole number within limits; null for an empty field, undefined for what is none. */
function digitsIn(text: string, least: number, most: number): number | null | undefined {
  if (text === '') return null;
  const digits = Number(text);
  return Number.isInteger(digits) && digits >= least && digits <= most ? digits : undefined;
}

function faultOf(ladder: string): string {
  const read = readLadder(ladder);
  return 'fault' in read ? read.fault : `A ladder has ${MOST_RUNGS} units at most.`;
}
