import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { kindOf, type AppliedCue, type Cue, type CueWords } from 'core/cue';
import { messageFor } from 'core/result';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { SentenceLine, type TokenChoice } from './sentence-line';

export type CueAction = 'duplicate' | 'up' | 'down' | 'remove';

/** One cue: its number, its sentence, a switch, its formulas, and why it rests when it cannot apply. */
@Component({
  selector: 'cb-cue-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon, SentenceLine, Sheet],
  host: { class: 'group block rounded-card border-l-[3px] py-2 pl-3 pr-1', '[style.border-left-color]': 'edge()' },
  template: `
    <div class="flex items-start gap-2">
      <cb-sentence class="grow" [class.opacity-55]="!cue().on" [sentence]="sentence()" (chosen)="change($event)" />
      <button class="act px-1.5" [cbSheet]="menu" [sheetLabel]="'Cue ' + number()" [attr.aria-label]="'More for cue ' + number()">
        <cb-icon name="ellipsis" />
      </button>
    </div>
    @for (problem of problems(); track problem) {
      <p class="mt-1 text-small text-warn-ink" role="status">{{ problem }}</p>
    }
    <div class="mt-1 flex items-center gap-1 text-small text-soft">
      <span class="font-semibold tabular-nums">Cue {{ number() }}</span>
      <button
        type="button"
        class="act px-1.5"
        role="switch"
        [attr.aria-checked]="cue().on"
        [attr.aria-label]="'Cue ' + number() + ' on'"
        (click)="changed.emit({ ...cue(), on: !cue().on })"
      >
        <span class="relative inline-block h-3.5 w-6 rounded-full" [class]="cue().on ? 'bg-accent' : 'bg-edge'">
          <span class="absolute top-0.5 size-2.5 rounded-full bg-raised" [class]="cue().on ? 'left-3' : 'left-0.5'"></span>
        </span>
        {{ cue().on ? 'on' : 'off' }}
      </button>
      @if (applied()?.helpers?.length) {
        <button class="act px-1.5" [cbSheet]="formulas" [sheetLabel]="'Formulas of cue ' + number()">
          <cb-icon name="sigma" />formulas
        </button>
      }
    </div>
    <ng-template #formulas>
      <p class="sheet-head">What cue {{ number() }} computes</p>
      @for (helper of applied()?.helpers; track helper.name) {
        <div class="px-2 py-1.5" tabindex="0">
          <p class="text-small font-semibold">{{ helper.name }}</p>
          <p class="formula">{{ helper.formula }}</p>
        </div>
      }
    </ng-template>
    <ng-template #menu let-close>
      <button type="button" class="row" (click)="close(); acted.emit('duplicate')"><cb-icon name="copy" />Duplicate</button>
      <button type="button" class="row" [disabled]="first()" (click)="close(); acted.emit('up')">
        <cb-icon name="arrow-up" />Move up: it wins over later cues
      </button>
      <button type="button" class="row" [disabled]="last()" (click)="close(); acted.emit('down')">
        <cb-icon name="arrow-down" />Move down
      </button>
      <button type="button" class="row" (click)="close(); acted.emit('remove')"><cb-icon name="trash" />Remove</button>
    </ng-template>
  `,
})
export class CueLine {
  readonly cue = input.required<Cue>();
  readonly applied = input<AppliedCue>();
  readonly words = input.required<CueWords>();
  readonly number = input.required<number>();
  readonly first = input(false);
  readonly last = input(false);
  readonly changed = output<Cue>();
  readonly acted = output<CueAction>();

  protected readonly sentence = computed(() => kindOf(this.cue()).sentence(this.cue(), this.words()));
  protected readonly problems = computed(() => (this.applied()?.problems ?? []).map(messageFor));
  protected readonly edge = computed(() => {
    const colour = this.applied()?.treatments[0]?.colour;
    if (!colour) return 'var(--hair)';
    return colour.startsWith('#') ? colour : `var(--cue-${colour})`;
  });

  protected change({ key, value }: TokenChoice): void {
    this.changed.emit(kindOf(this.cue()).change(this.cue(), key, value));
  }
}
