import { ChangeDetectionStrategy, Component } from '@angular/core';

/** Keys by where they work, as they read. */
export const KEYS: readonly { readonly where: string; readonly keys: readonly (readonly [keys: string, does: string])[] }[] = [
  {
    where: 'Everywhere',
    keys: [
      ['Alt+B', 'find an action'],
      ['Alt+1, Alt+2, Alt+3', 'go to the brief, the figure, the ledger'],
      ['Alt+Page up, Alt+Page down', 'the figure before, the next'],
      ['Alt+0', 'the figure alone; Escape leaves'],
      ['Alt+N', 'go to the latest notice'],
      ['Ctrl+Z, Ctrl+Shift+Z', 'undo, do again'],
      ['?', 'this list'],
    ],
  },
  {
    where: 'The brief',
    keys: [
      ['Enter', 'open the word'],
      ['Arrows, Home, End', 'walk its choices; typing finds one'],
      ['Alt+Arrow up, Alt+Arrow down', 'move the cue'],
    ],
  },
  {
    where: 'The figure',
    keys: [
      ['Arrows, Home, End', 'walk its marks'],
      ['Enter', 'what can be done with a mark'],
      ['Tab, then arrows', 'title, axes, legend and lines; Enter opens their words'],
    ],
  },
  {
    where: 'The ledger',
    keys: [
      ['Arrows', 'walk the cells; up from the first row is the head'],
      ['Enter', 'edit, open the rows behind a sum, or the formula of a helper column'],
      ['Delete', 'empty the cell'],
      ['Ctrl+C, Ctrl+V', 'copy the cell, paste a block'],
      ['Tab', 'leave the ledger'],
    ],
  },
  {
    where: 'The formula desk',
    keys: [
      ['Ctrl+Space', 'complete'],
      ['Ctrl+Enter', 'use it'],
      ['Escape', 'leave; what is not used waits'],
    ],
  },
  {
    where: 'The list of figures',
    keys: [
      ['Alt+Arrow up, Alt+Arrow down', 'move the figure'],
      ['F2, Delete', 'rename, remove'],
    ],
  },
];

/** All keys, by where they work. */
@Component({
  selector: 'cb-key-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'block w-[30rem] max-w-full px-2 pb-2', tabindex: '0', role: 'document', 'aria-label': 'All keys' },
  template: `
    @for (group of groups; track group.where) {
      <h2 class="pt-3 font-semibold">{{ group.where }}</h2>
      <dl class="grid grid-cols-[13rem_1fr] gap-x-3">
        @for (item of group.keys; track item[0]) {
          <dt>
            <kbd>{{ item[0] }}</kbd>
          </dt>
          <dd class="text-soft">{{ item[1] }}</dd>
        }
      </dl>
    }
  `,
})
export class KeyList {
  protected readonly groups = KEYS;
}
