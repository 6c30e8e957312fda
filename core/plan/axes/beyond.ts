import { shapes } from 'core/shape';
import { hasPlace, straightOf } from 'core/scale';
import { counted } from 'core/sentence';
import type { BandPlan, Beyond, Layer, LevelLine, PanelAxes } from '../plan';

/**
 * Layers with the marks that lie beyond a bound set by the analyst. Cost: one comparison per mark, on axes with a bound or a scale that is not
 * straight.
 */
export function withBeyond(layers: readonly Layer[], panels: readonly PanelAxes[], isBounded: (axis: number) => boolean): Layer[] {
  return layers.map(layer => {
    const scale = panels[layer.panel]?.axes[layer.axis]?.scale;
    return scale && (isBounded(layer.axis) || straightOf(scale) === null)
      ? { ...layer, beyond: beyondIn(layer, scale.low, scale.high) }
      : layer;
  });
}

function beyondIn({ shape, ends, bases }: Layer, low: number, high: number): Beyond[] {
  const slack = (high - low) * 1e-9;
  const found: Beyond[] = [];
  const look = (values: Float64Array): void => {
    for (let at = 0; at < values.length; at++) {
      const value = values[at] as number;
      if (value > high + slack) found.push({ at, side: 1 });
      else if (value < low - slack) found.push({ at, side: -1 });
    }
  };
  look(ends);
  if (shapes[shape].base === 'own' && bases) look(bases);
  return found;
}

/** Words for values beyond their axis; the name of the axis follows `says`. */
interface Outside {
  readonly axis: number;
  readonly says: string;
}

/** Level lines of which at least a part shows, and words for those that lie beyond their axis completely. */
export function linesWithin(lines: readonly LevelLine[], panels: readonly PanelAxes[]): { lines: LevelLine[]; outside: Outside[] } {
  const isWithin = ({ panel, axis, values }: LevelLine): boolean => {
    const scale = panels[panel]?.axes[axis]?.scale;
    return !scale || values.every(value => Number.isNaN(value)) || values.some(value => value >= scale.low && value <= scale.high);
  };
  const gone = lines.filter(line => !isWithin(line));
  return { lines: lines.filter(isWithin), outside: gone.map(({ axis, label }) => ({ axis, says: `${label || 'a line'} lies beyond` })) };
}

/** Words for the rows at which a band reaches beyond a bounded axis and is cut off; empty where all of it shows. */
export function bandsBeyond(bands: readonly BandPlan[], panels: readonly PanelAxes[], isBounded: (axis: number) => boolean): Outside[] {
  return [0, 1].flatMap(at => {
    const count = bands.reduce((sum, { panel, axis, low, high }) => {
      const scale = panels[panel]?.axes[axis]?.scale;
      if (axis !== at || !scale || !isBounded(axis)) return sum;
      return sum + low.filter((value, i) => value < scale.low || (high[i] as number) > scale.high).length;
    }, 0);
    return count === 0 ? [] : [{ axis: at, says: `the range reaches at ${counted(count, 'row')} beyond` }];
  });
}

/** "3 values lie beyond the axis: 2 above 60, 1 below 10." per value axis; nothing where all lie within. */
export function beyondWords(
  layers: readonly Layer[],
  panels: readonly PanelAxes[],
  write: (layer: Layer, value: number) => string,
): string[] {
  const second = panels.some(({ axes }) => axes.length > 1);
  return [0, 1].flatMap(axis => {
    const own = layers.filter(layer => layer.axis === axis && layer.beyond.length > 0);
    const [first] = own;
    const scale = first && panels[first.panel]?.axes[axis]?.scale;
    if (!first || !scale) return [];
    const count = (side: 1 | -1): number =>
      own.reduce(
        (sum, { beyond, ends }) => sum + beyond.filter(item => item.side === side && hasPlace(scale, ends[item.at] as number)).length,
        0,
      );
    const [above, below] = [count(1), count(-1)];
    if (above + below === 0) return [];
    const sides = [
      ...(above ? [`${above} above ${write(first, scale.high)}`] : []),
      ...(below ? [`${below} below ${write(first, scale.low)}`] : []),
    ];
    const name = second ? (axis === 0 ? 'the first axis' : 'the second axis') : 'the axis';
    return [`${counted(above + below, 'value')} beyond ${name}: ${sides.join(', ')}`];
  });
}

// At most this many are named; the rest is counted.
const NAMED = 3;

/** "2 values at or below zero have no place on the log scale: Tolm, Siddel" per value axis; nothing where all have one. */
export function placelessWords(layers: readonly Layer[], panels: readonly PanelAxes[], categories: readonly string[]): string[] {
  return [0, 1].flatMap(axis => {
    const found = layers
      .filter(layer => layer.axis === axis)
      .flatMap(({ panel, beyond, ends }) => {
        const scale = panels[panel]?.axes[axis]?.scale;
        return scale ? beyond.filter(({ at }) => !hasPlace(scale, ends[at] as number)).map(({ at }) => categories[at] ?? '') : [];
      });
    if (found.length === 0) return [];
    const names = [...new Set(found)];
    const rest = names.length > NAMED ? ` and ${names.length - NAMED} more` : '';
    const have = found.length === 1 ? 'has' : 'have';
    return [
      `${counted(found.length, 'value')} at or below zero ${have} no place on the log scale: ${names.slice(0, NAMED).join(', ')}${rest}`,
    ];
  });
}
