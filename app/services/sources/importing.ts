import { inject, Injectable } from '@angular/core';
import { PROJECT_VERSION, plainTable, type Figure, type Mend, type Project, type TableDoc } from 'core/document';
import { firstFigures, type TableFacts } from 'core/brief';
import type { SourceLook } from 'core/io';
import type { Problem, Result } from 'core/result';
import { PLAIN_INTAKE, type CellEdit, type Intake } from 'core/table';
import type { OpenedProject, SourceInfo } from 'engine';
import { filesName } from '../project/file-names';
import { chosenFiles, droppedFiles } from './folder-files';
import { EngineClient } from '../engine/engine-client';
import { FirstOffers } from '../figure/first-offers';
import { Notices } from '../telling/notices';
import { Incoming, SAMPLE_ID, type ChangedSource } from './incoming';
import { Keeper } from '../project/keeper';
import { LookedSource, type Replaced } from './looked-source';
import { ProblemWords } from '../telling/problem-words';
import { ProjectStore } from '../project/project-store';
import type { NamedFile } from '../project/named-file';
import type { Seen } from './reader.worker';
import { SourceReading } from './source-reading';
import { Theme } from '../telling/theme';

// In larger tables what looks wrong is looked for when they are looked at, so that the first figure does not wait.
const MOST_LOOKED = 3_000_000;

type Refuse = (problems: readonly Problem[]) => Promise<void>;

/** Takes files in: reads them, shows what they read as, and puts what was taken into the project. */
@Injectable({ providedIn: 'root' })
export class Importing {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly offers = inject(FirstOffers);
  private readonly incoming = inject(Incoming);
  private readonly keeper = inject(Keeper);
  private readonly words = inject(ProblemWords);
  private readonly theme = inject(Theme);

  async openDropped(files: readonly File[], entries: readonly (FileSystemEntry | null)[]): Promise<void> {
    await this.openFound(await droppedFiles(files, entries));
  }

  openChosen(files: readonly File[]): Promise<void> {
    return this.openFound(chosenFiles(files));
  }

  private async openFound(found: readonly NamedFile[]): Promise<void> {
    if (found.length) await this.open(found);
    else this.notices.fault('The folder holds no files. Choose another.');
  }

  /** Reads the next source of a table by the table's intake, to be looked at before it takes the place of the one it has. */
  async openNext(id: string, files: readonly NamedFile[]): Promise<void> {
    const [doc, before] = [this.store.tableDoc(id), await this.engine.api.outline(id)];
    if (doc && before.ok) await this.open(files, undefined, { doc, before: before.value });
    else if (!before.ok) await this.complain('Its next file was not opened.', before.problems);
  }

  /** Reads what a feed gave, to be looked at; it lands as a table that is tied to the feed. */
  openFeed(file: NamedFile, feed: NonNullable<TableDoc['feed']>, refuse: Refuse): Promise<void> {
    return this.open([file], refuse, null, feed);
  }

  async open(files: readonly NamedFile[], refuse?: Refuse, replaced: Replaced | null = null, feed: TableDoc['feed'] = null): Promise<void> {
    const name = filesName(files.map(file => file.name));
    this.leave();
    const reading = new SourceReading(this.engine.api, this.incoming.cancelled, share =>
      this.incoming.running.set(share === null ? null : { name, share }),
    );
    const result = await this.read(reading, files, name, replaced?.doc.intake ?? PLAIN_INTAKE);
    const parts = result?.ok && result.value.kind === 'tables' && !result.value.isStacked ? result.value.files.length : 1;
    if (replaced && parts > 1) {
      reading.end();
      return this.notices.fault('These files differ in their columns, so they cannot be the rows of one table. Choose one of them.');
    }
    if (result?.ok && result.value.kind === 'tables')
      return this.incoming.looked.set(new LookedSource(result.value, reading, this.words, replaced, feed));
    if (result?.ok && replaced) this.notices.fault(`${name} is a project, not a table. Open it by itself.`);
    else if (result?.ok) await this.openProject(reading);
    reading.end();
    if (result === null) return void this.notices.done(`Opening ${name} was cancelled. Nothing was changed.`);
    if (result && !result.ok) await (refuse ?? (problems => this.complain(`${name} was not opened.`, problems)))(result.problems);
  }

