import { inject, Injectable, type OnDestroy } from '@angular/core';
import { chooseWord } from 'core/brief';
import { PreviewStore } from '../services/engine/preview-store';
import { BriefWords } from './brief-words';

// A choice passed over on the way to another is not drawn, in milliseconds.
const LINGER_MS = 120;

/** Shows on the stage what a word's choice would make of the figure, while it is considered. Nothing is changed. */
@Injectable()
export class WordPreview implements OnDestroy {
  private readonly previews = inject(PreviewStore);
  private readonly brief = inject(BriefWords);
  private timer: ReturnType<typeof setTimeout> | undefined;
  private asked = 0;

  /** Considers a value of a word, or none. */
  consider(key: string, value: string | null): void {
    clearTimeout(this.timer);
    const ask = ++this.asked;
    if (value === null) return this.previews.onStage.set(null);
    this.timer = setTimeout(() => void this.show(key, value, ask), LINGER_MS);
  }

  ngOnDestroy(): void {
    this.consider('', null);
  }

  private async show(key: string, value: string, ask: number): Promise<void> {
    const subject = this.brief.subject();
    const change = subject && chooseWord(subject, key, value);
    if (!subject || !change?.ok) return;
    const plan = await this.previews.planOf({ ...subject.figure, ...change.value });
    if (plan && ask === this.asked) this.previews.onStage.set({ plan, words: value });
  }
}
