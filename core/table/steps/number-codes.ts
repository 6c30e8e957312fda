// Full enough to waste little memory, empty enough for short walks.
const FULLEST = 0.5;
const scratch = new Float64Array(1);
const bits = new Uint32Array(scratch.buffer);

/** Codes for numbers in the order in which they first come, by a table of open addresses. Cost: about one look per number; memory 24 bytes for each different one. */
export class NumberCodes {
  size = 0;
  private keys: Float64Array;
  private codes: Int32Array;
  private mask: number;

  constructor(expected: number) {
    let capacity = 16;
    while (capacity * FULLEST < expected) capacity *= 2;
    this.keys = new Float64Array(capacity);
    this.codes = new Int32Array(capacity).fill(-1);
    this.mask = capacity - 1;
  }

  /** The code of a number that is there; a new one gets the next. Zero and minus zero are one. */
  codeOf(key: number): number {
    const { keys, codes, mask } = this;
    let at = hashOf(key) & mask;
    for (let code = codes[at] as number; code !== -1; code = codes[at] as number) {
      if (keys[at] === key) return code;
      at = (at + 1) & mask;
    }
    keys[at] = key;
    codes[at] = this.size;
    if (++this.size > keys.length * FULLEST) this.grow();
    return this.size - 1;
  }

  private grow(): void {
    const [keys, codes] = [this.keys, this.codes];
    this.keys = new Float64Array(keys.length * 2);
    this.codes = new Int32Array(keys.length * 2).fill(-1);
    this.mask = keys.length * 2 - 1;
    for (let from = 0; from < keys.length; from++) {
      if (codes[from] === -1) continue;
      let at = hashOf(keys[from] as number) & this.mask;
      while (this.codes[at] !== -1) at = (at + 1) & this.mask;
      this.keys[at] = keys[from] as number;
      this.codes[at] = codes[from] as number;
    }
  }
}

/** The bits of a number, mixed (the finisher of MurmurHash3). */
function hashOf(key: number): number {
  scratch[0] = key + 0;
  let hash = (bits[0] as number) ^ Math.imul(bits[1] as number, 0x9e3779b1);
  hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
  hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
  return (hash ^ (hash >>> 16)) >>> 0;
}
