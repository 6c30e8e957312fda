import { unitOf } from 'core/frame';
import { axesIn, type Check, type CheckSubject, type Risk } from './check';

// Shares of a whole are one at most; growth may be several times that, but hardly in the middle of all values.
const LARGE = 2;
// Percents of which none reaches one are most likely shares.
const SMALL = 1;

/** A share written as if it were a percent, or a percent as if it were a share: a hundred times too small or too large. */
export const percentMixedUp: Check = {
  severity: 'wrong',
  about: 'percents a hundred times too large or too small',
  find: subject =>
    subject.figure.data.measures.flatMap((measure, at): Risk[] => {
      const sizes = axesIn(subject.plan)
        .flatMap(({ layers }) => layers.filter(layer => layer.measure === measure.name && layer.as === null))
        .flatMap(({ values }) => [...values].filter(value => !Number.isNaN(value)).map(Math.abs))
        .sort((a, b) => a - b);
      const middle = sizes[sizes.length >> 1];
      if (middle === undefined) return [];
      const format = subject.formats.find(item => item.name === measure.format);
      if (format?.percent && middle > LARGE) return [tooLarge(subject, at, format.name)];
      return !format && unitIn(subject, at) === '%' && (sizes.at(-1) as number) <= SMALL && middle > 0 ? [tooSmall(subject, at)] : [];
    }),
};

const unitIn = ({ figure, units }: CheckSubject, at: number): string | undefined => {
  const measure = figure.data.measures[at];
  return (at === 0 ? figure.scales.unit : null) ?? (measure && unitOf(measure, units));
};

const tooLarge = ({ figure }: CheckSubject, at: number, format: string): Risk => {
  const { name, formula } = figure.data.measures[at] as (typeof figure.data.measures)[number];
  return {
    words: `${name} is written as ${format}, which turns 0.5 into 50 %; its values are percents already, so that they read a hundred times too large.`,
    key: `format:${at}`,
    mend: { words: `Divide ${name} by a hundred`, change: changed(figure, at, `(${formula}) / 100`) },
  };
};

const tooSmall = ({ figure }: CheckSubject, at: number): Risk => {
  const { name, formula } = figure.data.measures[at] as (typeof figure.data.measures)[number];
  return {
    words: `${name} stands in % though no value reaches 1: shares of a whole, they read a hundred times too small.`,
    key: 'unit',
    mend: { words: `Take ${name} times a hundred`, change: changed(figure, at, `(${formula}) * 100`) },
  };
};

const changed = (figure: CheckSubject['figure'], at: number, formula: string) => ({
  data: { ...figure.data, measures: figure.data.measures.map((measure, i) => (i === at ? { ...measure, formula } : measure)) },
});
