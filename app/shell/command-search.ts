import { ChangeDetectionStrategy, Component, computed, input, signal, viewChild } from '@angular/core';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';

/** Something that can be done, by name. */
export interface Command {
  readonly name: string;
  /** Keys that do the same, as they read. */
  readonly keys?: string;
  readonly run: () => void;
}

/** Every action by typing a part of its name. */
@Component({
  selector: 'cb-command-search',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon, Sheet],
  template: `
    <button class="act text-soft" [cbSheet]="sheet" sheetLabel="Do something" aria-keyshortcuts="Alt+B" (opened)="query.set('')">
      <cb-icon name="search" />Do…
    </button>
    <ng-template #sheet let-close>
      <form class="w-80" (submit)="$event.preventDefault(); runFirst(close)">
        <input
          class="field"
          type="search"
          aria-label="What to do"
          placeholder="What do you want to do?"
          (input)="query.set($any($event.target).value)"
        />
      </form>
      <div class="mt-1" role="listbox" aria-label="Actions">
        @for (command of found(); track command.name) {
          <button type="button" role="option" aria-selected="false" class="row" [attr.data-active]="$first" (click)="run(command, close)">
            <span class="grow">{{ command.name }}</span>
            @if (command.keys) {
              <kbd class="text-small text-soft">{{ command.keys }}</kbd>
            }
          </button>
        } @empty {
          <p class="sheet-head">No action is called that.</p>
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
    const words = this.query().toLowerCase().split(/\s+/).filter(Boolean);
    return this.commands().filter(({ name }) => words.every(word => name.toLowerCase().includes(word)));
  });

  open(): void {
    this.sheet().open();
  }

  protected runFirst(close: () => void): void {
    const [first] = this.found();
    if (first) this.run(first, close);
  }

  protected run(command: Command, close: () => void): void {
    close();
    command.run();
  }
}
