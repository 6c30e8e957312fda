import { ChangeDetectionStrategy, Component, computed, input, signal, viewChild } from '@angular/core';
import { nearest } from 'core/sentence';
import { Icon } from '../ui/icon';
import { ListKeys } from '../ui/list-keys';
import { Sheet } from '../ui/sheet';

/** Something that can be done, by name. */
export interface Command {
  readonly name: string;
  /** Further words that it is found by. */
  readonly search?: string;
  /** Shown only once something is typed. */
  readonly onlyFound?: boolean;
  /** Keys that do the same, as they read. */
  readonly keys?: string;
  readonly run: () => void;
}

// Words that tell nothing: “width of the lines” looks for width and lines.
const SMALL = new Set(['a', 'an', 'the', 'of', 'to', 'in', 'for', 'on']);

/** Every action by typing a part of its name. */
@Component({
  selector: 'cb-command-search',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon, ListKeys, Sheet],
  template: `
    <button
      class="act text-soft"
      [cbSheet]="sheet"
      sheetLabel="Find an action"
      aria-label="Find an action"
      title="Find an action (Alt+B)"
      aria-keyshortcuts="Alt+B"
      (opened)="query.set('')"
    >
      <cb-icon name="search" /><span class="bar-words">Find an action</span>
    </button>
    <ng-template #sheet let-close>
      <input
        class="field"
        type="search"
        aria-label="What to do"
        placeholder="What do you want to do?"
        [cbListKeys]="list"
        (input)="query.set($any($event.target).value)"
      />
      @if (found().length === 0) {
        <p class="sheet-head">No action is called that.{{ near().length ? ' Near it:' : ' Try “filter”, “average” or “file”.' }}</p>
      }
      <div #list class="mt-1 w-80" role="listbox" aria-label="Actions">
        @for (command of found(); track $index) {
          <button type="button" role="option" aria-selected="false" class="row" (click)="run(command, close)">
            <span class="grow">{{ command.name }}</span>
            @if (command.keys) {
              <kbd class="text-small text-soft">{{ command.keys }}</kbd>
            }
          </button>
        }
        @for (command of near(); track command.name) {
          <button type="button" role="option" aria-selected="false" class="row" (click)="run(command, close)">{{ command.name }}</button>
        }
      </div>
    </ng-template>
  `,
})
export class CommandSearch {
  readonly commands = input.required<readonly Command[]>();
  private readonly sheet = viewChild.required(Sheet);
  protected readonly query = signal('');
  protected readonly found = computed(() => {
    const words = this.query()
      .toLowerCase()
      .split(/\s+/)
      .filter(word => word !== '' && !SMALL.has(word));
    const offered = words.length ? this.commands() : this.commands().filter(command => !command.onlyFound);
    const has = (text: string): boolean => words.every(word => text.toLowerCase().includes(word));
    // What begins so stands before what is called so somewhere, and that before what is only meant.
    const begins = ({ name }: Command): boolean => name.toLowerCase().startsWith(words.join(' '));
    const called = offered.filter(({ name }) => has(name));
    return [
      ...called.filter(begins),
      ...called.filter(command => !begins(command)),
      ...offered.filter(({ name, search = '' }) => !has(name) && has(`${name} ${search}`)),
    ];
  });

  /** The nearest actions when none has the searched name. */
  protected readonly near = computed(() => (this.found().length ? [] : nearest(this.query(), this.commands())));

  open(): void {
    this.sheet().open();
  }

  protected run(command: Command, close: () => void): void {
    close();
    command.run();
  }
}
