/** Actions of keyboard shortcuts that work on the whole page. */
export type Shortcut = 'undo' | 'redo' | 'search' | 'brief' | 'stage' | 'ledger' | 'previous' | 'next' | 'alone' | 'notice' | 'keys';

/** The action behind a key press, if any. */
export function shortcutOf({ key, code, ctrlKey, metaKey, shiftKey, altKey }: KeyboardEvent): Shortcut | null {
  if ((ctrlKey || metaKey) && !altKey && key.toLowerCase() === 'z') return shiftKey ? 'redo' : 'undo';
  if (key === '?' && !altKey && !ctrlKey && !metaKey) return 'keys';
  if (!altKey || ctrlKey || metaKey) return null;
  // Codes, because Alt turns letters into others on some keyboards.
  const places: Readonly<Record<string, Shortcut>> = {
    KeyB: 'search',
    Digit1: 'brief',
    Digit2: 'stage',
    Digit3: 'ledger',
    PageUp: 'previous',
    PageDown: 'next',
    Digit0: 'alone',
    KeyN: 'notice',
  };
  return places[code] ?? null;
}

/** Whether keys at this place write text. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLElement && target.isContentEditable);
