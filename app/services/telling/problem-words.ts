import { Injectable, signal } from '@angular/core';
import type { Problem } from 'core/result';

/** Problems in words. The words come when something is first wrong, so that the page begins without them. */
@Injectable({ providedIn: 'root' })
export class ProblemWords {
  private readonly say = signal<((problem: Problem) => string) | null>(null);
  private coming: Promise<(problem: Problem) => string> | undefined;

  /** For what is computed anew when the words have come; nothing until then. */
  now(problems: readonly Problem[]): readonly string[] {
    if (problems.length === 0) return [];
    const say = this.say();
    if (!say) void this.loaded();
    return say ? problems.map(say) : [];
  }

  async of(problems: readonly Problem[]): Promise<readonly string[]> {
    return problems.length ? problems.map(await this.loaded()) : [];
  }

  private loaded(): Promise<(problem: Problem) => string> {
    return (this.coming ??= import('./problem-messages').then(({ messageFor }) => {
      this.say.set(messageFor);
      return messageFor;
    }));
  }
}
