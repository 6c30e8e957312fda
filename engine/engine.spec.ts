import { firstFigure } from 'core/brief';
import { plainTable, PROJECT_VERSION, readProject, type Figure, type Project } from 'core/document';
import type { Edit } from 'core/document/edits';
import type { Livery } from 'core/plan';
import { messageFor } from 'core/result/words';
import { tableOf } from 'core/table';
import { writeProjectFile } from 'core/io';
import { Engine, MemoryStorage, type News, type PictureAnswer, type Tabs } from './index';

const table = tableOf({ hut: ['Alm', 'Berg', 'Cirn'], milk: [10, 30, 20] }, 'deliveries');
const figure: Figure = firstFigure('f', { id: 'd', name: 'deliveries', rowCount: 3, units: {}, columns: table.columns });
const project: Project = {
  version: PROJECT_VERSION,
  id: 'p',
  name: 'one',
  tables: [plainTable('d', 'deliveries')],
  figures: [figure, { ...figure, id: 'g', name: 'second' }],
  formats: [],
  pictures: [],
  liveries: [],
  looks: [],
};
const livery: Livery = { ground: '', ink: '', soft: '', hair: '', base: '#5f7a70', series: [], quiet: '', colours: {}, font: '' };
const file = writeProjectFile({ project, tables: { d: table } });

/** Tabs of one storage that hear of each other at once. */
class Together {
  private readonly heard = new Set<() => void>();
  tab(): Tabs {
    let own: () => void = () => undefined;
    return {
      enter: () => Promise.resolve(this.heard.size === 0),
      tell: () => [...this.heard].filter(hear => hear !== own).forEach(hear => hear()),
      hear: (_, hear) => this.heard.add((own = hear)),
    };
  }
}

interface Opened {
  readonly engine: Engine;
  readonly news: News[];
  readonly before: { call: (figure: string) => void };
}

async function opened(storage = new MemoryStorage(), tabs = new Together().tab(), stretch?: number): Promise<Opened> {
  const [news, before] = [[] as News[], { call: (_: string): void => undefined }];
  const engine = new Engine({ storage, tabs, before: id => before.call(id), stretch });
  engine.listen(item => news.push(item));
  if (!(await engine.openStored('p'))) await engine.openFile(file);
  return { engine, news, before };
}

let count = 0;
const edit = ({ engine }: Opened, change: Edit): string => {
  const id = `m${count++}`;
  engine.propose('p', { id, move: { kind: 'edit', edit: change } });
  return id;
};
const titled = (title: string): Edit => ({ kind: 'change-figure', figure: 'f', change: { words: { title, subtitle: '' } } });
const settled = (): Promise<void> => new Promise(resolve => setTimeout(resolve, 5));
const newsIn = (answer: PictureAnswer) => {
  if (answer.kind !== 'picture') throw new Error(JSON.stringify(answer));
  return answer.news;
};

