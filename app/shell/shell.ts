import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  Injector,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Brief } from '../brief/brief';
import { FormulaDeskPanel } from '../desk/formula-desk';
import type { HandedAction } from '../handover/handed-actions';
import { Handover } from '../handover/handover';
import { HandoverSheet } from '../handover/handover-sheet';
import { Ledger } from '../ledger/ledger';
import { IntakeView } from '../intake/intake-view';
import { Gallery } from '../library/gallery';
import { Library } from '../library/library';
import { FormulaDesk } from '../services/figure/formula-desk';
import { Keeper } from '../services/project/keeper';
import { FigureActions } from '../services/figure/figure-actions';
import { HelpView } from '../help/help-view';
import { PagesView } from '../pages/pages-view';
import { Notices } from '../services/telling/notices';
import { Incoming } from '../services/sources/incoming';
import { Opener } from '../services/project/opener';
import { Opening } from '../services/project/opening';
import { Pace } from '../services/engine/pace';
import { ProjectStore } from '../services/project/project-store';
import { PANE_LIMITS, Room, type Pane } from '../services/telling/room';
import { Theme } from '../services/telling/theme';
import { Stage } from '../stage/stage';
import { ChangedFindings } from '../tables/changed-findings';
import { TablesView } from '../tables/tables-view';
import { Divider, type Divided } from '../ui/divider';
import { FocusHome } from '../ui/focus-home';
import { ROOT_ZOOM } from '../ui/root-zoom';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { CommandSearch, type Command } from './command-search';
import { CUE_WORDS, MORE } from './command-words';
import { FigureList } from './figure-list';
import { KeyList } from './key-list';
import { NoticeList } from './notice-list';
import { savedWords } from './saved-words';
import { isTyping, shortcutOf } from './shortcuts';
import { tellWhetherKept } from './whether-kept';

/** Opens what a button of the brief or the stage opens, beside it. */
const press = (what: string): void => document.querySelector<HTMLElement>(`[data-acts="${what}"]`)?.click();

const TYPED: ReadonlySet<string> = new Set(['undo', 'redo', 'keys']);

/** One screen: the top bar, the brief, the stage and the ledger. */
@Component({
  selector: 'cb-shell',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Brief,
    ChangedFindings,
    CommandSearch,
    Divider,
    FigureList,
    FormulaDeskPanel,
    Gallery,
    HandoverSheet,
    HelpView,
    Icon,
    IntakeView,
    KeyList,
    Ledger,
    Library,
    NoticeList,
    PagesView,
    Sheet,
    Stage,
    TablesView,
  ],
  host: {
    class: 'flex h-screen flex-col overflow-hidden',
    '(document:keydown)': 'onKey($event)',
    '(document:paste)': 'onPaste($event)',
    '(dragover)': 'onDrag($event)',
    '(dragleave)': 'onDragLeave($event)',
    '(drop)': 'onDrop($event)',
  },
  templateUrl: './shell.html',
})
export class Shell {
  protected readonly store = inject(ProjectStore);
  protected readonly theme = inject(Theme);
  protected readonly handover = inject(Handover);
  protected readonly room = inject(Room);
  private readonly figureActions = inject(FigureActions);
  private readonly keeper = inject(Keeper);
  private readonly notices = inject(Notices);
  private readonly opener = inject(Opener);
  protected readonly opening = inject(Opening);
  protected readonly incoming = inject(Incoming);
  protected readonly desk = inject(FormulaDesk);

  private readonly pace = inject(Pace);
  /** The open project, without changes of what is written, which come often. */
  private readonly open = this.pace.follow(
    toSignal(this.store.open$, { equal: (a, b) => a?.history === b?.history && a?.figure === b?.figure }),
    'words',
  );
  /** By their references, not their classes: brief and ledger are loaded after the rest. */
  private readonly ledger = viewChild<Ledger>('ledger');
  protected readonly brief = viewChild<Brief>('brief');
  private readonly library = viewChild<Sheet>('library');
  private readonly naming = viewChild<Sheet>('naming');
  private readonly panes = viewChild.required<ElementRef<HTMLElement>>('main');
  private readonly search = viewChild(CommandSearch);
  private readonly keyList = viewChild<Sheet>('keyList');
  private readonly figures = viewChild(FigureList);

  /** Export actions; their names load later. */
  private readonly handable = signal<readonly (readonly HandedAction[])[]>([]);
  private readonly handed = computed(() =>
    this.handable()
      .slice(0, this.handover.isTable() ? 2 : 1)
      .flat(),
  );
  protected readonly dropping = signal(false);
  /** All figures as pictures lie over the screen. */
  protected readonly gallery = signal(false);
  /** The guide lies over the screen. */
  protected readonly help = signal(false);
  private readonly figureNames = computed(() => this.open()?.history.project.figures ?? []);
  private readonly figureName = computed(() => this.figureNames().find(({ id }) => id === this.open()?.figure)?.name ?? '');
  protected readonly projectName = computed(() => this.open()?.history.project.name ?? '');
  protected readonly undoWords = computed(() => this.open()?.history.past.at(-1)?.words ?? null);
  protected readonly redoWords = computed(() => this.open()?.history.future[0]?.words ?? null);
  /** Until when everything is saved, in milliseconds: that stays true while a picture is awaited, and a word of its own would cost it a frame. */
  private readonly savedAt = this.pace.follow(this.keeper.savedAt, 'words');
  protected readonly saved = computed(() => savedWords(this.savedAt(), this.keeper.fails()));

