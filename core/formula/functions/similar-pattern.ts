/** One state: it takes a matching character; null moves on without one; undefined is the end. */
export interface Step {
  readonly takes: ((letter: string) => boolean) | null | undefined;
  readonly to: readonly number[];
}
/** A pattern of `similar to` as a state machine without backtracking. */
export interface Pattern {
  readonly steps: readonly Step[];
  readonly start: number;
}

/** Most states of a pattern, so that nested repetitions cannot fill the memory. */
const MOST_STATES = 10_000;
const CLASSES: Readonly<Record<string, RegExp>> = {
  alpha: /^\p{L}$/u,
  upper: /^\p{Lu}$/u,
  lower: /^\p{Ll}$/u,
  digit: /^\d$/,
  alnum: /^[\p{L}\d]$/u,
  space: /^ $/,
  whitespace: /^\s$/,
};

/**
 * The states of a pattern: `%` any characters, `_` one, `|`, `( )`, `[a-z]`, `[^a-z]`, `[[:digit:]]`, and `* + ? {m,n}` after any of them; the
 * character after the escape matches itself. Null for an invalid pattern.
 */
export function patternOf(text: string, escape: string): Pattern | null {
  try {
    return new PatternReader(text, escape).read();
  } catch (error) {
    if (error instanceof BadPattern) return null;
    throw error;
  }
}

class BadPattern extends Error {}
/** Builds the states of a piece that continues to a state; gives its first state. */
type Piece = (to: number) => number;

class PatternReader {
  private readonly letters: { readonly letter: string; readonly plain: boolean }[] = [];
  private readonly steps: Step[] = [];
  private at = 0;
  private depth = 0;

  constructor(text: string, escape: string) {
    const all = Array.from(text);
    for (let i = 0; i < all.length; i++) {
      const plain = all[i] === escape && escape !== '';
      if (plain) i++;
      if (i >= all.length) throw new BadPattern();
      this.letters.push({ letter: all[i] as string, plain });
    }
  }

  read(): Pattern {
    const piece = this.either();
    if (this.at < this.letters.length) throw new BadPattern();
    const end = this.state(undefined, []);
    return { start: piece(end), steps: this.steps };
  }

  private state(takes: Step['takes'], to: readonly number[]): number {
    if (this.steps.length >= MOST_STATES) throw new BadPattern();
    return this.steps.push({ takes, to }) - 1;
  }

  private sign(sign: string): boolean {
    const here = this.letters[this.at];
    return here?.letter === sign && !here.plain;
  }

  private take(sign: string): boolean {
    const found = this.sign(sign);
    if (found) this.at++;
    return found;
  }

  private either(): Piece {
    if (++this.depth > 200) throw new BadPattern();
    const choices = [this.row()];
    while (this.take('|')) choices.push(this.row());
    this.depth--;
    return to =>
      this.state(
        null,
        choices.map(piece => piece(to)),
      );
  }

  private row(): Piece {
    const pieces: Piece[] = [];
    while (this.at < this.letters.length && !this.sign('|') && !this.sign(')')) pieces.push(this.repeated());
    return to => pieces.reduceRight((next, piece) => piece(next), to);
  }

  private repeated(): Piece {
    let piece = this.single();
    for (;;) {
      if (this.take('*')) piece = this.times(piece, 0, Infinity);
      else if (this.take('+')) piece = this.times(piece, 1, Infinity);
      else if (this.take('?')) piece = this.times(piece, 0, 1);
      else if (this.take('{')) piece = this.times(piece, ...this.bounds());
      else return piece;
    }
  }

  private times(piece: Piece, least: number, most: number): Piece {
    return to => {
      // A state even where nothing is taken: every repetition counts towards the most there may be.
      let next = this.state(null, [to]);
      if (most === Infinity) {
        const turns = [next];
        next = this.state(null, turns);
        turns.push(piece(next));
      } else for (let i = least; i < most; i++) next = this.state(null, [next, piece(next)]);
      for (let i = 0; i < least; i++) next = piece(next);
      return next;
    };
  }

  private bounds(): readonly [least: number, most: number] {
    const least = this.whole();
    const open = this.take(',');
    const most = !open ? least : this.sign('}') ? Infinity : this.whole();
    if (!this.take('}') || most < least) throw new BadPattern();
    return [least, most];
  }

  private whole(): number {
    let digits = '';
    while (/^\d$/.test(this.letters[this.at]?.letter ?? '') && digits.length < 5) digits += this.letters[this.at++]?.letter;
    if (digits === '') throw new BadPattern();
    return Number(digits);
  }

  private single(): Piece {
    if (this.take('(')) {
      const inner = this.either();
      if (!this.take(')')) throw new BadPattern();
      return inner;
    }
    if (this.take('%')) return this.times(to => this.state(() => true, [to]), 0, Infinity);
    const takes = this.take('_') ? () => true : this.take('[') ? this.listed() : this.itself();
    return to => this.state(takes, [to]);
  }

  private itself(): (letter: string) => boolean {
    const here = this.letters[this.at++];
    if (!here || (!here.plain && '*+?{}])'.includes(here.letter))) throw new BadPattern();
    return letter => letter === here.letter;
  }

  private listed(): (letter: string) => boolean {
    const without = this.take('^');
    const parts: ((letter: string) => boolean)[] = [];
    while (!this.take(']')) parts.push(this.listPart());
    if (parts.length === 0) throw new BadPattern();
    return letter => parts.some(part => part(letter)) !== without;
  }

  private listPart(): (letter: string) => boolean {
    const low = this.letters[this.at++]?.letter;
    if (low === undefined) throw new BadPattern();
    if (low === '[' && this.take(':')) return this.named();
    if (!this.sign('-') || this.letters[this.at + 1]?.letter === ']') return letter => letter === low;
    this.at++;
    const high = this.letters[this.at++]?.letter;
    if (high === undefined || point(high) < point(low)) throw new BadPattern();
    return letter => point(letter) >= point(low) && point(letter) <= point(high);
  }

  private named(): (letter: string) => boolean {
    let name = '';
    while (this.at < this.letters.length && !this.sign(':')) name += this.letters[this.at++]?.letter;
    const known = Object.hasOwn(CLASSES, name.toLowerCase()) ? CLASSES[name.toLowerCase()] : undefined;
    if (!known || !this.take(':') || !this.take(']')) throw new BadPattern();
    return letter => known.test(letter);
  }
}

const point = (letter: string): number => letter.codePointAt(0) as number;
