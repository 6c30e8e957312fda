import { failure, success, type Place, type Result } from 'core/result';
import type { Expr, Span } from './ast';
import { parse as parseGrammar } from './grammar.js';
import { remembered } from './remembered';

export const MAX_CHARACTERS = 10_000;
export const MAX_NESTING = 200;

/** The syntax tree of a formula, or one problem at its place. Nothing is resolved yet; results are kept. Cost: O(length). */
export const parseFormula = remembered(parseAnew, 500);

function parseAnew(text: string): Result<Expr> {
  if (text.length > MAX_CHARACTERS)
    return failure({ code: 'too-long', limit: MAX_CHARACTERS, at: placeOf(text, { start: MAX_CHARACTERS, end: text.length }), words: '' });
  const deep = tooDeepAt(text);
  if (deep !== undefined)
    return failure({ code: 'too-deep', limit: MAX_NESTING, at: placeOf(text, { start: deep, end: deep + 1 }), words: '' });
  try {
    return success(parseGrammar(text) as Expr);
  } catch (error) {
    return failure(syntaxProblem(text, error as GrammarError));
  }
}

/** Offsets as a place with line and column, counted from 1. */
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

/** Counts brackets and case … end outside texts and comments, so that the recursive parser never runs out of stack. */
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
