import { inject, Injectable } from '@angular/core';
import { cueScopeOf, helperScopeOf, kindOf, scopeIn, type Cue } from 'core/cue';
import { withCues } from 'core/brief';
import type { Figure } from 'core/document';
import type { NamedFormula } from 'core/formula';
import type { Token } from 'core/sentence';
import { FormulaDesk } from '../services/figure/formula-desk';
import { ProjectStore } from '../services/project/project-store';
import { BriefWords } from './brief-words';
import type { TokenChoice } from './token-choice';

/** Changes the cues of the figure on the stage: adds one, changes a word, changes a rule's formula. */
@Injectable({ providedIn: 'root' })
export class CueChanges {
  private readonly store = inject(ProjectStore);
  private readonly desk = inject(FormulaDesk);
  private readonly brief = inject(BriefWords);

  add(cue: Cue): void {
    this.set(cues => [...cues, { ...cue, id: crypto.randomUUID() }]);
  }

  change(cue: Cue): void {
    this.set(cues => cues.map(other => (other.id === cue.id ? cue : other)));
  }

  choose(cue: Cue, { key, value }: TokenChoice): void {
    this.change(kindOf(cue).change(cue, key, value, this.brief.facts()));
  }

  set(change: (cues: Figure['cues']) => Figure['cues'], id = this.store.figure?.id): void {
    const figure = this.store.snapshot?.history.project.figures.find(item => item.id === id);
    if (!figure) return;
    // What a cue needs of the table comes with it, in one step.
    const candidates = figure.id === this.store.figure?.id ? (this.brief.facts().candidates ?? []) : [];
    this.store.apply({ kind: 'change-figure', figure: figure.id, change: withCues(figure, change(figure.cues), candidates) });
  }

  /** A formula of a rule opens at the desk, where it sees what the cue and those before it compute. */
  write(token: Token, cue: Cue): void {
    if (token.input.kind !== 'formula') return;
    this.desk.open({
      place: 'helper',
      title: token.about,
      name: null,
      formula: token.input.value,
      scope: helperScopeOf(scopeIn(cue.scope, this.brief.facts())),
      before: this.columnsBefore(cue, token),
      use: ({ formula, scope }) => {
        const now = this.store.figure?.cues.find(other => other.id === cue.id) ?? cue;
        this.change({
          ...kindOf(now).change(now, token.key, formula, this.brief.facts()),
          scope: cueScopeOf(scope, now.scope, this.brief.facts()),
        });
        return null;
      },
    });
  }

  private columnsBefore(cue: Cue, { key }: Token): NamedFormula[] {
    const at = (this.store.figure?.cues ?? []).findIndex(other => other.id === cue.id);
    const earlier = this.brief
      .applied()
      .slice(0, at)
      .flatMap(({ helpers }) => helpers);
    const [kind, place] = key.split(':');
    const own = cue.kind === 'rule' ? cue.columns.slice(0, kind === 'column' ? Number(place) : undefined) : [];
    return [...earlier, ...own].map(({ name, formula }) => ({ name, formula }));
  }
}
