import { mkdtemp, readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { firstFigure } from 'core/brief';
import { plainLabels, plainTable, PROJECT_VERSION, type Project } from 'core/document';
import { writeProjectFile } from 'core/io';
import { tableOf } from 'core/table';
import { main } from './main';
import { shippedWidths } from 'headless';

interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}
interface SceneFile extends Omit<Box, 'left' | 'top'> {
  readonly plot: Box;
  readonly texts: readonly (Box & {
    readonly role: string;
    readonly text: string;
    readonly angle: number;
    readonly colour: string;
    readonly on: string;
  })[];
  readonly marks: readonly (Box & {
    readonly shape: string;
    readonly category: string;
    readonly series: string;
    readonly measure: string;
    readonly cue: number | null;
    readonly colour: string;
  })[];
  readonly lines: readonly { readonly role: string; readonly points: readonly number[] }[];
  readonly dropped: readonly { readonly text: string; readonly why: string }[];
}

const table = tableOf({ hut: ['Alm', 'Berg', 'Cloud'], milk: [10, 30, 20] }, 'deliveries');
const figure = firstFigure('f', { id: 'd', name: 'deliveries', rowCount: 3, units: {}, columns: table.columns });
const long = {
  ...figure,
  id: 'l',
  name: 'Long',
  labels: { ...plainLabels, what: 'all' as const, says: 'text' as const, text: 'far too long for a figure as small as this one is {milk}' },
};
const project: Project = {
  version: PROJECT_VERSION,
  id: 'p',
  name: 'season',
  tables: [plainTable('d', 'deliveries')],
  figures: [figure, long],
  formats: [],
  pictures: [],
  liveries: [],
  looks: [],
};

describe('cowbell scene', () => {
  let path = '';
  const run = async (...args: readonly string[]): Promise<{ code: number; out: string; err: string }> => {
    let [out, err] = ['', ''];
    const code = await main(['scene', ...args], { out: text => (out += text), err: text => (err += text) });
    return { code, out, err };
  };
  const sceneOf = async (...args: readonly string[]): Promise<SceneFile> => JSON.parse((await run(path, ...args)).out) as SceneFile;

  beforeAll(async () => {
    path = join(await mkdtemp(join(tmpdir(), 'cowbell-')), 'season.json');
    await writeFile(path, writeProjectFile({ project, tables: { d: table } }));
  });

  it('gives every text with its role, inside the figure, readable on what it stands on', async () => {
    const scene = await sceneOf('--size', '600x400');
    expect([scene.width, scene.height]).toEqual([600, 400]);
    const texts = scene.texts.map(({ role, text }) => `${role}: ${text}`);
    for (const wanted of ['title: Milk by hut', 'category: Alm', 'axis first: 0', 'label: 30', 'label: 10', 'legend: highest'])
      expect(texts).toContain(wanted);
    for (const { left, top, width, height } of scene.texts) {
      expect([left >= 0, top >= 0, left + width <= 600, top + height <= 400]).toEqual([true, true, true, true]);
    }
  });
  it('gives every mark with what it stands for, and the number of the cue that marks it', async () => {
    const { marks, plot } = await sceneOf();
    expect(marks.map(({ category, shape, series, measure, cue }) => [category, shape, series, measure, cue])).toEqual([
      ['Berg', 'column', 'milk', 'milk', 1],
      ['Cloud', 'column', 'milk', 'milk', null],
      ['Alm', 'column', 'milk', 'milk', 1],
    ]);
    // Twice and three times as high as the lowest, all from the lower edge of the plot.
    const [most, middle, least] = marks.map(({ height }) => height) as [number, number, number];
    expect(most / least).toBeCloseTo(3, 1);
    expect(middle / least).toBeCloseTo(2, 1);
    for (const { top, height } of marks) expect(top + height).toBeCloseTo(plot.top + plot.height, 1);
  });
  it('tells what found no place', async () => {
    const { dropped } = await sceneOf('--figure', 'Long', '--size', '280x180');
    expect(dropped.length).toBeGreaterThan(0);
    expect(dropped[0]).toEqual(jasmine.objectContaining({ why: jasmine.stringMatching(/room|small/) }));
  });
  it('leaves cues out, and writes to a file', async () => {
    expect((await sceneOf('--plain')).marks.every(({ cue }) => cue === null)).toBeTrue();
    expect((await run(path, '-o', `${path}.scene`)).out).toBe('');
    expect((JSON.parse(await readFile(`${path}.scene`, 'utf8')) as SceneFile).width).toBe(900);
  });
  const faults: readonly [name: string, args: readonly string[], code: number, says: RegExp][] = [
    ['no project', [], 2, /Name one project file/],
    ['a size that is none', ['PROJECT', '--size', 'large'], 2, /--size large is no size\. Give width x height in pixels from 100 to 8,000/],
    ['a size too small', ['PROJECT', '--size', '10x10'], 2, /is no size/],
    ['a figure that is not there', ['PROJECT', '--figure', 'Third'], 1, /No figure is called Third/],
  ];
  for (const [name, args, code, says] of faults)
    it(`refuses ${name}`, async () => {
      const answer = await run(...args.map(arg => arg.replace('PROJECT', path)));
      expect([answer.code, answer.out]).toEqual([code, '']);
      expect(answer.err).toMatch(says);
    });
});

describe('widths in the shipped fonts', () => {
  it('are those of a browser', async () => {
    const width = await shippedWidths();
    // Read from Chromium's measureText on a page with the same files.
    expect(width('Kettlemoor 94,190 L', { size: 13, weight: 650 })).toBeCloseTo(119.44, 0);
    expect(width('', { size: 13, weight: 400 })).toBe(0);
    // What the family has not got is rather too wide.
    expect(width('高原', { size: 10, weight: 400 })).toBeGreaterThanOrEqual(20);
  });
});
