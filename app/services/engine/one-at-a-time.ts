import { Observable, type OperatorFunction } from 'rxjs';

/** How questions are asked one at a time. */
export interface OneAtATime<Question, Answer> {
  readonly ask: (question: Question) => Promise<Answer>;
  /** How long a newer question waits before it hurries the one that is out, in milliseconds. */
  readonly patience: number;
  readonly hurry: () => void;
}

/** An answer with the question that it belongs to. */
export interface Answered<Question, Answer> {
  readonly question: Question;
  readonly answer: Answer;
}

/**
 * One question is out at a time; the latest of those that came meanwhile waits, and is asked next. The last one is always answered. `ask` must not be
 * rejected: what fails is an answer too.
 */
export function oneAtATime<Question, Answer>(
  options: OneAtATime<Question, Answer>,
): OperatorFunction<Question, Answered<Question, Answer>> {
  return questions =>
    new Observable(subscriber => {
      let [out, waiting, impatient] = [false, [] as Question[], undefined as ReturnType<typeof setTimeout> | undefined];
      const next = async (): Promise<void> => {
        for (let [question] = waiting; waiting.length && !subscriber.closed; [question] = waiting) {
          waiting = [];
          const answer = await options.ask(question as Question);
          clearTimeout(impatient);
          impatient = undefined;
          subscriber.next({ question: question as Question, answer });
        }
        out = false;
      };
      const came = (question: Question): void => {
        waiting = [question];
        if (out) impatient ??= setTimeout(options.hurry, options.patience);
        else {
          out = true;
          void next();
        }
      };
      const subscription = questions.subscribe({
        next: came,
        error: (error: unknown) => subscriber.error(error),
        complete: () => undefined,
      });
      return () => {
        clearTimeout(impatient);
        subscription.unsubscribe();
      };
    });
}
