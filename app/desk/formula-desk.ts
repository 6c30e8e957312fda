import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked, viewChild } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { formatNumber } from 'core/format';
import { functionReference, nameText } from 'core/formula';
import { helperFormula, placeInHelper, type HelperScope } from 'core/frame';
import { helperScopeChoices, readHelperScope, scopeValue } from 'core/brief';
import type { Problem, Result } from 'core/result';
import { messageFor } from 'core/result/words';
import { combineLatest, debounceTime, switchMap } from 'rxjs';
import { EngineClient } from '../services/engine/engine-client';
import type { Trial } from 'engine';
import { FormulaDesk, type DeskRequest, type Written } from '../services/figure/formula-desk';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';
import { FormulaEditor, type Underline } from './formula-editor';
import { Spark } from './spark';

/** The result of a trial, with the formula it was computed from. */
interface Tried {
  readonly request: DeskRequest;
  readonly whole: string;
  readonly own: { readonly formula: string; readonly scope: HelperScope };
  readonly result: Result<Trial>;
}

// Long enough not to run at every key, short enough to feel live.
const TRY_AFTER_MS = 90;

const asAsked = ({ name, formula, scope }: DeskRequest): Written => ({ name: name ?? '', formula, scope: scope ?? { kind: 'own' } });

/** The desk at which a formula is written: editor, first rows of its result, function reference. */
@Component({
  selector: 'cb-formula-desk',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormulaEditor, Icon, Spark],
  host: {
    class: 'absolute inset-0 z-20 grid grid-cols-[minmax(0,1.5fr)_minmax(0,0.8fr)_minmax(0,1fr)] border-t border-hair bg-surface',
    role: 'group',
    'aria-label': 'Formula desk',
    '(keydown.escape)': 'onEscape($event)',
  },
  templateUrl: './formula-desk.html',
})
export class FormulaDeskPanel {
  protected readonly desk = inject(FormulaDesk);
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly figure = toSignal(this.store.figure$, { initialValue: null });
  private readonly tables = toSignal(this.store.tables$, { initialValue: [] });

  protected readonly editor = viewChild(FormulaEditor);
  protected readonly name = signal('');
  protected readonly text = signal('');
  private readonly scope = signal<HelperScope>({ kind: 'own' });
  protected readonly query = signal('');
  /** Whether the text is an unused draft from before. */
  protected readonly isDraft = signal(false);
  private isUsed = false;
  private readonly openedOn = signal(this.figure()?.id);
  private readonly nameProblem = signal<string | null>(null);

  private readonly table = computed(() => this.tables().find(item => item.id === this.figure()?.data.table));
  protected readonly scopes = computed(() => {
    const figure = this.figure();
    return figure ? helperScopeChoices(figure.data, this.table(), this.scope()) : [];
  });
  protected readonly scopeNow = computed(() => scopeValue(this.scope()));
  /** The formula with the window that its scope writes. */
  private readonly whole = computed(() => (this.text().trim() === '' ? '' : helperFormula({ formula: this.text(), scope: this.scope() })));

  private readonly tried = toSignal(
    combineLatest([toObservable(this.whole), toObservable(this.desk.request), this.store.figure$]).pipe(
      debounceTime(TRY_AFTER_MS),
      switchMap(([formula, request]) => this.tryOut(formula, request)),
    ),
    { initialValue: null },
  );
  /** The trial that speaks of what stands at the desk now; null while it is under way. */
  private readonly triedNow = computed(() => {
    const tried = this.tried();
    return tried?.whole === this.whole() && tried.request === this.desk.request() ? tried : null;
  });
  /** The text to use as soon as its trial has succeeded. */
  private readonly wanted = signal<string | null>(null);
  protected readonly trial = computed(() => {
    const result = this.tried()?.result;
    return result?.ok ? result.value : null;
  });
  private readonly problems = computed((): readonly Problem[] => {
    const result = this.tried()?.result;
    return result && !result.ok ? result.problems : [];
  });
  protected readonly problem = computed(() => this.nameProblem() ?? faultWords(this.problems()));
  /** A scope writes windows into the formula; a fault stands under the analyst's own words, as they were when it was tried. */
  protected readonly underlines = computed((): Underline[] => {
    const own = this.tried()?.own;
    if (!own) return [];
    return this.problems().flatMap(problem =>
      'at' in problem
        ? [{ from: placeInHelper(own, problem.at.start), to: placeInHelper(own, problem.at.end), message: messageFor(problem) }]
        : [],
    );
  });
  protected readonly verdict = computed(() => {
    const trial = this.trial();
    if (!trial) return 'Standard SQL; Ctrl+Space completes.';
    const none = trial.withoutValue
      ? ` ${trial.withoutValue.toLocaleString('en')} rows have no value, by a division by zero or the like.`
      : '';
    return `Gives ${trial.type === 'null' ? 'nothing' : `a ${trial.type}`}.${none}`;
  });

