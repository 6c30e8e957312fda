import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { readSmallPicture } from 'core/io';
import { MOST_PICTURES, type SmallPicture } from 'core/document';
import { messageFor } from 'core/result/words';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';

/** The project's own small pictures, for cues to put at marks. */
@Component({
  selector: 'cb-own-pictures',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon],
  host: { class: 'block w-72' },
  template: `
    <p class="sheet-head">Small pictures for marks</p>
    <div data-home>
      @for (picture of pictures(); track picture.name) {
        <div class="flex items-center gap-2 px-2 py-1">
          <img class="size-6 object-contain" alt="" [src]="sourceOf(picture)" />
          <span class="grow truncate">{{ picture.name }}</span>
          <button type="button" class="act p-1.5" [attr.aria-label]="'Remove ' + picture.name" (click)="remove(picture)">
            <cb-icon name="trash" />
          </button>
        </div>
      } @empty {
        <p class="px-2 py-1 text-soft">None yet. Add a PNG or SVG of up to 64 kB; choose it as a glyph in a cue’s finer settings.</p>
      }
    </div>
    @if (fault()) {
      <p class="px-2 text-small text-warn-ink" data-fault>{{ fault() }}</p>
    }
    <input #picker type="file" class="hidden" accept="image/png,image/svg+xml,.png,.svg" aria-label="Picture" (change)="add(picker)" />
    <button type="button" class="row mt-1 border-t border-hair" data-home-add [disabled]="full()" (click)="picker.click()">
      <cb-icon name="plus" />Add a picture…
    </button>
  `,
})
export class OwnPictures {
  private readonly store = inject(ProjectStore);
  private readonly project = toSignal(this.store.project$);
  protected readonly pictures = computed(() => this.project()?.pictures ?? []);
  protected readonly full = computed(() => this.pictures().length >= MOST_PICTURES);
  protected readonly fault = signal<string | null>(null);

  protected async add(picker: HTMLInputElement): Promise<void> {
    const file = picker.files?.[0];
    if (!file) return;
    picker.value = '';
    const read = readSmallPicture(new Uint8Array(await file.arrayBuffer()), file.name);
    this.fault.set(read.ok ? null : read.problems.map(messageFor).join(' '));
    if (!read.ok) return;
    const others = this.pictures().filter(picture => picture.name !== read.value.name);
    this.set([...others, read.value]);
  }

  protected remove(picture: SmallPicture): void {
    this.set(this.pictures().filter(other => other !== picture));
  }

  protected sourceOf({ type, data }: SmallPicture): string {
    return `data:${type};base64,${data}`;
  }

  private set(pictures: readonly SmallPicture[]): void {
    this.store.apply({ kind: 'set-pictures', pictures });
  }
}