  /** Null where it was cancelled, undefined where the reading itself broke, which is told here. */
  private async read(
    reading: SourceReading,
    files: readonly NamedFile[],
    name: string,
    intake: Intake,
  ): Promise<Result<Seen> | null | undefined> {
    this.incoming.running.set({ name, share: 0 });
    try {
      return await reading.open(files, intake);
    } catch (error) {
      this.notices.fault(`${name} could not be read: ${String(error)}`);
      return undefined;
    }
  }

  private async openProject(reading: SourceReading): Promise<void> {
    const received = await reading.give('');
    if (received?.kind !== 'project') return;
    const { notes = [], project } = received.opened;
    this.put(received.opened);
    const details = await this.words.of(notes);
    this.notices.done(`Opened ${project.name}.${notes.length ? ' Some things were left out:' : ''}`, { details });
  }

  /** Discards the source under review. */
  leave(): void {
    this.incoming.looked()?.reading.end();
    this.incoming.looked.set(null);
  }

  /** Adds the source under review: as one table, or as one table per file when the files differ. */
  async take(looked: LookedSource, name: string): Promise<void> {
    const { seen, replaced } = looked;
    this.incoming.looked.set(null);
    if (replaced) return this.replace(looked, replaced);
    const count = seen.isStacked ? 1 : seen.files.length;
    for (let at = 0; at < count; at++) {
      const look = at === 0 ? looked.look() : await looked.reading.lookAtTable(at);
      await this.land(looked, {
        look,
        at,
        name: at === 0 ? name : look.name,
        files: seen.isStacked ? seen.files : seen.files.slice(at, at + 1),
      });
    }
    looked.reading.end();
  }

  /** The next source takes the place of a table's own; what cues find since is shown. */
  private async replace(looked: LookedSource, { doc }: Replaced): Promise<void> {
    const { seen, mended, mends } = looked;
    const files = doc.feed ? [doc.feed.address] : seen.isStacked ? seen.files : seen.files.slice(0, 1);
    const changed = await this.putRows(doc.id, looked.reading, {
      look: looked.look(),
      intake: looked.intake(),
      files,
      edits: mended(),
      mends: mends(),
    });
    looked.reading.end();
    if (changed && !changed.isSame) this.incoming.changed.set(changed);
    else if (changed) this.notices.done(`${changed.table} has these rows already. Nothing was changed.`);
  }

  /**
   * What was read takes the place of a table's rows, as one step of undo: edits go with their rows, figures and cues follow. Null where the table or
   * the reading is gone.
   *
   * @param key steps of one key in a row are one step of undo
   */
  async putRows(
    id: string,
    reading: SourceReading,
    next: NextPut,
    key?: string,
  ): Promise<(ChangedSource & { readonly isSame: boolean }) | null> {
    const { api } = this.engine;
    const livery = this.theme.livery();
    const before = await api.findings(id, livery);
    const arrived = crypto.randomUUID();
    const received = await reading.give(arrived, 0, this.store.tableDoc(id)?.name ?? '');
    const [rows, now] = [await api.editsIn(id, arrived), this.store.tableDoc(id)];
    if (received?.kind !== 'table' || !now || !rows.ok) return null;
    const { look, intake, files, edits, mends } = next;
    if (rows.value.isSame && edits.length + mends.length === 0) {
      void api.forget(arrived);
      return { table: now.name, figures: [], lost: 0, isSame: true };
    }
    this.store.addSource(id, received.info);
    const change = {
      source: { files: [...files], key: arrived, at: Date.now() },
      intake: storedIntake(intake, look),
      units: { ...look.units, ...now.units },
      readings: { ...look.readings },
      edits: [...rows.value.edits, ...edits],
      mends: [...now.mends, ...mends],
    };
    this.store.apply({ kind: 'change-table', table: id, change }, key);
    return { table: now.name, figures: await api.changesSince(before, livery), lost: rows.value.lost, isSame: false };
  }

