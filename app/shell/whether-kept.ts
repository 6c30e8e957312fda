import type { Notices } from '../services/telling/notices';

/**
 * Tells when the browser begins to keep nothing, with a way to save, and when it keeps the project again.
 *
 * @param wasKept what was told last
 * @param save hands over the project file
 */
export function tellWhetherKept(fails: boolean, wasKept: boolean, notices: Notices, save: () => void): void {
  if (fails)
    notices.fault('This browser does not keep what you do. It stays in this tab while that is open, and is tried again.', {
      act: { label: 'Hand over the project file', run: save },
    });
  else if (!wasKept) notices.done('The browser keeps the project again.');
}
