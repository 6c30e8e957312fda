import { cueFactsOf, cueKinds, type Cue, type CueKindName, type Look } from 'core/cue';
import { firstFigure } from 'core/brief';
import { plainDress, plainLabels, plainScales, type AxisChoice, type Figure, type Labels } from 'core/document';
import { plainMeasure } from 'core/frame';
import { proposeBreaks } from 'core/scale';
import { FIGURE_FORMS, figureForms, OFFERED_SHAPES } from 'core/shape';
import { tableOf, type Table } from 'core/table';
import { seededRandom } from 'demo/random';

/** A figure to be laid out, over a table of its own. */
export interface GrownFigure {
  readonly table: Table;
  readonly figure: Figure;
  readonly size: { readonly width: number; readonly height: number };
}

const COUNTS = [1, 2, 3, 5, 8, 12, 12, 20, 20, 40, 80, 150, 300] as const;
const WORDS = [
  ['Brackenfell', 'Upper', 'Auvers', 'Gap', 'Siddel', 'Nine', 'Springs', 'of', 'the', 'Meadow', 'Tolm'],
  ['Верхний', 'луг', 'Сосновая', 'долина', 'Ключи', 'у', 'ручья'],
  ['高原牧場', '谷の上', '九つの泉', '乳', '山小屋'],
  ['المرج', 'العالي', 'وادي', 'الينابيع', 'كوخ'],
] as const;
const SAYS: readonly Look['label'][] = ['none', 'value', 'value', 'name', 'share', 'difference', 'glyph', 'text'];
const KINDS = Object.keys(cueKinds) as CueKindName[];

type Random = () => number;

/** A figure from a seed: any shape, from one category to three hundred, names in four scripts, ties, gaps, two axes, log and broken scales, panels, up to four cues of any kind. */
export function grownFigure(seed: number): GrownFigure {
  const random = seededRandom(seed);
  const grown = new Grower(random);
  return grown.figure(seed);
}

class Grower {
  constructor(private readonly random: Random) {}

  figure(seed: number): GrownFigure {
    const count = this.one(COUNTS);
    const splits = count <= 40 && this.chance(0.35) ? 2 + this.below(3) : 1;
    const panelled = splits > 1 && this.chance(0.4);
    const names = this.names(count);
    const rows = names.flatMap(name => Array.from({ length: splits }, (_, nth) => ({ name, nth })));
    const first = this.values(rows.length);
    const second = this.values(rows.length);
    const table = tableOf({
      hut: rows.map(({ name }) => name),
      valley: rows.map(({ nth }) => ['Tolm', 'Siddel', 'Auvers Gap', 'Nine Springs'][nth] ?? 'x'),
      milk: first,
      'butterfat of all deliveries': second,
    });
    const base = firstFigure(`f${seed}`, { id: 't', name: 't', rowCount: rows.length, units: {}, columns: table.columns }, 'hut');
    const two = this.chance(0.35);
    const mark = this.one(FIGURE_FORMS);
    const measures = [
      plainMeasure('milk', 'sum(milk)'),
      ...(two
        ? [
            {
              ...plainMeasure('butterfat of all deliveries', 'sum("butterfat of all deliveries")'),
              axis: this.chance(0.6) ? ('second' as const) : ('first' as const),
              ...(figureForms[mark].isLying ? {} : { shape: this.one(OFFERED_SHAPES) }),
            },
          ]
        : []),
    ];
    const figure: Figure = {
      ...base,
      data: {
        ...base.data,
        category: 'hut',
        series: splits > 1 && !panelled ? 'valley' : null,
        panel: panelled ? 'valley' : null,
        measures,
        filters: [],
        order: this.chance(0.5) ? { by: 'table' } : { by: 'measure', measure: 'milk', descending: true },
      },
      shape: {
        ...base.shape,
        mark,
        arrange: this.one(['side', 'side', 'stacked', 'full'] as const),
        panels: two && this.chance(0.25) ? 'measures' : 'one',
      },
      scales: {
        ...plainScales,
        axes: { first: this.axis(first), second: this.axis(second) },
        gridlines: this.chance(0.7),
        side: this.chance(0.15) ? 'far' : 'near',
        along: {
          ...plainScales.along,
          names: this.one(['fitting', 'fitting', 'level', 'turned'] as const),
          beside: this.one(['axis', 'axis', 'axis', 'bars', 'zero'] as const),
        },
      },
      cues: Array.from({ length: this.below(5) }, (_, i) => this.cue(i, two ? ['milk', 'butterfat of all deliveries'] : ['milk'])),
      words: {
        title: this.chance(0.9) ? this.phrase(2 + this.below(9)) : '',
        subtitle: this.chance(0.4) ? this.phrase(4 + this.below(12)) : '',
        ...(this.chance(0.3) ? { note: this.phrase(5 + this.below(20)) } : {}),
      },
      labels: this.labels(two),
      dress: { ...plainDress, legend: this.one(['auto', 'auto', 'auto', 'side', 'direct', 'none'] as const) },
      view: 'cued',
    };
    return { table, figure, size: this.size() };
  }