  private async land(looked: LookedSource, { look, at, name, files }: Landing): Promise<void> {
    const id = crypto.randomUUID();
    const received = await looked.reading.give(id, at, name);
    if (received?.kind !== 'table') return;
    const { info } = received;
    const { units, readings, notes } = look;
    const first = firstFigures(crypto.randomUUID(), { ...wordsOf(id, info), units });
    const doc: TableDoc = {
      ...plainTable(id, name),
      units: { ...units },
      readings: { ...readings },
      source: { files: looked.feed ? [looked.feed.address] : [...files], key: null, at: Date.now() },
      feed: looked.feed,
      intake: storedIntake(looked.intake(), look),
      edits: at === 0 ? [...looked.mended()] : [],
    };
    if (this.store.snapshot?.history.project.id === SAMPLE_ID) await this.startProject(doc, first.figure);
    else this.addToProject(doc, info, first.figure);
    this.offers.offer(first);
    const rows = `${info.rowCount.toLocaleString('en')} rows and ${info.columns.length.toLocaleString('en')} columns`;
    const isLarge = info.rowCount * info.columns.length > MOST_LOOKED;
    const [details, found] = [await this.words.of(notes), isLarge ? null : await this.engine.api.findMends(id)];
    const wrong = found?.ok ? found.value.length : 0;
    const opened = `Opened ${looked.seen.isStacked ? name : (files[0] ?? name)}: ${rows}.`;
    const looks = wrong ? ` ${wrong === 1 ? 'One thing looks' : `${wrong} things look`} wrong in it.` : '';
    this.notices.done(`${opened}${looks}${notes.length ? ' Some things were mended:' : ''}`, {
      details,
      ...(wrong ? { act: { label: 'Look at them', run: () => this.incoming.tablesShown.set(true) } } : {}),
    });
  }

  /** The sample stays the sample: a first table of one's own starts a project of its own. */
  private async startProject(table: TableDoc, figure: Figure): Promise<void> {
    const project: Project = {
      version: PROJECT_VERSION,
      id: crypto.randomUUID(),
      name: table.name,
      tables: [table],
      figures: [figure],
      formats: [],
      pictures: [],
      liveries: [],
      looks: [],
    };
    const opened: OpenedProject = await this.engine.api.start(project);
    this.put(opened);
  }

  private put(opened: OpenedProject): void {
    this.store.open(opened, this.keeper.session.figures[opened.project.id]);
  }

  private async complain(text: string, problems: readonly Problem[]): Promise<void> {
    this.notices.fault(text, { details: await this.words.of(problems) });
  }

  private addToProject(table: TableDoc, info: SourceInfo, figure: Figure): void {
    this.store.addSource(table.id, info);
    this.store.apply({
      kind: 'all',
      edits: [
        { kind: 'add-table', table },
        { kind: 'add-figure', figure },
      ],
    });
  }
}

/** A source that replaces the rows of a table, with the edits and mends that come with it. */
export interface NextPut {
  readonly look: SourceLook;
  readonly intake: Intake;
  readonly files: readonly string[];
  readonly edits: readonly CellEdit[];
  readonly mends: readonly Mend[];
}

interface Landing {
  readonly look: SourceLook;
  readonly at: number;
  readonly name: string;
  readonly files: readonly string[];
}

/** The intake to store for a next file; it keeps the sheet that was read even when nobody chose it. */
const storedIntake = (intake: Intake, { part }: SourceLook): NonNullable<TableDoc['intake']> => ({
  ...intake,
  part: intake.part ?? part,
  range: intake.range && { ...intake.range },
  missing: [...intake.missing],
  columns: intake.columns.map(column => ({ ...column, missing: [...column.missing] })),
});

/** The facts about a new table that a first figure may use. */
export const wordsOf = (id: string, { name, rowCount, columns }: SourceInfo): TableFacts => ({ id, name, rowCount, units: {}, columns });
