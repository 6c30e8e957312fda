import { mkdtemp, readdir, readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { firstFigure } from 'core/brief';
import { plainTable, PROJECT_VERSION, type Project } from 'core/document';
import { readProjectFile, writeProjectFile } from 'core/io';
import { tableOf } from 'core/table';
import { main } from './main';

const table = tableOf({ hut: ['Alm', 'Berg', 'Cloud'], milk: [10, 30, 20] }, 'deliveries');
const figure = firstFigure('f', { id: 'd', name: 'deliveries', rowCount: 3, units: {}, columns: table.columns });
const stale = { ...figure, id: 's', name: 'Stale', words: { ...figure.words, title: 'Berg brought 31 in the end' } };
const project: Project = {
  version: PROJECT_VERSION,
  id: 'p',
  name: 'season',
  tables: [plainTable('d', 'deliveries')],
  figures: [figure, stale],
  formats: [],
  pictures: [],
  liveries: [],
  looks: [],
  pages: [
    {
      id: 'r',
      name: 'Report',
      columns: 1,
      blocks: [
        { kind: 'figure', figure: 'f', wide: true },
        { kind: 'text', text: 'In all {sum(milk)}.', of: null },
      ],
    },
  ],
};

describe('figures and reports without a screen', () => {
  let [folder, path, july] = ['', '', ''];
  const run = async (...args: readonly string[]): Promise<{ code: number; out: string; err: string }> => {
    let [out, err] = ['', ''];
    const code = await main(args, { out: text => (out += text), err: text => (err += text) });
    return { code, out, err };
  };
  const file = (name: string): Promise<string> => readFile(join(folder, name), 'utf8');

  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'cowbell-'));
    [path, july] = [join(folder, 'season.json'), join(folder, 'july.csv')];
    await writeFile(path, writeProjectFile({ project, tables: { d: table } }));
    await writeFile(july, 'hut,milk\nAlm,50\nBerg,30\nCloud,20\n');
  });

  it('prints a text, and writes what is more than one file into a folder', async () => {
    expect((await run('render', path)).out).toMatch(/^<svg .*\n<title id="figure-title">Milk by hut<\/title>/);
    expect((await run('render', path, '--format', 'csv')).out).toBe(
      'hut,milk,highest,lowest,rest\r\nBerg,30,30,,\r\nCloud,20,,,20\r\nAlm,10,,10,\r\n',
    );
    const { code } = await run('render', path, '--figure', '*', '--format', 'svg', '--format', 'sql', '-o', join(folder, 'out/'));
    expect(code).toBe(0);
    expect((await readdir(join(folder, 'out'))).sort()).toEqual(['milk-by-hut.sql', 'milk-by-hut.svg', 'stale.sql', 'stale.svg']);
  });

  it('draws rows of another file in a theme, at a scale, by the ending of the output', async () => {
    const png = join(folder, 'july.png');
    expect(
      (await run('render', path, '--data', `deliveries=${july}`, '--theme', 'dark', '--size', '400x300', '--scale', '2', '-o', png)).code,
    ).toBe(0);
    const bytes = await readFile(png);
    expect([bytes.readUInt32BE(16), bytes.readUInt32BE(20)]).toEqual([800, 600]);
    const { out } = await run('render', path, '--data', `deliveries=${july}`, '--theme', 'Ink on paper');
    expect(out).toContain('>50</text>');
  });

  it('makes the whole report again, and says what changed', async () => {
    const out = join(folder, 'report/');
    const { code, out: told } = await run('run', path, '--data', `deliveries=${july}`, '--format', 'json', '--json', '-o', out);
    expect(code).toBe(0);
    const steps = told
      .trim()
      .split('\n')
      .map(line => JSON.parse(line) as Record<string, unknown>);
    expect(steps.map(step => step['figure'] ?? step['page'] ?? step['done'])).toEqual(['Milk by hut', 'Stale', 'Report', true]);
    expect(await file('report/what-changed.txt')).toMatch(/Milk by hut: .*Alm/);
    expect(JSON.parse(await file('report/milk-by-hut.json'))).toContain(jasmine.objectContaining({ hut: 'Alm', milk: 50, highest: 50 }));
    expect(await file('report/report.html')).toContain('In all 100.');
    expect(await file('report/checks.txt')).toContain('wrong: Stale: The title says 31');
    expect((await run('run', path, '--severity', 'wrong', '--format', 'csv', '-o', out)).code).toBe(3);
    // Numbers are no format of a page.
    expect(await readdir(out)).not.toContain('report');
  });

  it('makes a page’s pictures in a folder of their own, with its words', async () => {
    const out = join(folder, 'pictures/');
    const { code, out: told } = await run('run', path, '--format', 'png', '--format', 'svg', '--scale', '2', '--json', '-o', out);
    expect(code).toBe(0);
    expect((await readdir(join(out, 'report'))).sort()).toEqual(['01-milk-by-hut.png', '01-milk-by-hut.svg', 'report.txt']);
    expect(told).toContain('"files":["report.html","report/01-milk-by-hut.png","report/01-milk-by-hut.svg","report/report.txt"]');
    expect(await file('pictures/report/report.txt')).toBe('[Milk by hut]\n\nIn all 60.\n');
    const png = await readFile(join(out, 'report', '01-milk-by-hut.png'));
    expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([2_200, 1_238]);
    expect(await file('pictures/report/01-milk-by-hut.svg')).toMatch(/^<svg .*\n<title id="figure-title">Milk by hut<\/title>/);
  });

  it('tells findings and checks; a check that stands ends with code 3', async () => {
    expect((await run('findings', path, '--figure', 'Milk by hut')).out).toBe(
      'Milk by hut\n  1. Highest: Berg, 30.\n  1. Lowest: Alm, 10.\n',
    );
    const [line] = (await run('findings', path, '--json')).out.split('\n');
    expect(JSON.parse(line ?? '')).toEqual(jasmine.objectContaining({ figure: 'Milk by hut' }));
    const found = await run('checks', path);
    expect([found.code, found.out]).toEqual([3, jasmine.stringMatching(/^wrong: Stale: The title says 31/)]);
    expect((await run('checks', path, '--figure', 'Milk by hut')).code).toBe(0);
  });

  it('gives the schema that docs has, by which the project is one', async () => {
    const { out } = await run('schema');
    expect(out).toBe(await readFile(join(process.cwd(), 'docs', 'project.schema.json'), 'utf8'));
    expect(readProjectFile(await readFile(path, 'utf8')).ok).toBeTrue();
  });

  for (const shell of ['bash', 'zsh', 'fish'])
    it(`completes in ${shell}`, async () => {
      const { code, out } = await run('completion', shell);
      expect([code, out.includes('render'), out.includes('severity')]).toEqual([0, true, true]);
    });

  const wrong: readonly [args: readonly string[], code: number, says: RegExp][] = [
    [['render', 'P', '--format', 'gif'], 2, /no format gif/],
    [['render', 'P', '--figure', 'Nobody'], 1, /No figure is called Nobody/],
    [['render', 'P', '--theme', 'neon'], 1, /no theme neon/],
    [['render', 'P', '--scale', '99'], 2, /--scale 99 is no scale/],
    [['render', 'P', '--format', 'png'], 2, /-o FILE/],
    [['run', 'P'], 2, /-o FOLDER/],
    [['checks', 'P', '--severity', 'dire'], 2, /no severity dire/],
    [['completion', 'cmd'], 2, /Choose a shell/],
    [['render', 'P', '--data', 'nobody=x.csv'], 1, /No table is called nobody/],
  ];
  for (const [args, code, says] of wrong)
    it(`${args.join(' ')} ends with ${code}`, async () => {
      const told = await run(...args.map(arg => (arg === 'P' ? path : arg)));
      expect([told.code, told.err]).toEqual([code, jasmine.stringMatching(says)]);
    });
});
