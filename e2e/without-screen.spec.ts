import { expect, test } from '@playwright/test';
import { plainTable, PROJECT_VERSION, type Figure, type Project } from 'core/document';
import { readProjectFile } from 'core/io';
import { LIGHT_LIVERY } from 'core/plan';
import { Session } from 'engine';
import { handedOf } from 'handover';
import { sizeOfFigure } from 'handover/offers';
import { drawingsOf } from 'headless';
import { readFileSync } from 'node:fs';
import { grownFigure } from '../conformance/grown-figures';
import { differing, drawn } from './pictures';

const GROWN = 40;

interface Pictured {
  readonly name: string;
  readonly session: Session;
  readonly figure: Figure;
  readonly size: { readonly width: number; readonly height: number };
}

function demoFigures(): Pictured[] {
  const read = readProjectFile(readFileSync('demo/data/highmeadow.json', 'utf8'));
  if (!read.ok) throw new Error('the demo project cannot be read');
  const { project, tables } = read.value;
  const session = new Session(project, new Map(Object.entries(tables)));
  return project.figures.map(figure => ({ name: figure.name, session, figure, size: sizeOfFigure(figure) }));
}

/** Figures whose texts the shipped fonts can write, from one seed after the other. */
function grownFigures(): Pictured[] {
  const found: Pictured[] = [];
  for (let seed = 1_000; found.length < GROWN; seed++) {
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
    found.push({ name: `grown ${seed}`, session, figure, size });
  }
  return found;
}

/** Letters that the shipped fonts have not got come from whatever the machine has, in a browser and without one: what they look like is not ours. */
const isOurs = (text: string): boolean => !/[\u0250-\u1dff\u2e80-\uffff]/u.test(text);

test('pictures made without a screen are those of a browser', async ({ page }) => {
  test.setTimeout(240_000);
  await page.setViewportSize({ width: 2_000, height: 1_600 });
  const shares: number[] = [];
  for (const { name, session, figure, size } of [...demoFigures(), ...grownFigures()]) {
    const handed = handedOf(session, { ...figure, view: 'cued' }, LIGHT_LIVERY);
    if (!handed.ok) throw new Error(name);
    const drawings = await drawingsOf(handed.value, size, { transparent: false, embedFonts: true });
    const svg = await drawings.svg({ hover: false, embedFonts: null });
    expect(await drawings.svg({ hover: false, embedFonts: null }), name).toBe(svg);
    const png = Buffer.from(await drawings.png(1));
    expect(Buffer.from(await drawings.png(1)).equals(png), name).toBe(true);
    const share = await differing(page, await drawn(page, svg), png);
    shares.push(share);
    expect(share, name).toBeLessThanOrEqual(0.01);
  }
  console.log(`${shares.length} figures, at most ${(Math.max(...shares) * 100).toFixed(2)} % of pixels differ`);
  expect(shares.length).toBeGreaterThanOrEqual(GROWN + 20);
});
