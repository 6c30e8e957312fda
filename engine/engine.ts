import { risksOf } from 'core/check';
import { readMove, readProject, sourceKey, type Figure, type Project } from 'core/document';
import { historyOf, moveHistory, type Entry, type Proposal } from 'core/document/edits';
import { readProjectFile, writeProjectFile, type ReadBundle } from 'core/io';
import { placeIn } from 'core/mend';
import { cuedPlaces, pictureOf, type Livery, type Plan } from 'core/plan';
import { failure, success, type Problem, type Result } from 'core/result';
import { findingTitles, writerOf } from 'core/words';
import { columnOf, makeTable, takeRows, type Table } from 'core/table';
import type { TableOutline } from 'core/intake';
import type {
  ChangedFigure,
  EngineApi,
  FigureFound,
  Leftover,
  News,
  OpenedProject,
  PictureAnswer,
  PictureAsk,
  LastSession,
  NextRows,
  Looked,
  Received,
  StoredProject,
  Trial,
  TrialAsk,
  ValueCount,
} from './api';
import { countValues } from './count-values';
import { Journal } from './journal';
import { PictureParts } from './picture-parts';
import { PictureWork } from './picture-work';
import { withSourceRows } from './source-rows';
import { infoOf, Session } from './session';
import type { Storage } from './storage';
import { delivered } from './delivery';
import type { Tabs } from './tabs';
import { changesSince, editsIn, findingsOf, outlineOfTable } from './next-source';
import { mendFindings, tableLook } from './table-look';
import type { MendFindings, TableAsk, TableLook } from './table-seen';
import { tryFormula } from './try-formula';

const NOTHING_SEEN: Looked = { risks: [], titles: [] };

/** The parts that an engine is built from: its storage, its tabs. */
export interface EngineParts {
  readonly storage: Storage;
  readonly tabs: Tabs;
  /** Called before anything is computed for a figure; a test throws from it. */
  readonly before?: (figure: string) => void;
  /** How long a picture is computed before messages are handled, in milliseconds; a few when unset. */
  readonly stretch?: number | undefined;
}

/**
 * The session behind the screen: the open project and its tables, edited by moves, each stage of a picture kept while nothing changes that it was made
 * from. What is done is written to a journal; what fails is a value, and the next question is answered.
 */
export class Engine implements EngineApi {
  private session: Session | null = null;
  private journal: Journal | null = null;
  private hear: (news: News) => void = () => undefined;
  private readonly arrived = new Map<string, Table>();
  private readonly work = new PictureWork();
  private readonly parts = new PictureParts();

  constructor(private readonly own: EngineParts) {}

  listen(hear: (news: News) => void): void {
    this.hear = hear;
  }

  async resume(leftovers: readonly Leftover[]): Promise<(OpenedProject & { readonly session: LastSession }) | null> {
    const { storage } = this.own;
    try {
      for (const { project, moves } of leftovers)
        if (await storage.read(project)) await storage.append(project, moves.filter(isReadable), Infinity);
      const session = await storage.session();
      const opened = session ? await this.openStored(session.project) : null;
      return session && opened ? { ...opened, session } : null;
    } catch {
      this.tellStorage(true);
      return null;
    }
  }

  async openStored(id: string): Promise<OpenedProject | null> {
    const { storage, tabs } = this.own;
    const stored = await storage.read(id);
    const read = stored && readProject(stored.document);
    if (!stored || !read?.ok) return null;
    const entries = stored.entries.flatMap(({ key, id: name, move }): Entry[] => {
      const readable = readMove(move);
      return readable.ok && typeof name === 'string' ? [{ key, id: name, move: readable.value }] : [];
    });
    const last = stored.entries.at(-1)?.key ?? 0;
    const now = entries.reduce((history, { move }) => moveHistory(history, move), historyOf(read.value)).project;
    const tables = new Map(await storage.sources(id, now.tables.map(sourceKey)));
    const alone = await tabs.enter(id);
    if (alone && entries.length) await storage.absorb(now, last);
    // Nothing can be undone back to what was replaced before.
    if (alone) await storage.keepSources(id, now.tables.map(sourceKey)).catch(() => undefined);
    this.take(new Session(alone ? now : read.value, tables), alone ? [] : entries, last);
    return this.opened(alone ? now : read.value, alone ? [] : entries);
  }

  async openFile(text: string): Promise<Result<OpenedProject>> {
    const read = readProjectFile(text);
    return read.ok ? success(await this.openBundle(read.value)) : read;
  }

  async start(project: Project): Promise<OpenedProject> {
    const keys = project.tables.map(sourceKey);
    const tables = new Map(keys.flatMap(key => (this.arrived.has(key) ? [[key, this.arrived.get(key) as Table]] : [])));
    this.arrived.clear();
    return this.create(project, tables);
  }

