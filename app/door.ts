import type { ApplicationRef } from '@angular/core';

/** The interface that tests find in a page opened with `?door` in its address. */
interface Doored {
  cowbellAfresh?: () => Promise<void>;
}

/**
 * A door for tests: `cowbellAfresh()` takes the application down, empties what the browser keeps of it, and starts it again in the same page, as on a first
 * visit. It costs no load of the page, and no service outlives it.
 *
 * @param app the application that runs
 * @param start starts another in the page's `cb-shell`
 */
export function openDoor(app: Promise<ApplicationRef>, start: () => Promise<ApplicationRef>): void {
  let running = app;
  const nonce = document.querySelector('cb-shell')?.getAttribute('ngcspnonce') ?? '';
  (globalThis as Doored).cowbellAfresh = async () => {
    (await running).destroy();
    localStorage.clear();
    await emptied('cowbell');
    for (const overlay of document.querySelectorAll('.cdk-overlay-container, .cdk-describedby-message-container, cb-shell'))
      overlay.remove();
    const shell = document.createElement('cb-shell');
    shell.setAttribute('ngcspnonce', nonce);
    document.body.prepend(shell);
    running = start();
    await running;
  };
}

/** A database of the browser is gone. Workers that had it open have been ended. */
const emptied = (name: string): Promise<void> =>
  new Promise((resolve, reject) => {
    const request = indexedDB.deleteDatabase(name);
    request.onsuccess = () => resolve();
    request.onerror = () => reject(new Error(`${name} could not be emptied`));
  });
