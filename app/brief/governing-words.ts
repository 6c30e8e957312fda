import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { wordsGoverning } from 'core/brief';
import { kindOf } from 'core/cue';
import type { Token } from 'core/sentence';
import { BriefWords } from './brief-words';
import { CueChanges } from './cue-changes';
import { SentenceLine } from './sentence-line';
import type { TokenChoice } from './token-choice';

/** The sentences that govern a part of the figure, beside it: their words work as in the brief. */
@Component({
  selector: 'cb-governing-words',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SentenceLine],
  host: { class: 'block max-w-96 px-2 py-1' },
  template: `
    @if (cue(); as now) {
      <p class="sheet-head -mx-2">Cue {{ number() }}</p>
      @for (sentence of cueSentences(); track $index) {
        <cb-sentence
          [class]="$first ? '' : 'mt-1 text-soft'"
          [sentence]="sentence"
          (chosen)="changes.choose(now, $event)"
          (wrote)="write($event)"
        />
      }
    }
    @for (sentence of sentences(); track $index) {
      <cb-sentence [sentence]="sentence" (chosen)="choose($event)" />
    } @empty {
      @if (!cue()) {
        <p class="text-soft">The brief says nothing of this yet.</p>
      }
    }
  `,
})
export class GoverningWords {
  /** The part that was clicked, by its name in the drawing. */
  readonly part = input.required<string>();
  /** The cue that it belongs to. */
  readonly cueId = input<string | null>(null);
  /** Whether a cue's finer settings stand below its sentence. */
  readonly finer = input(true);
  readonly done = output();

  private readonly brief = inject(BriefWords);
  protected readonly changes = inject(CueChanges);
  private readonly place = computed(() => this.brief.figure()?.cues.findIndex(cue => cue.id === this.cueId()) ?? -1);
  protected readonly number = computed(() => this.place() + 1);
  protected readonly cue = computed(() => this.brief.figure()?.cues[this.place()] ?? null);
  protected readonly cueSentences = computed(() => {
    const cue = this.cue();
    const facts = this.brief.facts();
    return cue ? [kindOf(cue).sentence(cue, facts), ...(this.finer() ? kindOf(cue).finer(cue, facts) : [])] : [];
  });
  protected readonly sentences = computed(() => {
    const subject = this.brief.subject();
    return subject && !this.cue() ? wordsGoverning(subject, this.part()) : [];
  });

  protected choose(choice: TokenChoice): void {
    this.brief.choose(choice);
  }

  protected write(token: Token): void {
    const cue = this.cue();
    this.done.emit();
    if (cue) this.changes.write(token, cue);
  }
}
