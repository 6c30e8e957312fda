/** Numbers from 0 to 1 that are the same on every machine for the same seed. Method: mulberry32. */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** A number around `centre`, give or take `spread`, bell-like. */
export function around(random: () => number, centre: number, spread: number): number {
  return centre + ((random() + random() + random()) / 3 - 0.5) * 2 * spread;
}
