import { failure, success, type Place, type Result } from 'core/result';
import type { Expr, Span } from './ast';
import { parse as parseGrammar } from '../grammar.js';
import { remembered } from '../evaluate/remembered';

/** Most characters of a formula without the values of `in` lists, and with them. */
export const MAX_CHARACTERS = 10_000;
const MAX_WITH_LISTS = 1_000_000;
/** Most nested parts of a formula. */
export const MAX_NESTING = 200;
/** Most operators in a chain, such as the + of a long sum, so that no recursion over the tree overflows the stack. */
export const MAX_CHAIN = 1_000;

/** The syntax tree of a formula, or one problem with its place. Names are not resolved; results are cached. Cost: O(length). */
export const parseFormula = remembered(parseAnew, 500);

function parseAnew(text: string): Result<Expr> {
  if (text.length > MAX_CHARACTERS && (text.length > MAX_WITH_LISTS || text.length - charactersInLists(text) > MAX_CHARACTERS))
    return failure({ code: 'too-long', limit: MAX_CHARACTERS, at: placeOf(text, { start: MAX_CHARACTERS, end: text.length }), words: '' });
  const deep = tooDeepAt(text);
  if (deep !== undefined)
    return failure({ code: 'too-deep', limit: MAX_NESTING, at: placeOf(text, { start: deep, end: deep + 1 }), words: '' });
  try {
    const expr = parseGrammar(text) as Expr;
    const chain = deeperThan(expr, MAX_CHAIN);
    return chain ? failure({ code: 'too-deep', limit: MAX_CHAIN, at: placeOf(text, chain), words: '' }) : success(expr);
  } catch (error) {
    return failure(syntaxProblem(text, error as GrammarError));
  }
}

// Texts, quoted names, comments, words and numbers: what else there is are single characters.
const PIECES = /'(?:''|[^'])*'?|"(?:""|[^"])*"?|--[^\n]*|\/\*[\s\S]*?\*\/|[\p{L}\p{N}\p{M}_.]+|\S/gu;

/** Number of characters in plain values, commas and signs inside `in (…)`. */
function charactersInLists(text: string): number {
  let [sum, depth, before] = [0, 0, ''];
  for (const { 0: piece } of text.matchAll(PIECES)) {
    if (piece.startsWith('--') || piece.startsWith('/*')) continue;
    if (depth === 0) depth = piece === '(' && before === 'in' ? 1 : 0;
    else if (piece === '(') depth++;
    else if (piece === ')') depth--;
    else if (depth === 1 && /^(?:'|,|[+-]|[\d.]|null$)/i.test(piece)) sum += piece.length + 1;
    before = piece.toLowerCase();
  }
  return sum;
}

/** The first part nested deeper than a limit. It uses a stack of its own, since the tree may be too deep for recursion. */
function deeperThan(expr: Expr, most: number): Span | undefined {
  const open: [part: unknown, depth: number][] = [[expr, 0]];
  for (let item = open.pop(); item; item = open.pop()) {
    const [part, depth] = item;
    if (typeof part !== 'object' || part === null) continue;
    const level = 'kind' in part ? depth + 1 : depth;
    if (level > most) return part as Span;
    for (const value of Object.values(part)) if (typeof value === 'object' && value !== null) open.push([value, level]);
  }
  return undefined;
}

/** Offsets as line and column, counted from 1. */
export function placeOf(text: string, { start, end }: Span): Place {
  const before = text.slice(0, start).split('\n');
  return { start, end, line: before.length, column: (before.at(-1)?.length ?? 0) + 1 };
}

interface GrammarError {
  readonly expected?: readonly { readonly type: string; readonly description?: string; readonly text?: string }[];
  readonly location?: { readonly start: { readonly offset: number } };
}

function syntaxProblem(text: string, error: GrammarError) {
  const start = Math.min(error.location?.start.offset ?? 0, text.length);
  const words = /^([\p{L}\p{N}_]+|'[^']*|"[^"]*|\S)/u.exec(text.slice(start))?.[0] ?? '';
  return {
    code: 'syntax' as const,
    at: placeOf(text, { start, end: start + words.length }),
    words,
    expected: expectedWords(error.expected ?? []),
  };
}

// A list of forty keywords helps nobody: the named kinds and the punctuation say what is meant.
function expectedWords(expected: NonNullable<GrammarError['expected']>): string[] {
  const all = expected.map(
    item => item.description ?? (item.type === 'literal' ? `“${item.text ?? ''}”` : item.type === 'end' ? 'the end' : ''),
  );
  const named = all.filter((word, i) => word !== '' && word !== 'a space' && (expected[i]?.type !== 'literal' || /^“\W/.test(word)));
  const unique = [...new Set(named.length ? named : all.filter(Boolean))];
  return unique.slice(0, 4);
}

// More signs or nots in a row than the limit: each is a level of nesting.
const UNARY_CHAIN = new RegExp(`(?:\\bnot\\b\\s*){${MAX_NESTING + 1}}|(?:[+-]\\s+){${MAX_NESTING + 1}}`, 'i');

/** Counts nested brackets and case … end outside texts and comments, so that the recursive parser does not overflow the stack. */
function tooDeepAt(text: string): number | undefined {
  const chain = UNARY_CHAIN.exec(text);
  if (chain) return chain.index;
  let depth = 0;
  for (const match of text.matchAll(/'(?:''|[^'])*'?|"(?:""|[^"])*"?|--[^\n]*|\/\*[\s\S]*?\*\/|\bcase\b|\bend\b|[()]/giu)) {
    const word = match[0].toLowerCase();
    if (word === '(' || word === 'case') depth++;
    if (word === ')' || word === 'end') depth--;
    if (depth > MAX_NESTING) return match.index;
  }
  return undefined;
}