  async receive(id: string, port: MessagePort, onProgress?: (share: number) => void): Promise<Received> {
    const delivery = await delivered(port);
    if (delivery.kind === 'project') return { kind: 'project', opened: await this.openBundle(delivery.bundle) };
    this.arrived.set(id, delivery.table);
    return { kind: 'table', info: infoOf(delivery.table, onProgress) };
  }

  propose(project: string, proposal: Proposal): void {
    const { session, journal } = this;
    const read = readMove(proposal.move);
    if (!read.ok) return this.hear({ kind: 'refused', project, id: proposal.id, problems: read.problems });
    // Another project was opened a moment ago: the one that was left keeps what was done to it.
    if (!session || !journal || session.project.id !== project)
      return void this.own.storage.append(project, [proposal], Infinity).catch(() => null);
    const checked = { id: proposal.id, move: read.value };
    session.propose(checked);
    this.keepArrived(session, journal);
    journal.add(checked);
  }

  async picture({ figure, livery, have }: PictureAsk): Promise<PictureAnswer> {
    const { session } = this;
    const shown = session?.figure(figure);
    if (!session || !shown) return { kind: 'given-up' };
    try {
      const asked = this.requestFor(session, shown, livery);
      const made = asked.ok ? await this.work.make(asked.value, session.stagesOf(figure), this.own.stretch) : asked;
      if (!made) return { kind: 'given-up' };
      return made.ok
        ? { kind: 'picture', news: this.parts.newsOf(figure, withSourceRows(made.value, session.originOf(shown.data.table)), have) }
        : { kind: 'problems', problems: made.problems };
    } catch (error) {
      return { kind: 'problems', problems: [faultOf(error)] };
    }
  }

  giveUp(): void {
    this.work.giveUp();
  }

  async look(id: string, livery: Livery): Promise<Looked> {
    const read = await this.guarded(session => {
      const figure = session.figure(id);
      const asked = figure ? this.requestFor(session, figure, livery) : failure({ code: 'figure-no-table', name: '' });
      const made = asked.ok ? pictureOf(asked.value, session.stagesOf(id)) : asked;
      const plan = made.ok ? made.value.plans.at(-1) : undefined;
      if (!figure || !asked.ok || !made.ok || !plan) return success(NOTHING_SEEN);
      const { writing } = asked.value;
      const { units, formats } = writing;
      const { frame, applied } = made.value;
      return success({
        risks: risksOf({ figure, plan, units, formats, derived: session.derivedOf(figure.data.table), frame, applied }),
        titles: findingTitles(cuedPlaces(figure, made.value), writerOf(figure, writing)),
      });
    });
    return read.ok ? read.value : NOTHING_SEEN;
  }

  preview(figure: Figure, livery: Livery): Promise<Result<Plan>> {
    return this.guarded(session => {
      const asked = this.requestFor(session, figure, livery);
      const made = asked.ok ? pictureOf(asked.value) : asked;
      const plan = made.ok ? made.value.plans.at(-1) : undefined;
      return plan ? success(plan) : (made as Result<never>);
    });
  }

  tryFormula(ask: TrialAsk): Promise<Result<Trial>> {
    return this.guarded(session => {
      this.own.before?.(ask.figure.id);
      const table = session.tableOf(ask.table, ask.without)?.table;
      return table ? tryFormula(ask, table) : failure({ code: 'figure-no-table', name: ask.table });
    });
  }

  async valueCounts(id: string, name: string): Promise<readonly ValueCount[]> {
    const read = await this.guarded(session => {
      const table = session.tableOf(id)?.table;
      const column = table && columnOf(table, name);
      return success(table && column ? countValues(column, table.rowCount) : []);
    });
    return read.ok ? read.value : [];
  }

  async rowsOf(id: string, rows: Int32Array): Promise<Table> {
    const read = await this.guarded(session => {
      const origin = session.originOf(id);
      const places = origin ? rows.map(row => placeIn(origin, row)) : rows;
      return success(takeRows(session.tableOf(id)?.table ?? makeTable(id, []), places));
    });
    return read.ok ? read.value : makeTable(id, []);
  }

  tableLook(ask: TableAsk): Promise<Result<TableLook>> {
    return this.guarded(session => tableLook(session, ask));
  }

  findMends(table: string): Promise<Result<MendFindings>> {
    return this.guarded(session => mendFindings(session, table));
  }

  outline(table: string): Promise<Result<TableOutline>> {
    return this.guarded(session => outlineOfTable(session, table));
  }

  editsIn(table: string, arrived: string): Promise<Result<NextRows>> {
    const next = this.arrived.get(arrived);
    return this.guarded(session => (next ? editsIn(session, table, next) : failure({ code: 'figure-no-table', name: arrived })));
  }

  forget(arrived: string): void {
    this.arrived.delete(arrived);
  }

