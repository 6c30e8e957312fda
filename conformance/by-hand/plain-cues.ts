import type { PlainRow, Value } from './plain-rows';
import { inOrder, partOf, seenFrom, type PlainScope } from './plain-scope';
import { moved, type PlainWindow } from './plain-windows';
import { calc, deviation, least, mean, median, most, quantile, quantileOf, there, total } from './plain-statistics';

/** A cell of a helper column. */
export type PlainCell = Value | string | boolean;
export type PlainColumns = Record<string, PlainCell[]>;

/** What a cue of a kind computes, by plain loops over rows; `a` is its measure. */
export class PlainFigure {
  constructor(
    readonly rows: readonly PlainRow[],
    readonly scope: PlainScope,
  ) {}

  get a(): Value[] {
    return this.rows.map(row => row.a);
  }

  private each<T>(compute: (row: PlainRow, at: number) => T): T[] {
    return this.rows.map(compute);
  }

  /** A statistic of `a` over what each row sees. */
  private seen(statistic: (values: readonly Value[]) => Value, scope = this.scope, of: readonly Value[] = this.a): Value[] {
    return this.rows.map((_, at) => statistic(seenFrom(this.rows, scope, at).map(i => of[i] as Value)));
  }

  private whole(statistic: (values: readonly Value[]) => Value, of: readonly Value[] = this.a): Value[] {
    return this.rows.map((_, at) => statistic(partOf(this.rows, this.scope, at).map(i => of[i] as Value)));
  }

  private keep(where: readonly (boolean | null)[]): Value[] {
    return this.a.map((value, at) => (where[at] === true ? value : null));
  }

  extremes(): PlainColumns {
    const [high, low] = [this.seen(most), this.seen(least)];
    const highest = this.keep(this.a.map((value, at) => value !== null && value === high[at]));
    const lowest = this.keep(this.a.map((value, at) => value !== null && value === low[at]));
    return { highest, lowest, rest: this.keep(this.a.map((_, at) => highest[at] === null && lowest[at] === null)) };
  }

  rank(end: 'top' | 'bottom', n: number, unit: 'places' | 'percent' | 'share'): PlainColumns {
    const better = (x: number, y: number): boolean => (end === 'top' ? x > y : x < y);
    const facts = this.each(({ a }, at) => {
      const peers = there(partOf(this.rows, this.scope, at).map(i => this.rows[i]?.a ?? null));
      if (a === null) return null;
      const before = peers.filter(value => better(value, a));
      const sum = total(peers) as number;
      return {
        rank: before.length + 1,
        share: (total(peers.filter(value => !better(a, value))) as number) / sum,
        ahead: Number((((total(peers) as number) - (total(peers.filter(value => !better(value, a))) as number)) / sum).toFixed(12)),
        count: peers.length,
        sum,
      };
    });
    const isIn = facts.map(fact => {
      if (!fact) return false;
      if (unit === 'places') return fact.rank <= n;
      if (unit === 'percent') return fact.rank <= Math.ceil(Number(((n * fact.count) / 100).toFixed(9)));
      return fact.sum !== 0 && fact.ahead < n / 100;
    });
    return {
      rank: facts.map(fact => fact?.rank ?? null),
      'cumulated share': facts.map(fact => (fact && Number.isFinite(fact.share) ? fact.share : null)),
      in: this.keep(isIn),
      rest: this.keep(isIn.map(value => !value)),
    };
  }

  threshold(edges: readonly Value[][], names: readonly string[], inclusive: 'lower' | 'upper'): PlainColumns {
    const step = this.each(({ a }, at): string | null => {
      if (a === null) return null;
      for (let i = 0; i < edges.length; i++) {
        const edge = edges[i]?.[at] ?? null;
        if (edge === null) return null;
        if (inclusive === 'lower' ? a <= edge : a < edge) return names[i] as string;
      }
      return names.at(-1) as string;
    });
    return {
      ...Object.fromEntries(edges.map((edge, i) => [`edge ${i + 1}`, edge])),
      step,
      ...Object.fromEntries(names.map(name => [name, this.keep(step.map(found => found === name))])),
    };
  }

