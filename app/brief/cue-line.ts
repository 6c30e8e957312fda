import { CdkDragHandle } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { kindOf, type AppliedCue, type Cue, type CueFacts } from 'core/cue';
import type { Figure } from 'core/document';
import { messageFor } from 'core/result/words';
import type { Token } from 'core/sentence';
import { tintOf } from '../ui/tint';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { SentenceLine } from './sentence-line';
import type { TokenChoice } from './token-choice';

/** Actions on a cue that its line offers. */
export type CueAction = 'duplicate' | 'up' | 'down' | 'remove' | 'open-as-formula';

/** One cue: its number, its sentence, its finer settings, a switch, its formulas, and why it rests when it cannot apply. */
@Component({
  selector: 'cb-cue-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDragHandle, Icon, SentenceLine, Sheet],
  host: {
    class: 'group block rounded-card border-l-[3px] bg-ground py-2 pl-3 pr-1',
    role: 'listitem',
    '[style.border-left-color]': 'edge()',
    '(keydown.alt.arrowup)': '$event.preventDefault(); acted.emit("up")',
    '(keydown.alt.arrowdown)': '$event.preventDefault(); acted.emit("down")',
  },
  templateUrl: './cue-line.html',
})
export class CueLine {
  readonly cue = input.required<Cue>();
  readonly applied = input<AppliedCue>();
  readonly words = input.required<CueFacts>();
  readonly number = input.required<number>();
  readonly first = input(false);
  readonly last = input(false);
  /** Other figures of the project, that the cue may be copied to. */
  readonly others = input<readonly Figure[]>([]);
  readonly changed = output<Cue>();
  readonly acted = output<CueAction>();
  readonly copied = output<string>();
  /** A word of a rule that stands for a formula. */
  readonly wrote = output<Token>();

  protected readonly open = signal(false);
  protected readonly sentence = computed(() => kindOf(this.cue()).sentence(this.cue(), this.words()));
  protected readonly finer = computed(() => (this.open() ? kindOf(this.cue()).finer(this.cue(), this.words()) : []));
  protected readonly problems = computed(() => (this.applied()?.problems ?? []).map(messageFor));
  protected readonly edge = computed(() => tintOf(colourOf(this.applied())));

  protected change({ key, value }: TokenChoice): void {
    this.changed.emit(kindOf(this.cue()).change(this.cue(), key, value, this.words()));
  }
}

/** The first colour that the cue brings to the figure; null when it brings none. */
function colourOf(applied: AppliedCue | undefined): string | null {
  for (const item of applied?.treatments ?? []) {
    const colour = 'look' in item ? item.look.colour : 'colour' in item ? item.colour : 'parts' in item ? item.parts[0]?.look.colour : '';
    if (colour) return colour;
  }
  return null;
}