  protected readonly commands = computed((): Command[] => [
    { name: 'Undo', keys: 'Ctrl+Z', run: () => this.store.undo() },
    { name: 'Redo', keys: 'Ctrl+Shift+Z', run: () => this.store.redo() },
    { name: 'Go to the brief', search: 'sentences shortcut keys', keys: 'Alt+1', run: () => this.focus('brief') },
    { name: 'Go to the figure', search: 'stage chart shortcut keys', keys: 'Alt+2', run: () => this.focus('stage') },
    { name: 'Go to the ledger', search: 'numbers table grid sql formula check', keys: 'Alt+3', run: () => this.focus('ledger') },
    { name: 'Open a file or paste rows', search: 'import csv load join merge data table', run: () => this.library()?.open() },
    { name: 'Tables of the project', search: 'align join look up stack turn columns rows', run: () => this.incoming.tablesShown.set(true) },
    { name: 'Pages of the report', search: 'document paragraphs layout monthly', run: () => this.handover.pagesShown.set(true) },
    { name: 'Open the sample project', run: () => void this.opener.openSample() },
    { name: 'Look through the gallery', run: () => this.gallery.set(true) },
    { name: 'New figure', run: () => void this.figureActions.create() },
    { name: 'Choose, rename, duplicate, move or remove a figure', run: () => this.figures()?.openList() },
    { name: 'Previous figure', keys: 'Alt+Page up', run: () => this.figureActions.step(-1) },
    { name: 'Next figure', keys: 'Alt+Page down', run: () => this.figureActions.step(1) },
    { name: 'Show the figure alone', search: 'meeting full screen present', keys: 'Alt+0', run: () => this.showAlone(true) },
    ...(['brief', 'ledger'] as const).map(pane => ({
      name: this.room.folded()[pane] ? `Show the ${pane}` : `Fold the ${pane} away`,
      search: 'room hide wider',
      run: () => this.room.fold(pane, !this.room.folded()[pane]),
    })),
    { name: 'Give brief and ledger their usual room', search: 'divider size wider', run: () => this.usualRoom() },
    { name: 'Add measures', search: 'columns series', run: () => press('measures') },
    { name: 'Add a filter', search: 'keep rows top largest range', run: () => press('filter') },
    { name: 'Number formats', search: 'decimals percent unit thousands', run: () => press('formats') },
    { name: 'Liveries', search: 'theme style colours palette dark print dress', run: () => press('liveries') },
    { name: 'Dress other figures like this one', search: 'copy style livery same look', run: () => press('dress-like') },
    { name: 'Named looks', search: 'colour names steps style palette shared status', run: () => press('looks') },
    { name: 'Small pictures', search: 'glyph icon own', run: () => press('pictures') },
    { name: 'Compute a column', search: 'formula sql derived join', run: () => this.write('derived') },
    { name: 'Add a helper column', search: 'formula sql window', run: () => this.write('helper') },
    { name: 'Add a measure by formula', search: 'sql aggregate ratio', run: () => this.write('measure') },
    { name: 'Help', search: 'guide manual how documentation what do I say', run: () => this.help.set(true) },
    { name: 'See all keys', search: 'shortcut keyboard help', keys: '?', run: () => this.keyList()?.open() },
    { name: 'Rename the project', run: () => this.naming()?.open() },
    { name: 'Show plain', run: () => this.store.changeFigure({ view: 'plain' }) },
    { name: 'Show cued', run: () => this.store.changeFigure({ view: 'cued' }) },
    { name: 'Show both', run: () => this.store.changeFigure({ view: 'both' }) },
    ...this.handed().map(({ name, search, task }) => ({ name, search, run: () => void this.handover.run(task) })),
    { name: 'Hand over the project file', search: 'export json save download share', run: () => void this.handover.project() },
    { name: this.theme.choice() === 'light' ? 'Switch to dark' : 'Switch to light', run: () => this.theme.toggle() },
    { name: 'Add a cue', search: CUE_WORDS, run: () => this.brief()?.addCue() },
    ...this.figureNames().map(({ id, name }) => ({
      name: `Show ${name}`,
      search: 'figure',
      onlyFound: true,
      run: () => this.store.show(id),
    })),
    ...(this.ledger()?.helperNames() ?? []).flatMap(name => [
      { name: `Formula of ${name}`, search: 'helper column', onlyFound: true, run: () => this.ledger()?.showFormulaOf(name) },
      ...(this.ledger()?.part() === 'cells'
        ? [{ name: `Copy ${name} as SQL`, search: 'helper column export', onlyFound: true, run: () => this.ledger()?.copySqlOf(name) }]
        : []),
    ]),
    ...(this.brief()?.settings() ?? []).map(({ key, about, search }) => ({
      name: about,
      search,
      onlyFound: true,
      run: () => this.brief()?.openWord(key),
    })),
  ]);