  async findings(table: string, livery: Livery): Promise<readonly FigureFound[]> {
    const read = await this.guarded(session => success(findingsOf(session, table, livery)));
    return read.ok ? read.value : [];
  }

  async changesSince(before: readonly FigureFound[], livery: Livery): Promise<readonly ChangedFigure[]> {
    const read = await this.guarded(session => success(changesSince(session, before, livery)));
    return read.ok ? read.value : [];
  }

  async saveSession(session: LastSession): Promise<void> {
    await this.own.storage.saveSession(session).catch(() => this.tellStorage(true));
  }

  storedProjects(): Promise<readonly StoredProject[]> {
    return this.own.storage.projects().catch(() => []);
  }

  removeStored(id: string): Promise<void> {
    return this.own.storage.remove(id);
  }

  /** Does something with the open project that the engine itself knows nothing of; what it throws comes back as a problem. */
  async withSession<T>(work: (session: Session) => Promise<Result<T>>): Promise<Result<T>> {
    const { session } = this;
    if (!session) return failure({ code: 'engine-fault', words: 'no project is open' });
    try {
      return await work(session);
    } catch (error) {
      return failure(faultOf(error));
    }
  }

  projectFile(): Promise<string> {
    const { session } = this;
    return Promise.resolve(
      session ? writeProjectFile({ project: session.project, tables: Object.fromEntries(session.sourceTables()) }) : '',
    );
  }

  private async openBundle({ project, tables, notes }: ReadBundle): Promise<OpenedProject> {
    return { ...(await this.create(await this.besideStored(project), new Map(Object.entries(tables)))), notes };
  }

  private requestFor(session: Session, figure: Figure, livery: Livery) {
    this.own.before?.(figure.id);
    return session.requestFor(figure, livery);
  }

  /** A result, or what went wrong in the engine as one: nothing that is asked ends the session. */
  private guarded<T>(work: (session: Session) => Result<T>): Promise<Result<T>> {
    return this.withSession(session => Promise.resolve(work(session)));
  }

  private async create(project: Project, tables: Map<string, Table>): Promise<OpenedProject> {
    const { storage, tabs } = this.own;
    await tabs.enter(project.id);
    this.take(new Session(project, tables), [], 0);
    this.journal?.before(() => storage.create(project, tables));
    return this.opened(project, []);
  }

  private take(session: Session, entries: readonly Entry[], last: number): void {
    void this.journal?.close();
    const { id } = session.project;
    session.confirm(entries);
    this.session = session;
    const journal = new Journal(this.own.storage, id, last, {
      written: (written, own) => void this.told(session, written, own),
      fails: fails => this.tellStorage(fails),
    });
    this.journal = journal;
    this.own.tabs.hear(id, () => journal.read());
  }

  /** Applies new journal entries: other tabs hear of own moves, the page hears of all. */
  private async told(session: Session, entries: readonly Entry[], own: boolean): Promise<void> {
    if (entries.length === 0 || this.session !== session) return;
    const before = session.project;
    session.confirm(entries);
    const lacking = session.lacking();
    if (lacking.length && session.project !== before)
      for (const [id, table] of await this.own.storage.sources(session.project.id, lacking)) session.addTable(id, table);
    const unused = session.forgetUnused();
    if (unused.length) await this.own.storage.dropSources(session.project.id, unused).catch(() => undefined);
    this.hear({ kind: 'entries', project: session.project.id, entries, sources: session.newSources() });
    if (own) this.own.tabs.tell(session.project.id);
  }

  /** A table that a move brings into the project is written before the move. */
  private keepArrived(session: Session, journal: Journal): void {
    for (const id of session.lacking()) {
      const table = this.arrived.get(id);
      if (!table) continue;
      this.arrived.delete(id);
      session.addTable(id, table);
      journal.before(() => this.own.storage.addSource(session.project.id, id, table));
    }
  }

  private failing = false;

  /** Said once, until it changes. */
  private tellStorage(fails: boolean): void {
    if (fails !== this.failing) this.hear({ kind: 'storage', fails });
    this.failing = fails;
  }

  /** A file never overwrites what is stored: a project that differs from the stored one of its id becomes one of its own. */
  private async besideStored(project: Project): Promise<Project> {
    const stored = await this.own.storage.read(project.id).catch(() => undefined);
    if (!stored) return project;
    const read = readProject(stored.document);
    const same = read.ok && stored.entries.length === 0 && JSON.stringify(read.value) === JSON.stringify(project);
    return same ? project : { ...project, id: crypto.randomUUID() };
  }

  private opened(project: Project, entries: readonly Entry[]): OpenedProject {
    return { project, entries, sources: this.session?.sources() ?? {} };
  }
}

const isReadable = ({ move }: Proposal): boolean => readMove(move).ok;

const faultOf = (error: unknown): Problem => ({ code: 'engine-fault', words: error instanceof Error ? error.message : String(error) });
