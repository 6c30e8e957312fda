import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Sentence, Token } from 'core/sentence';
import type { TokenChoice } from './token-choice';
import { TokenWord } from './token-word';

/** A sentence of the brief: words, and words that are controls. */
@Component({
  selector: 'cb-sentence',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TokenWord],
  host: { class: 'block text-sentence leading-[1.65]' },
  // One line, no breaks: white space between the parts would stand before the commas.
  template: `@for (piece of pieces(); track trackOf(piece, $index)) {
    @if (piece.token; as token) {
      <span class="whitespace-nowrap"
        ><cb-token [token]="token" (chosen)="chosen.emit({ key: token.key, value: $event })" (wrote)="wrote.emit(token)" />{{
          piece.words
        }}</span
      >
    } @else {
      <span class="whitespace-pre-wrap">{{ piece.words }}</span>
    }
  }`,
})
export class SentenceLine {
  readonly sentence = input.required<Sentence>();
  readonly chosen = output<TokenChoice>();
  readonly wrote = output<Token>();

  /** A word keeps its place on screen, and its open sheet, when others come or go before it. */
  protected trackOf({ token }: Piece, index: number): string | number {
    return token ? token.key : index;
  }

  protected readonly pieces = computed(() => piecesOf(this.sentence()));
}

/** A token with the stops and commas behind it, which must not begin a line of their own; or words between tokens. */
interface Piece {
  readonly token: Token | null;
  readonly words: string;
}

function piecesOf(sentence: Sentence): Piece[] {
  const pieces: Piece[] = [];
  for (const part of sentence) {
    if (typeof part !== 'string') pieces.push({ token: part, words: '' });
    else {
      const [stops = ''] = /^[.,;:!?)]*/.exec(part) ?? [];
      const last = pieces.at(-1);
      if (last?.token) pieces[pieces.length - 1] = { ...last, words: last.words + stops };
      const rest = last?.token ? part.slice(stops.length) : part;
      if (rest) pieces.push({ token: null, words: rest });
    }
  }
  return pieces;
}
