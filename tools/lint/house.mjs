import { execFileSync } from 'node:child_process';
import { circlesAmong, fromRoot, importsOf, resolved } from './imports.mjs';
import { rooms as houseRooms } from './rooms.mjs';

/** The innermost room that a file stands in, or null. */
export function roomOf(file, rooms = houseRooms) {
  const found = Object.keys(rooms).filter(room => file.startsWith(`${room}/`));
  return found.sort((a, b) => b.length - a.length)[0] ?? null;
}

/**
 * What is wrong with the imports of a file, each as the words of one: an arrow that the house has not, or a way past another room's entry. A test may
 * take what it needs from any room of the core; a room within another sees the files around it.
 */
export function wrongArrows(file, text, rooms = houseRooms) {
  const own = roomOf(file, rooms);
  if (!own) return [];
  return importsOf(text).flatMap(specifier => {
    const target = resolved(file, specifier);
    const room = target && roomOf(target, rooms);
    if (!room || room === own || isWithin(room, own)) return [];
    const may = rooms[own].includes(room) || (isTest(file) && room.startsWith('core/'));
    if (!may) return [{ specifier, words: `${own} must not know ${room} (docs/ARCHITECTURE.md).` }];
    const past = target !== `${room}/index.ts` && !/\.worker\.ts$/.test(target) && room !== 'demo' && !own.startsWith(`${room}/`);
    return past ? [{ specifier, words: `Import ${room} by its entry; what it offers stands there.` }] : [];
  });
}

const isTest = file => file.endsWith('.spec.ts');

/** Parts of one place of the screen. */
const isWithin = (a, b) =>
  a.split('/')[0] === 'app' && b.split('/')[0] === 'app' && b !== 'app/ui' && !(b === 'app/services' && a !== 'app/ui');

const EXPORT = /^export (?:abstract )?(?:async )?(?:function\*?|const|class|interface|type|enum) (\w+)/;

/** Exports of a room's file that nothing is said of: neither a docstring nor a reason stands above them. */
export function undocumented(file, text) {
  if (!roomOf(file) || isTest(file) || file.endsWith('/index.ts')) return [];
  const lines = text.split('\n');
  return lines.flatMap((line, at) => {
    const [, name] = EXPORT.exec(line) ?? [];
    return name && !/(\*\/|^\/\/.*)$/.test(lines[aboveDecorators(lines, at)] ?? '') ? [name] : [];
  });
}

/** The line above an export and the decorators that belong to it. */
function aboveDecorators(lines, at) {
  let above = at - 1;
  if (lines[above] === '})') while (above > 0 && !lines[above].startsWith('@')) above--;
  return lines[above]?.startsWith('@') ? above - 1 : above;
}

let circles = null;

/** The circle that a file is part of, or none. All files are read once for a run. */
function circleOf(file) {
  if (!circles) {
    const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard', '*.ts'], { encoding: 'utf8' }).split('\n').filter(Boolean);
    circles = circlesAmong(files);
  }
  return circles.find(circle => circle.includes(file));
}

const rule = (description, check) => ({
  meta: { type: 'problem', docs: { description }, schema: [] },
  create: context => ({
    Program(node) {
      for (const words of check(fromRoot(context.filename), context.sourceCode.text)) context.report({ node, message: words });
    },
  }),
});

export default {
  rules: {
    arrows: rule('Imports point one way only', (file, text) =>
      wrongArrows(file, text).map(({ specifier, words }) => `${specifier}: ${words}`),
    ),
    documented: rule('Every export says what it is', (file, text) =>
      undocumented(file, text).map(name => `Say what ${name} is: shape, units, missing values, cost, source, where they apply.`),
    ),
    'no-circle': rule('No file imports itself by way of others', file => {
      const circle = circleOf(file);
      return circle ? [`This file is part of a circle of imports: ${circle.join(', ')}.`] : [];
    }),
  },
};
