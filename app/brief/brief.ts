import { afterNextRender, ChangeDetectionStrategy, Component, computed, ElementRef, inject, Injector, viewChildren } from '@angular/core';
import { addColumns, settingsBehind } from 'core/brief';
import type { NumberFormat } from 'core/document';
import { messageFor } from 'core/result/words';
import { counted, type Sentence, type Token } from 'core/sentence';
import { DroppedLabels } from '../services/figure/dropped-labels';
import { figureSheets } from '../services/figure/figure-sheets';
import { Pace } from '../services/engine/pace';
import { ProjectStore } from '../services/project/project-store';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { ColumnPicker } from './column-picker';
import { CueList } from './cue-list';
import { DressLike } from './dress-like';
import { FormulaWriting } from './formula-writing';
import { LiverySheet } from './livery-sheet';
import { NumberFormats } from './number-formats';
import { BriefWords } from './brief-words';
import { BriefSection, type WroteWord } from './brief-section';
import type { TokenChoice } from './token-choice';

// More labels without room than this are a list that nobody reads.
const MOST_LISTED = 40;

/** The figure written out as short sentences whose words are the controls. */
@Component({
  selector: 'cb-brief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BriefSection, ColumnPicker, CueList, DressLike, Icon, LiverySheet, NumberFormats, Sheet],
  host: { class: 'block h-full scroll-pb-28 overflow-y-auto px-5 py-4 pb-28', role: 'region', 'aria-label': 'Brief' },
  providers: [figureSheets],
  templateUrl: './brief.html',
})
export class Brief {
  private readonly store = inject(ProjectStore);
  private readonly writing = inject(FormulaWriting);
  private readonly injector = inject(Injector);
  private readonly pace = inject(Pace);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly texts = viewChildren(BriefSection);

  private readonly brief = inject(BriefWords);
  protected readonly figure = this.brief.figure;
  protected readonly formats = this.brief.formats;
  protected readonly sections = this.brief.sections;
  /** Each cue as it applies: to the cells, or to the totals that it looks at. */
  protected readonly applied = computed(() => {
    const among = new Map(this.brief.picture()?.totals.flatMap(({ applied }) => applied.map(item => [item.cue.id, item] as const)));
    return this.brief.applied().map(item => {
      const found = among.get(item.cue.id);
      return found ? { ...found, problems: item.problems } : item;
    });
  });
  protected readonly words = this.brief.facts;
  /** Words of the figure that cannot be computed, told where they stand. */
  protected readonly wordFaults = computed(
    () =>
      this.brief
        .picture()
        ?.plans.at(-1)
        ?.wordFaults.map(({ words }) => words) ?? [],
  );
  protected readonly dropped = inject(DroppedLabels).now;
  protected readonly droppedWords = computed(() => `${counted(this.dropped().length, 'label')} without room`);
  protected readonly droppedListed = computed(() => this.dropped().slice(0, MOST_LISTED));
  protected readonly pickable = computed(() =>
    (this.brief.table()?.columns ?? []).filter(({ type, hidden }) => type === 'number' && !hidden).map(column => column.name),
  );

  /** The decisions that the brief speaks of now, for the search for actions. */
  readonly settings = computed(() => {
    const [subject, brief] = [this.brief.subject(), this.sections()];
    const sections = brief ? [brief.data, brief.shape, ...brief.helpers, brief.scales, brief.words] : [];
    const sentences = sections.flatMap(({ said, finer }) => [said, ...finer]);
    return subject ? settingsBehind(subject, sentences.flatMap(keysIn)) : [];
  });
  protected readonly problems = computed(() => (this.brief.shown()?.problems ?? []).map(messageFor));
  /** Helper columns by hand that cannot be computed here, by name. */
  protected readonly resting = computed(() => (this.brief.shown()?.picture?.frame.resting ?? []).map(({ problem }) => messageFor(problem)));
  /** Columns that have no value in rows where all they read is there: of the table, and of the figure. */
  protected readonly lacking = computed(() => {
    const found = this.brief.shown()?.picture?.withoutValue;
    const words = (counts: Readonly<Record<string, number>> = {}): string[] =>
      Object.entries(counts)
        .filter(([, count]) => count > 0)
        .map(withoutValueWords);
    return { table: words(found?.table), figure: words(found?.figure) };
  });
  /** Notes about the figure's scales that a reader needs. */
  protected readonly scaleNotes = computed(() => this.brief.shown()?.picture?.plans.at(-1)?.notes ?? []);

  protected choose(choice: TokenChoice): void {
    if (this.brief.choose(choice)) this.afterDrawn(() => this.focusWord(choice.key));
  }

  protected addColumns(columns: readonly string[]): void {
    const figure = this.figure();
    if (figure && columns.length) this.store.changeFigure(addColumns(figure, columns));
  }

  /** Opens the desk for something new. */
  write(place: 'derived' | 'measure' | 'helper'): void {
    const figure = this.figure();
    if (figure) this.writing[place](figure, null);
  }

  /** Opens the search for cues. */
  addCue(): void {
    this.host.nativeElement.querySelector<HTMLElement>('[data-add-cue]')?.click();
  }

  /** Opens a word, from behind “finer” where it waits there. */
  openWord(key: string): void {
    this.texts().some(text => text.reveal(key));
    this.afterDrawn(() => this.wordAt(key)?.click());
  }

  /** A word that has come into the prose, or left it, keeps the focus that it had. */
  private focusWord(key: string): void {
    if (document.activeElement === document.body) this.wordAt(key)?.focus();
  }

  private wordAt(key: string): HTMLElement | null {
    return this.host.nativeElement.querySelector(`[data-token="${CSS.escape(key)}"]`);
  }

  private afterDrawn(act: () => void): void {
    this.pace.whenUpToNow(() => afterNextRender(act, { injector: this.injector }));
  }

  protected writeShape({ token, at }: WroteWord): void {
    if (at === 0) this.writeMeasure(token);
    else this.writeHelper(at - 1);
  }

  protected setFormats(formats: readonly NumberFormat[]): void {
    this.store.apply({ kind: 'set-formats', formats });
  }

  protected writeDerived(token: Token | null): void {
    const figure = this.figure();
    if (figure) this.writing.derived(figure, token?.text ?? null);
  }

  protected writeMeasure(token: Token | null): void {
    const figure = this.figure();
    if (figure) this.writing.measure(figure, token ? Number(token.key.split(':')[1] ?? 0) : null);
  }

  protected writeHelper(at: number | null): void {
    const figure = this.figure();
    if (figure) this.writing.helper(figure, at);
  }
}

/** Keys of a sentence's words. */
const keysIn = (sentence: Sentence): string[] => sentence.flatMap(part => (typeof part === 'string' ? [] : [part.key]));

const withoutValueWords = ([name, count]: [string, number]): string =>
  `${name} has no value in ${counted(count, 'row')}, by a division by zero or the like.`;
