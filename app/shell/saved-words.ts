const [CLOCK, CLOCK_TO_SECONDS] = [undefined, '2-digit' as const].map(
  second => new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', second, hourCycle: 'h23' }),
) as [Intl.DateTimeFormat, Intl.DateTimeFormat];

/** The save state in the bar: its word, the time until which it is true, and its full hint. */
export interface SavedWords {
  readonly words: string;
  /** ISO 8601, in UTC; null where something is not written. */
  readonly until: string | null;
  readonly hint: string;
}

/**
 * The words for the save state. `at`: the time until which everything is written, in milliseconds, null when something is not. `fails`: the browser
 * stores nothing.
 */
export function savedWords(at: number | null, fails: boolean): SavedWords {
  if (fails) return { words: 'not kept here', until: null, hint: 'The browser takes nothing: keep the project as a file.' };
  if (at === null) return { words: 'saving…', until: null, hint: 'The last change is being written.' };
  return {
    words: `saved ${CLOCK.format(at)}`,
    until: new Date(at).toISOString(),
    hint: `Everything done until ${CLOCK_TO_SECONDS.format(at)} is kept in this browser.`,
  };
}
