import { oncePer } from 'core/stages';
import { kindOf, partsOfScope, scopeIn, type Cue } from 'core/cue';
import { namesOfText } from 'core/formula';
import { overallName, type FigureData, type Overall } from 'core/frame';

/** The measures over all rows that a figure's cues compare with: only what their formulas name is computed. */
export function overallsOf(cues: readonly Cue[], data: FigureData): Overall[] {
  const around = { category: data.category, series: data.series, panel: data.panel, typeOf: () => undefined };
  const found = cues.filter(mayAsk).flatMap(cue => {
    const names = new Set(
      kindOf(cue)
        .expand(cue, part => part, around)
        .helpers.flatMap(({ formula }) => namesOfText(formula)),
    );
    const parts = [...new Set([[], partsOfScope(scopeIn(cue.scope, around))])];
    const candidates = data.measures.flatMap(({ name }) => parts.map((within): Overall => ({ measure: name, within })));
    return candidates.filter(candidate => names.has(overallName(candidate)));
  });
  return found.filter((ask, i) => found.findIndex(other => overallName(other) === overallName(ask)) === i);
}

/** Writing out a cue costs more than looking at its text. */
const mayAsk = oncePer((cue: Cue): boolean => cue.on && /"overall"|over all rows/.test(JSON.stringify(cue)));