  private size(): GrownFigure['size'] {
    const share = this.random() ** 1.5;
    const width = Math.round(280 + share * (1920 - 280));
    const tall = [0.5625, 0.643, 0.75, 1] as const;
    return { width, height: Math.max(180, Math.min(1080, Math.round(width * this.one(tall)))) };
  }

  private names(count: number): string[] {
    const kind = this.below(6);
    if (kind === 5) return Array.from({ length: count }, (_, i) => new Date(Date.UTC(2031, 4, 1 + i)).toISOString().slice(0, 10));
    const words = WORDS[kind % 4] as readonly string[];
    const long = this.chance(0.4) ? 6 : 2;
    return Array.from({ length: count }, (_, i) => {
      const parts = Array.from({ length: 1 + this.below(long) }, () => this.one(words));
      return `${parts.join(' ')} ${i + 1}`;
    });
  }

  private values(count: number): (number | null)[] {
    const size = 10 ** this.below(8);
    const way = this.below(8);
    const makers: readonly (() => number)[] = [
      () => this.random() * size,
      () => (this.random() - 0.5) * size,
      () => Math.round(this.random() * 4) * size,
      () => 3 * size,
      () => size * 10 ** (3 * this.random()),
      () => (this.chance(0.1) ? 40 * size : this.random() * size),
      () => -this.random() * size,
      // Many a little above or below zero, beside a few that are large.
      () => (this.random() - 0.5) * size * (this.chance(0.3) ? 1 : 0.1),
    ];
    const make = makers[way] as () => number;
    const gaps = this.chance(0.3) ? 0.15 : 0;
    return Array.from({ length: count }, () => (this.chance(gaps) ? null : Number(make().toPrecision(4))));
  }

  private labels(two: boolean): Labels {
    return {
      ...plainLabels,
      what: this.one(['cued', 'cued', 'cued', 'all', 'all', 'ends', 'nth', 'where', 'none'] as const),
      every: 2 + this.below(6),
      where: 'milk > avg(milk) over ()',
      of: this.one(['parts', 'parts', 'totals'] as const),
      says: this.one([
        'value',
        'value',
        'value',
        'name',
        'series',
        'share',
        'part',
        'difference',
        'previous',
        'rank',
        'glyph',
        'text',
      ] as const),
      measure: two && this.chance(0.2) ? 'butterfat of all deliveries' : null,
      text: '{hut}\\n{milk} L',
      place: this.one(['auto', 'auto', 'auto', 'outside', 'end', 'middle', 'base', 'above', 'below', 'left', 'right'] as const),
      offset: { as: 'pixels', amount: this.chance(0.1) ? this.below(20) : 0 },
      zeros: this.chance(0.2),
      missing: this.chance(0.2),
    };
  }

  private axis(values: readonly (number | null)[]): AxisChoice {
    const plain = plainScales.axes.first;
    const way = this.below(8);
    if (way === 0) return { ...plain, scale: 'log' };
    if (way === 1) return { ...plain, scale: 'symlog' };
    if (way === 2) {
      const [offer] = proposeBreaks(
        Float64Array.from(values, value => value ?? NaN),
        true,
      );
      return offer ? { ...plain, breaks: [{ from: offer.from, to: offer.to }] } : plain;
    }
    return { ...plain, reversed: way === 3 && this.chance(0.5), headroom: way === 4 ? { as: 'share', amount: this.random() * 0.4 } : null };
  }

  private cue(nth: number, measures: readonly string[]): Cue {
    const kind = this.one(KINDS);
    const made = cueKinds[kind].create(`cue-${nth}`, cueFactsOf({ category: 'hut', measures: [...measures] }));
    const label = this.one(SAYS);
    const looks = Object.fromEntries(
      Object.entries(made.looks).map(([part, look]) => [
        part,
        { ...look, ...(this.chance(0.7) ? { label } : {}), text: '{milk} L of {hut}', ...(this.chance(0.2) ? { glyph: 'star' } : {}) },
      ]),
    );
    return { ...made, looks };
  }

  private phrase(words: number): string {
    const list = this.one(WORDS) as readonly string[];
    return Array.from({ length: words }, () => this.one(list)).join(' ');
  }

  private below(n: number): number {
    return Math.floor(this.random() * n);
  }

  private one<T>(list: readonly T[]): T {
    return list[this.below(list.length)] as T;
  }

  private chance(share: number): boolean {
    return this.random() < share;
  }
}