  percentiles(share: number): Value[] {
    return this.seen(values => quantile(values, share));
  }

  averagePlus(k: number): Value[] {
    const [middle, sd] = [this.seen(mean), this.seen(deviation)];
    return middle.map((value, at) => calc([value, sd[at] as Value], (x, y) => x + k * y));
  }

  statistic(name: 'average' | 'median' | 'minimum' | 'maximum' | 'total'): Value[] {
    return this.seen({ average: mean, median, minimum: least, maximum: most, total }[name]);
  }

  typical(line: readonly Value[]): PlainColumns {
    const side = (test: (a: number, l: number) => boolean): boolean[] =>
      this.a.map((value, at) => value !== null && line[at] !== null && test(value, line[at] as number));
    return {
      line: [...line],
      above: this.keep(side((x, y) => x >= y)),
      below: this.keep(side((x, y) => x < y)),
      difference: this.a.map((value, at) => calc([value, line[at] as Value], (x, y) => x - y)),
    };
  }

  plan(): PlainColumns {
    const of = (compute: (a: number, b: number) => number): Value[] => this.rows.map(({ a, b }) => calc([a, b], compute));
    return {
      reached: of((a, b) => Math.min(a, b)),
      'short by': of((a, b) => Math.max(b - a, 0)),
      beyond: of((a, b) => Math.max(a - b, 0)),
      whole: of(a => a),
    };
  }

  compare(other: readonly Value[]): PlainColumns {
    const difference = this.a.map((value, at) => calc([value, other[at] as Value], (x, y) => x - y));
    const direction = difference.map(value => (value === null ? null : value > 0 ? 'more' : value < 0 ? 'less' : 'equal'));
    return {
      difference,
      direction,
      more: this.keep(direction.map(word => word === 'more')),
      less: this.keep(direction.map(word => word === 'less')),
    };
  }

  outlier(method: 'iqr' | 'deviation' | 'mad', k: number): PlainColumns {
    const around: Record<typeof method, () => [string, Value[], string, Value[]]> = {
      iqr: () => ['lower quartile', this.percentiles(0.25), 'upper quartile', this.percentiles(0.75)],
      deviation: () => ['mean', this.seen(mean), 'sd', this.seen(deviation)],
      mad: () => {
        const middle = this.seen(median);
        const distances = this.a.map((value, at) => calc([value, middle[at] as Value], (x, y) => Math.abs(x - y)));
        return ['median', middle, 'MAD', this.seen(median, this.scope, distances)];
      },
    };
    const [first, x, second, y] = around[method]();
    const reach = { iqr: k, deviation: k, mad: k / 0.6745 }[method];
    const low = x.map((value, at) => calc([value, y[at] as Value], (p, q) => (method === 'iqr' ? p - reach * (q - p) : p - reach * q)));
    const high = x.map((value, at) => calc([value, y[at] as Value], (p, q) => (method === 'iqr' ? q + reach * (q - p) : p + reach * q)));
    const score = this.a.map((value, at) =>
      calc([value, x[at] as Value, y[at] as Value], (v, p, q) => {
        if (method === 'iqr') return v > q ? (v - q) / (q - p) : v < p ? (v - p) / (q - p) : 0;
        return ((method === 'mad' ? 0.6745 : 1) * (v - p)) / q;
      }),
    );
    const out = this.a.map((value, at) => {
      if (value === null || low[at] === null || (method !== 'iqr' && y[at] === 0)) return false;
      return value < (low[at] as number) || value > (high[at] as number);
    });
    return {
      [first]: x,
      [second]: y,
      'lower fence': low,
      'upper fence': high,
      score,
      outlier: this.keep(out),
      rest: this.keep(out.map(value => !value)),
    };
  }

