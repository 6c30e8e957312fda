import { nameText } from 'core/formula';
import type { BandCue, PlacedBand } from './band-schema';
import type { FoundProblem, HelperFormula } from '../kind';
import { levelFormula } from '../level/level';
import { movingFormula } from '../statistics/moving-window';
import { legendScope, wholeWindowOf } from '../scope/scope';
import { studentFormula, studentQuantile } from '../statistics/student-t';

/** Whether the range is computed from the measure, so that its sentence must state which rows were used. */
export const statistical = ({ by }: Pick<BandCue, 'by'>): boolean => by !== 'edges' && by !== 'width';

/** The formulas of both edges, for one way to set the range. */
export interface Edges {
  /** Helper columns that the edges refer to. */
  readonly before: readonly HelperFormula[];
  readonly low: string;
  readonly high: string;
}

/** A statistic over all rows of the scope, or over a moving window. */
function statisticOf(cue: PlacedBand, statistic: (window: string) => string): string {
  if (cue.moving === 0) return statistic(wholeWindowOf(cue.scope));
  return movingFormula(statistic, { scope: cue.scope, rows: cue.moving, place: cue.includes ? 'up to' : 'before', edges: cue.edges });
}

/** Lower and upper edge as formulas. */
export function edgesOf(cue: PlacedBand, helper: (part: string, formula: string, as?: 'number') => HelperFormula): Edges {
  const m = nameText(cue.measure);
  const plain = (low: string, high: string): Edges => ({ before: [], low, high });
  const both = (sides: (sign: string) => (window: string) => string): Edges =>
    plain(statisticOf(cue, sides('-')), statisticOf(cue, sides('+')));
  switch (cue.by) {
    case 'edges':
      return plain(edgeOf(cue, cue.lower), edgeOf(cue, cue.upper));
    case 'width':
      return plain(...around(edgeOf(cue, cue.centre), edgeOf(cue, cue.width)));
    case 'deviation':
      return both(sign => window => `avg(${m}) ${window} ${sign} ${cue.k} * stddev_samp(${m}) ${window}`);
    case 'error':
      return both(sign => window => `avg(${m}) ${window} ${sign} ${cue.k} * stddev_samp(${m}) ${window} / sqrt(count(${m}) ${window})`);
    case 'confidence':
      return confidenceEdges(cue, m, helper);
    case 'percentiles': {
      const at = (share: number) => (window: string) =>
        `percentile_cont(${Number(share.toFixed(6))}) within group (order by ${m}) ${window}`;
      return plain(statisticOf(cue, at(0.5 - cue.percent / 200)), statisticOf(cue, at(0.5 + cue.percent / 200)));
    }
  }
}

const around = (centre: string, half: string): [low: string, high: string] => [`(${centre}) - (${half})`, `(${centre}) + (${half})`];

/** The formula of one edge; a statistic is missing until its window is full. */
const edgeOf = (cue: PlacedBand, item: BandCue['lower']): string =>
  item.is === 'number' || item.is === 'column' || item.is === 'percent'
    ? levelFormula(item, cue.measure, '', cue.scope)
    : statisticOf(cue, window => levelFormula(item, cue.measure, window, cue.scope));

function confidenceEdges(cue: PlacedBand, m: string, helper: (part: string, formula: string, as?: 'number') => HelperFormula): Edges {
  const count = helper(
    'values',
    statisticOf(cue, window => `count(${m}) ${window}`),
    'number',
  );
  const mean = helper(
    'mean',
    statisticOf(cue, window => `avg(${m}) ${window}`),
  );
  const error = helper(
    'standard error',
    statisticOf(cue, window => `stddev_samp(${m}) ${window} / sqrt(count(${m}) ${window})`),
  );
  const t = helper('t', studentFormula(nameText(count.name), 0.5 + cue.percent / 200), 'number');
  const half = `${nameText(t.name)} * ${nameText(error.name)}`;
  return { before: [count, mean, error, t], low: `${nameText(mean.name)} - ${half}`, high: `${nameText(mean.name)} + ${half}` };
}

/** A note where single values are judged by a confidence interval of their mean. */
export function meanProblems({ by, looks }: PlacedBand): FoundProblem[] {
  const outside = looks['outside'];
  const marks = outside !== undefined && (outside.colour !== '' || outside.glyph !== '' || outside.outline);
  return marks && (by === 'error' || by === 'confidence') ? [{ problem: { code: 'cue-mean-interval' }, rests: false }] : [];
}

/** A note where a moving window is too short for any value to be outside its range. */
export function windowProblems(cue: PlacedBand): FoundProblem[] {
  if (cue.moving === 0 || !statistical(cue) || canMark(cue, cue.moving)) return [];
  let needed = cue.moving + 1;
  while (needed < 100_000 && !canMark(cue, needed)) needed++;
  return [{ problem: { code: 'cue-window-short', rows: cue.moving, needed }, rests: false }];
}

/**
 * Whether a value can be outside at all: none of n values is more than (n − 1) / √n sample standard deviations from their mean (R. Shiffler 1988).
 */
function canMark({ by, includes, k, percent }: PlacedBand, n: number): boolean {
  if (by === 'percentiles') return n > (includes ? 1 : 0);
  if (n < 2 || !includes) return n >= 2;
  if (by === 'deviation') return (n - 1) / Math.sqrt(n) > k;
  return n - 1 > (by === 'error' ? k : studentQuantile(0.5 + percent / 200, n - 1));
}

/** The range in the words of the legend. */
export function legendOf(cue: PlacedBand): string {
  const { by, k, percent } = cue;
  const what = {
    edges: 'expected range',
    width: 'expected range',
    deviation: `mean ± ${k} sd`,
    error: `mean ± ${k} standard ${k === 1 ? 'error' : 'errors'} of the mean`,
    confidence: `${percent} % confidence interval of the mean`,
    percentiles: `middle ${percent} %`,
  }[by];
  return statistical(cue) ? `${what}${windowWords(cue)}` : what;
}

/** " of the 7 before", " in each hut": the rows that a statistic used. */
function windowWords({ moving, includes, scope }: PlacedBand): string {
  if (moving === 0) return legendScope(scope);
  const inside = scope.kind === 'along' && scope.within.length ? legendScope({ kind: 'within', columns: scope.within }) : '';
  return ` of the ${includes ? `last ${moving}` : `${moving} before`}${inside}`;
}