  /** Actions that the bar has no room for in a small window. */
  protected readonly more = computed(() => this.commands().filter(({ name }) => MORE.has(name)));

  constructor() {
    this.theme.livery();
    inject(FocusHome).watch();
    const injector = inject(Injector);
    const brief = effect(() => {
      if (!this.brief()) return;
      this.opening.briefSeen();
      void import('../handover/handed-actions').then(({ HANDED, HANDED_TABLE }) => this.handable.set([HANDED, HANDED_TABLE]));
      void import('../services/telling/announcements').then(({ Announcements }) => injector.get(Announcements));
      brief.destroy();
    });
    effect(() => {
      const names = [this.figureName(), this.projectName(), 'Cowbell'];
      document.title = names.filter(Boolean).join(' · ');
    });
    effect(() => {
      const fails = this.keeper.fails();
      untracked(() => tellWhetherKept(fails, this.wasKept, this.notices, () => void this.handover.project()));
      this.wasKept = !fails;
    });
    void this.opener.start();
  }

  private wasKept = true;

  protected renameProject(text: string): void {
    const name = text.trim();
    if (name && name !== this.projectName()) this.store.apply({ kind: 'rename-project', name });
  }

  protected onKey(event: KeyboardEvent): void {
    if (this.room.alone() && this.onKeyAlone(event)) return;
    // The gallery may still be on its way: Escape takes it back all the same.
    if (event.key === 'Escape' && this.gallery() && !event.defaultPrevented) return this.gallery.set(false);
    const shortcut = shortcutOf(event);
    // In a field these belong to what is being typed there.
    if (!shortcut || (TYPED.has(shortcut) && isTyping(event.target))) return;
    event.preventDefault();
    const actions = {
      undo: () => this.store.undo(),
      redo: () => this.store.redo(),
      search: () => this.search()?.open(),
      brief: () => this.focus('brief'),
      stage: () => this.focus('stage'),
      ledger: () => this.focus('ledger'),
      previous: () => this.figureActions.step(-1),
      next: () => this.figureActions.step(1),
      alone: () => this.showAlone(!this.room.alone()),
      notice: () => document.querySelector<HTMLElement>('cb-notices > :last-child button')?.focus(),
      keys: () => this.keyList()?.open(),
    };
    actions[shortcut]();
  }

  /** Keys of a figure shown alone: Escape leaves, Page up and down go on. */
  private onKeyAlone(event: KeyboardEvent): boolean {
    const actions: Readonly<Record<string, () => void>> = {
      Escape: () => this.showAlone(false),
      PageUp: () => this.figureActions.step(-1),
      PageDown: () => this.figureActions.step(1),
    };
    const act = event.defaultPrevented || event.altKey ? undefined : actions[event.key];
    if (!act) return false;
    event.preventDefault();
    act();
    return true;
  }

  protected showAlone(alone: boolean): void {
    if (alone && !this.store.figure) return;
    this.room.alone.set(alone);
    this.focus('stage');
  }

  protected divided(pane: Pane): Divided {
    return { size: this.room.sizes()[pane], ...PANE_LIMITS[pane] };
  }

  protected readonly briefAt = ({ x }: { readonly x: number }): number => (x - this.main().getBoundingClientRect().left) / ROOT_ZOOM;
  protected readonly ledgerAt = ({ y }: { readonly y: number }): number => {
    const { bottom, height } = this.main().getBoundingClientRect();
    return (bottom - y) / height;
  };

  private main(): HTMLElement {
    return this.panes().nativeElement;
  }

  private usualRoom(): void {
    for (const pane of ['brief', 'ledger'] as const) this.room.give(pane, PANE_LIMITS[pane].usual);
  }

  protected onPaste(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (event.defaultPrevented || isTyping(event.target) || !text.trim().includes('\n')) return;
    event.preventDefault();
    void this.opener.openText(text);
  }

  protected onDrag(event: DragEvent): void {
    if (!event.dataTransfer?.types.includes('Files')) return;
    event.preventDefault();
    this.dropping.set(true);
  }

  protected onDragLeave(event: DragEvent): void {
    if (event.relatedTarget === null) this.dropping.set(false);
  }

  protected onDrop(event: DragEvent): void {
    event.preventDefault();
    this.dropping.set(false);
    if (event.dataTransfer) void this.opener.openDropped(event.dataTransfer);
  }

  private write(place: 'derived' | 'measure' | 'helper'): void {
    this.brief()?.write(place);
  }

  protected skip(): void {
    this.focus('brief');
  }

  private focus(place: 'brief' | 'stage' | 'ledger'): void {
    if (place !== 'stage' && this.room.folded()[place]) this.room.fold(place, false);
    if (place === 'ledger') this.ledger()?.focusCells();
    else document.querySelector<HTMLElement>({ brief: 'cb-brief .token', stage: 'cb-figure-canvas canvas' }[place])?.focus();
  }
}