  gradient(middle: readonly Value[] | null, classes: number): PlainColumns {
    const [low, high] = [this.seen(least), this.seen(most)];
    const position = this.a.map((value, at) => {
      if (middle === null) return calc([value, low[at] as Value, high[at] as Value], (v, l, h) => (h === l ? 0.5 : (v - l) / (h - l)));
      return calc([value, low[at] as Value, high[at] as Value, middle[at] as Value], (v, l, h, m) => {
        const reach = Math.max(Math.abs(h - m), Math.abs(l - m));
        return reach === 0 ? 0.5 : 0.5 + (0.5 * (v - m)) / reach;
      });
    });
    if (classes === 0) return { position };
    const inClass = position.map(value => calc([value], p => Math.min(Math.floor(Number((p * classes).toFixed(9))) + 1, classes)));
    return { position, class: inClass, shade: inClass.map(value => calc([value], c => (c - 0.5) / classes)) };
  }

  change(from: 'previous' | 'first' | 'year', as: 'difference' | 'percent', first: 'missing' | 'zero'): PlainColumns {
    const order = this.rows.map((_, at) => inOrder(this.rows, this.scope, at));
    const place = order.map((list, at) => list.indexOf(at));
    const before = this.a.map((_, at): Value => {
      const list = order[at] as number[];
      if (from === 'first') return this.a[list[0] as number] ?? null;
      if (from === 'year') return this.yearBefore(list, at);
      return place[at] === 0 ? null : (this.a[list[(place[at] as number) - 1] as number] ?? null);
    });
    const changed = (compute: (now: number, then: number) => number): Value[] =>
      this.a.map((value, at) => {
        if (place[at] === 0 && first === 'zero') return 0;
        if (place[at] === 0 && from === 'first') return null;
        return calc([value, before[at] as Value], compute);
      });
    const difference = changed((x, y) => x - y);
    const percent = changed((x, y) => (x - y) / Math.abs(y));
    const by = as === 'percent' && first !== 'missing' ? percent : difference;
    const direction = by.map(value => (value === null ? null : value > 0 ? 'rise' : value < 0 ? 'fall' : 'level'));
    return {
      [from === 'first' ? 'first' : 'previous']: before,
      difference,
      'percent change': percent,
      direction,
      rise: this.keep(direction.map(word => word === 'rise')),
      fall: this.keep(direction.map(word => word === 'fall')),
    };
  }

  /** The row nearest to a year before, at most half the usual distance of two days away; the earlier one of two that are as near. */
  private yearBefore(list: readonly number[], at: number): Value {
    const dayOf = (i: number): number => Date.parse(this.rows[i]?.key ?? '') / 86_400_000;
    const gaps = list
      .slice(1)
      .map((i, j) => dayOf(i) - dayOf(list[j] as number))
      .filter(gap => gap !== 0);
    const step = median(gaps);
    const [year, month, day] = (this.rows[at] as PlainRow).key.split('-').map(Number) as [number, number, number];
    const last = new Date(Date.UTC(year - 1, month, 0)).getUTCDate();
    const target = Date.UTC(year - 1, month - 1, Math.min(day, last)) / 86_400_000;
    let nearest: number | null = null;
    for (const i of list) {
      const away = Math.abs(dayOf(i) - target);
      if (step === null || i === at || away > step / 2) continue;
      if (nearest === null || away < Math.abs(dayOf(nearest) - target)) nearest = i;
    }
    return nearest === null ? null : (this.a[nearest] ?? null);
  }

  running(of: 'total' | 'average' | 'median', n: number, place: 'up to' | 'around', edges: 'full' | 'partial'): PlainColumns {
    const statistic = { total, average: mean, median }[of];
    const running = this.each((_, at) => moved(this, at, statistic, { n, place, edges }));
    return { running };
  }

