import { isLying, type Figure } from 'core/document';
import { formatNumber } from 'core/format';
import { describeScale, positionOf } from 'core/scale';
import type { ValueWriter } from 'core/words';
import type { Layer, PanelAxes } from '../plan';

interface Axes {
  readonly panels: readonly PanelAxes[];
  readonly layers: readonly Layer[];
  readonly figure: Pick<Figure, 'scales' | 'shape'>;
  readonly write: ValueWriter;
}

/** Words for value axes that a reader may not expect: logarithmic, broken, reversed, tied. */
export function axisWords({ panels, layers, figure, write }: Axes): string[] {
  const { scales, shape } = figure;
  const lies = isLying(shape);
  const second = hasSecond(panels);
  const described = panels.flatMap(({ axes }) =>
    axes.flatMap(({ scale, reversed }, axis) => {
      const measure = layers.find(layer => layer.axis === axis)?.measure ?? '';
      const words = [
        describeScale(scale, value => write.tick(measure, value)),
        ...(reversed ? [`reversed: higher values stand ${lies ? 'further left' : 'lower'}`] : []),
      ];
      return words.filter(text => text !== '').map(text => (second ? `${axis === 0 ? 'first' : 'second'} axis: ${text}` : text));
    }),
  );
  const tied = scales.between === 'tied' && second ? [`the second axis stands for ${written(scales.tie)} times the first`] : [];
  return [...new Set(described), ...tied];
}

/** Notes where two axes may mislead: their zeros should align and cannot. */
export function axisNotes({ panels, figure }: Pick<Axes, 'panels' | 'figure'>): string[] {
  const apart = panels.some(
    ({ axes: [one, other] }) => one && other && Math.abs(positionOf(one.scale, 0) - positionOf(other.scale, 0)) > SAME,
  );
  return figure.scales.between === 'zeros' && apart ? ['the zeros of the two axes cannot stand at one height on these scales'] : [];
}

// Positions that differ by less are one.
const SAME = 1e-9;

const hasSecond = (panels: readonly PanelAxes[]): boolean => panels.some(({ axes }) => axes.length > 1);
const written = (value: number): string => formatNumber(value, {});
