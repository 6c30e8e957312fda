import { compileFormula, Evaluator, groupRows, scopeOf } from 'core/formula';
import { messageFor } from 'core/result/words';
import { isMissing, textAt, type Table } from 'core/table';
import { describeFigure, inSentences, titlesOf } from 'core/words';
import { withHelpers } from '../labels/label-text';
import type { LayoutRequest } from '../requests';

/** A fault in a text of the figure. `key`: the token of the brief that holds the text. */
export interface WordFault {
  readonly key: string;
  readonly words: string;
}

/** A text with its computed values, and its faults. */
interface Spoken {
  readonly text: string;
  readonly faults: readonly string[];
}

/** Writes texts with computed values in braces, such as `{max(milk) as volume}`: formulas over all rows of the frame with the helper columns of its cues, as a measure over one group. */
export class FigureWords {
  readonly faults: WordFault[] = [];
  private table: Table | null = null;

  constructor(private readonly request: WordsOver) {}

  /** Writes a text. A value that cannot be computed becomes a dash, and a fault at its token of the brief. */
  write(key: string, text: string): string {
    if (!text.includes('{')) return text;
    const { text: written, faults } = this.spoken(text);
    this.faults.push(...faults.map(words => ({ key, words })));
    return written;
  }

  private spoken(text: string): Spoken {
    const faults: string[] = [];
    const written = text.split(BRACES).map(part => {
      const found = INSIDE.exec(part);
      if (!found) return part;
      const [, formula = '', format] = found;
      const value = this.valueOf(formula.trim(), format?.trim());
      if ('fault' in value) faults.push(`{${formula.trim()}}: ${value.fault}`);
      return 'fault' in value ? MISSING : value.text;
    });
    return { text: written.join(''), faults };
  }

  private valueOf(formula: string, format: string | undefined): { readonly text: string } | { readonly fault: string } {
    const { frame, applied, write, formats } = this.request;
    if (format !== undefined && formats && !formats.includes(format)) return { fault: `no number format is called ${format}.` };
    const table = (this.table ??= withHelpers(frame.table, applied));
    const compiled = compileFormula(formula, scopeOf(table), 'measure');
    if (!compiled.ok) return { fault: compiled.problems.map(messageFor).join(' ') };
    const values = new Evaluator(table, groupRows([], table.rowCount)).values(compiled.value);
    if (isMissing(values, 0)) return { text: MISSING };
    return {
      text:
        values.type === 'number' ? write.format(format, soleMeasure(formula, frame.measures), values.data[0] as number) : textAt(values, 0),
    };
  }
}

const MISSING = '–';
const BRACES = /(\{[^{}]*\})/;
const INSIDE = /^\{(.*?)(?:\s+as\s+([\p{L}\p{N}_ ]+?))?\s*\}$/u;

/** The measure that decides unit and decimals of a formula: the first whose name occurs in it. */
const soleMeasure = (formula: string, measures: readonly string[]): string => measures.find(name => formula.includes(name)) ?? '';

/** The context of a text with computed values. */
export type WordsOver = Pick<LayoutRequest, 'frame' | 'applied' | 'write' | 'formats'>;

/** Writes a text outside a figure with values computed over the figure's rows; faults are given back. */
export function writeWords(text: string, over: WordsOver): { readonly text: string; readonly faults: readonly string[] } {
  const writer = new FigureWords(over);
  const written = writer.write('text', text);
  return { text: written, faults: writer.faults.map(({ words }) => words) };
}

/** The written texts of a figure. */
export interface WrittenWords {
  readonly title: string;
  readonly subtitle: string;
  readonly note: string;
  readonly source: string;
}

/**
 * Title, subtitle, note and source with their computed values. A title that states a finding replaces the analyst's own while its cue finds
 * something.
 */
export function writtenWords(request: LayoutRequest, writer: FigureWords): WrittenWords {
  const { words } = request.figure;
  return {
    title: findingTitle(request) ?? writer.write('title', words.title),
    subtitle: writer.write('subtitle', words.subtitle),
    note: writer.write('note', words.note ?? ''),
    source: writer.write('source', words.source ?? ''),
  };
}

function findingTitle({ applied, frame, figure, totals = [], write }: LayoutRequest): string | null {
  const { finding } = figure.words;
  // A cue that looks at totals found what it found among them.
  const place = [...totals, { applied, frame, figure }].find(item => item.applied.some(({ cue }) => cue.id === finding?.cue));
  const from = place?.applied.find(({ cue }) => cue.id === finding?.cue);
  if (!finding || !place || !from) return null;
  const { text } =
    titlesOf({ from, frame: place.frame, figure: place.figure, write }).find(({ wording }) => wording === finding.wording) ?? {};
  return text ?? null;
}

// More sentences than this are not listened to.
const MOST_SENTENCES = 6;

/** The text with a full stop, unless it ends in punctuation. */
const sentence = (text: string): string => (/[.!?]$/.test(text) ? text : `${text}.`);

/** What a figure shows, in sentences. */
export const shownIn = ({ figure, frame, applied, totals, write }: LayoutRequest): readonly string[] =>
  describeFigure(figure, { frame, applied, totals }, write);

/** The figure in words: what it shows, and the notes that readers need. */
export function descriptionOf(shown: readonly string[], words: Pick<WrittenWords, 'note' | 'source'>, notes: readonly string[]): string {
  return inSentences(
    [
      ...shown,
      ...(words.note ? [`Note: ${sentence(words.note)}`] : []),
      ...(words.source ? [`Source: ${sentence(words.source)}`] : []),
      ...notes.map(note => `${note.charAt(0).toUpperCase()}${note.slice(1)}.`),
    ],
    MOST_SENTENCES,
  );
}
