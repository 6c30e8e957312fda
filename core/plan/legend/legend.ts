import { isColouring, winnersOf, type AppliedCue, type Colouring, type Treatment, type TreatmentOf } from 'core/cue';
import { rowsWithValue } from 'core/table';
import { colourIn, type Livery } from '../dress/livery';
import { shapeOf, shapes, type ShapeName } from 'core/shape';
import type { Layer } from '../plan';
import type { LegendEntry, Stroke } from '../words/plan-words';
import type { PlanRequest } from '../requests';
import { rampColours, stepsBetween } from '../layers/ramp';

// Steps of a ramp in the legend.
const RAMP_KEY = 9;

/** The legend, each entry once. */
export const legendOf = (request: LegendRequest, layers: readonly Layer[]): LegendEntry[] => eachOnce(entriesIn(request, layers));

/** Without entries that look and read like one before them. */
export const eachOnce = (entries: readonly LegendEntry[]): LegendEntry[] =>
  entries.filter((entry, i) => entries.findIndex(other => sameEntry(entry, other)) === i);

/** Inputs of a legend. */
export type LegendRequest = Pick<PlanRequest, 'applied' | 'frame' | 'livery'>;

/** Series by their colour where they show it; then only treatments that show somewhere, and the rest. */
export function entriesIn({ applied, frame, livery }: LegendRequest, layers: readonly Layer[]): LegendEntry[] {
  const quiet = applied.some(cue => cue.quietsRest);
  const wins = winningIn(applied, frame.table.rowCount, layers);
  const shown = applied.flatMap(from =>
    from.treatments.flatMap(item =>
      isColouring(item) && !wins(item) ? [] : entriesOf(from, item, layers, livery).map(entry => ({ ...entry, cue: from.cue.id })),
    ),
  );
  const taken = new Set(shown.map(entry => entry.text));
  const split = new Set(applied.flatMap(({ treatments }) => treatments.flatMap(item => (item.show === 'split' ? [item.measure] : []))));
  const series = layers.filter(
    layer => !taken.has(layer.name) && !split.has(layer.measure) && shapeOf(layer).isOffered && showsItself(layer),
  );
  // Several of them are told apart by name, quiet or not; of one alone, what is not marked is the rest.
  const several = new Set(series.map(layer => layer.name)).size > 1;
  const named =
    layers.length > 1 && (several || !quiet)
      ? series.map(layer => markEntry(layer.name, layer.shape, layer.colour, '', lineStroke(layer)))
      : [];
  const resting = layers.find(layer => layer.colour === livery.quiet && showsItself(layer));
  const rest = quiet && resting && !several ? [markEntry('the rest', resting.shape, livery.quiet)] : [];
  return [...named, ...shown, ...rest];
}

/**
 * Whether a treatment shows on any mark: where others have all its marks, its colour is nowhere; a glyph or an outline still is. Nothing of it
 * shows where parts or spans are drawn in the place of the measure.
 */
function winningIn(applied: readonly AppliedCue[], rows: number, layers: readonly Layer[]): (item: Colouring) => boolean {
  const dressed = new Set(layers.filter(isDressed).map(({ measure }) => measure));
  return item =>
    dressed.has(item.measure) && (item.look.glyph !== '' || item.look.outline || winnersOf(applied, rows, item.measure).shown.has(item));
}

const isDressed = ({ marked, glyphs, outlined }: Layer): boolean =>
  marked.some(cue => cue !== 0) || glyphs.length > 0 || outlined.length > 0;

/** A line is always there; of bars and points at least one that no cue colours, and a bar among coloured ones shows by its length. */
function showsItself(layer: Layer): boolean {
  const { ends, bases, base, marked } = layer;
  const { isLine, takesSlot, byLength, hasPoint } = shapeOf(layer);
  if (isLine) return true;
  const needsLength = takesSlot && byLength && !hasPoint && marked.some(cue => cue !== 0);
  return ends.some((end, at) => !Number.isNaN(end) && marked[at] === 0 && !(needsLength && end === (bases ? bases[at] : base)));
}

const sameEntry = (a: LegendEntry, b: LegendEntry): boolean =>
  a === b || (a.text === b.text && JSON.stringify(a.key) === JSON.stringify(b.key));
/** A line as it is drawn; the seam of bars that have one. */
const lineStroke = (layer: Layer): Stroke | null =>
  shapeOf(layer).isLine || (shapeOf(layer).hasSeam && layer.stroke.dash !== 'solid') ? layer.stroke : null;

const markEntry = (text: string, shape: ShapeName, colour: string, glyph = '', stroke: Stroke | null = null): LegendEntry => ({
  text,
  cue: null,
  key: { kind: 'mark', shape, colour, glyph, stroke },
});

function entriesOf(from: AppliedCue, item: Treatment, layers: readonly Layer[], livery: Livery): LegendEntry[] {
  const shape = 'measure' in item ? (layers.find(layer => layer.measure === item.measure)?.shape ?? 'column') : 'column';
  switch (item.show) {
    case 'mark':
      return item.look.colour === '' && item.look.glyph === ''
        ? []
        : shows(from, item.part)
          ? [markOfLook(item, shape, layers, livery)]
          : [];
    case 'ramp':
      return [
        { text: `${item.measure}, low to high`, cue: null, key: { kind: 'ramp', colours: every(rampColours(item, livery), RAMP_KEY) } },
      ];
    case 'split':
      return item.parts.flatMap(({ part, look, legend }) =>
        shows(from, part, 0) ? [markEntry(legend, 'column', colourIn(livery, look.colour))] : [],
      );
    case 'line': {
      const stroke = { width: item.width, dash: item.dash, marker: item.marker };
      const drawn: ShapeName =
        item.form === 'points' ? 'points' : item.form === 'columns' ? 'column' : item.form === 'stepped' ? 'step' : 'line';
      const labelled = item.form === 'level' && item.label;
      return labelled || !shows(from, item.part) ? [] : [markEntry(item.legend, drawn, colourIn(livery, item.colour), item.marker, stroke)];
    }
    case 'band':
      return [{ text: item.legend, cue: null, key: { kind: 'band', style: item.style, colour: colourIn(livery, item.colour) } }];
    case 'span':
      return [spanEntry(item, livery)];
    case 'instead':
      return [];
  }
}

function spanEntry({ legend, colour, deep }: TreatmentOf<'span'>, livery: Livery): LegendEntry {
  const low = colourIn(livery, colour);
  if (deep === null) return markEntry(legend, 'span', low);
  return { text: legend, cue: null, key: { kind: 'ramp', colours: stepsBetween([low, colourIn(livery, deep)], RAMP_KEY) } };
}

function markOfLook(
  { look, legend, measure }: TreatmentOf<'mark'>,
  shape: ShapeName,
  layers: readonly Layer[],
  livery: Livery,
): LegendEntry {
  const own = layers.find(layer => layer.measure === measure)?.colour ?? livery.base;
  const colour = look.colour === '' ? own : colourIn(livery, look.colour);
  return markEntry(legend, shapes[shape].isLine ? 'points' : shape, colour, look.glyph);
}

/** Whether a part has any value; `but` does not count as one. */
function shows({ helpers }: AppliedCue, part: string, but?: number): boolean {
  const column = helpers.find(helper => helper.part === part)?.column;
  if (!column) return false;
  const rows = rowsWithValue(column);
  return but === undefined ? rows.length > 0 : rows.some(row => column.data[row] !== but);
}

const every = (colours: readonly string[], count: number): string[] =>
  Array.from({ length: count }, (_, i) => colours[Math.round((i * (colours.length - 1)) / (count - 1))] as string);