  /** A band from a statistic of the whole part, or of a moving window. */
  band(by: 'deviation' | 'error' | 'confidence' | 'percentiles', size: number, moving: PlainWindow | null): PlainColumns {
    const of = (statistic: (values: readonly Value[]) => Value): Value[] =>
      moving === null ? this.whole(statistic) : this.each((_, at) => moved(this, at, statistic, moving));
    if (by === 'percentiles')
      return this.between(
        of(values => quantile(values, 0.5 - size / 200)),
        of(values => quantile(values, 0.5 + size / 200)),
      );
    const [middle, sd, count] = [of(mean), of(deviation), of(values => there(values).length)];
    const half = sd.map((value, at) =>
      calc([value, count[at] as Value], (s, n) => {
        if (by === 'deviation') return size * s;
        return ((by === 'error' ? size : quantileOf(size, n - 1)) * s) / Math.sqrt(n);
      }),
    );
    const edge = (sign: 1 | -1): Value[] => middle.map((value, at) => calc([value, half[at] as Value], (m, h) => m + sign * h));
    return this.between(edge(-1), edge(1));
  }

  between(lower: readonly Value[], upper: readonly Value[]): PlainColumns {
    const known = (test: (a: number, l: number, u: number) => boolean, loose: boolean): boolean[] =>
      this.a.map((value, at) => {
        const [l, u] = [lower[at] as Value, upper[at] as Value];
        if (value === null) return false;
        if (l === null || u === null) return loose && ((l !== null && value < l) || (u !== null && value > u));
        return test(value, l, u);
      });
    return {
      lower: [...lower],
      upper: [...upper],
      outside: this.keep(known((v, l, u) => v < l || v > u, true)),
      inside: this.keep(known((v, l, u) => v >= l && v <= u, false)),
    };
  }

  span(): PlainColumns {
    const of = (compute: (a: number, b: number) => number): Value[] => this.rows.map(({ a, b }) => calc([a, b], compute));
    const [low, high] = [of((a, b) => Math.min(a, b)), of((a, b) => Math.max(a, b))];
    return {
      low,
      high,
      spread: of((a, b) => Math.abs(b - a)),
      middle: of((a, b) => (a + b) / 2),
      'average low': this.seen(mean, this.scope, low),
      'average high': this.seen(mean, this.scope, high),
    };
  }

  rescale(to: 'index' | 'share' | 'unit' | 'z' | 'range', base: string | null): PlainColumns {
    const b = this.rows.map(row => row.b);
    const [low, high] = [this.whole(least), this.whole(most)];
    const scaled = this.each(({ a }, at): Value => {
      const part = partOf(this.rows, this.scope, at);
      if (to === 'share') return calc([a, total(part.map(i => this.a[i] as Value))], (x, y) => x / y);
      if (to === 'unit') return calc([a, low[at] as Value, high[at] as Value], (x, l, h) => (x - l) / (h - l));
      if (to === 'z')
        return calc([a, mean(part.map(i => this.a[i] as Value)), deviation(part.map(i => this.a[i] as Value))], (x, m, s) => (x - m) / s);
      if (to === 'range') {
        const others = part.map(i => b[i] as Value);
        return calc(
          [a, low[at] as Value, high[at] as Value, least(others), most(others)],
          (x, l, h, p, q) => p + ((x - l) * (q - p)) / (h - l),
        );
      }
      const chosen = base === null ? this.firstThere(at) : most(part.filter(i => this.rows[i]?.key === base).map(i => this.a[i] as Value));
      return calc([a, chosen], (x, y) => (x * 100) / y);
    });
    return { scaled };
  }

  private firstThere(at: number): Value {
    return (
      inOrder(this.rows, this.scope, at)
        .map(i => this.a[i] as Value)
        .find(value => value !== null) ?? null
    );
  }

  rule(
    conditions: readonly ((row: PlainRow, average: Value) => boolean)[],
    names: readonly string[],
    takes: 'first' | 'every',
  ): PlainColumns {
    const average = this.seen(mean);
    const hits = this.each((row, at) => conditions.map(holds => holds(row, average[at] as Value)));
    const branch = hits.map(list => names[list.indexOf(true)] ?? null);
    const columns = names.map(
      (name, i) => [name, this.keep(hits.map((list, at) => (takes === 'first' ? branch[at] === name : list[i] === true)))] as const,
    );
    return { ...(takes === 'first' ? { branch } : {}), ...Object.fromEntries(columns) };
  }
}
