import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { PngSize } from 'plot';
import { Brief } from '../brief/brief';
import { FormulaWriting } from '../brief/formula-writing';
import { FormulaDeskPanel } from '../desk/formula-desk';
import { Handover } from '../handover/handover';
import { Ledger } from '../ledger/ledger';
import { Gallery } from '../library/gallery';
import { Library } from '../library/library';
import { FormulaDesk } from '../services/formula-desk';
import { Keeper } from '../services/keeper';
import { Opener } from '../services/opener';
import { ProjectStore } from '../services/project-store';
import { Theme } from '../services/theme';
import { Stage } from '../stage/stage';
import { Icon } from '../ui/icon';
import { Sheet } from '../ui/sheet';
import { CommandSearch, type Command } from './command-search';
import { FigureList } from './figure-list';
import { NoticeList } from './notice-list';
import { isTyping, shortcutOf } from './shortcuts';

const PNG_SCALES: readonly { readonly scale: PngSize['scale']; readonly words: string }[] = [
  { scale: 1, words: 'for the screen' },
  { scale: 2, words: 'for slides' },
  { scale: 4, words: 'for print' },
];

/** One screen: the top bar, the brief, the stage and the ledger. */
@Component({
  selector: 'cb-shell',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Brief, CommandSearch, FigureList, FormulaDeskPanel, Gallery, Icon, Ledger, Library, NoticeList, Sheet, Stage],
  host: {
    class: 'grid h-screen grid-rows-[auto_1fr] overflow-hidden',
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
  private readonly keeper = inject(Keeper);
  private readonly writing = inject(FormulaWriting);
  protected readonly opener = inject(Opener);
  protected readonly desk = inject(FormulaDesk);

  private readonly open = toSignal(this.store.open$);
  /** By its reference, not its class: the ledger is loaded after the rest. */
  private readonly ledger = viewChild<Ledger>('ledger');
  private readonly library = viewChild<Sheet>('library');
  private readonly naming = viewChild<Sheet>('naming');
  private readonly search = viewChild(CommandSearch);
  private readonly figures = viewChild(FigureList);

  protected readonly pngScales = PNG_SCALES;
  protected readonly dropping = signal(false);
  /** All figures as pictures lie over the screen. */
  protected readonly gallery = signal(false);
  protected readonly projectName = computed(() => this.open()?.history.project.name ?? '');
  protected readonly undoWords = computed(() => this.open()?.history.past.at(-1)?.words ?? null);
  protected readonly redoWords = computed(() => this.open()?.history.future[0]?.words ?? null);
  protected readonly savedWords = computed(() => {
    const at = this.keeper.savedAt();
    return at === null
      ? 'saving…'
      : `saved ${new Date(at).toLocaleTimeString('en', { hour: '2-digit', minute: '2-digit', hour12: false })}`;
  });

  protected readonly commands = computed((): Command[] => [
    { name: 'Undo', keys: 'Ctrl+Z', run: () => this.store.undo() },
    { name: 'Redo', keys: 'Ctrl+Shift+Z', run: () => this.store.redo() },
    { name: 'Go to the brief', keys: 'Alt+1', run: () => this.focus('brief') },
    { name: 'Go to the figure', keys: 'Alt+2', run: () => this.focus('stage') },
    { name: 'Go to the ledger', keys: 'Alt+3', run: () => this.focus('ledger') },
    { name: 'Open a file or paste rows', run: () => this.library()?.open() },
    { name: 'Open the sample project', run: () => void this.opener.openSample() },
    { name: 'Look through the gallery', run: () => this.gallery.set(true) },
    { name: 'New figure', run: () => void this.figures()?.create() },
    { name: 'Rename, duplicate or remove this figure', run: () => this.figures()?.openMenu() },
    { name: 'Compute a column', run: () => this.write('derived') },
    { name: 'Add a helper column', run: () => this.write('helper') },
    { name: 'Add a measure by formula', run: () => this.write('measure') },
    { name: 'Rename the project', run: () => this.naming()?.open() },
    { name: 'Show plain', run: () => this.store.changeFigure({ view: 'plain' }) },
    { name: 'Show cued', run: () => this.store.changeFigure({ view: 'cued' }) },
    { name: 'Show both', run: () => this.store.changeFigure({ view: 'both' }) },
    ...PNG_SCALES.map(({ scale }) => ({ name: `Hand over PNG ${scale}×`, run: () => void this.handover.png(scale) })),
    { name: 'Hand over CSV of the ledger', run: () => void this.handover.csv() },
    { name: 'Hand over the project file', run: () => void this.handover.project() },
    { name: this.theme.choice() === 'light' ? 'Switch to dark' : 'Switch to light', run: () => this.theme.toggle() },
  ]);

  constructor() {
    this.theme.livery();
    void this.opener.start();
  }

  protected renameProject(text: string): void {
    const name = text.trim();
    if (name && name !== this.projectName()) this.store.apply({ kind: 'rename-project', name });
  }

  protected onKey(event: KeyboardEvent): void {
    const shortcut = shortcutOf(event);
    // In a field, undo belongs to what is being typed there.
    if (!shortcut || ((shortcut === 'undo' || shortcut === 'redo') && isTyping(event.target))) return;
    event.preventDefault();
    const actions = {
      undo: () => this.store.undo(),
      redo: () => this.store.redo(),
      search: () => this.search()?.open(),
      brief: () => this.focus('brief'),
      stage: () => this.focus('stage'),
      ledger: () => this.focus('ledger'),
    };
    actions[shortcut]();
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
    const file = event.dataTransfer?.files[0];
    if (file) void this.opener.openFile(file);
  }

  private write(place: 'derived' | 'measure' | 'helper'): void {
    if (this.store.figure) this.writing[place](this.store.figure, null);
  }

  private focus(place: 'brief' | 'stage' | 'ledger'): void {
    if (place === 'ledger') this.ledger()?.focusCells();
    else document.querySelector<HTMLElement>({ brief: 'cb-brief .token', stage: 'cb-stage canvas' }[place])?.focus();
  }
}