describe('the engine', () => {
  it('sends of a picture only what is new since the one that the page has', async () => {
    const session = await opened();
    const ask = (have: number | null) => session.engine.picture({ figure: 'f', livery, have }).then(newsIn);
    const first = await ask(null);
    expect(first.frame?.table.rowCount).toBe(3);
    const changes: readonly [change: Edit, frame: boolean, applied: boolean][] = [
      [titled('Another'), false, false],
      [{ kind: 'change-figure', figure: 'f', change: { cues: figure.cues.map(cue => ({ ...cue, quiet: !cue.quiet })) } }, false, true],
      [
        {
          kind: 'change-figure',
          figure: 'f',
          change: { data: { ...figure.data, filters: [{ kind: 'formula', column: 'milk', formula: 'milk > 10' }] } },
        },
        true,
        true,
      ],
      [{ kind: 'edit-cells', table: 'd', cells: [{ row: 0, column: 'milk', value: 99 }] }, true, true],
      [{ kind: 'rename-project', name: 'two' }, false, false],
    ];
    let have = first.number;
    for (const [change, frame, applied] of changes) {
      edit(session, change);
      const news = await ask(have);
      expect([JSON.stringify(change).slice(0, 60), 'frame' in news, 'applied' in news]).toEqual([
        JSON.stringify(change).slice(0, 60),
        frame,
        applied,
      ]);
      have = news.number;
    }
    expect(['frame' in (await ask(null)), 'frame' in (await ask(7777))]).toEqual([true, true]);
  });

  it('an edit that is the same again changes no identity', async () => {
    const session = await opened();
    const first = newsIn(await session.engine.picture({ figure: 'f', livery, have: null }));
    edit(session, {
      kind: 'change-figure',
      figure: 'f',
      change: JSON.parse(JSON.stringify({ data: figure.data, cues: figure.cues })) as Partial<Figure>,
    });
    const second = newsIn(await session.engine.picture({ figure: 'f', livery, have: first.number }));
    expect([second.frame, second.applied]).toEqual([undefined, undefined]);
  });

  it('what it throws is an answer, and other figures and the next question are answered', async () => {
    const session = await opened();
    session.before.call = id => {
      if (id === 'f') throw new Error('broken');
    };
    const answer = await session.engine.picture({ figure: 'f', livery, have: null });
    expect(answer.kind === 'problems' && answer.problems.map(messageFor).join()).toMatch(/fault of Cowbell’s own \(broken\)/);
    expect((await session.engine.picture({ figure: 'g', livery, have: null })).kind).toBe('picture');
    session.before.call = () => undefined;
    expect((await session.engine.picture({ figure: 'f', livery, have: null })).kind).toBe('picture');
  });

  it('a picture that is no longer wanted ends at its next stage, once messages are heard', async () => {
    const { engine } = await opened(undefined, undefined, 0);
    const answer = engine.picture({ figure: 'f', livery, have: null });
    await Promise.resolve();
    engine.giveUp();
    expect((await answer).kind).toBe('given-up');
    expect((await engine.picture({ figure: 'f', livery, have: null })).kind).toBe('picture');
  });

  it('names the moves that are written, in their order', async () => {
    const session = await opened();
    await settled();
    const ids = ['a', 'b', 'c'].map(title => edit(session, titled(title)));
    await settled();
    const told = session.news.flatMap(item => (item.kind === 'entries' ? item.entries.map(({ id }) => id) : []));
    expect(told).toEqual(ids);
  });

  it('tells of sources once, not with every move', async () => {
    const session = await opened();
    for (const title of ['a', 'b']) {
      edit(session, titled(title));
      await settled();
    }
    const sources = session.news.flatMap(item => (item.kind === 'entries' ? [Object.keys(item.sources)] : []));
    expect(sources).toEqual([['d'], []]);
  });

  it('refuses a move that would make a document that cannot be read', async () => {
    const session = await opened();
    const odd = { ...figure.shape, mark: 'nonsense' } as never;
    const id = edit(session, { kind: 'change-figure', figure: 'f', change: { shape: odd } });
    const refused = session.news.find(item => item.kind === 'refused');
    expect(refused?.kind === 'refused' && [refused.id, refused.problems.map(messageFor).join()]).toEqual([
      id,
      jasmine.stringContaining('mark'),
    ]);
  });

  it('opens again as it was left, with every move that was written', async () => {
    const storage = new MemoryStorage();
    const session = await opened(storage);
    for (const title of ['a', 'b', 'c']) edit(session, titled(title));
    session.engine.propose('p', { id: 'u', move: { kind: 'undo' } });
    await settled();
    const again = await new Engine({ storage, tabs: new Together().tab() }).openStored('p');
    expect(again?.project.figures[0]?.words.title).toBe('b');
    expect(again?.sources['d']?.rowCount).toBe(3);
    expect(readProject((await storage.read('p'))?.document).ok).toBe(true);
    expect((await storage.read('p'))?.entries).toEqual([]);
  });

  it('takes what a page left behind, once', async () => {
    const storage = new MemoryStorage();
    const session = await opened(storage);
    const id = edit(session, titled('written'));
    await session.engine.saveSession({ project: 'p', figures: {} });
    await settled();
    const move = (title: string) => ({ kind: 'edit' as const, edit: titled(title) });
    const left = [
      { id, move: move('written') },
      { id: 'left', move: move('left behind') },
      { id: 'odd', move: { kind: 'nonsense' } as never },
    ];
    const again = await new Engine({ storage, tabs: new Together().tab() }).resume([{ project: 'p', moves: left }]);
    expect(again?.project.figures[0]?.words.title).toBe('left behind');
  });

  it('two tabs end alike', async () => {
    const [storage, tabs] = [new MemoryStorage(), new Together()];
    const [first, second] = [await opened(storage, tabs.tab()), await (await settled(), opened(storage, tabs.tab()))];
    for (let i = 0; i < 10; i++) edit(i % 2 ? first : second, i % 3 ? titled(`t${i}`) : { kind: 'rename-project', name: `n${i}` });
    await settled();
    const files = await Promise.all([first, second].map(({ engine }) => engine.projectFile()));
    expect(files[0]).toBe(files[1] as string);
    const told = [first, second].map(({ news }) =>
      news.flatMap(item => (item.kind === 'entries' ? item.entries.map(({ key }) => key) : [])),
    );
    expect(told[0]).toEqual(told[1]);
    expect(told[0]?.length).toBe(10);
  });

  it('says once that storage fails, keeps what is done, and writes it when it can', async () => {
    const storage = new MemoryStorage();
    const session = await opened(storage);
    await settled();
    const append = spyOn(storage, 'append').and.rejectWith(new Error('full'));
    edit(session, titled('a'));
    await settled();
    expect(session.news.filter(item => item.kind === 'storage')).toEqual([{ kind: 'storage', fails: true }]);
    append.and.callThrough();
    edit(session, titled('b'));
    await new Promise(resolve => setTimeout(resolve, 1_100));
    expect(session.news.at(-1)).toEqual({ kind: 'storage', fails: false });
    expect((await storage.read('p'))?.entries.length).toBe(2);
  });
});
