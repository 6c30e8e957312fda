const [CLOCK, CLOCK_TO_SECONDS] = [undefined, '2-digit' as const].map(
  second => new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', second, hourCycle: 'h23' }),
) as [Intl.DateTimeFormat, Intl.DateTimeFormat];

/** What the bar tells of what is written: the word, until when it is true, for who reads the page, and the whole of it. */
export interface SavedWords {
  readonly words: string;
  /** ISO 8601, in UTC; null where something is not written. */
  readonly until: string | null;
  readonly hint: string;
}

/** What is told of what is written. `at`: until when everything is, in milliseconds; null where something is not. `fails`: the browser takes nothing. */
export function savedWords(at: number | null, fails: boolean): SavedWords {
  if (fails) return { words: 'not kept here', until: null, hint: 'The browser takes nothing: keep the project as a file.' };
  if (at === null) return { words: 'saving…', until: null, hint: 'The last change is being written.' };
  return {
    words: `saved ${CLOCK.format(at)}`,
    until: new Date(at).toISOString(),
    hint: `Everything done until ${CLOCK_TO_SECONDS.format(at)} is kept in this browser.`,
  };
}