  protected readonly columns = computed(() => {
    const request = this.desk.request();
    if (request?.place === 'helper') return this.trialNames();
    return this.table()?.columns ?? [];
  });
  private readonly trialNames = computed(() => {
    const data = this.figure()?.data;
    const known = this.trial()?.names;
    const measures = [...(data?.measures ?? []), ...(data?.helpers ?? [])].map(({ name }) => ({ name, type: 'number' as const }));
    return known ?? [...(data ? [{ name: data.category, type: 'text' as const }] : []), ...measures];
  });
  protected readonly columnsFound = computed(() => this.columns().filter(column => this.matches(column.name)));
  protected readonly functionsFound = computed(() =>
    functionReference.filter(
      entry => this.matches(`${entry.name} ${entry.help}`) && (entry.group !== 'window' || this.desk.request()?.place !== 'measure'),
    ),
  );
  protected readonly recentFound = computed(() =>
    this.query() ? this.desk.recent().filter(formula => this.matches(formula)) : this.desk.recent().slice(0, 3),
  );

  constructor() {
    effect(() => {
      const request = this.desk.request();
      if (request) untracked(() => this.start(request));
    });
    // A desk belongs to the figure that it was opened on.
    effect(() => {
      if (this.figure()?.id !== this.openedOn()) untracked(() => this.leave());
    });
    effect(() => {
      this.name();
      this.text();
      this.nameProblem.set(null);
    });
    effect(() => {
      if (this.wanted() !== null && this.triedNow()) untracked(() => this.useTried());
    });
  }

  protected setScope(value: string): void {
    this.scope.set(readHelperScope(value));
  }

  /** Uses the formula; one that was not tried yet is tried first. */
  protected use(): void {
    this.wanted.set(this.text());
    if (this.triedNow()) this.useTried();
  }

  private useTried(): void {
    const request = this.desk.request();
    const formula = this.text().trim();
    const wanted = this.wanted() === this.text();
    this.wanted.set(null);
    if (!wanted || !request || this.problems().length || formula === '') return;
    const problem = request.use({ name: this.name().trim(), formula, scope: this.scope() });
    if (problem !== null) return this.nameProblem.set(problem);
    this.isUsed = true;
    this.desk.remember(formula);
    this.close();
  }

  protected remove(): void {
    this.desk.request()?.remove?.();
    this.isUsed = true;
    this.close();
  }

  /** Leaves the desk; what was not used waits there as a draft. */
  protected close(): void {
    this.leave();
  }

  /** Completions that are open close first. */
  protected onEscape(event: Event): void {
    if (!event.defaultPrevented) this.close();
  }

  protected shown(value: string, type: Trial['type']): string {
    return type === 'number' ? formatNumber(Number(value)) : value;
  }

  protected nameOf(column: string): string {
    return nameText(column);
  }

  /** Takes back what waits as a draft. */
  protected startAgain(): void {
    const request = this.desk.request();
    if (!request) return;
    this.desk.keepDraft(request, null);
    this.start(request);
  }

  private leave(): void {
    const request = this.desk.request();
    if (!request) return;
    const written = { name: this.name(), formula: this.text(), scope: this.scope() };
    const isChanged = JSON.stringify(written) !== JSON.stringify(asAsked(request));
    this.desk.keepDraft(request, isChanged && !this.isUsed ? written : null);
    this.desk.close();
  }

  private start(request: DeskRequest): void {
    const draft = this.desk.draftOf(request);
    const { name, formula, scope } = draft ?? asAsked(request);
    this.isUsed = false;
    this.openedOn.set(this.figure()?.id);
    this.isDraft.set(draft !== null);
    this.name.set(name);
    this.text.set(formula);
    this.scope.set(scope);
    this.query.set('');
    this.wanted.set(null);
    setTimeout(() => this.editor()?.focus());
  }

  private matches(words: string): boolean {
    return words.toLowerCase().includes(this.query().trim().toLowerCase());
  }

  private async tryOut(formula: string, request: DeskRequest | null): Promise<Tried | null> {
    const figure = this.store.figure;
    if (!request || !figure || formula === '') return null;
    const own = { formula: this.text(), scope: this.scope() };
    const place = request.place === 'derived' ? 'column' : request.place;
    return {
      request,
      whole: formula,
      own,
      result: await this.engine.api.tryFormula({
        formula,
        place,
        figure,
        table: figure.data.table,
        // A derived column being changed does not see itself.
        ...(request.place === 'derived' && request.name !== null ? { without: request.name } : {}),
        ...(request.before ? { before: request.before } : {}),
      }),
    };
  }
}

/** The first fault in words; the others are underlined like it. */
function faultWords([first, ...others]: readonly Problem[]): string | null {
  if (!first) return null;
  const more = others.length === 1 ? ' One more fault is underlined.' : ` ${others.length} more faults are underlined.`;
  return `${messageFor(first)}${others.length ? more : ''}`;
}
