import { CdkDrag, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { asRule, cueScopeOf, helperScopeOf, kindOf, type AppliedCue, type Cue, type CueWords } from 'core/cue';
import type { NamedFormula } from 'core/formula';
import type { Figure } from 'core/project';
import type { Token } from 'core/sentence';
import { FormulaDesk } from '../services/formula-desk';
import { Notices } from '../services/notices';
import { ProjectStore } from '../services/project-store';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { CueLine, type CueAction } from './cue-line';
import { CueOffers } from './cue-offers';
import { OwnPictures } from './own-pictures';

/** The figure's cues, in the order that decides conflicts: add, change, drag, duplicate, copy, remove. */
@Component({
  selector: 'cb-cue-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDrag, CdkDropList, CueLine, CueOffers, Icon, OwnPictures, Sheet],
  template: `
    <div cdkDropList role="list" (cdkDropListDropped)="drop($event)">
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
      <button #adding="cbSheet" class="act font-semibold text-accent-ink" [cbSheet]="offersSheet" sheetLabel="Add a cue">
        <cb-icon name="plus" />Add a cue
      </button>
      <button class="act text-small text-soft" [cbSheet]="pictureSheet" sheetLabel="Small pictures">
        <cb-icon name="plus" />Small pictures
      </button>
    </div>
    <ng-template #offersSheet let-close>
      @defer (on immediate) {
        <cb-cue-offers [words]="words()" (taken)="close(); add($event)" />
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
  readonly words = input.required<CueWords>();

  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly desk = inject(FormulaDesk);
  private readonly project = toSignal(this.store.project$);
  protected readonly others = computed(() => (this.project()?.figures ?? []).filter(other => other.id !== this.figure().id));

  protected add(cue: Cue): void {
    this.set(cues => [...cues, { ...cue, id: crypto.randomUUID() }]);
  }

  protected change(cue: Cue): void {
    this.set(cues => cues.map(other => (other.id === cue.id ? cue : other)));
  }

  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.move(previousIndex, currentIndex);
  }

  protected act(action: CueAction, cue: Cue): void {
    const at = this.figure().cues.indexOf(cue);
    switch (action) {
      case 'duplicate':
        return this.set(cues => cues.toSpliced(at + 1, 0, { ...cue, id: crypto.randomUUID() }));
      case 'up':
        return this.move(at, at - 1);
      case 'down':
        return this.move(at, at + 1);
      case 'open-as-formula':
        return this.change(asRule(cue));
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

  /** A formula of a rule opens at the desk, where it sees what the cue and those before it compute. */
  protected write(token: Token, cue: Cue): void {
    if (token.input.kind !== 'formula') return;
    this.desk.open({
      place: 'helper',
      title: token.about,
      name: null,
      formula: token.input.value,
      scope: helperScopeOf(cue.scope),
      before: this.columnsBefore(cue, token),
      use: ({ formula, scope }) => {
        const now = this.store.figure?.cues.find(other => other.id === cue.id) ?? cue;
        this.change({ ...kindOf(now).change(now, token.key, formula, this.words()), scope: cueScopeOf(scope, now.scope) });
        return null;
      },
    });
  }

  private columnsBefore(cue: Cue, { key }: Token): NamedFormula[] {
    const at = this.figure().cues.findIndex(other => other.id === cue.id);
    const earlier = this.applied()
      .slice(0, at)
      .flatMap(({ helpers }) => helpers);
    const [kind, place] = key.split(':');
    const own = cue.kind === 'rule' ? cue.columns.slice(0, kind === 'column' ? Number(place) : undefined) : [];
    return [...earlier, ...own].map(({ name, formula }) => ({ name, formula }));
  }

  private move(from: number, to: number): void {
    if (from === to || to < 0 || to >= this.figure().cues.length) return;
    this.set(cues => {
      const next = [...cues];
      moveItemInArray(next, from, to);
      return next;
    });
  }

  private remove(cue: Cue, at: number): void {
    const { id } = this.figure();
    this.set(cues => cues.filter(other => other.id !== cue.id));
    this.notices.done('Removed the cue.', { undo: () => this.set(cues => cues.toSpliced(at, 0, cue), id) });
  }

  private set(change: (cues: Figure['cues']) => Figure['cues'], id = this.figure().id): void {
    const figure = this.store.snapshot?.history.project.figures.find(item => item.id === id);
    if (figure) this.store.apply({ kind: 'change-figure', figure: figure.id, change: { cues: change(figure.cues) } });
  }
}
