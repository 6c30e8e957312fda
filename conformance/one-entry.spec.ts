import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checks } from 'core/check';
import { cueFactsOf, cueKinds, findCues, kindOf } from 'core/cue';
import { acceptedFiles } from 'core/io';
import { AXIS_SCALES, makeScale, positionOf, SCALE_NAMES, valueAt } from 'core/scale';
import { FIGURE_FORMS, figureForms, OFFERED_SHAPES, shapes } from 'core/shape';

const ROOMS = ['app', 'core', 'plot', 'engine', 'handover', 'server', 'cli'];

/** Sources of the product, tests and grammars apart. */
const sources = ROOMS.flatMap(room =>
  readdirSync(room, { withFileTypes: true, recursive: true })
    .filter(entry => entry.isFile() && entry.name.endsWith('.ts') && !/\.(spec|d)\.ts$/.test(entry.name))
    .map(entry => join(entry.parentPath, entry.name)),
);

/** Files that compare a field with the name of an entry, where they should ask the entry for a fact. */
function comparing(field: string, names: readonly string[], home: RegExp): string[] {
  const compares = new RegExp(
    `\\b${field} *(===|!==) *'(${names.join('|')})'|\\['(${names.join("'|'")})'[^\\]]*\\]\\.includes\\(\\w*\\.?${field}\\)`,
  );
  return sources.filter(file => !home.test(file) && compares.test(readFileSync(file, 'utf8')));
}

describe('one entry for one thing', () => {
  const asked: readonly [name: string, field: string, names: readonly string[], home: RegExp][] = [
    ['a shape', 'shape', Object.keys(shapes), /^core\/shape\//],
    ['a form of figures', 'mark', FIGURE_FORMS, /^core\/shape\//],
    ['a scale of an axis', 'scale', SCALE_NAMES, /^core\/scale\//],
    // Old documents name the kinds that they had.
    ['a kind of cue', 'cue\\.kind', Object.keys(cueKinds).filter(kind => kind !== 'rule'), /^core\/(cue\/kinds|document\/from-version)/],
  ];
  for (const [name, field, names, home] of asked)
    it(`no file asks whether ${name} has a certain name`, () => expect(comparing(field, names, home)).toEqual([]));

  it('finds a file that does', () => {
    expect(comparing('kind', ['rule'], /^$/)).toContain(join('core', 'cue', 'kinds', 'as-rule.ts'));
  });

  for (const name of SCALE_NAMES)
    it(`the ${name} scale is made by its entry, and places what it is defined at`, () => {
      const { isDefinedAt, words, axisWords } = AXIS_SCALES[name];
      const scale = makeScale(name, Float64Array.of(1, 10, 100), { low: null, high: null });
      expect(words && axisWords).toBeTruthy();
      for (const value of [1, 10, 100]) {
        expect(isDefinedAt(value)).toBeTrue();
        expect(valueAt(scale, positionOf(scale, value))).toBeCloseTo(value, 6);
      }
    });

  it('every shape is offered as a form of figures, or is drawn by cues alone', () => {
    const formed = new Set(Object.values(figureForms).map(({ shape }) => shape));
    expect([...formed]).toEqual(OFFERED_SHAPES);
  });

  for (const kind of Object.keys(cueKinds) as (keyof typeof cueKinds)[])
    it(`the words that tune ${kind} set tokens that its sentence has`, () => {
      const facts = cueFactsOf({ measures: ['milk'] });
      const definition = kindOf({ kind });
      const cue = findCues('', facts).find(offer => offer.kind === kind)?.cue;
      if (!cue) throw new Error(`no offer of ${kind}`);
      for (const { token, value = '7' } of definition.tuning) expect(() => definition.change(cue, token, value, facts)).not.toThrow();
    });
  it('checks and kinds of files come from their lists', () => {
    expect(Object.values(checks).every(({ severity, about }) => severity && about)).toBeTrue();
    expect(acceptedFiles()).toContain('.csv');
  });
});
