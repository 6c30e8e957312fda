import { CdkDrag, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { asRule, type AppliedCue, type Cue, type CueFacts } from 'core/cue';
import type { Figure } from 'core/document';
import type { Token } from 'core/sentence';
import { Notices } from '../services/telling/notices';
import { Pace } from '../services/engine/pace';
import { ProjectStore } from '../services/project/project-store';
import { Announcer } from '../ui/announcer';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { CueChanges } from './cue-changes';
import { CueLine, type CueAction } from './cue-line';
import { CueOffers } from './cue-offers';
import { NamedLooks } from './named-looks';
import { OwnPictures } from './own-pictures';

/** The figure's cues, in the order that decides conflicts: add, change, drag, duplicate, copy, remove. */
@Component({
  selector: 'cb-cue-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDrag, CdkDropList, CueLine, CueOffers, Icon, NamedLooks, OwnPictures, Sheet],
  template: `
    <div cdkDropList data-home role="list" (cdkDropListDropped)="drop($event)">
      @for (cue of figure().cues; track cue.id) {
        <cb-cue-line
          cdkDrag
          cdkDragLockAxis="y"
          class="mb-1"
          [cue]="cue"
          [applied]="applied()[$index]"
          [words]="words()"
          [number]="$index + 1"
          [first]="$first"
          [last]="$last"
          [others]="others()"
          (changed)="change($event)"
          (acted)="act($event, cue)"
          (copied)="copyTo($event, cue)"
          (wrote)="write($event, cue)"
        />
      } @empty {
        <p class="text-soft">Nothing is marked yet. Add a cue to say what matters.</p>
      }
    </div>
    <div class="-ml-2 mt-1 flex flex-wrap">
      <button #adding="cbSheet" class="act font-semibold" data-add-cue data-home-add [cbSheet]="offersSheet" sheetLabel="Add a cue">
        <cb-icon name="plus" />Add a cue
      </button>
      <button class="act text-small text-soft" data-acts="pictures" [cbSheet]="pictureSheet" sheetLabel="Small pictures">
        <cb-icon name="plus" />Small pictures
      </button>
      <button class="act text-small text-soft" data-acts="looks" [cbSheet]="lookSheet" sheetLabel="Named looks">
        <cb-icon name="plus" />Named looks
      </button>
    </div>
    <ng-template #offersSheet let-close>
      @defer (on immediate) {
        <cb-cue-offers [words]="words()" (taken)="close(); add($event)" />
      }
    </ng-template>
    <ng-template #lookSheet>
      @defer (on immediate) {
        <cb-named-looks />
      }
    </ng-template>
    <ng-template #pictureSheet>
      @defer (on immediate) {
        <cb-own-pictures />
      }
    </ng-template>
  `,
})
export class CueList {
  readonly figure = input.required<Figure>();
  readonly applied = input.required<readonly AppliedCue[]>();
  readonly words = input.required<CueFacts>();

  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly announcer = inject(Announcer);
  private readonly changes = inject(CueChanges);
  private readonly project = inject(Pace).calmly(toSignal(this.store.project$), 'words');
  protected readonly others = computed(() => (this.project()?.figures ?? []).filter(other => other.id !== this.figure().id));

  protected add(cue: Cue): void {
    this.changes.add(cue);
  }

  protected change(cue: Cue): void {
    this.changes.change(cue);
  }

  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.move(previousIndex, currentIndex);
  }

  protected act(action: CueAction, cue: Cue): void {
    // The store's own order: a second key may come before the list is drawn as the first left it.
    const at = this.places().findIndex(other => other.id === cue.id);
    if (at < 0) return;
    switch (action) {
      case 'duplicate':
        return this.changes.set(cues => cues.toSpliced(at + 1, 0, { ...cue, id: crypto.randomUUID() }));
      case 'up':
        return this.move(at, at - 1);
      case 'down':
        return this.move(at, at + 1);
      case 'open-as-formula':
        return this.change(asRule(cue, this.words(), this.taken()));
      case 'remove':
        return this.remove(cue, at);
    }
  }

  protected copyTo(id: string, cue: Cue): void {
    const target = this.others().find(figure => figure.id === id);
    if (!target) return;
    const copy = { ...cue, id: crypto.randomUUID() };
    this.store.apply({ kind: 'change-figure', figure: id, change: { cues: [...target.cues, copy] } });
    this.notices.done(`Copied the cue to ${target.name}.`, { undo: () => this.store.undo() });
  }

  protected write(token: Token, cue: Cue): void {
    this.changes.write(token, cue);
  }

  private places(): readonly Cue[] {
    return this.store.figure?.cues ?? [];
  }

  /** Names that columns of the figure have. */
  private taken(): string[] {
    const { category, measures, scopes } = this.words();
    return [category, ...measures, ...scopes];
  }

  private move(from: number, to: number): void {
    const { length } = this.places();
    if (from === to || to < 0 || to >= length) return;
    this.changes.set(cues => {
      const next = [...cues];
      moveItemInArray(next, from, to);
      return next;
    });
    this.announcer.say(`Cue moved to place ${to + 1} of ${length}`);
  }

  private remove(cue: Cue, at: number): void {
    const { id } = this.figure();
    this.changes.set(cues => cues.filter(other => other.id !== cue.id));
    this.notices.done('Removed the cue.', { undo: () => this.changes.set(cues => cues.toSpliced(at, 0, cue), id) });
  }
}
