import { expect, type Page } from '@playwright/test';
import { test } from './support';
import { plainTable, PROJECT_VERSION, type Figure, type Project } from 'core/document';
import { readProjectFile } from 'core/io';
import { LIGHT_LIVERY } from 'core/plan';
import { Session } from 'engine';
import { handedOf } from 'handover';
import { sizeOfFigure } from 'handover/offers';
import { drawingsOf } from 'headless';
import { readFileSync } from 'node:fs';
import { seedsOf, slice, isLong } from '../conformance/generated';
import { grownFigure } from '../conformance/grown-figures';
import { differing, drawn, openWith } from './pictures';

declare const openProject: (text: string) => void;
declare const ofProject: (id: string) => Promise<string>;
declare const ofSeed: (seed: number) => Promise<string>;

interface Pictured {
  readonly name: string;
  /** The seed of a generated one; null for one of the demo. */
  readonly seed: number | null;
  readonly session: Session;
  readonly figure: Figure;
  readonly size: { readonly width: number; readonly height: number };
}

function demoFigures(): Pictured[] {
  const read = readProjectFile(readFileSync('demo/data/highmeadow.json', 'utf8'));
  if (!read.ok) throw new Error('the demo project cannot be read');
  const { project, tables } = read.value;
  const session = new Session(project, new Map(Object.entries(tables)));
  // A short run takes every third figure, by turns.
  return project.figures
    .filter((_, nth) => isLong || nth % 3 === slice % 3)
    .map(figure => ({ name: figure.name, seed: null, session, figure, size: sizeOfFigure(figure) }));
}

/** Figures whose texts the shipped fonts can write, from one seed after the other. */
function grownFigures(): Pictured[] {
  const found: Pictured[] = [];
  for (const seed of seedsOf(80).map(seed => 1_000 + seed)) {
    const { table, figure, size } = grownFigure(seed);
    if (!isOurs(JSON.stringify([figure.words, ...table.columns.map(column => (column.type === 'text' ? column.dictionary : []))])))
      continue;
    const project: Project = {
      version: PROJECT_VERSION,
      id: 'p',
      name: 'grown',
      tables: [plainTable('t', 't')],
      figures: [figure],
      formats: [],
      pictures: [],
      liveries: [],
      looks: [],
    };
    const session = new Session(project, new Map([['t', { ...table, name: 't' }]]));
    found.push({ name: `grown ${seed}`, seed, session, figure, size });
  }
  return found;
}

/** Letters that the shipped fonts have not got come from whatever the machine has, in a browser and without one: what they look like is not ours. */
const isOurs = (text: string): boolean => !/[\u0250-\u1dff\u2e80-\uffff]/u.test(text);

/** A page of the application that draws figures on canvases with the stage's own code and the page's own letters. */
async function stagePage(page: Page): Promise<void> {
  await openWith(page, 'canvas/canvas-page.ts');
  await page.evaluate(text => openProject(text), readFileSync('demo/data/highmeadow.json', 'utf8'));
}

/** A figure as the stage draws it. */
async function onCanvas(page: Page, { seed, figure }: Pictured): Promise<Buffer> {
  const text = await (seed === null ? page.evaluate(id => ofProject(id), figure.id) : page.evaluate(seed => ofSeed(seed), seed));
  return Buffer.from(text, 'base64');
}

test.use({ isFresh: true });

test('an SVG is the canvas of its figure, and the picture made without a screen, to within a hundredth of their pixels', async ({
  page,
  context,
}) => {
  test.setTimeout(400_000);
  await page.setViewportSize({ width: 2_000, height: 1_600 });
  const stage = await context.newPage();
  await stagePage(stage);
  const shares: number[] = [];
  const onStage: number[] = [];
  for (const of of [...demoFigures(), ...grownFigures()]) {
    const { name, session, figure, size } = of;
    const handed = handedOf(session, { ...figure, view: 'cued' }, LIGHT_LIVERY);
    if (!handed.ok) throw new Error(name);
    const drawings = await drawingsOf(handed.value, size, { transparent: false, embedFonts: true });
    const svg = await drawings.svg({ hover: false, embedFonts: null });
    expect(await drawings.svg({ hover: false, embedFonts: null }), name).toBe(svg);
    const png = Buffer.from(await drawings.png(1));
    expect(Buffer.from(await drawings.png(1)).equals(png), name).toBe(true);
    const inBrowser = await drawn(page, svg);
    shares.push(await differing(page, inBrowser, png));
    onStage.push(await differing(page, inBrowser, await onCanvas(stage, of)));
    expect(shares.at(-1), name).toBeLessThanOrEqual(0.01);
    expect(onStage.at(-1), `${name} on the stage`).toBeLessThanOrEqual(0.01);
  }
  const most = (list: readonly number[]): string => `${(Math.max(...list) * 100).toFixed(2)} %`;
  console.log(
    `${shares.length} figures: at most ${most(shares)} of pixels differ without a screen, ${most(onStage)} on the stage's canvas`,
  );
  expect(shares.length).toBeGreaterThanOrEqual(isLong ? 60 : 8);
});
