import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { acceptedFiles } from 'core/io';
import type { StoredProject } from 'engine';
import { EngineClient } from '../services/engine/engine-client';
import { Notices } from '../services/telling/notices';
import { SAMPLE_ID } from '../services/sources/incoming';
import { Opener } from '../services/project/opener';
import { ProjectStore } from '../services/project/project-store';
import { removedProjects, setRemoved, type RemovedProject } from '../services/project/removed-projects';
import { Announcer } from '../ui/announcer';
import { Icon } from '../ui/icon';

/** Sources to open: a file, pasted rows, the sample, and the projects of this browser. */
@Component({
  selector: 'cb-library',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon],
  host: { class: 'block w-[22.5rem]' },
  template: `
    <p class="sheet-head">
      Open tables (CSV, JSON, workbooks, Parquet, Arrow, packed or not) or a Cowbell project. You can also drop them anywhere, or paste rows
      on the stage.
    </p>
    <input #picker type="file" class="hidden" multiple [accept]="accept" aria-label="File" (change)="openFiles(picker)" />
    <input #folder type="file" class="hidden" webkitdirectory aria-label="Folder" (change)="openFiles(folder)" />
    <button type="button" class="row" data-first data-home-add (click)="picker.click()"><cb-icon name="folder-open" />Choose files…</button>
    <form class="p-2" (submit)="$event.preventDefault(); void openText(rows.value)">
      <label class="text-small text-soft" for="pasted-rows">Or paste rows here, the first line naming the columns</label>
      <textarea
        #rows
        id="pasted-rows"
        class="field formula mt-1 h-20"
        placeholder="hut;milk&#10;Ashlatch;2125"
        [attr.aria-invalid]="fault() !== null"
        aria-describedby="rows-fault"
        (input)="fault.set(null)"
      ></textarea>
      @if (fault(); as words) {
        <p class="text-small text-warn-ink" id="rows-fault" data-fault>{{ words }}</p>
      }
      <div class="mt-1 flex justify-end"><button type="submit" class="act act-loud">Open the rows</button></div>
    </form>
    <button type="button" class="row border-t border-hair" (click)="folder.click()">
      <cb-icon name="folder-open" />Choose a folder of like files…
    </button>
    <button type="button" class="row" (click)="gallery.emit()">
      <cb-icon name="layout-grid" />Look through the gallery of this project
    </button>
    <button type="button" class="row" (click)="tables.emit()"><cb-icon name="table" />Look at the tables of this project</button>
    <p class="sheet-head border-t border-hair pt-2">Projects in this browser</p>
    @if (!hasSample()) {
      <button type="button" class="row" (click)="openSample()">Highmeadow season, the sample project</button>
    }
    <div data-home>
      @for (project of stored(); track project.id) {
        <div class="flex items-center">
          <button
            type="button"
            class="row min-w-0"
            [attr.aria-current]="project.id === current() ? 'true' : null"
            (click)="openStored(project.id)"
          >
            <span class="grow truncate" [class.font-semibold]="project.id === current()">{{ project.name }}</span>
            <span class="text-small text-soft">{{ when(project.savedAt) }}</span>
          </button>
          @if (project.id !== current()) {
            <button type="button" class="act p-1.5" [attr.aria-label]="'Remove ' + project.name" (click)="remove(project)">
              <cb-icon name="trash" />
            </button>
          }
        </div>
      }
    </div>
    @for (project of removed(); track project.id) {
      <button type="button" class="row text-soft" (click)="bringBack(project.id)">
        <cb-icon name="undo" />Bring back {{ project.name }}, gone at your next visit
      </button>
    }
  `,
})
export class Library {
  private readonly engine = inject(EngineClient);
  private readonly opener = inject(Opener);
  private readonly notices = inject(Notices);
  private readonly store = inject(ProjectStore);
  private readonly announcer = inject(Announcer);
  protected readonly fault = signal<string | null>(null);
  protected readonly accept = acceptedFiles();
  readonly done = output();
  readonly gallery = output();
  readonly tables = output();

  private readonly all = signal<readonly StoredProject[]>([]);
  protected readonly removed = signal(removedProjects());
  protected readonly stored = computed(() => this.all().filter(({ id }) => this.removed().every(other => other.id !== id)));
  protected readonly hasSample = signal(true);
  protected readonly current = signal(this.store.snapshot?.history.project.id ?? '');

  constructor() {
    void this.engine.api.storedProjects().then(list => {
      this.all.set(list);
      this.hasSample.set(list.some(project => project.id === SAMPLE_ID));
    });
  }

  protected openFiles(picker: HTMLInputElement): void {
    const files = [...(picker.files ?? [])].filter(({ name }) => !name.startsWith('.'));
    if (files.length === 0) return;
    this.done.emit();
    void this.opener.openFiles(files);
  }

  /** Rows that cannot be read stay in the box, with what is wrong. */
  protected async openText(text: string): Promise<void> {
    const fault = await this.opener.openRows(text);
    this.fault.set(fault);
    if (fault === null) this.done.emit();
    else this.announcer.say(fault);
  }

  protected openSample(): void {
    this.done.emit();
    void this.opener.openSample();
  }

  protected openStored(id: string): void {
    this.done.emit();
    if (id !== this.current()) void this.opener.openStored(id);
  }

  /** The project leaves the list at once, and the browser at the next visit. */
  protected remove({ id, name }: StoredProject): void {
    this.setRemoved([...this.removed(), { id, name }]);
    this.notices.done(`Removed ${name} from this browser. It is kept until your next visit.`, { undo: () => this.bringBack(id) });
  }

  protected bringBack(id: string): void {
    this.setRemoved(this.removed().filter(other => other.id !== id));
  }

  private setRemoved(projects: readonly RemovedProject[]): void {
    this.removed.set(projects);
    setRemoved(projects);
  }

  protected when(savedAt: number): string {
    return new Date(savedAt).toLocaleDateString('en', { day: 'numeric', month: 'short' });
  }
}
