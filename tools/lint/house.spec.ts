import { circlesAmong, importsOf } from './imports.mjs';
import { roomOf, undocumented, wrongArrows } from './house.mjs';

describe('the arrows of the house', () => {
  const cases: readonly [name: string, file: string, text: string, words: RegExp | null][] = [
    ['down an arrow', 'core/cue/band.ts', "import { nameText } from 'core/formula';", null],
    ['within a room', 'core/cue/band.ts', "import { look } from './look';", null],
    ['against an arrow', 'core/formula/check.ts', "import { kindOf } from 'core/cue';", /core\/formula must not know core\/cue/],
    ['a type against an arrow', 'core/formula/check.ts', "import type { Cue } from 'core/cue';", /must not know core\/cue/],
    ['the type of an import', 'core/formula/check.ts', "type A = import('core/cue').Cue;", /must not know core\/cue/],
    ['by a relative path', 'core/table/take.ts', "import { frameOf } from '../frame';", /core\/table must not know core\/frame/],
    [
      'by a relative path to a file',
      'core/sentence/plural.ts',
      "import { x } from '../cue/looks/look';",
      /core\/sentence must not know core\/cue/,
    ],
    ['by an export', 'core/table/take.ts', "export { frameOf } from '../frame/frame-of';", /must not know core\/frame/],
    ['late', 'core/table/take.ts', "const late = () => import('core/frame');", /must not know core\/frame/],
    ['core to the engine', 'core/plan/picture.ts', "import { Session } from 'engine';", /core\/plan must not know engine/],
    [
      'the engine to the screen',
      'engine/engine.ts',
      "import { Keeper } from '../app/services/project/keeper';",
      /engine must not know app\/services/,
    ],
    ['drawing to the engine', 'plot/scene.ts', "import { Session } from 'engine';", /plot must not know engine/],
    ['the page’s first part to the schema', 'core/document/edits/edit.ts', "import { a } from '../../plan';", /must not know core\/plan/],
    ['past an entry', 'core/cue/band.ts', "import { x } from '../formula/check/check';", /by its entry/],
    [
      'a service to a screen',
      'app/services/project/keeper.ts',
      "import { Shell } from '../../shell/shell';",
      /app\/services must not know app/,
    ],
    [
      'a small component to a service',
      'app/ui/sheet.ts',
      "import { Keeper } from '../services/project/keeper';",
      /app\/ui must not know app\/services/,
    ],
    ['a screen to a service', 'app/stage/stage.ts', "import { Keeper } from '../services/project/keeper';", null],
    ['a package', 'core/table/take.ts', "import * as z from 'zod/mini';", null],
    ['outside all rooms', 'tools/screenshots.ts', "import { kindOf } from 'core/cue';", null],
  ];
  for (const [name, file, text, words] of cases)
    it(name, () => {
      const found = wrongArrows(file, text).map(item => item.words);
      if (words) expect(found.join()).toMatch(words);
      else expect(found).toEqual([]);
    });
  it('a room within a room is its own', () => expect(roomOf('core/document/edits/edit.ts')).toBe('core/document/edits'));
  it('a worker is an import', () => expect(importsOf("new Worker(new URL('./a.worker', import.meta.url))")).toEqual(['./a.worker']));
});

describe('circles of imports', () => {
  const circles = (graph: Readonly<Record<string, readonly string[]>>) => circlesAmong(Object.keys(graph), file => graph[file] ?? []);
  const cases: readonly [name: string, graph: Readonly<Record<string, readonly string[]>>, found: string[][]][] = [
    ['none in a line', { a: ['b'], b: ['c'], c: [] }, []],
    ['none in a diamond', { a: ['b', 'c'], b: ['d'], c: ['d'], d: [] }, []],
    ['two files', { a: ['b'], b: ['a'] }, [['a', 'b']]],
    ['three, and one outside', { a: ['b'], b: ['c'], c: ['a'], d: ['a'] }, [['a', 'b', 'c']]],
    [
      'two circles',
      { a: ['b'], b: ['a', 'c'], c: ['d'], d: ['c'] },
      [
        ['c', 'd'],
        ['a', 'b'],
      ],
    ],
  ];
  for (const [name, graph, found] of cases) it(name, () => expect(circles(graph)).toEqual(found));
});

describe('exports that nothing is said of', () => {
  const cases: readonly [name: string, file: string, text: string, names: string[]][] = [
    ['a docstring', 'core/cue/a.ts', '/** Twice. */\nexport const twice = 2;', []],
    ['none', 'core/cue/a.ts', "import b from 'b';\n\nexport const twice = 2;\nexport type Of<T> = T;", ['twice', 'Of']],
    ['a reason will do', 'core/cue/a.ts', '// As wide as a hand.\nexport const WIDE = 9;', []],
    ['above a decorator', 'app/stage/a.ts', "/** A part. */\n@Component({\n  selector: 'a',\n})\nexport class A {}", []],
    ['a decorator alone', 'app/stage/a.ts', '@Injectable()\nexport class A {}', ['A']],
    ['an entry', 'core/cue/index.ts', 'export const a = 1;', []],
    ['a test', 'core/cue/a.spec.ts', 'export const a = 1;', []],
  ];
  for (const [name, file, text, names] of cases) it(name, () => expect(undocumented(file, text)).toEqual(names));
});
