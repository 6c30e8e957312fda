import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MOST_LOOKS, type NamedLook } from 'core/document';
import { COLOUR_NAMES, colourOptions } from 'core/glyph';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';
import { Swatch } from '../ui/swatch';

const NAMES: readonly string[] = COLOUR_NAMES;

/** The project's named looks: steps of cues in any figure may wear one, and follow when it changes. */
@Component({
  selector: 'cb-named-looks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon, Swatch],
  host: { class: 'block w-80' },
  template: `
    <p class="sheet-head">Named looks</p>
    <p class="px-2 pb-2 text-small text-soft">Choose one as the colour of a cue. Whatever wears it follows, in every figure.</p>
    <div data-home>
      @for (look of looks(); track $index) {
        <div class="flex items-center gap-2 px-2 py-1" data-look>
          <cb-swatch [colour]="look.colour" />
          <input
            class="field min-w-0 grow"
            maxlength="60"
            [attr.aria-label]="'Name of look ' + ($index + 1)"
            [value]="look.name"
            (change)="rename(look, $any($event.target))"
          />
          <select class="field" [attr.aria-label]="'Colour of ' + look.name" (change)="colour(look, $any($event.target).value)">
            @for (option of colours; track option.value) {
              <option [value]="option.value" [selected]="option.value === look.colour">{{ option.label }}</option>
            }
            <option value="own" [selected]="look.colour.startsWith('#')">of its own</option>
          </select>
          @if (look.colour.startsWith('#')) {
            <input
              type="color"
              class="h-6 w-8"
              [attr.aria-label]="'Own colour of ' + look.name"
              [value]="look.colour"
              (change)="colour(look, $any($event.target).value)"
            />
          }
          <button type="button" class="act p-1.5" [attr.aria-label]="'Remove ' + look.name" (click)="remove(look)">
            <cb-icon name="trash" />
          </button>
        </div>
      } @empty {
        <p class="px-2 py-1 text-soft">None yet. A name such as “watch” or “on course” says more than a colour.</p>
      }
    </div>
    <button type="button" class="row mt-1 border-t border-hair" data-home-add [disabled]="full()" (click)="add()">
      <cb-icon name="plus" />Add a look
    </button>
  `,
})
export class NamedLooks {
  private readonly store = inject(ProjectStore);
  private readonly project = toSignal(this.store.project$);
  protected readonly looks = computed(() => this.project()?.looks ?? []);
  protected readonly full = computed(() => this.looks().length >= MOST_LOOKS);
  protected readonly colours = colourOptions;

  protected add(): void {
    const taken = new Set(this.looks().map(({ name }) => name));
    let name = 'look';
    for (let n = 2; taken.has(name); n++) name = `look ${n}`;
    this.set([...this.looks(), { name, colour: 'brass' }]);
  }

  /** Cues that wear it wear it under its new name. A name that is taken is not given twice, and no colour of Cowbell's is called anew. */
  protected rename(look: NamedLook, field: HTMLInputElement): void {
    const name = field.value.trim();
    if (!name || name === look.name || NAMES.includes(name) || this.looks().some(other => other.name === name)) {
      field.value = look.name;
      return;
    }
    const looks = this.looks().map(other => (other === look ? { ...look, name } : other));
    const figures = (this.project()?.figures ?? []).flatMap(figure => {
      const text = JSON.stringify(figure.cues);
      const changed = text.replaceAll(`"colour":${JSON.stringify(look.name)}`, `"colour":${JSON.stringify(name)}`);
      return changed === text
        ? []
        : [{ kind: 'change-figure', figure: figure.id, change: { cues: JSON.parse(changed) as typeof figure.cues } } as const];
    });
    this.store.apply({ kind: 'all', edits: [{ kind: 'set-looks', looks }, ...figures] });
  }

  protected colour(look: NamedLook, value: string): void {
    const colour = value === 'own' ? '#b07d12' : value;
    this.set(this.looks().map(other => (other === look ? { ...look, colour } : other)));
  }

  protected remove(look: NamedLook): void {
    this.set(this.looks().filter(other => other !== look));
  }

  private set(looks: readonly NamedLook[]): void {
    this.store.apply({ kind: 'set-looks', looks });
  }
}
