/** A stretch of a line: where it would like to start, and how long it is. */
export interface Stretch {
  readonly start: number;
  readonly length: number;
}

/** The stretch of the line that all must stay in; where they do not fit, they overrun its end. */
export interface Bounds {
  readonly from: number;
  readonly to: number;
}

interface Cluster {
  start: number;
  length: number;
  members: number[];
}

/**
 * Starts for stretches so that none overlap, moved as little as possible: those that touch become one cluster around
 * their common middle. Gives the starts in the order given. Method: pool adjacent violators. Cost: O(n log n).
 */
export function spreadApart(stretches: readonly Stretch[], bounds: Bounds = { from: -Infinity, to: Infinity }): number[] {
  const order = stretches.map((_, i) => i).sort((a, b) => middle(stretches[a] as Stretch) - middle(stretches[b] as Stretch));
  const clusters: Cluster[] = [];
  for (const i of order) {
    const { start, length } = stretches[i] as Stretch;
    clusters.push({ start: kept(start, length, bounds), length, members: [i] });
    while (clusters.length > 1 && touches(clusters))
      clusters.splice(-2, 2, merged(stretches, bounds, clusters.at(-2) as Cluster, clusters.at(-1) as Cluster));
  }
  const starts: number[] = new Array<number>(stretches.length).fill(0);
  for (const cluster of clusters) {
    let at = cluster.start;
    for (const i of cluster.members) {
      starts[i] = at;
      at += (stretches[i] as Stretch).length;
    }
  }
  return starts;
}

const kept = (start: number, length: number, { from, to }: Bounds): number => Math.max(from, Math.min(start, to - length));

const middle = ({ start, length }: Stretch): number => start + length / 2;

function touches(clusters: readonly Cluster[]): boolean {
  const [before, last] = [clusters.at(-2) as Cluster, clusters.at(-1) as Cluster];
  return before.start + before.length > last.start;
}

/** The least total movement puts a cluster where its members' wishes average out. */
function merged(stretches: readonly Stretch[], bounds: Bounds, a: Cluster, b: Cluster): Cluster {
  const members = [...a.members, ...b.members];
  let [offset, wish] = [0, 0];
  for (const i of members) {
    const { start, length } = stretches[i] as Stretch;
    wish += start - offset;
    offset += length;
  }
  return { start: kept(wish / members.length, offset, bounds), length: offset, members };
}
